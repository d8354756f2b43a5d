import { CoatTables, type Horizon, sessionId, timesOf } from './coatTables.ts';
import { type FilmTakes, mayTable, takesOf, windowTables, workTable } from './lagTables.ts';
import type { PlanLag, PlanTask } from './problem.ts';
import { after, always, SLOT_MS, slotAfter, slotBefore, slotsOf } from './slots.ts';
import type { AreaToPlan, CoatToPlan, PlannedTask, Unplanned, WorkToPlan } from './yardToPlan.ts';

/** The tasks of one area: its films, the work and the coats that are left, and what each waits for. */

/** A coat that the plan cannot be made with. */
export class NotPlanned extends Error {
  readonly why: Unplanned;
  constructor(why: Unplanned) {
    super(why.code);
    this.why = why;
  }
}

export type OwnTask = PlanTask & { is: PlannedTask };

/** The largest share of the steel's bare hours that blasting may use: the rest is for priming [M]. */
const MOST_BLASTING = 0.75;

/** Whether steel blasted in so long can be primed within its hours: in one session, the last strip too. */
const fitsBare = (ms: number, bareForMs: number, coat: CoatToPlan): boolean =>
  ms <= bareForMs * MOST_BLASTING &&
  coat.sessions === 1 &&
  slotsOf(ms) * SLOT_MS + timesOf(coat).getReadyMs <= bareForMs &&
  timesOf(coat).getReadyMs + coat.applyMs <= bareForMs;

/** What the next coat goes over. */
type Below =
  | { kind: 'bare' }
  | { kind: 'film'; id: string }
  | { kind: 'coat'; ids: string[]; coat: CoatToPlan };

/** The last piece of work before a coat and the wait after it, and the work that bared the steel, also where other work came after. */
interface WorkDone {
  last: OwnTask | null;
  waitMs: number;
  bared: { task: OwnTask; forMs: number } | null;
}

export class AreaTasks {
  readonly tasks: OwnTask[] = [];
  readonly lags: PlanLag[] = [];
  readonly #area: AreaToPlan;
  readonly #horizon: Horizon;
  readonly #tables: CoatTables;
  /** What the film on it offers from the start of the plan on. */
  readonly #current: NonNullable<AreaToPlan['film']>['segments'];
  #below: Below = { kind: 'bare' };

  /** @throws {NotPlanned} where a sheet does not say what the plan needs */
  constructor(area: AreaToPlan, horizon: Horizon) {
    this.#area = area;
    this.#horizon = horizon;
    this.#tables = new CoatTables(area, horizon);
    this.#current = area.film?.segments.filter(({ toMs }) => toMs === null || toMs > horizon.fromMs) ?? [];
    if (area.film || area.primeByMs !== null) this.#below = { kind: 'film', id: this.#filmOn() };
    for (const coat of area.coats) this.#coat(coat);
  }

  /** Lags from the last film to the launch, by task. @throws {NotPlanned} */
  ready(): { id: string; lag: Pick<PlanLag, 'earliest' | 'latest'> }[] {
    const below = this.#below;
    if (below.kind === 'bare') return [];
    const ids = below.kind === 'film' ? [below.id] : below.ids;
    const { ready } = this.#area;
    const lag = ready === 'immersion' ? this.#forWater() : this.#dry(ready);
    return ids.map((id) => ({ id, lag }));
  }

  #dry(event: 'tack-free' | 'walk'): Pick<PlanLag, 'earliest'> {
    const { fromMs, slots } = this.#horizon;
    const { film } = this.#area;
    const below = this.#below;
    const dry =
      below.kind === 'coat'
        ? this.#tables.dryOf(below.coat, event)
        : this.#always(Math.max(film?.wetUntilMs ?? fromMs, film?.softUntilMs ?? fromMs));
    if (!dry) throw this.#left(null, 'ready-not-stated');
    return { earliest: mayTable(dry, { fromMs, slots }) };
  }

  #forWater(): Pick<PlanLag, 'earliest' | 'latest'> {
    const below = this.#below;
    const takes =
      below.kind === 'coat'
        ? this.#tables.takesOf(below.coat, { kind: 'water' }, false, false)
        : this.#takesNow(false);
    if (!takes) throw this.#left(null, 'ready-not-stated');
    if (!this.#horizon.onlyPinned && takes.every(({ mayMs }) => mayMs === null))
      throw this.#left(null, below.kind === 'coat' ? 'never-ready' : 'closed-for-water');
    const { fromMs, slots } = this.#horizon;
    return windowTables(takes, { fromMs, slots, aheadMs: 0, longerMs: 0, sandSlots: null });
  }

  #left(coat: CoatToPlan | null, code: Unplanned['code']): NotPlanned {
    return new NotPlanned({ areaId: this.#area.id, coatId: coat?.id ?? null, code });
  }

  #always<T>(value: T): T[] {
    return always(this.#horizon.slots, value);
  }

  #add(
    task: Omit<PlanTask, 'air' | 'equipment'>,
    is: Partial<PlannedTask> & Pick<PlannedTask, 'kind'>,
  ): OwnTask {
    const { id: areaId, boatId, air } = this.#area;
    const blank = { coatId: null, workId: null, session: [0, 1] as const, getReadyMs: 0, cleanUpMs: 0 };
    const made = { ...task, air, equipment: [], is: { ...blank, areaId, boatId, ...is, id: task.id } };
    this.tasks.push(made);
    return made;
  }

  /** The film that is on, or bare steel whose hours run: its tables hold from the start of the plan. */
  #filmOn(): string {
    const { fromMs, slots } = this.#horizon;
    const wetMs = this.#area.film?.wetUntilMs ?? null;
    const until = wetMs === null ? null : Math.max(0, Math.min(slots + 1, slotAfter(wetMs, fromMs)));
    const wet = until === null ? {} : { wetUntil: this.#always(until) };
    const id = `film ${this.#area.id}`;
    return this.#add({ id, slots: 0, people: 0, pinned: 0, dusty: false, ...wet }, { kind: 'film' }).id;
  }

  /** As {@link takesByEnd} of the film that is on. */
  #takesNow(sandFirst: boolean): FilmTakes[] | null {
    const { film } = this.#area;
    if (!film) return null;
    const takes = takesOf(this.#current, film.sandableMs, sandFirst);
    return takes && this.#always({ ...takes, wetMs: film.wetUntilMs ?? this.#horizon.fromMs });
  }

  /** How long the film below took to apply, ms. */
  #belowTookMs(): number {
    return this.#below.kind === 'coat' ? this.#below.coat.applyMs : (this.#area.film?.appliedInMs ?? 0);
  }

  /** What the film below takes, by the end of each of its tasks; null: there is none. @throws {NotPlanned} */
  #takesBelow(
    coat: CoatToPlan,
    sandFirst: boolean,
    workOn = false,
  ): { ids: string[]; takes: FilmTakes[] } | null {
    const below = this.#below;
    if (below.kind === 'bare' || (below.kind === 'film' && !this.#area.film)) return null;
    const isSame = below.kind === 'coat' && below.coat.productId === coat.productId;
    const takes =
      below.kind === 'coat'
        ? this.#tables.takesOf(
            below.coat,
            { kind: 'coat', family: coat.family, same: isSame },
            sandFirst,
            workOn,
          )
        : this.#takesNow(sandFirst);
    if (!takes) throw this.#left(coat, 'window-not-stated');
    if (!this.#horizon.onlyPinned && takes.every(({ mayMs }) => mayMs === null))
      throw this.#left(coat, 'never-ready');
    return { ids: below.kind === 'coat' ? below.ids : [below.id], takes };
  }

  #coat(coat: CoatToPlan): void {
    const { slots } = this.#horizon;
    const done = this.#workBefore(coat);
    const { length, getReadyMs } = timesOf(coat);
    const { cleanUpMs } = coat;
    const starts = this.#tables.startsOf(coat, getReadyMs);
    if (this.#tables.endsOf(coat).length === 0) throw this.#left(coat, 'no-working-hour');
    const ids: string[] = [];
    for (let session = 0; session < coat.sessions; session++) {
      const { id } = this.#add(
        {
          id: sessionId(coat, session),
          slots: length,
          people: coat.people,
          dusty: false,
          starts,
          wetUntil: this.#tables.wetUntil(coat),
        },
        { kind: 'coat', coatId: coat.id, session: [session, coat.sessions], getReadyMs, cleanUpMs },
      );
      this.#overFilm(coat, id, getReadyMs, done);
      this.#afterWork(coat, id, done);
      const before = ids.at(-1);
      if (before !== undefined) this.lags.push({ before, after: id, earliest: after(slots, 0) });
      ids.push(id);
    }
    this.#below = { kind: 'coat', ids, coat };
  }

  /** What a session waits for of the film below, and by when it must follow it. */
  #overFilm(coat: CoatToPlan, id: string, aheadMs: number, { last, waitMs }: WorkDone): void {
    const { fromMs, slots } = this.#horizon;
    const sandFirst = coat.work.some(({ kind }) => kind === 'sand');
    const below = this.#takesBelow(coat, sandFirst);
    if (below) {
      // Sanding that takes longer than the plan never fits.
      const sandSlots = sandFirst || coat.sandMs === 0 ? null : Math.min(slots, slotsOf(coat.sandMs));
      // A coat that takes longer than the one below comes to its last strip later than that one closes.
      const longerMs = Math.max(0, coat.applyMs - this.#belowTookMs());
      const tables = windowTables(below.takes, { fromMs, slots, aheadMs, longerMs, sandSlots });
      for (const [i, before] of below.ids.entries()) {
        // The window of the first session closes first: it decides for the whole coat.
        this.lags.push({ before, after: id, ...(i === 0 ? tables : { earliest: tables.earliest }) });
        // A wait that no work stands before counts from the film below.
        if (!last && waitMs > 0)
          this.lags.push({ before, after: id, earliest: after(slots, slotsOf(waitMs)) });
      }
    }
    const { primeByMs } = this.#area;
    if (this.#below.kind !== 'film' || primeByMs === null) return;
    // The whole area is primed by then, the last strip too.
    const by = slotBefore(primeByMs - aheadMs - coat.applyMs, fromMs);
    const firstStart = Math.min(...this.#tables.endsOf(coat)) - timesOf(coat).length;
    if (!this.#horizon.onlyPinned && firstStart > by) throw this.#left(coat, 'bare-too-long');
    const latest = this.#always(Math.min(slots + 1, by));
    this.lags.push({ before: this.#below.id, after: id, earliest: after(slots, 0), latest });
  }

  /** What a session waits for of the work before it, and by when bare steel must be primed. */
  #afterWork(coat: CoatToPlan, id: string, { last, waitMs, bared }: WorkDone): void {
    const { slots } = this.#horizon;
    if (last) this.lags.push({ before: last.id, after: id, earliest: after(slots, slotsOf(waitMs)) });
    if (!bared) return;
    const { task, forMs } = bared;
    const { getReadyMs } = timesOf(coat);
    // The first strip is primed in time after it was bared first, the last one after it was bared last.
    const first = slotBefore(forMs - getReadyMs, 0) - task.slots;
    const final = slotBefore(forMs - getReadyMs - coat.applyMs, 0);
    const latest = after(slots, Math.min(first, final));
    this.lags.push({ before: task.id, after: id, earliest: after(slots, 0), latest });
  }

  /** Work before a coat, each after the one before it and once the film below can bear it. */
  #workBefore(coat: CoatToPlan): WorkDone {
    let done: WorkDone = { last: null, waitMs: 0, bared: null };
    for (const work of coat.work)
      done =
        work.kind === 'wait' ? { ...done, waitMs: done.waitMs + work.ms } : this.#pieces(work, coat, done);
    return done;
  }

  /** One piece of work, in so many goes as it takes. */
  #pieces(work: WorkToPlan, coat: CoatToPlan, before: WorkDone): WorkDone {
    const { slots, longestMs } = this.#horizon;
    const { bareForMs } = work;
    if (bareForMs !== undefined && !fitsBare(work.ms, bareForMs, coat))
      throw this.#left(coat, 'too-large-for-bare-steel');
    const pieces = Math.max(1, Math.ceil(work.ms / longestMs - 1e-9));
    let done = before;
    for (let piece = 0; piece < pieces; piece++) {
      const id = `${coat.id}/${work.id}${pieces > 1 ? `#${piece + 1}` : ''}`;
      const length = Math.max(1, slotsOf(work.ms / pieces));
      const task = this.#add(
        { id, slots: length, people: 1, dusty: work.dusty, ...this.#uncovered() },
        { kind: 'work', coatId: coat.id, workId: work.id, session: [piece, pieces] },
      );
      const { last, waitMs } = done;
      if (last) this.lags.push({ before: last.id, after: id, earliest: after(slots, slotsOf(waitMs)) });
      if (!last || work.kind === 'sand') this.#workOnFilm(id, work, coat, last ? 0 : waitMs);
      // The hours of bare steel count from the first piece that bares it.
      const bared = done.bared ?? (bareForMs === undefined ? null : { task, forMs: bareForMs });
      done = { last: task, waitMs: 0, bared };
    }
    return done;
  }

  /** Starts of work on an area that a support still covers. */
  #uncovered(): Pick<PlanTask, 'starts'> {
    const { notBeforeMs } = this.#area;
    const { fromMs, slots } = this.#horizon;
    if (notBeforeMs === undefined || notBeforeMs <= fromMs) return {};
    const first = slotAfter(notBeforeMs, fromMs);
    return { starts: first < slots ? [[first, slots]] : [] };
  }

  /** Work on the film below: sanding once it can be sanded, anything else once it is dry. */
  #workOnFilm(id: string, work: WorkToPlan, coat: CoatToPlan, waitMs: number): void {
    const { fromMs, slots } = this.#horizon;
    const below = this.#takesBelow(coat, true, true);
    if (!below) return;
    const isSanding = work.kind === 'sand';
    const earliest = workTable(below.takes, { fromMs, slots, isSanding, waitMs });
    for (const before of below.ids) this.lags.push({ before, after: id, earliest });
  }
}

import type { AreaClock, PotView } from '../../contract/index.ts';
import { HOUR_MS, type SplicedHour, segmentAt } from '../../core/cure/index.ts';
import type { Db, Queries } from '../db/open.ts';
import type { LiveChanges } from '../http/events.ts';
import { allShapes, type shapeOf } from '../hull/shape.ts';
import { yardAir } from './air.ts';
import { areaClock } from './areaClock.ts';
import { type AreaState, loadAreaStates, loadOpenPots, loadShelf, type Shelf, type Which } from './load.ts';

/** Air is looked at this far back for a film and this far ahead for its windows. */
const LOOK_BACK_MS = 120 * 24 * HOUR_MS;
const LOOK_AHEAD_MS = 16 * 24 * HOUR_MS;

/** The areas of the yard with their clocks, and what those were reckoned from. */
export interface YardClocks {
  states: readonly AreaState[];
  clocks: readonly AreaClock[];
  hours: readonly SplicedHour[];
  shelf: Shelf;
}

/** The air that the clocks of these areas need. */
export function airFor(db: Queries, states: readonly AreaState[], now: number): Promise<SplicedHour[]> {
  const laid = states.flatMap((state) => state.coats.map((coat) => coat.fromMs));
  const earliest = laid.reduce((least, ms) => Math.min(least, ms), now);
  const from = Math.max(now - LOOK_BACK_MS, earliest - HOUR_MS);
  return yardAir(db, now, { from, to: now + LOOK_AHEAD_MS });
}

const begins = new WeakMap<AreaClock, { fromMs: number; segment: AreaClock['segments'][number] }[]>();

/** A clock with its state read off again at another moment; its edges do not depend on the moment. */
function readAt(clock: AreaClock, now: number): AreaClock {
  let segments = begins.get(clock);
  if (!segments) {
    segments = clock.segments.map((segment) => ({ fromMs: Date.parse(segment.from), segment }));
    begins.set(clock, segments);
  }
  const present = segmentAt(segments, now)?.segment;
  if (!present || (present.state === clock.state && present.to === clock.until)) return clock;
  return { ...clock, state: present.state, until: present.to };
}

/**
 * The yard as it stands, kept in memory. This process is the only one that writes to the data folder, so what was
 * read stays true until a change is told; then only the areas it touches are read again. Air is spliced at the
 * present hour and so lasts an hour at most.
 */
export class YardMemory {
  readonly #db: Db;
  #states: Map<string, AreaState> | null = null;
  #stale = new Set<string>();
  #shelf: Shelf | null = null;
  #air: { hour: number; hours: SplicedHour[] } | null = null;
  #clocks = new Map<string, { state: AreaState; hours: SplicedHour[]; shelf: Shelf; clock: AreaClock }>();
  #shapes: ReturnType<typeof allShapes> | null = null;
  #reading: Promise<YardClocks> | null = null;
  /** Counts the changes told. */
  #revision = 0;

  constructor(db: Db, live: LiveChanges) {
    this.#db = db;
    live.listen((topic, areaId) => {
      if (topic === 'form') this.#shapes = null;
      this.#revision++;
      this.#reading = null;
      if (topic === 'products') this.#shelf = null;
      else if (topic === 'weather' || topic === 'yard') this.#air = null;
      else if (areaId && this.#states) this.#stale.add(areaId);
      else this.#states = null;
    });
  }

  /** Everything at `now`. */
  async at(now: number): Promise<YardClocks> {
    const known = await this.#known(now);
    return { ...known, clocks: known.clocks.map((clock) => readAt(clock, now)) };
  }

  /** The hulls that boats are drawn by, by boat; none where nothing but her dimensions is known. */
  async shapes(): Promise<Map<string, ReturnType<typeof shapeOf>>> {
    const reading = this.#shapes ?? allShapes(this.#db);
    this.#shapes = reading;
    try {
      return await reading;
    } catch (error) {
      if (this.#shapes === reading) this.#shapes = null;
      throw error;
    }
  }

  /** Everything, the states of its clocks as they were when last read. */
  async #known(now: number): Promise<YardClocks> {
    // The turn of an hour makes a forecast hour a measured one.
    if (this.#air && this.#air.hour !== Math.floor(now / HOUR_MS)) this.#reading = null;
    const reading = this.#reading ?? this.#read(now);
    this.#reading = reading;
    try {
      return await reading;
    } catch (error) {
      // What failed once is tried again by the next request, not remembered.
      if (this.#reading === reading) this.#reading = null;
      throw error;
    }
  }

  /** As {@link at}, of the areas asked for. */
  async some(now: number, which: Which): Promise<YardClocks> {
    const known = await this.#known(now);
    const wanted = (state: AreaState) =>
      (!which.boatId || state.boat.id === which.boatId) && (!which.areaId || state.area.id === which.areaId);
    const states = known.states.filter(wanted);
    const ids = new Set(states.map((state) => state.area.id));
    const clocks = known.clocks.filter((clock) => ids.has(clock.areaId)).map((clock) => readAt(clock, now));
    return { ...known, states, clocks };
  }

  /**
   * Reads what is not known. It is kept only if nothing was changed meanwhile: a request begun before a write may be
   * answered as of before it, but no later one.
   */
  async #read(now: number): Promise<YardClocks> {
    const revision = this.#revision;
    const stale = [...this.#stale];
    let byId: Map<string, AreaState>;
    if (this.#states) {
      byId = new Map(this.#states);
      for (const areaId of stale) {
        const [state] = await loadAreaStates(this.#db, { areaId });
        // A map keeps the place of a key that it knows: the order of the list stays.
        if (state) byId.set(areaId, state);
        else byId.delete(areaId);
      }
    } else byId = new Map((await loadAreaStates(this.#db)).map((state) => [state.area.id, state]));
    const shelf = this.#shelf ?? (await loadShelf(this.#db));
    const states = [...byId.values()];
    const hour = Math.floor(now / HOUR_MS);
    const hours = this.#air?.hour === hour ? this.#air.hours : await airFor(this.#db, states, now);
    if (revision === this.#revision) {
      this.#states = byId;
      this.#stale.clear();
      this.#shelf = shelf;
      this.#air = { hour, hours };
    }
    const clocks = states.map((state) => {
      const kept = this.#clocks.get(state.area.id);
      if (kept && kept.state === state && kept.hours === hours && kept.shelf === shelf) return kept.clock;
      const clock = areaClock(state, { hours, now, shelf });
      this.#clocks.set(state.area.id, { state, hours, shelf, clock });
      return clock;
    });
    return { states, clocks, hours, shelf };
  }
}

/** Pots standing mixed, with the ends of their induction and pot life. */
export async function openPots(
  db: Queries,
  known: Pick<YardClocks, 'states' | 'shelf'>,
  now: number,
  which: Which = {},
): Promise<PotView[]> {
  const pots = await loadOpenPots(db, now, which);
  const at = (base: Date, minutes: number) => new Date(base.getTime() + minutes * 60_000).toISOString();
  return pots.flatMap((pot) => {
    const state = known.states.find((s) => s.area.id === pot.areaId);
    if (!state) return [];
    return [
      {
        entryId: pot.entryId,
        areaId: pot.areaId,
        areaName: state.area.name,
        boatId: state.boat.id,
        boatName: state.boat.name,
        productName: known.shelf.latest.get(pot.body.productId)?.name ?? 'unknown product',
        mixedAt: pot.at.toISOString(),
        inductionEnds: at(pot.at, pot.body.inductionMin),
        potEnds: pot.body.potLifeMin === null ? null : at(pot.at, pot.body.potLifeMin),
        batch: pot.body,
      },
    ];
  });
}

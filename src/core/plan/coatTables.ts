import type { Next } from '../cure/index.ts';
import { dryByEnd, type FilmTakes, mayTable, takesByEnd } from './lagTables.ts';
import type { LaterTables } from './laterTables.ts';
import type { Span } from './problem.ts';
import { after, SLOT_MS, slotsOf, startSpans } from './slots.ts';
import type { AreaToPlan, CoatToPlan } from './yardToPlan.ts';

/** When the coats of an area can be applied, and what their films then take: tables by the slot at which a task ends. */

export interface Horizon {
  fromMs: number;
  slots: number;
  /** The longest that anybody works in one go, ms. */
  longestMs: number;
  films: FilmTables;
  /** Tables of ends far ahead, kept from an earlier weather; left out: all are worked out. */
  later?: LaterTables | undefined;
  /** Slots between which a coat is thought to start; left out: all. */
  between?: ((coat: string) => readonly [number, number] | null) | undefined;
  /** The starts of these at which so many people can work so many slots on end. */
  workable: (starts: readonly Span[], slots: number, people: number) => number[];
  /** Starts of tasks that are done or that somebody chose by hand, by task. */
  pinned: ReadonlyMap<string, number>;
  /** Of each coat only what follows from its given start is worked out, and nothing of a coat without one. */
  onlyPinned: boolean;
}

/** What films do in one weather, of coats alike worked out once. Problems of one start and one weather may share it. */
export class FilmTables {
  readonly #numbers = new Map<object, number>();
  readonly #known = new Map<string, readonly unknown[] | null>();

  /** @param of objects by their identity, anything else by its content: all that `make` depends on */
  table<T>(of: readonly unknown[], objects: readonly object[], make: () => T[] | null): T[] | null {
    const key = JSON.stringify([objects.map((each) => this.#numberOf(each)), ...of]);
    const known = this.#known.get(key);
    if (known !== undefined) return known as T[] | null;
    const made = make();
    this.#known.set(key, made);
    return made;
  }

  #numberOf(each: object): number {
    const known = this.#numbers.get(each) ?? this.#numbers.size;
    this.#numbers.set(each, known);
    return known;
  }
}

/** Slots that dust harms a film whose sheet gives no tack-free time: a day [M]. */
const DAY_SLOTS = 48;

/** Slots of a session, and what of them is getting ready: what is left of the last one too. */
export function timesOf({ getReadyMs, applyMs, cleanUpMs }: CoatToPlan): {
  length: number;
  getReadyMs: number;
} {
  const length = slotsOf(getReadyMs + applyMs + cleanUpMs);
  return { length, getReadyMs: length * SLOT_MS - applyMs - cleanUpMs };
}

export const sessionId = ({ id, sessions }: CoatToPlan, session: number): string =>
  sessions > 1 ? `${id}#${session + 1}` : id;

export class CoatTables {
  readonly #area: AreaToPlan;
  readonly #horizon: Horizon;

  constructor(area: AreaToPlan, horizon: Horizon) {
    this.#area = area;
    this.#horizon = horizon;
  }

  /** The slots at which a session of a coat can end: by its air and the hours that are worked, and where somebody placed it. */
  endsOf(coat: CoatToPlan): number[] {
    const known = this.#ends.get(coat);
    if (known) return known;
    const made = this.#endsNow(coat);
    this.#ends.set(coat, made);
    return made;
  }
  readonly #ends = new Map<CoatToPlan, number[]>();

  #endsNow(coat: CoatToPlan): number[] {
    const { slots, workable, pinned, onlyPinned } = this.#horizon;
    const { length, getReadyMs } = timesOf(coat);
    const placed = Array.from({ length: coat.sessions }, (_, i) => pinned.get(sessionId(coat, i)));
    const given = placed.filter((at) => at !== undefined);
    if (onlyPinned && given.length === 0) return [slots];
    const isSettled = onlyPinned || given.length === coat.sessions;
    const starts = isSettled ? [] : this.startsOf(coat, getReadyMs);
    const all = [...workable(starts, length, coat.people), ...given];
    const ends = all.map((start) => start + length).filter((end) => end <= slots);
    return [...new Set(ends)].sort((a, b) => a - b);
  }

  startsOf(coat: CoatToPlan, aheadMs: number): Span[] {
    const { fromMs, slots, between } = this.#horizon;
    const soonestMs = Math.max(coat.notBeforeMs ?? fromMs, this.#area.notBeforeMs ?? fromMs);
    const open = coat.starts.flatMap((each) =>
      each.toMs < soonestMs ? [] : [{ ...each, fromMs: Math.max(each.fromMs, soonestMs) }],
    );
    const spans = startSpans(soonestMs > fromMs ? open : coat.starts, { fromMs, slots, aheadMs });
    const near = between?.(coat.id);
    if (!near) return spans;
    return spans.flatMap(([from, to]): Span[] => {
      const within = [Math.max(from, near[0]), Math.min(to, near[1])] as const;
      return within[1] > within[0] ? [within] : [];
    });
  }

  /** What the film of a coat takes, by end slot; coats alike share the table. */
  takesOf(coat: CoatToPlan, next: Next, sandFirst: boolean, workOn: boolean): FilmTakes[] | null {
    const { fromMs, slots, films, later } = this.#horizon;
    const { temps } = this.#area;
    const all = this.endsOf(coat);
    const ends = later?.isKept ? all.filter((end) => end < later.fromSlot) : all;
    const of = [coat.factor, coat.mustFactor, coat.applyMs, coat.cleanUpMs, next, sandFirst, workOn];
    const near = () =>
      films.table(['takes', slots, ends, of], [temps, coat.sheet], () =>
        takesByEnd({ coat, next, sandFirst, workOn, temps, fromMs, slots, ends }),
      );
    if (!later) return near();
    const laterKey = JSON.stringify([this.#area.id, coat.applyMs, coat.productId, ...of]);
    return later.takes(laterKey, { near, ends, slots });
  }

  /** When the film of a coat is dry, or bears slings and feet, by end slot; null: not stated. */
  dryOf(coat: CoatToPlan, event: 'tack-free' | 'walk' = 'tack-free'): (number | null)[] | null {
    const { fromMs, slots, films, later } = this.#horizon;
    const { temps } = this.#area;
    const all = this.endsOf(coat);
    const ends = later?.isKept ? all.filter((end) => end < later.fromSlot) : all;
    const near = () =>
      films.table([event, slots, ends, coat.factor, coat.cleanUpMs], [temps, coat.sheet], () =>
        dryByEnd({ coat, temps, fromMs, slots, ends, event }),
      );
    if (!later) return near();
    const key = JSON.stringify([event, this.#area.id, coat.applyMs, coat.productId, coat.factor]);
    return later.dry(key, { near, ends, slots });
  }

  wetUntil(coat: CoatToPlan): number[] {
    const { fromMs, slots } = this.#horizon;
    const dry = this.dryOf(coat);
    return dry ? mayTable(dry, { fromMs, slots }) : after(slots, DAY_SLOTS);
  }
}

import {
  type CureSheet,
  eventTime,
  type Film,
  filmEvents,
  type Next,
  type TempSeries,
  type WindowSegment,
  windowsFor,
} from '../cure/index.ts';
import { memoisedByKey } from '../units/index.ts';
import type { PlanLag } from './problem.ts';
import { always, SLOT_MS, slotAfter, slotBefore } from './slots.ts';

/** When a film takes what comes next, ms. */
export interface FilmTakes {
  /** null: never, as far as is known. */
  mayMs: number | null;
  /** Until when without sanding; null: for good. */
  closesMs: number | null;
  /** From when it can be sanded for it; null: it cannot. */
  sandMs: number | null;
  /** Until when dust and wet work harm it. */
  wetMs: number | null;
}

const TAKES: ReadonlySet<WindowSegment['state']> = new Set(['thumb', 'open', 'keyed']);

/**
 * What a film's states in order say of its next coat: too soon, then open, then closed or to be sanded first. Where a sheet does
 * not say when it can be sanded, it is not sanded before it may be coated.
 *
 * @param sandFirst it is sanded for the coat in any case: then the end of its window is of no account
 * @returns null: its sheet states no window
 */
export function takesOf(
  segments: readonly WindowSegment[],
  sandableMs: number | null,
  sandFirst: boolean,
): Omit<FilmTakes, 'wetMs'> | null {
  if (segments.some(({ state }) => state === 'not-stated' || state === 'earliest-not-stated')) return null;
  const readyAt = segments.findIndex(({ state }) => state !== 'too-soon');
  const ready = segments[readyAt];
  if (!ready) return { mayMs: null, closesMs: null, sandMs: null };
  const sandMs = Math.max(ready.fromMs, sandableMs ?? ready.fromMs);
  if (sandFirst) return { mayMs: ready.fromMs, closesMs: null, sandMs: sandableMs ?? ready.fromMs };
  const shut = segments.findIndex((segment, i) => i >= readyAt && !TAKES.has(segment.state));
  const open = segments.find((segment, i) => i >= readyAt && TAKES.has(segment.state));
  const closed = shut < 0 ? null : (segments[shut] as WindowSegment);
  if (!open || (closed && closed.fromMs < open.fromMs)) {
    // Nothing but sanding makes it take a coat, and for the water nothing does.
    return ready.state === 'key-first'
      ? { mayMs: sandMs, closesMs: ready.fromMs - SLOT_MS, sandMs }
      : { mayMs: null, closesMs: null, sandMs: null };
  }
  return {
    mayMs: open.fromMs,
    closesMs: closed?.fromMs ?? null,
    sandMs: closed?.state === 'key-first' ? Math.max(sandMs, closed.fromMs) : null,
  };
}

/** A coat as its clock needs it: where within its task it is applied. */
export interface CoatFilm {
  sheet: CureSheet;
  factor?: number;
  mustFactor?: number;
  applyMs: number;
  cleanUpMs: number;
}

/** The film of a coat whose task ends then. */
const filmEnding = (coat: CoatFilm, endMs: number): Film => ({
  laidFromMs: endMs - coat.cleanUpMs - coat.applyMs,
  laidToMs: endMs - coat.cleanUpMs,
  sheet: coat.sheet,
  ...(coat.factor !== undefined && { factor: coat.factor }),
  ...(coat.mustFactor !== undefined && { mustFactor: coat.mustFactor }),
});

/** A film of whose end of harm by dust its sheet says nothing is taken to be harmed until it may be coated. */
const WET_BY = ['tack-free', 'dew-safe', 'sandable'] as const;

/** Where in the plan a coat may end. */
export interface EndsOfCoat {
  fromMs: number;
  slots: number;
  /** The slots at which its task can end, in order: nothing else of its tables is ever looked at. */
  ends: readonly number[];
}

/** Something for every end slot, worked out for those that are looked at; before and between them it is what the last one said. */
function byEnd<T>({ slots, ends }: EndsOfCoat, of: (end: number) => T): T[] {
  let last = of(ends[0] ?? slots);
  const found = always(slots, last);
  for (const [i, end] of ends.entries()) {
    if (i === 0) continue;
    found.fill(last, (ends[i - 1] as number) + 1, end);
    last = of(end);
    found[end] = last;
  }
  return found.fill(last, (ends.at(-1) ?? slots) + 1);
}

/** Whether a film can close to its next coat, so that it is asked when it can be sanded. */
const mayClose = ({ sheet }: CoatFilm, next: Next): boolean =>
  next.kind === 'coat' &&
  sheet.overcoat.some(({ chemicalMax, thumb }) => chemicalMax !== null || thumb != null);

/** What the film of a coat takes, by the slot its task ends at; null: its sheet states no window. */
export function takesByEnd(
  input: EndsOfCoat & { coat: CoatFilm; next: Next; sandFirst: boolean; workOn: boolean; temps: TempSeries },
): FilmTakes[] | null {
  const { coat, next, temps, fromMs, sandFirst, workOn } = input;
  const { sandable, ...events } = coat.sheet.events;
  const dry = workOn ? WET_BY.find((event) => coat.sheet.events[event] !== undefined) : undefined;
  const isSanded = sandFirst || workOn || mayClose(coat, next);
  // Of its own events only these two are asked for, and only where somebody works on the film.
  const own = { ...(isSanded && sandable && { sandable }), ...(dry && { [dry]: coat.sheet.events[dry] }) };
  const asked = { ...coat, sheet: { ...coat.sheet, events: own } };
  const whole = { ...coat, sheet: { ...coat.sheet, events } };
  const takes = byEnd(input, (end): FilmTakes | null => {
    const endMs = fromMs + end * SLOT_MS;
    const times = isSanded || dry ? filmEvents({ film: filmEnding(asked, endMs), temps }) : [];
    const at = (event: string) => times.find((each) => each.event === event)?.at ?? null;
    const film = filmEnding(whole, endMs);
    const { segments } = windowsFor({ film, next, temps, now: film.laidToMs });
    const found = takesOf(segments, at('sandable'), input.sandFirst);
    return found && { ...found, wetMs: dry ? at(dry) : found.mayMs };
  });
  return takes.every((each) => each !== null) ? takes : null;
}

/** When the film of a coat is dry, or bears slings and feet, by the slot its task ends at; null: not stated. */
export function dryByEnd(
  input: EndsOfCoat & { coat: CoatFilm; temps: TempSeries; event: 'tack-free' | 'walk' },
): (number | null)[] | null {
  const { coat, temps, fromMs, event } = input;
  const points = coat.sheet.events[event];
  if (!points) return null;
  const factor = coat.factor ?? 1;
  const faster = points.map(({ tempC, minutes }) => ({ tempC, minutes: minutes / factor }));
  const curve = { points: factor === 1 ? points : faster, stopC: coat.sheet.stopC };
  return byEnd(
    input,
    (end) => eventTime({ curve, temps, laidAt: fromMs + end * SLOT_MS - coat.cleanUpMs }).at,
  );
}

/** A table of the problem from a time for each end slot: rounded late, never earlier than the end, never falling. */
function mayTableOf<T>(
  each: readonly T[],
  timeOf: (one: T) => number | null,
  { fromMs, slots }: { fromMs: number; slots: number },
): number[] {
  const table = always(slots, 0);
  let least = 0;
  for (let end = 0; end <= slots; end++) {
    const slot = slotAfter(timeOf(each[end] as T), fromMs);
    least = Math.max(least, Math.min(slots + 1, Math.max(slot, end)));
    table[end] = least;
  }
  return table;
}

interface TableSpan {
  fromMs: number;
  slots: number;
}
const keyOf = (of: object): string => Object.values(of).join();

/** Times by end slot as a table of the problem: rounded late, never earlier than the end, never falling. */
export const mayTable = memoisedByKey(
  (times: readonly (number | null)[], span: TableSpan) => mayTableOf(times, (ms) => ms, span),
  keyOf,
);

/**
 * From when a film bears work, by the slot its task ends at: sanding once it can be sanded, anything else once it is dry.
 *
 * @param waitMs what the work waits beyond that
 */
export const workTable = memoisedByKey(
  (
    takes: readonly FilmTakes[],
    { isSanding, waitMs, ...span }: TableSpan & { isSanding: boolean; waitMs: number },
  ) =>
    mayTableOf(
      takes,
      ({ sandMs, wetMs, mayMs }) => {
        const at = isSanding ? sandMs : (wetMs ?? mayMs);
        return at === null ? null : at + waitMs;
      },
      span,
    ),
  keyOf,
);

interface Following extends TableSpan {
  /** Time from the start of the task after to the start of its coat, ms: getting ready. */
  aheadMs: number;
  /** By how much the coat after takes longer than the film below did, ms. */
  longerMs: number;
  /** Slots that sanding takes where the window has closed; null: the film is not sanded for this. */
  sandSlots: number | null;
}

/** What a film takes, by the slot its task ends at, as the tables of a lag: "may" rounded late, "must" rounded early. */
export const windowTables = memoisedByKey(windowTablesOf, keyOf);

function windowTablesOf(
  takes: readonly FilmTakes[],
  { fromMs, slots, aheadMs, longerMs, sandSlots }: Following,
): Pick<PlanLag, 'earliest' | 'latest' | 'late'> {
  const span = { fromMs, slots };
  const earliest = mayTableOf(takes, ({ mayMs }) => (mayMs === null ? null : mayMs - aheadMs), span);
  if (takes.every(({ closesMs }) => closesMs === null)) return { earliest };
  const latest = always(slots, slots + 1);
  for (let end = slots; end >= 0; end--) {
    const closesMs = takes[end]?.closesMs ?? null;
    const must = closesMs === null ? slots + 1 : slotBefore(closesMs - aheadMs - longerMs, fromMs);
    latest[end] = Math.min(must, latest[end + 1] ?? slots + 1);
  }
  // Closed before the plan begins: not at its first slot either.
  for (let end = 0; end <= slots && (latest[end] as number) < 0; end++) {
    latest[end] = 0;
    earliest[end] = Math.max(1, earliest[end] as number);
  }
  for (let end = 1; end <= slots; end++)
    earliest[end] = Math.max(earliest[end] as number, earliest[end - 1] as number);
  const sandable = takes.every(({ closesMs, sandMs }) => closesMs === null || sandMs !== null);
  if (sandSlots === null || !sandable) return { earliest, latest };
  const from = mayTableOf(takes, ({ sandMs, mayMs }) => sandMs ?? mayMs, span);
  return { earliest, latest, late: { slots: sandSlots, cost: 0, from } };
}

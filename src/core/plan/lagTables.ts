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
import type { PlanLag } from './problem.ts';
import { SLOT_MS, slotAfter, slotBefore } from './slots.ts';

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
  const found: T[] = [];
  for (const end of ends) {
    const last = found.at(-1);
    const value = of(end);
    while (found.length < end) found.push(last ?? value);
    found.push(value);
  }
  const last = found.at(-1) ?? of(slots);
  while (found.length <= slots) found.push(last);
  return found;
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

/** When the film of a coat is dry, by the slot its task ends at; null: not stated. */
export function dryByEnd(
  input: EndsOfCoat & { coat: CoatFilm; temps: TempSeries },
): (number | null)[] | null {
  const { coat, temps, fromMs } = input;
  const points = coat.sheet.events['tack-free'];
  if (!points) return null;
  const factor = coat.factor ?? 1;
  const faster = points.map(({ tempC, minutes }) => ({ tempC, minutes: minutes / factor }));
  const curve = { points: factor === 1 ? points : faster, stopC: coat.sheet.stopC };
  return byEnd(
    input,
    (end) => eventTime({ curve, temps, laidAt: fromMs + end * SLOT_MS - coat.cleanUpMs }).at,
  );
}

/** Times by end slot as a table of the problem: rounded late, never earlier than the end, never falling. */
export function mayTable(times: readonly (number | null)[], fromMs: number, slots: number): number[] {
  let least = 0;
  return times.map((ms, end) => {
    least = Math.max(least, Math.min(slots + 1, Math.max(slotAfter(ms, fromMs), end)));
    return least;
  });
}

/**
 * What a film takes, by the slot its task ends at, as the tables of a lag: "may" rounded late, "must" rounded early.
 *
 * @param aheadMs what lies between the start of the task after and the moment that counts: getting ready for the coat
 * @param longerMs by how much the coat after takes longer than the film below did
 * @param sand slots that sanding takes where the window has closed, and what it costs beside the hours; null: the film is not sanded for this
 */
export function windowTables(
  takes: readonly FilmTakes[],
  { fromMs, slots, aheadMs, longerMs }: { fromMs: number; slots: number; aheadMs: number; longerMs: number },
  sand: { slots: number; cost: number } | null,
): Pick<PlanLag, 'earliest' | 'latest' | 'late'> {
  const earliest = mayTable(
    takes.map(({ mayMs }) => (mayMs === null ? null : mayMs - aheadMs)),
    fromMs,
    slots,
  );
  if (takes.every(({ closesMs }) => closesMs === null)) return { earliest };
  const latest = takes.map(({ closesMs }) =>
    closesMs === null ? slots + 1 : Math.min(slots + 1, slotBefore(closesMs - aheadMs - longerMs, fromMs)),
  );
  for (let end = slots - 1; end >= 0; end--)
    latest[end] = Math.min(latest[end] as number, latest[end + 1] as number);
  // Closed before the plan begins: not at its first slot either.
  for (let end = 0; end <= slots && (latest[end] as number) < 0; end++) {
    latest[end] = 0;
    earliest[end] = Math.max(1, earliest[end] as number);
  }
  for (let end = 1; end <= slots; end++)
    earliest[end] = Math.max(earliest[end] as number, earliest[end - 1] as number);
  const sandable = takes.every(({ closesMs, sandMs }) => closesMs === null || sandMs !== null);
  if (!sand || !sandable) return { earliest, latest };
  const from = mayTable(
    takes.map(({ sandMs, mayMs }) => sandMs ?? mayMs),
    fromMs,
    slots,
  );
  return { earliest, latest, late: { ...sand, from } };
}

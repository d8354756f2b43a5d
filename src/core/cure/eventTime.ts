import { moment } from '../units/index.ts';
import { assumedStretches, meanOfDay, shareWithin, timeUntil } from './assumedTime.ts';
import { bisect, cumulative } from './cumulative.ts';
import { type EventCurve, type ReadyCurve, readyCurve } from './curve.ts';
import { lineArrival, linePieces, onLine, tempAt } from './lineClock.ts';
import { assumedDay, checkSeries, HOUR_MS, seriesEnd, type TempSeries } from './series.ts';

const MINUTE_MS = 60_000;

export type ClockWarning =
  | 'hotter-than-table'
  | 'colder-than-table'
  | 'stood-cold'
  | 'beyond-series'
  | 'before-series'
  /** Applied so thick that its sheet's times no longer hold: the hand test decides. */
  | 'heavy-film'
  /** Something sticks to it long after its sheet says it is dry: wrong ratio, no hardener, cold, thinner. */
  | 'not-curing'
  /** Something sticks to it, and its sheet does not say when it is dry. */
  | 'still-sticks';

/** One period of a film’s life, an hour or less where there is weather data, in which it cured or didn’t. */
export interface ClockStep {
  fromMs: number;
  toMs: number;
  /** Mean over the stretch, °C. */
  tempC: number;
  /** What the event would take at this pace alone, minutes; Infinity where the clock stood. */
  minutesAtTemp: number;
  /** Share of the event done in this stretch. */
  share: number;
  /** False beyond the ends of the series, where the nearest day is assumed again and again. */
  known: boolean;
}

export interface EventTime {
  /** When the event comes, ms; null when the clock stands for good in what is known and assumed. */
  at: number | null;
  warnings: ClockWarning[];
}

/** Nothing on a sheet takes longer; a clock that has not ended by then stands for good. */
const LONGEST_MS = 3650 * 24 * HOUR_MS;

/** Warnings about the temperatures of a period: at its ends, and at readings of a series from one index to before another. */
function tableWarnings(
  ready: ReadyCurve,
  endsC: readonly number[],
  readings: { valuesC: readonly number[]; from: number; to: number } = { valuesC: [], from: 0, to: 0 },
): ClockWarning[] {
  const stopC = ready.stopC ?? Number.NEGATIVE_INFINITY;
  let [stood, colder, hotter] = [false, false, false];
  const look = (tempC: number) => {
    if (tempC < stopC) stood = true;
    else if (tempC < ready.lowC) colder = true;
    else if (tempC > ready.highC) hotter = true;
  };
  for (const tempC of endsC) look(tempC);
  const { valuesC, from, to } = readings;
  for (let i = from; i < to; i++) look(valuesC[i] as number);
  const warnings: ClockWarning[] = [];
  if (stood) warnings.push('stood-cold');
  if (colder) warnings.push('colder-than-table');
  if (hotter) warnings.push('hotter-than-table');
  return warnings;
}

/** The temperatures a film went through, as {@link tableWarnings} takes them: at both ends, and every reading between. */
function passed(temps: TempSeries, fromMs: number, toMs: number) {
  const from = Math.floor((fromMs - temps.startMs) / HOUR_MS) + 1;
  const to = Math.min(temps.valuesC.length, Math.ceil((toMs - temps.startMs) / HOUR_MS));
  const ends = [tempAt(temps, fromMs), tempAt(temps, toMs)];
  return { ends, readings: { valuesC: temps.valuesC, from, to } };
}

/**
 * When an event comes for a film applied at `laidAt`, its temperature running on straight lines from hour to hour.
 *
 * At a constant 20 °C an event tabulated as 600 min at 20 °C comes exactly 600 min after `laidAt`.
 *
 * @param curve the sheet's table
 * @param temps the film's temperature, hourly; beyond its ends the nearest day is assumed hour by hour, and warned of
 * @param laidAt ms since the epoch
 * @throws {QuantityError} on an unusable table, an empty or impossible series, a moment that is none
 */
export function eventTime(input: { curve: EventCurve; temps: TempSeries; laidAt: number }): EventTime {
  const { curve, temps } = input;
  const laidAt = moment('time of application', input.laidAt);
  checkSeries(temps);
  const endMs = seriesEnd(temps);
  if (laidAt < temps.startMs || laidAt >= endMs) {
    const { steps: _, ...time } = explainEvent(input);
    return time;
  }
  const clock = cumulative(curve, temps);
  const found = bisect(clock, temps, laidAt);
  if ('at' in found) {
    const { ends, readings } = passed(temps, laidAt, found.at);
    return { at: Math.round(found.at), warnings: tableWarnings(clock.ready, ends, readings) };
  }
  const day = assumedDay(temps, 'after');
  const ms = timeUntil(clock.ready, day, found.left);
  const { ends, readings } = passed(temps, laidAt, endMs);
  const warnings = tableWarnings(clock.ready, [...ends, ...day], readings);
  return { at: arrival(laidAt, ms === null ? null : endMs + ms), warnings: ['beyond-series', ...warnings] };
}

/** A moment of arrival; null: never, or later than anything on a sheet takes. */
const arrival = (laidAt: number, at: number | null) =>
  at === null || at - laidAt >= LONGEST_MS ? null : Math.round(at);

/**
 * As {@link eventTime}, hour by hour, with each period: the figures behind “How this was worked out”.
 *
 * Runs p = ∫ dt / t(T(t)) from `laidAt` until p = 1, the same idea as equivalent age in the maturity method for
 * concrete [S: ASTM C1074].
 */
export function explainEvent(input: {
  curve: EventCurve;
  temps: TempSeries;
  laidAt: number;
}): EventTime & { steps: ClockStep[] } {
  const { temps } = input;
  const { startMs, valuesC } = temps;
  const laidAt = moment('time of application', input.laidAt);
  checkSeries(temps);
  const ready = readyCurve('event', input.curve);
  const endMs = seriesEnd(temps);
  const run: Run = { ready, steps: [], seenC: [], at: laidAt, left: 1 };
  const ends: ClockWarning[] = [];
  const finish = (at: number | null) => ({
    at: arrival(laidAt, at),
    warnings: [...ends, ...tableWarnings(ready, run.seenC)],
    steps: run.steps,
  });

  if (laidAt < startMs) {
    ends.push('before-series');
    const arrives = assumeBefore(run, temps, startMs);
    if (arrives !== null) return finish(arrives);
  }
  for (let i = Math.floor((run.at - startMs) / HOUR_MS); run.at < endMs; i++) {
    const hour = {
      startMs: startMs + i * HOUR_MS,
      fromC: valuesC[i] as number,
      toC: valuesC[i + 1] as number,
    };
    if (advance(run, hour)) return finish(run.at);
  }
  ends.push('beyond-series');
  return finish(assumeAfter(run, temps, endMs, laidAt));
}

/** A clock that is running: where it is, and what of the event is left. */
interface Run {
  readonly ready: ReadyCurve;
  readonly steps: ClockStep[];
  readonly seenC: number[];
  at: number;
  left: number;
}

/** Days assumed as told: stretches of at most one of them. */
function explainDays(
  run: Run,
  day: readonly number[],
  stretches: readonly { fromMs: number; toMs: number; share: number }[],
): void {
  const tempC = meanOfDay(day);
  for (const { fromMs, toMs, share } of stretches) {
    const minutesAtTemp = (toMs - fromMs) / MINUTE_MS / share;
    run.steps.push({ fromMs, toMs, tempC, minutesAtTemp, share, known: false });
  }
}

/** Before anything is known: the first day again and again, counted back from it. @returns when the event came; null: not by then */
function assumeBefore(run: Run, temps: TempSeries, startMs: number): number | null {
  const day = assumedDay(temps, 'before');
  run.seenC.push(...day);
  const ahead = startMs - run.at;
  const done = shareWithin(run.ready, day, ahead);
  const back = done >= run.left ? timeUntil(run.ready, day, done - run.left) : 0;
  const until = startMs - (back ?? 0);
  explainDays(
    run,
    day,
    assumedStretches(run.ready, day, startMs - until, ahead)
      .reverse()
      .map(({ fromMs, toMs, share }) => ({ fromMs: startMs - toMs, toMs: startMs - fromMs, share })),
  );
  if (done >= run.left) return until;
  run.at = startMs;
  run.left -= done;
  return null;
}

/** Beyond what is known: the last day again and again. @returns when the event comes; null: the clock stands for good, which is no stretch to show */
function assumeAfter(run: Run, temps: TempSeries, endMs: number, laidAt: number): number | null {
  const day = assumedDay(temps, 'after');
  run.seenC.push(...day);
  const from = run.at - endMs;
  const ms = timeUntil(run.ready, day, shareWithin(run.ready, day, from) + run.left);
  if (ms === null || arrival(laidAt, endMs + ms) === null) return null;
  const stretches = assumedStretches(run.ready, day, from, ms);
  explainDays(
    run,
    day,
    stretches.map((each) => ({ ...each, fromMs: endMs + each.fromMs, toMs: endMs + each.toMs })),
  );
  return endMs + ms;
}

/** The rest of one hour of the series; true once the event is reached. */
function advance(run: Run, hour: { startMs: number; fromC: number; toC: number }): boolean {
  const { ready } = run;
  const { fromC, toC } = hour;
  const from = (run.at - hour.startMs) / HOUR_MS;
  const arrival = lineArrival(ready, fromC, toC, from, run.left);
  const to = arrival ?? 1;
  run.seenC.push(onLine(fromC, toC, from), onLine(fromC, toC, to));
  for (const piece of linePieces(ready, fromC, toC, from, to)) {
    const stood = piece.share === 0;
    const last = run.steps.at(-1);
    const fromMs = hour.startMs + piece.from * HOUR_MS;
    const toMs = hour.startMs + piece.to * HOUR_MS;
    const tempC = onLine(fromC, toC, (piece.from + piece.to) / 2);
    // Within an hour the clock is told as running or standing, not by the table's laws.
    if (last?.known && last.fromMs >= hour.startMs && stood === (last.share === 0)) {
      const ms = last.toMs - last.fromMs;
      last.tempC = (last.tempC * ms + tempC * (toMs - fromMs)) / (ms + toMs - fromMs || 1);
      last.toMs = toMs;
      last.share += piece.share;
      last.minutesAtTemp = (last.toMs - last.fromMs) / MINUTE_MS / last.share;
    } else {
      const minutesAtTemp = (toMs - fromMs) / MINUTE_MS / piece.share;
      run.steps.push({ fromMs, toMs, tempC, minutesAtTemp, share: piece.share, known: true });
    }
    run.left -= piece.share;
  }
  run.at = hour.startMs + to * HOUR_MS;
  return arrival !== null;
}

/** Progress towards the event at `now`, 0–1. */
export function progressAt(steps: readonly ClockStep[], now: number): number {
  moment('now', now);
  let progress = 0;
  for (const step of steps) {
    if (now >= step.toMs) progress += step.share;
    else if (now > step.fromMs) progress += (step.share * (now - step.fromMs)) / (step.toMs - step.fromMs);
  }
  return Math.min(1, progress);
}

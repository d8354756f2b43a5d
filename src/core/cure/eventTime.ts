import { bisect, cumulative } from './cumulative.ts';
import { type EventCurve, type ReadyCurve, readyCurve } from './curve.ts';
import { assumedC, checkSeries, HOUR_MS, seriesEnd, type TempSeries } from './series.ts';

const MINUTE_MS = 60_000;

export type ClockWarning =
  | 'hotter-than-table'
  | 'colder-than-table'
  | 'stood-cold'
  | 'beyond-series'
  | 'before-series';

/** One stretch of constant temperature in a film's life. */
export interface ClockStep {
  fromMs: number;
  toMs: number;
  tempC: number;
  /** What the event would take at that temperature alone, minutes; Infinity where the clock stood. */
  minutesAtTemp: number;
  /** Share of the event done in this stretch. */
  share: number;
  /** False beyond the ends of the series, where the nearest day's mean is assumed. */
  known: boolean;
}

export interface EventTime {
  /** When the event comes, ms; null when the clock stands for good in what is known and assumed. */
  at: number | null;
  warnings: ClockWarning[];
}

/** Nothing on a sheet takes longer; a clock that has not ended by then stands for good. */
const LONGEST_MS = 3650 * 24 * HOUR_MS;

/** What is to be said of the temperatures a clock ran through. */
function tableWarnings(ready: ReadyCurve, valuesC: readonly number[]): ClockWarning[] {
  const stopC = ready.stopC ?? Number.NEGATIVE_INFINITY;
  let [stood, colder, hotter] = [false, false, false];
  for (const tempC of valuesC) {
    if (tempC < stopC) stood = true;
    else if (tempC < ready.lowC) colder = true;
    else if (tempC > ready.highC) hotter = true;
  }
  const warnings: ClockWarning[] = [];
  if (stood) warnings.push('stood-cold');
  if (colder) warnings.push('colder-than-table');
  if (hotter) warnings.push('hotter-than-table');
  return warnings;
}

/**
 * When an event comes for a film laid at `laidAt`, with its temperature changing hour by hour.
 *
 * At a constant 20 °C an event tabulated as 600 min at 20 °C comes exactly 600 min after `laidAt`.
 *
 * @param curve the sheet's table
 * @param temps the film's temperature, hourly; beyond its ends the nearest day's mean is assumed and warned of
 * @param laidAt ms since the epoch
 * @throws {QuantityError} on an unusable table or an empty series
 */
export function eventTime(input: { curve: EventCurve; temps: TempSeries; laidAt: number }): EventTime {
  const { curve, temps, laidAt } = input;
  checkSeries(temps);
  const endMs = seriesEnd(temps);
  if (laidAt < temps.startMs || laidAt >= endMs) {
    const { steps: _, ...time } = explainEvent(input);
    return time;
  }
  const clock = cumulative(curve, temps);
  const found = bisect(clock, temps, laidAt);
  const from = Math.floor((laidAt - temps.startMs) / HOUR_MS);
  if ('at' in found) {
    const warnings = tableWarnings(clock.ready, temps.valuesC.slice(from, found.hour + 1));
    return { at: Math.round(found.at), warnings };
  }
  const assumed = assumedC(temps, 'after');
  const at = endMs + found.left * clock.ready.minutesAt(assumed) * MINUTE_MS;
  const warnings = tableWarnings(clock.ready, [...temps.valuesC.slice(from), assumed]);
  return { at: at - laidAt < LONGEST_MS ? Math.round(at) : null, warnings: ['beyond-series', ...warnings] };
}

/**
 * As {@link eventTime}, hour by hour, with each stretch of the clock: the figures behind "why then".
 *
 * Runs p = ∫ dt / t(T(t)) from `laidAt` until p = 1, the same idea as equivalent age in the maturity method for
 * concrete [S: ASTM C1074].
 */
export function explainEvent(input: {
  curve: EventCurve;
  temps: TempSeries;
  laidAt: number;
}): EventTime & { steps: ClockStep[] } {
  const { temps, laidAt } = input;
  const { startMs, valuesC } = temps;
  checkSeries(temps);
  const ready = readyCurve('event', input.curve);
  const endMs = seriesEnd(temps);
  const steps: ClockStep[] = [];
  const seenC: number[] = [];
  const ends: ClockWarning[] = [];
  let at = laidAt;
  let left = 1;

  /** One stretch at one temperature; true once the event has come. */
  const advance = (stretchEnd: number, tempC: number, known: boolean): boolean => {
    seenC.push(tempC);
    const minutesAtTemp = ready.minutesAt(tempC);
    const wholeMs = left > 0 ? left * minutesAtTemp * MINUTE_MS : 0;
    const arrives = at + wholeMs <= stretchEnd;
    const toMs = arrives ? at + wholeMs : stretchEnd;
    const share = arrives ? left : (toMs - at) / (minutesAtTemp * MINUTE_MS);
    // A clock that stands beyond what is known stands for ever: that is no stretch to show.
    if (known || Number.isFinite(minutesAtTemp)) {
      steps.push({ fromMs: at, toMs, tempC, minutesAtTemp, share, known });
    }
    at = toMs;
    left -= share;
    return arrives;
  };
  const finish = (arrived: boolean) => ({
    at: arrived ? Math.round(at) : null,
    warnings: [...ends, ...tableWarnings(ready, seenC)],
    steps,
  });

  if (at < startMs) {
    ends.push('before-series');
    if (advance(startMs, assumedC(temps, 'before'), false)) return finish(true);
  }
  for (let i = Math.floor((at - startMs) / HOUR_MS); at < endMs; i++) {
    if (advance(startMs + (i + 1) * HOUR_MS, valuesC[i] as number, true)) return finish(true);
  }
  // Beyond the end the temperature no longer changes, so one stretch reaches as far as any clock may run.
  ends.push('beyond-series');
  return finish(advance(laidAt + LONGEST_MS, assumedC(temps, 'after'), false));
}

/** How far the event has come at `now`, 0–1. */
export function progressAt(steps: readonly ClockStep[], now: number): number {
  let progress = 0;
  for (const step of steps) {
    if (now >= step.toMs) progress += step.share;
    else if (now > step.fromMs) progress += (step.share * (now - step.fromMs)) / (step.toMs - step.fromMs);
  }
  return Math.min(1, progress);
}

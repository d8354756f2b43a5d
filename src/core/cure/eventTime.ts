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

/**
 * Runs the clock p = ∫ dt / t(T(t)) from `laidAt` until p = 1, telling each stretch to `visit`.
 * The same idea as equivalent age in the maturity method for concrete [S: ASTM C1074].
 */
function run(
  ready: ReadyCurve,
  temps: TempSeries,
  laidAt: number,
  visit?: (step: ClockStep) => void,
): EventTime {
  const warned = new Set<ClockWarning>();
  const endMs = seriesEnd(temps);
  let at = laidAt;
  let progress = 0;
  while (at - laidAt < LONGEST_MS) {
    const index = Math.floor((at - temps.startMs) / HOUR_MS);
    const known = index >= 0 && at < endMs;
    const tempC = known
      ? (temps.valuesC[index] as number)
      : assumedC(temps, at < temps.startMs ? 'before' : 'after');
    const minutesAtTemp = ready.minutesAt(tempC);
    // Beyond the end the temperature no longer changes, so one stretch reaches to the end of all.
    const stretchEnd = known
      ? temps.startMs + (index + 1) * HOUR_MS
      : at < temps.startMs
        ? temps.startMs
        : laidAt + LONGEST_MS;
    const wholeMs = progress < 1 ? (1 - progress) * minutesAtTemp * MINUTE_MS : 0;
    const arrives = at + wholeMs <= stretchEnd;
    const toMs = arrives ? at + wholeMs : stretchEnd;
    if (!known) warned.add(at < temps.startMs ? 'before-series' : 'beyond-series');
    if (minutesAtTemp === Number.POSITIVE_INFINITY) warned.add('stood-cold');
    else if (tempC < ready.lowC) warned.add('colder-than-table');
    if (tempC > ready.highC) warned.add('hotter-than-table');
    const share = arrives ? 1 - progress : (toMs - at) / MINUTE_MS / minutesAtTemp;
    if (arrives || known || Number.isFinite(minutesAtTemp)) {
      visit?.({ fromMs: at, toMs, tempC, minutesAtTemp, share, known });
    }
    if (arrives) return { at: Math.round(toMs), warnings: [...warned] };
    progress += share;
    at = toMs;
  }
  return { at: null, warnings: [...warned] };
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
  checkSeries(input.temps);
  return run(readyCurve('event', input.curve), input.temps, input.laidAt);
}

/** As {@link eventTime}, with each stretch of the clock: the figures behind "why then". */
export function explainEvent(input: {
  curve: EventCurve;
  temps: TempSeries;
  laidAt: number;
}): EventTime & { steps: ClockStep[] } {
  checkSeries(input.temps);
  const steps: ClockStep[] = [];
  const result = run(readyCurve('event', input.curve), input.temps, input.laidAt, (step) => steps.push(step));
  return { ...result, steps };
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

import {
  type CurveLine,
  type CurvePoint,
  type EventCurve,
  inverseK,
  type ReadyCurve,
  readyCurve,
} from './curve.ts';
import { HOUR_MS, type TempSeries } from './series.ts';

/**
 * The clock of one table over a series, run once for all films under it: at the start of hour i it stands at
 * `done[i]`, and a film finds its event by bisection instead of running hour by hour. Only the hours that some film
 * has asked for are reckoned, `from`…`to`; a yard has few tables and surroundings, and many films.
 */
export interface Cumulative {
  readonly ready: ReadyCurve;
  readonly done: Float64Array;
  from: number;
  to: number;
}

/** Forgotten together with the series and the table they belong to. */
const kept = new WeakMap<TempSeries, WeakMap<readonly CurvePoint[], Map<number | null, Cumulative>>>();

/** The cumulative clock of `curve` over `temps`; the same objects give the same answer without reckoning again. */
export function cumulative(curve: EventCurve, temps: TempSeries): Cumulative {
  const byPoints = kept.get(temps) ?? new WeakMap<readonly CurvePoint[], Map<number | null, Cumulative>>();
  kept.set(temps, byPoints);
  const byStop = byPoints.get(curve.points) ?? new Map<number | null, Cumulative>();
  byPoints.set(curve.points, byStop);
  const found = byStop.get(curve.stopC) ?? {
    ready: readyCurve('event', curve),
    done: new Float64Array(temps.valuesC.length + 1),
    from: -1,
    to: -1,
  };
  byStop.set(curve.stopC, found);
  return found;
}

/** 1/T of every hour: reckoned once for all tables under the same air. */
const inverses = new WeakMap<TempSeries, Float64Array>();

function inverseOf(temps: TempSeries): Float64Array {
  const found = inverses.get(temps) ?? Float64Array.from(temps.valuesC, inverseK);
  inverses.set(temps, found);
  return found;
}

/** Share of the event done in each hour of this temperature; 0 where the clock stands. */
function hourlyShare(
  { lines, stopC, highC, fastest, minutesAt }: ReadyCurve,
  tempC: number,
  inverse: number,
): number {
  if (stopC !== null && tempC < stopC) return 0;
  if (tempC >= highC) return 60 / fastest;
  if (lines.length === 0) return 60 / minutesAt(tempC);
  let l = 0;
  while (tempC >= (lines[l] as CurveLine).upToC) l++;
  const { intercept, slope } = lines[l] as CurveLine;
  return 60 * Math.exp(-intercept - slope * inverse);
}

/** Reckons the hours from `first` on until the event of a film laid `into` that hour has come, or the series ends. */
function reach(clock: Cumulative, temps: TempSeries, first: number, into: number): number {
  const { done, ready } = clock;
  const { valuesC } = temps;
  const inverse = inverseOf(temps);
  const share = (hour: number) => hourlyShare(ready, valuesC[hour] as number, inverse[hour] as number);
  if (clock.from < 0) {
    clock.from = first;
    clock.to = first;
  }
  // The clock has no beginning of its own: earlier hours are filled in backwards, below what is there.
  while (clock.from > first) {
    done[clock.from - 1] = (done[clock.from] as number) - share(clock.from - 1);
    clock.from--;
  }
  while (clock.to <= first) {
    done[clock.to + 1] = (done[clock.to] as number) + share(clock.to);
    clock.to++;
  }
  const target = (done[first] as number) + into * ((done[first + 1] as number) - (done[first] as number)) + 1;
  while (clock.to < valuesC.length && (done[clock.to] as number) < target) {
    done[clock.to + 1] = (done[clock.to] as number) + share(clock.to);
    clock.to++;
  }
  return target;
}

/** An event found in the series: its moment, ms, and the hour it falls in; or what is left of it at the series' end. */
export type Found = { at: number; hour: number } | { left: number };

/** When the event comes for a film laid within the series. */
export function bisect(clock: Cumulative, temps: TempSeries, laidAt: number): Found {
  const { done } = clock;
  const first = Math.floor((laidAt - temps.startMs) / HOUR_MS);
  const target = reach(clock, temps, first, (laidAt - temps.startMs) / HOUR_MS - first);
  if ((done[clock.to] as number) < target) return { left: target - (done[clock.to] as number) };
  let low = first;
  let high = clock.to - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((done[middle + 1] as number) >= target) high = middle;
    else low = middle + 1;
  }
  const rate = (done[low + 1] as number) - (done[low] as number);
  return { at: temps.startMs + (low + (target - (done[low] as number)) / rate) * HOUR_MS, hour: low };
}

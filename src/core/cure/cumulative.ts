import { type CurvePoint, type EventCurve, type ReadyCurve, readyCurve } from './curve.ts';
import { lineArrival, lineShare, ROUNDING } from './lineClock.ts';
import { HOUR_MS, type TempSeries } from './series.ts';

/**
 * The clock of one table over a series, run once for all films under it: at the start of hour i it stands at
 * `done[i]`, and a film finds its event by bisection instead of running hour by hour. Only the hours that some film
 * has asked for are worked out, `from`…`to`; a yard has few tables and surroundings, and many films.
 */
export interface Cumulative {
  readonly ready: ReadyCurve;
  readonly done: Float64Array;
  from: number;
  to: number;
}

/** Forgotten together with the series and the table they belong to. */
const kept = new WeakMap<TempSeries, WeakMap<readonly CurvePoint[], Map<number | null, Cumulative>>>();

/** The cumulative clock of `curve` over `temps`; the same objects give the same answer without working them out again. */
export function cumulative(curve: EventCurve, temps: TempSeries): Cumulative {
  const byPoints = kept.get(temps) ?? new WeakMap<readonly CurvePoint[], Map<number | null, Cumulative>>();
  kept.set(temps, byPoints);
  const byStop = byPoints.get(curve.points) ?? new Map<number | null, Cumulative>();
  byPoints.set(curve.points, byStop);
  const found = byStop.get(curve.stopC) ?? {
    ready: readyCurve('event', curve),
    done: new Float64Array(temps.valuesC.length),
    from: -1,
    to: -1,
  };
  byStop.set(curve.stopC, found);
  return found;
}

/** Share of the event done from reading `hour` to the next, or in a part of it. */
function shareOf({ ready }: Cumulative, { valuesC }: TempSeries, hour: number, from = 0, to = 1): number {
  return lineShare(ready, valuesC[hour] as number, valuesC[hour + 1] as number, from, to);
}

/** Works out the hours from `first` on until the event of a film applied `into` that hour has come, or the series ends. */
function reach(clock: Cumulative, temps: TempSeries, first: number, into: number): number {
  const { done } = clock;
  const lastHour = temps.valuesC.length - 1;
  const onward = () => {
    done[clock.to + 1] = (done[clock.to] as number) + shareOf(clock, temps, clock.to);
    clock.to++;
  };
  if (clock.from < 0) {
    clock.from = first;
    clock.to = first;
  }
  // The clock has no beginning of its own: earlier hours are filled in backwards, below what is there.
  while (clock.from > first) {
    done[clock.from - 1] = (done[clock.from] as number) - shareOf(clock, temps, clock.from - 1);
    clock.from--;
  }
  while (clock.to <= first) onward();
  const gone = into > 0 ? shareOf(clock, temps, first, 0, into) : 0;
  const target = (done[first] as number) + gone + 1;
  while (clock.to < lastHour && (done[clock.to] as number) < target - ROUNDING) onward();
  return target;
}

/** An event found in the series: its moment, ms; or what is left of it at the series' end. */
export type Found = { at: number } | { left: number };

/** When the event comes for a film applied within the series, before its last reading. */
export function bisect(clock: Cumulative, temps: TempSeries, laidAt: number): Found {
  const { done, ready } = clock;
  const first = Math.floor((laidAt - temps.startMs) / HOUR_MS);
  const into = (laidAt - temps.startMs) / HOUR_MS - first;
  const target = reach(clock, temps, first, into);
  if ((done[clock.to] as number) < target - ROUNDING) return { left: target - (done[clock.to] as number) };
  let low = first;
  let high = clock.to - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((done[middle + 1] as number) >= target - ROUNDING) high = middle;
    else low = middle + 1;
  }
  const [fromC, toC] = [temps.valuesC[low] as number, temps.valuesC[low + 1] as number];
  const need = low === first ? 1 : target - (done[low] as number);
  const x = lineArrival(ready, fromC, toC, low === first ? into : 0, need) ?? 1;
  return { at: temps.startMs + (low + x) * HOUR_MS };
}

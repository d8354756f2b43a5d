import {
  type CurveLine,
  type CurvePoint,
  type EventCurve,
  inverseK,
  LAW,
  type ReadyCurve,
  readyCurve,
} from './curve.ts';
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
  /** Share an hour at each reading, and the law it is from; NaN where nobody asked yet. */
  readonly rate: Float64Array;
  readonly law: Int8Array;
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
    rate: new Float64Array(temps.valuesC.length).fill(Number.NaN),
    law: new Int8Array(temps.valuesC.length),
    from: -1,
    to: -1,
  };
  byStop.set(curve.stopC, found);
  return found;
}

/** Share an hour at one reading, worked out once. */
function rateAt(clock: Cumulative, { valuesC }: TempSeries, reading: number): number {
  const known = clock.rate[reading] as number;
  if (!Number.isNaN(known)) return known;
  const tempC = valuesC[reading] as number;
  const { stopC, highC, lines, minutesAt } = clock.ready;
  let law: number = LAW.tenDegrees;
  let rate: number;
  if (stopC !== null && tempC < stopC) {
    law = LAW.stands;
    rate = 0;
  } else if (tempC >= highC) {
    law = LAW.fastest;
    rate = 60 / minutesAt(highC);
  } else if (lines.length === 0) {
    rate = 60 / minutesAt(tempC);
  } else {
    law = 0;
    while (tempC >= (lines[law] as CurveLine).upToC) law++;
    const { intercept, slope } = lines[law] as CurveLine;
    rate = 60 * Math.exp(-intercept - slope * inverseK(tempC));
  }
  clock.law[reading] = law;
  clock.rate[reading] = rate;
  return rate;
}

/** Up to this change between two readings, K, and this relative difference of rates the closed form holds to 1e-8. */
const CLOSE_K = 2;
const CLOSE_RATES = 0.08;

/**
 * Share of the event done from reading `hour` to the next.
 *
 * Between near readings under one law the rate runs from r₀ to r₁ nearly on an exponential, whose mean is
 * (r₁ − r₀) / ln(r₁/r₀); what 1/T bends from its chord adds b·ΔT²/(6·T³) of it (mean of x(1 − x) is 1/6). One exponential
 * a reading instead of three an hour: a season of films in tens of milliseconds.
 */
function shareOf(clock: Cumulative, temps: TempSeries, hour: number): number {
  const [r0, r1] = [rateAt(clock, temps, hour), rateAt(clock, temps, hour + 1)];
  const law = clock.law[hour] as number;
  const [fromC, toC] = [temps.valuesC[hour] as number, temps.valuesC[hour + 1] as number];
  const change = toC - fromC;
  if (law !== clock.law[hour + 1] || change > CLOSE_K || change < -CLOSE_K)
    return lineShare(clock.ready, fromC, toC);
  if (r0 === r1) return r0;
  // The logarithmic mean, by its series in the squared relative difference; a steep table wants the rule of three points.
  const u = (r1 - r0) / (r1 + r0);
  if (u > CLOSE_RATES || u < -CLOSE_RATES) return lineShare(clock.ready, fromC, toC);
  const mean = ((r0 + r1) / 2) * (1 - (u * u) / 3 - (4 * u * u * u * u) / 45);
  const slope = clock.ready.lines[law]?.slope ?? 0;
  const kelvin = (fromC + toC) / 2 + 273.15;
  return mean * (1 + (slope * change * change) / (6 * kelvin * kelvin * kelvin));
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
  const gone =
    into > 0
      ? lineShare(clock.ready, temps.valuesC[first] as number, temps.valuesC[first + 1] as number, 0, into)
      : 0;
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

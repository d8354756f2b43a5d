import { memoised } from '../units/index.ts';
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
  /** Temperatures at which the law changes, coldest first. */
  readonly kinksC: readonly number[];
  from: number;
  to: number;
}

/** The clocks over one series, each made once for the points and stop of its table; forgotten together with them. */
const over = memoised((temps: TempSeries) =>
  memoised((points: readonly CurvePoint[], stopC: number | null, runsOn: boolean): Cumulative => {
    const ready = readyCurve('event', { points, stopC, runsOn });
    return {
      ready,
      done: new Float64Array(temps.valuesC.length),
      kinksC: [...ready.kinksC].sort((a, b) => a - b),
      from: -1,
      to: -1,
    };
  }, 4),
);

/** The cumulative clock of `curve` over `temps`; the same objects give the same answer without working them out again. */
export const cumulative = ({ points, stopC, runsOn = false }: EventCurve, temps: TempSeries): Cumulative =>
  over(temps)(points, stopC, runsOn);

/** Which law of the table holds at a temperature: the index of its line, or one of {@link LAW}. */
function lawAt({ stopC, highC, runsOn, lines }: ReadyCurve, tempC: number): number {
  if (stopC !== null && tempC < stopC) return LAW.stands;
  if (tempC >= highC && !runsOn) return LAW.fastest;
  if (lines.length === 0) return LAW.tenDegrees;
  let law = 0;
  while (law < lines.length - 1 && tempC >= (lines[law] as CurveLine).upToC) law++;
  return law;
}

/** Share an hour at a temperature, under this law also at its very ends. */
function rateUnder({ highC, lines, minutesAt }: ReadyCurve, law: number, tempC: number): number {
  if (law >= 0) {
    const { intercept, slope } = lines[law] as CurveLine;
    return 60 * Math.exp(-intercept - slope * inverseK(tempC));
  }
  if (law === LAW.stands) return 0;
  if (law === LAW.fastest) return 60 / minutesAt(highC);
  return 60 / minutesAt(tempC);
}

/** Up to this change between two readings, K, and this relative difference of rates the closed form holds to 1e-8. */
const CLOSE_K = 2;
const CLOSE_RATES = 0.08;

/**
 * Mean rate along a line from `fromC` to `toC` under one law; NaN where the rates at its ends are too far apart.
 *
 * Between near readings the rate runs from r₀ to r₁ nearly on an exponential, whose mean is (r₁ − r₀) / ln(r₁/r₀), here by
 * its series in the squared relative difference; what 1/T bends from its chord adds b·ΔT²/(6·T³) of it (mean of x(1 − x)
 * is 1/6). One exponential a reading instead of three an hour.
 */
function meanRate(
  ready: ReadyCurve,
  law: number,
  fromC: number,
  toC: number,
  r0: number,
  r1: number,
): number {
  if (r0 === r1) return r0;
  const u = (r1 - r0) / (r1 + r0);
  if (u > CLOSE_RATES || u < -CLOSE_RATES) return Number.NaN;
  const mean = ((r0 + r1) / 2) * (1 - (u * u) / 3 - (4 * u * u * u * u) / 45);
  const slope = law >= 0 ? (ready.lines[law] as CurveLine).slope : 0;
  const kelvin = (fromC + toC) / 2 + 273.15;
  const change = toC - fromC;
  return mean * (1 + (slope * change * change) / (6 * kelvin * kelvin * kelvin));
}

/** Share done in an hour in which the law changes: each stretch between two changes by itself. */
function acrossLaws({ ready, kinksC }: Cumulative, fromC: number, toC: number): number {
  const [lowC, highC] = fromC < toC ? [fromC, toC] : [toC, fromC];
  let share = 0;
  let beginC = lowC;
  for (let k = 0; k <= kinksC.length; k++) {
    const endC = Math.min(highC, (kinksC[k] ?? highC) as number);
    if (endC <= beginC) continue;
    const law = lawAt(ready, (beginC + endC) / 2);
    const [r0, r1] = [rateUnder(ready, law, beginC), rateUnder(ready, law, endC)];
    share += (meanRate(ready, law, beginC, endC, r0, r1) * (endC - beginC)) / (highC - lowC);
    beginC = endC;
  }
  return share;
}

/** One reading of the series as the clock sees it. */
interface Reading {
  tempC: number;
  law: number;
  rate: number;
}

function readingAt({ ready }: Cumulative, { valuesC }: TempSeries, i: number): Reading {
  const tempC = valuesC[i] as number;
  const law = lawAt(ready, tempC);
  return { tempC, law, rate: rateUnder(ready, law, tempC) };
}

/** Share of the event done between two neighbouring readings, whichever comes first. */
function shareBetween(clock: Cumulative, one: Reading, other: Reading): number {
  const change = other.tempC - one.tempC;
  if (change <= CLOSE_K && change >= -CLOSE_K) {
    const share =
      one.law === other.law
        ? meanRate(clock.ready, one.law, one.tempC, other.tempC, one.rate, other.rate)
        : acrossLaws(clock, one.tempC, other.tempC);
    if (!Number.isNaN(share)) return share;
  }
  // A steep table or a leap of the temperature wants the rule of three points.
  return lineShare(clock.ready, one.tempC, other.tempC);
}

/** Works out the hours from `first` on until a film applied `into` that hour reaches the event, or the series ends. */
function reach(clock: Cumulative, temps: TempSeries, first: number, into: number): number {
  const { done } = clock;
  const lastHour = temps.valuesC.length - 1;
  if (clock.from < 0) {
    clock.from = first;
    clock.to = first;
  }
  // The clock has no beginning of its own: earlier hours are filled in backwards, below what is there.
  if (clock.from > first) {
    let later = readingAt(clock, temps, clock.from);
    while (clock.from > first) {
      const earlier = readingAt(clock, temps, clock.from - 1);
      done[clock.from - 1] = (done[clock.from] as number) - shareBetween(clock, earlier, later);
      clock.from--;
      later = earlier;
    }
  }
  const gone =
    into > 0
      ? lineShare(clock.ready, temps.valuesC[first] as number, temps.valuesC[first + 1] as number, 0, into)
      : 0;
  let { to } = clock;
  let standsAt = done[to] as number;
  // Until then nothing of this film is known: its own hour comes first.
  const ahead = () => (done[first] as number) + gone + 1;
  let wanted = to < first ? Number.POSITIVE_INFINITY : ahead();
  if (to < lastHour && (to <= first || standsAt < wanted - ROUNDING)) {
    let here = readingAt(clock, temps, to);
    while (to < lastHour && (to <= first || standsAt < wanted - ROUNDING)) {
      const next = readingAt(clock, temps, to + 1);
      standsAt += shareBetween(clock, here, next);
      done[++to] = standsAt;
      if (to === first) wanted = ahead();
      here = next;
    }
    clock.to = to;
  }
  return ahead();
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

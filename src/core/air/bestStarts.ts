import { finite, lastPassing, moment, positive, QuantityError, within } from '../units/index.ts';
import { type CoatAir, coatAir, type SurfaceReading } from './coatAir.ts';
import { dewPointC } from './dewPoint.ts';
import type { AirHour } from './hour.ts';
import type { AirLimits, AirReasonCode } from './judge.ts';
import { type Dark, darkBeforeEnd, isDark } from './light.ts';
import type { AirConditionCode } from './unknownAir.ts';

/** Where a coat comes nearest to a limit: when, which, the figure there and the limit. */
export interface Tightest {
  at: number;
  code: AirReasonCode;
  value: number;
  limit: number;
}

/** A stretch of starts that all pass, with the one whose margins are widest. */
export interface StartStretch {
  fromMs: number;
  toMs: number;
  best: { startMs: number; endMs: number; safeMs: number; tightest: Tightest | null };
  /** What nobody gave of the air of its coats, and somebody at the boat has to see to. */
  conditions: AirConditionCode[];
}

export interface BestStarts {
  /** In the order of time. */
  stretches: StartStretch[];
  /** The best start; null: no suitable start. */
  best: StartStretch['best'] | null;
}

/** Starts are tried this far apart; the ends of a stretch are found to {@link EDGE_MS}. */
const GRID_MS = 1_800_000;
const EDGE_MS = 300_000;
/** What counts as as wide a margin: so many K of temperature, of dew margin, and so much RH [M]. */
const WIDE = { tempK: 5, dewK: 2, rh: 0.1 } as const;

/**
 * From when to when a coat may be started over a forecast: each start begun in a stretch passes whole, through its
 * application and until it is safe from dew and rain, as {@link judgeCoat} judges it.
 *
 * The best start is the one whose nearest limit is furthest away, in shares of what counts as a wide margin. For two
 * coats in a row, or a launch at a given time, `fits` says of a start's end and safe moment whether the rest fits too.
 *
 * @param applyMs how long it takes to apply, ms
 * @param safeAfter the moment a coat finished at `endMs` is safe from dew and rain; null: not within what is known
 * @param fromMs, toMs starts looked at, ms
 * @param nights when it is dark where it is applied without lamps: no start then, nor one that the dark finds unfinished
 * @throws {QuantityError} on times out of their order, or an impossible figure
 */
export function bestStarts(input: {
  hours: readonly AirHour[];
  surface: readonly SurfaceReading[];
  limits: AirLimits;
  underCover: boolean;
  applyMs: number;
  safeAfter: (endMs: number) => number | null;
  fromMs: number;
  toMs: number;
  fits?: (coat: { startMs: number; endMs: number; safeMs: number }) => boolean;
  nights?: readonly Dark[] | undefined;
}): BestStarts {
  const fromMs = moment('first start', input.fromMs);
  const toMs = moment('latest start', input.toMs);
  if (toMs < fromMs) throw new QuantityError('latest start', toMs, `at or after the first one (${fromMs})`);
  within('Days to search for a start', (toMs - fromMs) / 86_400_000, 0, 366);
  const applyMs = positive('Time to apply', input.applyMs, 30 * 86_400_000);
  const { nights = [] } = input;
  const air = coatAir(input);
  const { applies, becomesSafe } = passing(air);
  const nearestOf = nearest(air, input.limits, (ms) => firstAfter(air.moments, ms, false));
  const coatFrom = (startMs: number) => {
    const endMs = startMs + applyMs;
    if (isDark(startMs, nights) || darkBeforeEnd({ startMs, endMs, nights }) !== null) return null;
    if (!applies(startMs, endMs)) return null;
    const safeMs = input.safeAfter(endMs);
    if (safeMs === null || safeMs < endMs || !becomesSafe(endMs, safeMs)) return null;
    const coat = { startMs, endMs, safeMs };
    return (input.fits?.(coat) ?? true) ? coat : null;
  };
  const lastMs = Math.min(toMs, air.knownUntilMs);
  // Each reading too: between two of them everything runs straight, so that no peak is stepped over.
  const tried = new Set(air.moments.filter((at) => at >= fromMs && at <= lastMs));
  for (let at = fromMs; at <= lastMs; at += GRID_MS) tried.add(at);
  const grid = [...tried].sort((a, b) => a - b);
  const found = grid.map(coatFrom);
  const stretches: StartStretch[] = [];
  for (let i = 0; i < grid.length; i++) {
    if (!found[i]) continue;
    let k = i;
    while (found[k + 1]) k++;
    const coats = found.slice(i, k + 1) as NonNullable<(typeof found)[number]>[];
    const passesAt = (at: number) => coatFrom(at) !== null;
    const [first, last] = [grid[i] as number, grid[k] as number];
    stretches.push({
      fromMs: i === 0 ? first : firstPassing(grid[i - 1] as number, first, passesAt),
      toMs: lastPassing({
        passesMs: last,
        untilMs: grid[k + 1] ?? lastMs,
        passes: passesAt,
        withinMs: EDGE_MS,
      }),
      best: widest(coats, nearestOf),
      conditions: conditionsOver(air, coats),
    });
    i = k;
  }
  return { stretches, best: widestOf(stretches.map(({ best }) => best)) };
}

/** Of the best starts of several stretches the one whose nearest limit is furthest, the earlier of equals; null of none. */
export function widestOf(starts: readonly StartStretch['best'][]): StartStretch['best'] | null {
  const slack = ({ tightest }: StartStretch['best']) =>
    tightest ? slackOf(tightest) : Number.POSITIVE_INFINITY;
  return [...starts].sort((a, b) => slack(b) - slack(a) || a.startMs - b.startMs)[0] ?? null;
}

/** What nobody gave of the air of the first of these coats to the last. */
function conditionsOver(air: CoatAir, coats: readonly Coat[]): AirConditionCode[] {
  const [first, last] = [coats[0] as Coat, coats.at(-1) as Coat];
  return air.conditionsOf({ ...last, startMs: first.startMs }).map(({ code }) => code);
}

/** The first suitable start between an unsuitable and a suitable one, to {@link EDGE_MS}. */
function firstPassing(failsMs: number, passesMs: number, passes: (at: number) => boolean): number {
  let [low, high] = [failsMs, passesMs];
  while (high - low > EDGE_MS) {
    const middle = low + Math.floor((high - low) / 2);
    if (passes(middle)) high = middle;
    else low = middle;
  }
  return high;
}

export interface Passing {
  /** Whether every moment of its application passes. */
  applies: (startMs: number, endMs: number) => boolean;
  /** Whether every moment on from there passes until it is safe. */
  becomesSafe: (endMs: number, safeMs: number) => boolean;
}

/** Index of the first reading after a moment, or at it. */
function firstAfter(moments: readonly number[], ms: number, orAt: boolean): number {
  let [low, high] = [0, moments.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const at = moments[middle] as number;
    if (orAt ? at >= ms : at > ms) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Whether a coat passes, by what each reading says, counted once, and what stands at its own three moments. */
export function passing(air: CoatAir): Passing {
  const { moments } = air;
  const applying = new Int32Array(moments.length + 1);
  const until = new Int32Array(moments.length + 1);
  moments.forEach((ms, i) => {
    applying[i + 1] = (applying[i] as number) + (air.passesAt(ms, 'applying') ? 0 : 1);
    until[i + 1] = (until[i] as number) + (air.passesAt(ms, 'until-safe') ? 0 : 1);
  });
  const none = (sum: Int32Array, fromMs: number, toMs: number) => {
    const [from, to] = [firstAfter(moments, fromMs, false), firstAfter(moments, toMs, true)];
    return to <= from || (sum[to] as number) === (sum[from] as number);
  };
  return {
    applies: (startMs, endMs) =>
      startMs >= air.knownFromMs &&
      endMs <= air.knownUntilMs &&
      none(applying, startMs, endMs) &&
      air.passesAt(startMs, 'applying', true),
    becomesSafe: (endMs, safeMs) =>
      safeMs <= air.knownUntilMs &&
      none(until, endMs, safeMs) &&
      air.passesAt(endMs, 'applying', safeMs !== endMs) &&
      (safeMs === endMs || air.passesAt(safeMs, 'until-safe', false)),
  };
}

/** Whether the nearest limit is a wide margin away or further: not worth a figure. @throws {QuantityError} on a figure that is none */
export const wellClear = (tightest: Pick<Tightest, 'code' | 'value' | 'limit'>): boolean =>
  slackOf(tightest) >= 1;

/** How far a figure is from its limit, in shares of a wide margin. */
function slackOf({ code, value, limit }: Pick<Tightest, 'code' | 'value' | 'limit'>): number {
  const share = { 'too-damp': WIDE.rh, 'dew-margin': WIDE.dewK }[code as string] ?? WIDE.tempK;
  return Math.abs(finite('figure', value) - finite('limit', limit)) / share;
}

type Coat = { startMs: number; endMs: number; safeMs: number };

/** Of coats that pass, the one whose nearest limit is furthest. */
function widest(coats: readonly Coat[], nearestOf: (coat: Coat) => Tightest | null): StartStretch['best'] {
  let best: StartStretch['best'] | null = null;
  let most = -1;
  for (const coat of coats) {
    const tightest = nearestOf(coat);
    const slack = tightest ? slackOf(tightest) : Number.POSITIVE_INFINITY;
    if (slack > most) {
      most = slack;
      best = { ...coat, tightest };
    }
  }
  return best as StartStretch['best'];
}

/** The nearer of two to its limit. */
const nearer = (one: Tightest | null, other: Tightest | null): Tightest | null =>
  one === null || (other !== null && slackOf(other) < slackOf(one)) ? other : one;

/** Where a coat comes nearest to a limit: what each reading says is worked out once for all coats. */
function nearest(
  air: CoatAir,
  limits: AirLimits,
  after: (ms: number) => number,
): (coat: Coat) => Tightest | null {
  const at = (ms: number, applying: boolean): Tightest | null => {
    const found = air.at(ms);
    if (!found) return null;
    const of: (readonly [AirReasonCode, number, number | null])[] = [
      ['air-too-cold', found.airC, limits.airMinC],
      ['surface-too-cold', found.lowC, limits.surfaceMinC],
      ['too-damp', found.rh, limits.rhMax],
      ['dew-margin', found.lowC - dewPointC(found), limits.dewMarginC],
    ];
    if (applying) {
      of.push(
        ['air-too-hot', found.airC, limits.airMaxC],
        // Past it, it depends on the sun: no margin is left.
        ['surface-too-hot', Math.min(found.highC, limits.surfaceMaxC ?? found.highC), limits.surfaceMaxC],
      );
    }
    return of.reduce<Tightest | null>(
      (least, [code, value, limit]) =>
        limit === null ? least : nearer(least, { at: ms, code, value, limit }),
      null,
    );
  };
  const applying = air.moments.map((ms) => at(ms, true));
  const until = air.moments.map((ms) => at(ms, false));
  return ({ startMs, endMs, safeMs }) => {
    let least = nearer(at(startMs, true), nearer(at(endMs, true), at(safeMs, safeMs === endMs)));
    for (let i = after(startMs); i < air.moments.length && (air.moments[i] as number) < safeMs; i++)
      least = nearer(least, ((air.moments[i] as number) <= endMs ? applying[i] : until[i]) ?? null);
    return least;
  };
}

import { QuantityError } from '../units/index.ts';
import type { SurfaceReading } from './coatAir.ts';
import type { AirHour } from './hour.ts';
import {
  type AirLimits,
  type AirReason,
  type AirVerdict,
  type Conditions,
  judgeConditions,
  OF_HEAT,
} from './judge.ts';
import { airAbout, type Standing } from './standing.ts';
import { type Surroundings, surfaceTemps } from './surface.ts';
import type { AirConditionCode } from './unknownAir.ts';
import { hoursStillWet } from './wetness.ts';

export interface JudgedHour {
  at: number;
  ok: boolean;
  reasons: AirReason[];
  /** What nobody gave and somebody has to see to. */
  conditions: AirConditionCode[];
  /** The air the surface stands in, warmed where it is heated. */
  airC: number;
  rh: number;
  surfaceC: number;
  dewPointC: number;
  marginC: number;
  /** Whether the margin over the dew point falls from the hour before by more than a reading's error; null: not known. */
  marginFalls: boolean | null;
}

/** A change of the margin that a reading could make by itself, K [M]. */
const STEADY_K = 0.3;

/**
 * Every hour judged by {@link judgeConditions}: the surface as the surroundings make it, the air as it is about that
 * surface (heated air keeps its moisture), and what rain or dew has left on it.
 *
 * @param surface its temperature at each hour with the band it may lie in, as {@link surfaceSeries} gives it; left out: by
 *   the surroundings alone
 * @param before where it stood before, each until its moment: rain that fell on it then is still on it
 *
 * @throws {QuantityError} on an impossible hour, or hours out of their order
 */
export function judgeHours(input: {
  hours: readonly AirHour[];
  limits: AirLimits;
  surroundings: Surroundings;
  before?: Standing['before'];
  surface?: readonly SurfaceReading[];
}): JudgedHour[] {
  const { hours, limits, surroundings, surface, before: earlier = [] } = input;
  if (surface && surface.length !== hours.length)
    throw new QuantityError(
      'number of surface readings',
      surface.length,
      `${hours.length}, one for each hour`,
    );
  const temps = surface?.map(({ surfaceC }) => surfaceC) ?? surfaceTemps(hours, surroundings);
  const air = airAbout(hours, { surroundings, before: earlier });
  const { underCover } = air;
  const about = air.about.map((hour, i) => ({ ...hour, surfaceC: temps[i] as number }));
  const wet = hoursStillWet(about, underCover);
  let before: number | null = null;
  return about.map(({ at, airC, rh, surfaceC, rainMm, windMs }, i) => {
    const conditions = { airC, rh, rainMm, windMs, wetHours: wet[i] };
    const { lowC, highC } = surface?.[i] ?? { lowC: surfaceC, highC: surfaceC };
    const verdict = judgeBand(conditions, { lowC, highC }, limits, underCover);
    const marginFalls = before === null ? null : verdict.marginC < before - STEADY_K;
    before = verdict.marginC;
    return { at, airC, rh, surfaceC, ...verdict, marginFalls };
  });
}

/** Judged at the cold end of the surface's band; heat that only its hot end has depends on the sun. */
function judgeBand(
  conditions: Omit<Conditions, 'surfaceC'>,
  { lowC, highC }: { lowC: number; highC: number },
  limits: AirLimits,
  underCover: boolean,
): AirVerdict {
  const cold = judgeConditions({ conditions: { ...conditions, surfaceC: lowC }, limits, underCover });
  if (lowC === highC) return cold;
  const hot = judgeConditions({ conditions: { ...conditions, surfaceC: highC }, limits, underCover });
  const surely = new Set(cold.reasons.map(({ code }) => code));
  const perhaps = hot.reasons.some(({ code }) => OF_HEAT.has(code) && !surely.has(code));
  return perhaps ? { ...cold, conditions: [...cold.conditions, 'depends-on-sun'] } : cold;
}

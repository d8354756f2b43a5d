import { moment, QuantityError, within } from '../units/index.ts';
import { type AirHour, checkHours } from './hour.ts';
import { type AirLimits, type AirReason, type AirReasonCode, judgeConditions } from './judge.ts';
import { hoursStillWet } from './wetness.ts';

/** The surface's temperature at a moment, with the band it may lie in; straight lines between. */
export interface SurfaceReading {
  at: number;
  surfaceC: number;
  lowC: number;
  highC: number;
}

export type CoatFailureCode = AirReasonCode | 'not-known';

/** A moment of a coat that does not pass: when, why, the figure found and the limit it breaks. */
export interface CoatFailure {
  at: number;
  code: CoatFailureCode;
  value: number;
  limit: number;
  /** While it is applied, or on the way to safe from dew and rain. */
  phase: 'applying' | 'until-safe';
}

export interface CoatVerdict {
  ok: boolean;
  /** In the order of time. */
  failures: CoatFailure[];
}

/** What matters only while the coat is applied: once on, a warm hour cures it. */
const ONLY_WHILE_APPLYING: ReadonlySet<AirReasonCode> = new Set([
  'air-too-hot',
  'surface-too-hot',
  'wet-surface',
]);

/**
 * Whether a whole coat passes: every hour of its application, and on until it is safe from dew and rain.
 *
 * `judgeCoat` of a coat rolled from 14:00 to 16:00 and dew-safe at 22:00 under a clear sky names the evening hour at
 * which the margin over the dew point closes [T: handbook part 9].
 *
 * Readings stand at their time and are joined by straight lines; rain has fallen in the hour that begins at its reading.
 * Each reading within the coat's time is judged, and its start, end and safe moment between readings. The surface is
 * judged at the cold end of its band against cold and dew, at the hot end against heat. An hour the series does not
 * reach is `not-known`, with the moment asked as value and the end of what is known as limit.
 *
 * @param startMs, endMs first and last moment of application, ms
 * @param safeMs the moment it is safe from dew and rain, ms; null: not reached in what is known
 * @param hours the air about the surface, in order
 * @param surface the surface at the same hours or others, in order
 * @throws {QuantityError} on times out of their order, or an impossible figure
 */
export function judgeCoat(input: {
  startMs: number;
  endMs: number;
  safeMs: number | null;
  hours: readonly AirHour[];
  surface: readonly SurfaceReading[];
  limits: AirLimits;
  underCover: boolean;
}): CoatVerdict {
  const { hours, surface, limits, underCover } = input;
  const startMs = moment('start of application', input.startMs);
  const endMs = moment('end of application', input.endMs);
  if (endMs < startMs) throw new QuantityError('end of application', endMs, `its start ${startMs} or later`);
  const safeMs = input.safeMs === null ? null : moment('moment it is safe', input.safeMs);
  if (safeMs !== null && safeMs < endMs)
    throw new QuantityError('moment it is safe', safeMs, `the end of application ${endMs} or later`);
  checkHours(hours);
  checkSurface(surface);
  const phaseAt = (at: number) => (at <= endMs ? 'applying' : 'until-safe');
  const until = safeMs ?? hours.at(-1)?.at ?? endMs;
  const wetHoursAt = wetLeft(hours, surface, underCover);
  const failures: CoatFailure[] = [];
  for (const at of momentsBetween(startMs, endMs, Math.max(until, endMs), hours, surface)) {
    const air = airAt(hours, at);
    const skin = surfaceAt(surface, at);
    const phase = phaseAt(at);
    if (!air || !skin) {
      failures.push({ at, code: 'not-known', value: at, limit: knownUntil(hours, surface), phase });
      break;
    }
    for (const reason of reasonsAt(
      { ...air, wetHours: wetHoursAt(at) },
      skin,
      limits,
      underCover,
      at !== safeMs,
    ))
      if (phase === 'applying' || !ONLY_WHILE_APPLYING.has(reason.code))
        failures.push({ at, ...reason, phase });
  }
  if (safeMs === null && !failures.some(({ code }) => code === 'not-known')) {
    const known = knownUntil(hours, surface);
    failures.push({ at: known, code: 'not-known', value: known, limit: known, phase: 'until-safe' });
  }
  return { ok: failures.length === 0, failures };
}

function checkSurface(surface: readonly SurfaceReading[]): void {
  surface.forEach(({ at, surfaceC, lowC, highC }, i) => {
    moment('time of a surface reading', at);
    within('surface temperature', surfaceC, -60, 120);
    within('lower end of the surface temperature', lowC, -60, surfaceC);
    within('upper end of the surface temperature', highC, surfaceC, 120);
    const before = surface[i - 1];
    if (before) within(`time of surface reading ${i}`, at, before.at + 1, Number.MAX_VALUE);
  });
}

/** The moments to be judged: start, end, safe, and every reading between them. */
function momentsBetween(
  startMs: number,
  endMs: number,
  untilMs: number,
  hours: readonly { at: number }[],
  surface: readonly { at: number }[],
): number[] {
  const inside = [...hours, ...surface].map(({ at }) => at).filter((at) => at > startMs && at < untilMs);
  return [...new Set([startMs, endMs, untilMs, ...inside])].sort((a, b) => a - b);
}

/** The reading before a moment and how far it is on to the next; null outside the series. */
function placeIn(series: readonly { at: number }[], at: number): { i: number; x: number } | null {
  const i = series.findLastIndex((each) => each.at <= at);
  const here = series[i];
  if (!here) return null;
  const next = series[i + 1];
  if (!next) return here.at === at ? { i, x: 0 } : null;
  return { i, x: (at - here.at) / (next.at - here.at) };
}

const between = (a: number, b: number | undefined, x: number) => (b === undefined ? a : a + x * (b - a));

function airAt(hours: readonly AirHour[], at: number): { airC: number; rh: number; rainMm: number } | null {
  const place = placeIn(hours, at);
  if (!place) return null;
  const [here, next] = [hours[place.i] as AirHour, hours[place.i + 1]];
  return {
    airC: between(here.airC, next?.airC, place.x),
    rh: between(here.rh, next?.rh, place.x),
    rainMm: here.rainMm ?? 0,
  };
}

function surfaceAt(surface: readonly SurfaceReading[], at: number) {
  const place = placeIn(surface, at);
  if (!place) return null;
  const [here, next] = [surface[place.i] as SurfaceReading, surface[place.i + 1]];
  return { lowC: between(here.lowC, next?.lowC, place.x), highC: between(here.highC, next?.highC, place.x) };
}

/** What rain and dew before a moment left on the surface, hours of drying still wanted, from where the surface is known. */
function wetLeft(
  hours: readonly AirHour[],
  surface: readonly SurfaceReading[],
  underCover: boolean,
): (at: number) => number {
  const about = hours.flatMap((hour) => {
    const skin = surfaceAt(surface, hour.at);
    return skin ? [{ ...hour, surfaceC: skin.lowC }] : [];
  });
  const wet = hoursStillWet(about, underCover);
  return (at) => wet[about.findLastIndex((hour) => hour.at <= at)] ?? 0;
}

function reasonsAt(
  air: { airC: number; rh: number; rainMm: number; wetHours: number },
  skin: { lowC: number; highC: number },
  limits: AirLimits,
  underCover: boolean,
  rainCounts: boolean,
): AirReason[] {
  const { rainMm, ...rest } = air;
  const judge = (surfaceC: number) =>
    judgeConditions({
      conditions: { ...rest, surfaceC, rainMm: rainCounts ? rainMm : 0 },
      limits,
      underCover,
    }).reasons;
  if (skin.lowC === skin.highC) return judge(skin.lowC);
  const cold = judge(skin.lowC).filter(({ code }) => code !== 'surface-too-hot');
  return [...cold, ...judge(skin.highC).filter(({ code }) => code === 'surface-too-hot')];
}

function knownUntil(hours: readonly { at: number }[], surface: readonly { at: number }[]): number {
  return Math.min(hours.at(-1)?.at ?? 0, surface.at(-1)?.at ?? 0);
}

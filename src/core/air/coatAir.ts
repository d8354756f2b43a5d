import { moment, within } from '../units/index.ts';
import { dewPointC } from './dewPoint.ts';
import { type AirHour, checkHours } from './hour.ts';
import {
  type AirLimits,
  type AirReason,
  type AirReasonCode,
  checkLimits,
  judgeConditions,
  OF_HEAT,
  windOver,
} from './judge.ts';
import { settingSpeed } from './settingSpeed.ts';
import { type AirConditionCode, dryIfUnknown, unknownConditions } from './unknownAir.ts';
import { DRYING_H, hoursStillWet } from './wetness.ts';

/** The surface's temperature at a moment, with the band it may lie in; straight lines between. */
export interface SurfaceReading {
  at: number;
  surfaceC: number;
  lowC: number;
  highC: number;
}

/** While a coat is applied, or on its way to safe from dew and rain. */
export type CoatPhase = 'applying' | 'until-safe';

/** What matters only while the coat is applied: once on, a warm hour cures it. */
const ONLY_WHILE_APPLYING: ReadonlySet<AirReasonCode> = new Set([
  'air-too-hot',
  'surface-too-hot',
  'wet-surface',
  'too-windy',
  'sets-too-fast',
]);

/** Whether a reason still counts once the coat is applied. */
const countsUntilSafe = ({ code }: AirReason): boolean => !ONLY_WHILE_APPLYING.has(code);

/** A condition of a coat: what nobody gave, and the first moment of it. */
export interface CoatCondition {
  code: AirConditionCode;
  at: number;
  /** Of `depends-on-sun`: both ends of the surface's temperature then, °C. */
  surface?: { lowC: number; highC: number };
}

/** The air about a surface, ready to be asked at any moment what speaks against a coat. */
export interface CoatAir {
  /** Every reading, of the air or of the surface, in order. */
  readonly moments: readonly number[];
  /** Where what is known begins and ends, ms. */
  readonly knownFromMs: number;
  readonly knownUntilMs: number;
  /** What speaks against a coat at a moment; null where nothing is known. */
  reasonsAt(ms: number, phase: CoatPhase, rainCounts?: boolean): AirReason[] | null;
  /** Whether nothing speaks against a coat at a moment: as {@link reasonsAt}, without saying what; false where nothing is known. */
  passesAt(ms: number, phase: CoatPhase, rainCounts?: boolean): boolean;
  /**
   * What nobody gave of the air of a coat, and when first: rain from before its start, since a surface that may have been
   * rained on may be wet, until it is safe; wind while it is applied.
   */
  conditionsOf(coat: { startMs: number; endMs: number; safeMs: number }): CoatCondition[];
  /** Air and surface at a moment, between readings on straight lines; null outside what is known. */
  at(ms: number): { airC: number; rh: number; lowC: number; highC: number } | null;
}

/**
 * Makes the air about a surface ready to be asked.
 *
 * @throws {QuantityError} on an impossible figure, or readings out of their order
 */
export function coatAir(input: {
  hours: readonly AirHour[];
  surface: readonly SurfaceReading[];
  limits: AirLimits;
  underCover: boolean;
}): CoatAir {
  const { hours, surface, limits, underCover } = input;
  checkHours(hours);
  checkSurface(surface);
  checkLimits(limits);
  const wetHoursAt = wetLeft(hours, surface, underCover);
  return {
    moments: [...new Set([...hours, ...surface].map(({ at }) => at))].sort((a, b) => a - b),
    knownFromMs: Math.max(hours[0]?.at ?? 0, surface[0]?.at ?? 0),
    knownUntilMs: Math.min(hours.at(-1)?.at ?? 0, surface.at(-1)?.at ?? 0),
    at: (ms) => {
      const [air, skin] = [airAt(hours, ms), surfaceAt(surface, ms)];
      return air && skin && { airC: air.airC, rh: air.rh, ...skin };
    },
    conditionsOf: (coat) => {
      const sun = sunAt(coat, { hours, surface, limits, underCover });
      return [...conditionsOf(hours, coat, limits, underCover), ...(sun ? [sun] : [])];
    },
    passesAt: (ms, phase, rainCounts = true) => {
      const [air, skin] = [airAt(hours, ms), surfaceAt(surface, ms)];
      if (!air || !skin) return false;
      const rains = rainCounts && !underCover && dryIfUnknown(air.rainMm) > 0;
      if (rains || !withinLimits(air, skin, limits)) return false;
      if (phase === 'until-safe') return true;
      const windMs = windOver(air.windMs, underCover);
      return (
        air.airC <= (limits.airMaxC ?? air.airC) &&
        skin.lowC <= (limits.surfaceMaxC ?? skin.lowC) &&
        wetHoursAt(ms) === 0 &&
        (limits.windMaxMs == null || underCover || windMs <= limits.windMaxMs) &&
        (limits.settingMax == null ||
          settingSpeed({ surfaceC: skin.lowC, rh: air.rh, windMs }) <= limits.settingMax)
      );
    },
    reasonsAt: (ms, phase, rainCounts = true) => {
      const [air, skin] = [airAt(hours, ms), surfaceAt(surface, ms)];
      if (!air || !skin) return null;
      const found = reasonsAt({ ...air, wetHours: wetHoursAt(ms) }, skin, limits, underCover, rainCounts);
      return phase === 'applying' ? found : found.filter(countsUntilSafe);
    },
  };
}

/** The limits that hold until a coat is safe: not too cold, not too damp, far enough above the dew point. */
function withinLimits(
  air: { airC: number; rh: number },
  { lowC }: { lowC: number },
  limits: AirLimits,
): boolean {
  return (
    air.airC >= (limits.airMinC ?? air.airC) &&
    lowC >= (limits.surfaceMinC ?? lowC) &&
    air.rh <= (limits.rhMax ?? air.rh) &&
    lowC - dewPointC(air) >= limits.dewMarginC
  );
}

function checkSurface(surface: readonly SurfaceReading[]): void {
  surface.forEach(({ at, surfaceC, lowC, highC }, i) => {
    moment('Time of a surface reading', at);
    within('surface temperature', surfaceC, -60, 120);
    within('Lower limit of the surface temperature band', lowC, -60, surfaceC);
    within('Upper limit of the surface temperature band', highC, surfaceC, 120);
    const before = surface[i - 1];
    if (before) within(`time of surface reading ${i}`, at, before.at + 1, Number.MAX_VALUE);
  });
}

/** Index of the last reading not after a moment; −1: none. */
function lastAtOrBefore(series: readonly { at: number }[], at: number): number {
  let [low, high] = [0, series.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((series[middle] as { at: number }).at <= at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** The reading before a moment and how far it is on to the next; null outside the series. */
function placeIn(series: readonly { at: number }[], at: number): { i: number; x: number } | null {
  const i = lastAtOrBefore(series, at);
  const here = series[i];
  if (!here) return null;
  const next = series[i + 1];
  if (!next) return here.at === at ? { i, x: 0 } : null;
  return { i, x: (at - here.at) / (next.at - here.at) };
}

const between = (a: number, b: number | undefined, x: number) => (b === undefined ? a : a + x * (b - a));

function airAt(hours: readonly AirHour[], at: number) {
  const place = placeIn(hours, at);
  if (!place) return null;
  const [here, next] = [hours[place.i] as AirHour, hours[place.i + 1]];
  return {
    airC: between(here.airC, next?.airC, place.x),
    rh: between(here.rh, next?.rh, place.x),
    rainMm: here.rainMm,
    windMs: here.windMs === undefined ? undefined : between(here.windMs, next?.windMs, place.x),
  };
}

function surfaceAt(surface: readonly SurfaceReading[], at: number) {
  const place = placeIn(surface, at);
  if (!place) return null;
  const [here, next] = [surface[place.i] as SurfaceReading, surface[place.i + 1]];
  return { lowC: between(here.lowC, next?.lowC, place.x), highC: between(here.highC, next?.highC, place.x) };
}

const HOUR_MS = 3_600_000;

function conditionsOf(
  hours: readonly AirHour[],
  { startMs, endMs, safeMs }: { startMs: number; endMs: number; safeMs: number },
  limits: AirLimits,
  underCover: boolean,
): CoatCondition[] {
  const found = new Map<AirConditionCode, number>();
  const wetFromMs = startMs - DRYING_H * HOUR_MS;
  for (let i = Math.max(0, lastAtOrBefore(hours, wetFromMs)); i < hours.length; i++) {
    const hour = hours[i] as AirHour;
    if (hour.at > endMs && hour.at >= safeMs) break;
    const untilMs = hours[i + 1]?.at ?? hour.at + HOUR_MS;
    const applying = hour.at <= endMs && untilMs > startMs;
    for (const code of unknownConditions(hour, { limits, underCover, applying }))
      if (!found.has(code)) found.set(code, Math.max(hour.at, code === 'no-rain-data' ? wetFromMs : startMs));
  }
  return [...found].map(([code, at]) => ({ code, at }));
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
  return (at) => wet[lastAtOrBefore(about, at)] ?? 0;
}

function reasonsAt(
  air: { airC: number; rh: number; rainMm: number | undefined; windMs: number | undefined; wetHours: number },
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
  // Cold and dew by the cold end. Heat that the cold end has too: where only the hot end has it, it depends on the sun.
  return judge(skin.lowC);
}

/** The first moment of a coat at which heat speaks against it at the hot end of its surface's band alone; null: none. */
function sunAt(
  { startMs, endMs }: { startMs: number; endMs: number },
  of: {
    hours: readonly AirHour[];
    surface: readonly SurfaceReading[];
    limits: AirLimits;
    underCover: boolean;
  },
): CoatCondition | null {
  const first = lastAtOrBefore(of.surface, startMs) + 1;
  const moments = [startMs];
  for (let i = first; i < of.surface.length && (of.surface[i] as SurfaceReading).at < endMs; i++)
    moments.push((of.surface[i] as SurfaceReading).at);
  for (const at of [...moments, endMs]) {
    const [air, skin] = [airAt(of.hours, at), surfaceAt(of.surface, at)];
    if (!air || !skin || skin.lowC === skin.highC) continue;
    const heat = (surfaceC: number) =>
      judgeConditions({
        conditions: { airC: air.airC, rh: air.rh, windMs: air.windMs, surfaceC },
        limits: of.limits,
        underCover: of.underCover,
      }).reasons.filter(({ code }) => OF_HEAT.has(code));
    const surely = new Set(heat(skin.lowC).map(({ code }) => code));
    if (heat(skin.highC).some(({ code }) => !surely.has(code)))
      return { code: 'depends-on-sun', at, surface: skin };
  }
  return null;
}

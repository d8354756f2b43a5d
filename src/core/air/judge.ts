import { within } from '../units/index.ts';
import { dewPointC } from './dewPoint.ts';
import { settingSpeed } from './settingSpeed.ts';
import { type AirConditionCode, calmIfUnknown, dryIfUnknown, unknownConditions } from './unknownAir.ts';

/** Limits on air and surface for applying a coat. A sheet may override each. */
export interface AirLimits {
  airMinC: number | null;
  airMaxC: number | null;
  surfaceMinC: number | null;
  surfaceMaxC: number | null;
  /** Fraction 0–1. */
  rhMax: number | null;
  /** Surface must be at least this far above the dew point, K. */
  dewMarginC: number;
  /** Wind in the open while it is applied, m/s; null or left out: not judged. */
  windMaxMs?: number | null;
  /** Times as fast as in mild air it may set, by {@link settingSpeed}; null or left out: not judged. */
  settingMax?: number | null;
}

/**
 * Where a sheet says nothing: 3 °C above the dew point and RH ≤ 85 % [S: ISO 8502-4 guidance;
 * ISO 12944-7 practice]; no painting below freezing, nor on a surface too hot to touch [T, 45 °C from memory].
 */
export const DEFAULT_LIMITS: AirLimits = {
  airMinC: null,
  airMaxC: null,
  surfaceMinC: 0,
  surfaceMaxC: 45,
  rhMax: 0.85,
  dewMarginC: 3,
};

/** Limits that can be: each null or a figure within what air does. @throws {QuantityError} */
export function checkLimits(limits: AirLimits): void {
  for (const key of ['airMinC', 'airMaxC', 'surfaceMinC', 'surfaceMaxC'] as const)
    if (limits[key] !== null) within(`limit ${key}`, limits[key], -40, 90);
  if (limits.rhMax !== null) within('limit rhMax', limits.rhMax, 0.01, 1);
  within('limit dewMarginC', limits.dewMarginC, 0, 30);
  if (limits.windMaxMs != null) within('limit windMaxMs', limits.windMaxMs, 0, 100);
  if (limits.settingMax != null) within('limit settingMax', limits.settingMax, 0.1, 100);
}

export type AirReasonCode =
  | 'air-too-cold'
  | 'air-too-hot'
  | 'surface-too-cold'
  | 'surface-too-hot'
  | 'too-damp'
  | 'dew-margin'
  | 'rain'
  | 'wet-surface'
  | 'too-windy'
  | 'sets-too-fast';

/** Why an hour does not pass: the figure found and the limit it breaks, in canonical units. */
export interface AirReason {
  code: AirReasonCode;
  value: number;
  limit: number;
}

/** Reasons that heat brings about: where only the hot end of a surface's band has them, they depend on the sun. */
export const OF_HEAT: ReadonlySet<AirReasonCode> = new Set(['surface-too-hot', 'sets-too-fast']);

/** Wind over the film, m/s: hardly any under a cover, calm where nobody knows it. */
export const windOver = (windMs: number | undefined, underCover: boolean): number =>
  underCover ? COVERED_WIND_MS : calmIfUnknown(windMs);

export interface AirVerdict {
  /** Whether nothing that is known speaks against it; see `conditions` for what is not known. */
  ok: boolean;
  reasons: AirReason[];
  /** What nobody gave and somebody has to see to. */
  conditions: AirConditionCode[];
  dewPointC: number;
  /** Surface temperature less dew point, K. */
  marginC: number;
}

export interface Conditions {
  airC: number;
  /** Fraction 0–1. */
  rh: number;
  surfaceC: number;
  /** mm; nothing: not known, and a condition in the open. */
  rainMm?: number | undefined;
  /** Hours of drying air that a surface wetted by rain or dew still wants; 0 or nothing: dry. */
  wetHours?: number | undefined;
  /** m/s; nothing: not known, taken as calm, and a condition where wind is limited. */
  windMs?: number | undefined;
}

/** Wind under a cover, m/s [T/M, handbook part 17]. */
const COVERED_WIND_MS = 0.3;

/**
 * Whether a coat may be applied in these conditions, with every reason against it named.
 *
 * `judgeConditions({ conditions: { airC: 10, rh: 0.9, surfaceC: 9 }, limits: DEFAULT_LIMITS }).reasons`
 * → too-damp (0.90 > 0.85) and dew-margin (0.6 < 3).
 *
 * @throws {QuantityError} on impossible figures
 */
export function judgeConditions(input: {
  conditions: Conditions;
  limits: AirLimits;
  underCover?: boolean;
}): AirVerdict {
  const { conditions, limits } = input;
  const { airC, rh } = conditions;
  checkLimits(limits);
  const surfaceC = within('surface temperature', conditions.surfaceC, -40, 90);
  const dew = dewPointC({ airC, rh });
  const marginC = surfaceC - dew;
  const reasons: AirReason[] = [];
  const below = (code: AirReasonCode, value: number, limit: number | null) => {
    if (limit !== null && value < limit) reasons.push({ code, value, limit });
  };
  const above = (code: AirReasonCode, value: number, limit: number | null) => {
    if (limit !== null && value > limit) reasons.push({ code, value, limit });
  };
  below('air-too-cold', airC, limits.airMinC);
  above('air-too-hot', airC, limits.airMaxC);
  below('surface-too-cold', surfaceC, limits.surfaceMinC);
  above('surface-too-hot', surfaceC, limits.surfaceMaxC);
  above('too-damp', rh, limits.rhMax);
  below('dew-margin', marginC, limits.dewMarginC);
  const rainMm = input.underCover ? 0 : within('rain', dryIfUnknown(conditions.rainMm), 0, 500);
  above('rain', rainMm, 0);
  // While it rains the rain is reason enough.
  const wetHours = within('Hours until the surface is dry', conditions.wetHours ?? 0, 0, 1000);
  if (rainMm === 0) above('wet-surface', wetHours, 0);
  const windMs = windOver(conditions.windMs, input.underCover ?? false);
  above('too-windy', within('wind', windMs, 0, 100), input.underCover ? null : (limits.windMaxMs ?? null));
  if (limits.settingMax != null)
    above('sets-too-fast', settingSpeed({ surfaceC, rh, windMs }), limits.settingMax);
  const unknown = unknownConditions(conditions, { limits, underCover: input.underCover ?? false });
  return { ok: reasons.length === 0, reasons, conditions: unknown, dewPointC: dew, marginC };
}

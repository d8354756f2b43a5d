/**
 * Assumptions where weather data is missing: one rule for the whole core.
 *
 * Unknown rain and unknown wind stay unknown in the data. Where a figure must be put in, the one that is worse is taken:
 * calm air, since dew and a cold surface come on still nights, and no cloud of rain over the surface. Where the other end
 * would be worse (rain on a wet film; wind that carries spray away or sets a gloss before it flows) nothing is made up: the
 * verdict carries a condition that somebody at the boat has to see to. How much sun a surface gets is such a figure where
 * neither heading nor cloud is known: a coat that only its hot end speaks against depends on the sun, and is not refused.
 */

/** Wind for heat and dew, m/s: calm where it is not known. */
export const calmIfUnknown = (windMs: number | undefined): number => windMs ?? 0;

/** Rain for figures that rain would only make milder, mm: none where it is not known. */
export const dryIfUnknown = (rainMm: number | undefined): number => rainMm ?? 0;

/** What a verdict depends on because nobody gave it. */
export type AirConditionCode = 'no-rain-data' | 'no-wind-data' | 'depends-on-sun';

/** Of a coat's limits those that wind bears on. */
interface WindLimits {
  windMaxMs?: number | null;
  settingMax?: number | null;
}

/** Whether some limit of a coat gets worse with wind. */
const windCounts = ({ windMaxMs, settingMax }: WindLimits): boolean =>
  windMaxMs != null || settingMax != null;

/**
 * The conditions under which a coat passes in this air; none where all that counts is known, or a cover keeps it off.
 *
 * `unknownConditions({ rainMm: undefined, windMs: 3 }, { limits: DEFAULT_LIMITS, underCover: false })` → `['no-rain-data']`
 *
 * @param applying whether the coat is being applied then; wind no longer counts once it is on
 */
export function unknownConditions(
  air: { rainMm?: number | undefined; windMs?: number | undefined },
  of: { limits: WindLimits; underCover: boolean; applying?: boolean },
): AirConditionCode[] {
  if (of.underCover) return [];
  const { applying = true } = of;
  return [
    ...(air.rainMm === undefined ? (['no-rain-data'] as const) : []),
    ...(air.windMs === undefined && applying && windCounts(of.limits) ? (['no-wind-data'] as const) : []),
  ];
}

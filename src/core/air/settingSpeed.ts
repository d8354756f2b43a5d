import { within } from '../units/index.ts';

/** Air that a paint flows out in without hurry [M]. */
const MILD = { surfaceC: 20, rh: 0.5, windMs: 1 } as const;
/** A gloss that sets this many times as fast as in mild air has set before it could flow [M]. */
export const SETS_BEFORE_IT_FLOWS = 2.5;

/** Wind on a wet film carries its solvent away about as it carries heat: h = 2.8 + 3.0·v [S: Watmuff, Charters & Proctor 1977]. */
const carries = (windMs: number) => 2.8 + 3 * windMs;

/**
 * How many times as fast a wet film loses its flow as in mild air of 20 °C, 50 % and 1 m/s: twice as fast for each 10 °C
 * [T, handbook part 10], and by the roots of what wind carries away and of how dry the air is [M]. A gloss turns pebbly
 * where it sets before it could flow: too hot, too dry, too windy [T, handbook part 9].
 *
 * `settingSpeed({ surfaceC: 30, rh: 0.5, windMs: 1 })` → 2; at 28 °C, 35 % and 4 m/s → 3.2.
 *
 * @throws {QuantityError} on an impossible figure
 */
export function settingSpeed({
  surfaceC,
  rh,
  windMs,
}: {
  surfaceC: number;
  rh: number;
  windMs: number;
}): number {
  const warm = 2 ** ((within('surface temperature', surfaceC, -40, 90) - MILD.surfaceC) / 10);
  const dry = (1 - within('relative humidity', rh, 0.001, 1)) / (1 - MILD.rh);
  const windy = carries(within('wind', windMs, 0, 100)) / carries(MILD.windMs);
  return warm * Math.sqrt(dry * windy);
}

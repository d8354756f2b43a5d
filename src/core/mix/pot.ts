import { moment, NotStatedError, positive, QuantityError, within } from '../units/index.ts';

interface PotPoint {
  tempC: number;
  minutes: number;
}

/** Time kept in hand at the end of a pot [T]. */
export const POT_MARGIN_MIN = 10;
/** No pot lives longer: ten days. */
const LONGEST_POT_MIN = 14_400;

/**
 * Pot life at the pot's temperature: from the sheet's nearest point, halved for each +10 °C [T], on a straight
 * line in ln t between two points. `potLifeMinutes({ points: [{ tempC: 20, minutes: 120 }], tempC: 30 })` → 60.
 *
 * Unlike the cure clock it goes on shortening above the table: the pot does set sooner.
 *
 * @throws {QuantityError} without a point or outside −20…60 °C
 */
export function potLifeMinutes(input: { points: readonly PotPoint[]; tempC: number }): number {
  const tempC = within('temperature of the pot', input.tempC, -20, 60);
  const points = [...input.points].sort((a, b) => a.tempC - b.tempC);
  for (const point of points) {
    within('temperature of a pot life', point.tempC, -40, 80);
    positive('pot life', point.minutes, LONGEST_POT_MIN);
  }
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) throw new NotStatedError('pot life', 'on the data sheet or entered from the tin');
  if (tempC <= first.tempC) return first.minutes * 2 ** ((first.tempC - tempC) / 10);
  if (tempC >= last.tempC) return last.minutes * 2 ** ((last.tempC - tempC) / 10);
  const upper = points.findIndex((point) => point.tempC > tempC);
  const lo = points[upper - 1] as PotPoint;
  const hi = points[upper] as PotPoint;
  const share = (tempC - lo.tempC) / (hi.tempC - lo.tempC);
  return Math.exp(Math.log(lo.minutes) * (1 - share) + Math.log(hi.minutes) * share);
}

export interface BatchPlan {
  /** Minutes from the end of induction until the margin before the pot sets. */
  usableMinutes: number;
  /** Litres that can be applied in that time. */
  largestLitres: number;
  /** Equal batches that cover the whole. */
  batches: { litres: number; mixAtMin: number; layFromMin: number; layToMin: number }[];
  /** Whether the whole goes in one pot. */
  fitsOnePot: boolean;
}

/**
 * Largest batch = application rate × usable time × litres per m² [T], then equal batches, each mixed so that its
 * induction ends as the pot before it empties. Minutes count from mixing the first.
 *
 * @param litres unthinned litres for the whole coat
 * @param rateM2PerH how fast it is applied
 * @param litresPerM2 what a coat takes
 * @throws {QuantityError} when induction and margin leave no usable time
 */
export function planBatches(input: {
  litres: number;
  rateM2PerH: number;
  litresPerM2: number;
  potLifeMin: number;
  inductionMin: number;
  marginMin?: number;
}): BatchPlan {
  const litres = positive('litres', input.litres, 10_000);
  const litresPerMin =
    (positive('rate', input.rateM2PerH, 1000) * positive('litres per m²', input.litresPerM2, 20)) / 60;
  const induction = within('induction', input.inductionMin, 0, 1440);
  const margin = within('margin', input.marginMin ?? POT_MARGIN_MIN, 0, 1440);
  const potLife = positive('pot life', input.potLifeMin, LONGEST_POT_MIN * 100);
  const usableMinutes = potLife - induction - margin;
  if (!(usableMinutes > 0)) {
    throw new QuantityError(
      'usable pot time',
      `${Math.round(usableMinutes)} min`,
      `above 0 after ${induction} min standing time and the margin are taken off ${Math.round(input.potLifeMin)} min pot life`,
    );
  }
  const largestLitres = litresPerMin * usableMinutes;
  const count = within('number of batches', Math.ceil(litres / largestLitres - 1e-9), 1, 1000);
  const each = litres / count;
  const layMin = each / litresPerMin;
  const batches = Array.from({ length: count }, (_, i) => ({
    litres: each,
    mixAtMin: i * layMin,
    layFromMin: i * layMin + induction,
    layToMin: (i + 1) * layMin + induction,
  }));
  return { usableMinutes, largestLitres, batches, fitsOnePot: count === 1 };
}

/**
 * When to mix the next pot, ms: so that its standing time ends as the pots in use run out, or as the first of them sets.
 * The result may be past: then it is time to mix.
 *
 * 1 l at 10 m²/h and 0.2 l/m² lasts half an hour; with a quarter of an hour of standing time the next pot is mixed 15 min
 * after this one was ready.
 *
 * @param pots in use: when each is ready, when it sets (null: not known), and the litres still in it
 * @param rateM2PerH how fast the paint is applied
 * @param litresPerM2 what a coat takes
 * @throws {QuantityError} on no pot, or a figure that cannot be
 */
export function nextPotMs(input: {
  pots: readonly { readyMs: number; setsMs: number | null; litres: number }[];
  rateM2PerH: number;
  litresPerM2: number;
  inductionMin: number;
}): number {
  if (input.pots.length === 0) throw new QuantityError('number of pots', 0, '1 or more');
  const litresPerH =
    positive('rate', input.rateM2PerH, 1000) * positive('litres per m²', input.litresPerM2, 20);
  const litres = input.pots.reduce((sum, pot) => sum + within('litres in the pot', pot.litres, 0, 10_000), 0);
  const ready = Math.min(...input.pots.map(({ readyMs }) => moment('time the pot is ready', readyMs)));
  const sets = input.pots.flatMap(({ setsMs }) =>
    setsMs === null ? [] : [moment('time the pot sets', setsMs)],
  );
  const empty = ready + (litres / litresPerH) * 3_600_000;
  const wanted = Math.min(empty, ...sets);
  return moment('time of the next pot', wanted - within('induction', input.inductionMin, 0, 1440) * 60_000);
}

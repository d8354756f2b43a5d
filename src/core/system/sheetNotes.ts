import { type CurvePoint, type OvercoatRule, readyCurve } from '../cure/index.ts';
import { coatsNeeded, type Method } from '../film/index.ts';
import { positive, QuantityError, within } from '../units/index.ts';
import { FILLERS, isIn } from './groups.ts';
import { checkFilm, filmOf, methodsOf, type ProductSheet } from './sheet.ts';

/** Something on a sheet that can hardly be meant: to be looked up again on the paper, not refused. Temperatures in °C, times in minutes, films and profiles in µm. */
export type SheetNote =
  | { code: 'overcoat-closes-first' | 'thumb-closes-first'; by: OvercoatRule['by']; tempC: number }
  | { code: 'no-grit'; by: OvercoatRule['by'] }
  | { code: 'pot-life-not-shorter'; minutes: number; tempC: number; colderC: number }
  | { code: 'standing-uses-pot-life'; inductionMin: number; minutes: number }
  | { code: 'two-pack-without-pot-life' | 'one-pack-with-pot-life' }
  | { code: 'film-of-a-filler'; dryMicrons: number; wetMicrons: number }
  | { code: 'method-not-allowed'; method: Method }
  | { code: 'film-of-method'; method: Method; mostMicrons: number; sheetMicrons: number }
  | { code: 'latest-launch-first'; tempC: number }
  | { code: 'profile-upside-down'; leastMicrons: number; mostMicrons: number };

const at = (points: readonly CurvePoint[], tempC: number): number | null => {
  try {
    return readyCurve('table', { points, stopC: null }).minutesAt(tempC);
  } catch (error) {
    if (error instanceof QuantityError) return null;
    throw error;
  }
};

/** Temperatures that two tables have in common, or those of the first. */
const shared = (a: readonly CurvePoint[], b: readonly CurvePoint[]) => {
  const both = a.map((p) => p.tempC).filter((tempC) => b.some((p) => p.tempC === tempC));
  return both.length ? both : a.map((p) => p.tempC);
};

/** Where `later` does not come after `earlier`, °C. */
function before(later: readonly CurvePoint[], earlier: readonly CurvePoint[]): number | null {
  return (
    shared(later, earlier).find((tempC) => {
      const [l, e] = [at(later, tempC), at(earlier, tempC)];
      return l !== null && e !== null && l <= e;
    }) ?? null
  );
}

/** What looks wrong on a sheet: windows that close before they open, pots that live longer when hotter, films out of order. */
// biome-ignore lint/complexity/noExcessiveCognitiveComplexity: a plain list of checks
export function sheetNotes(sheet: ProductSheet): SheetNote[] {
  positive('volume solids', sheet.volumeSolids, 1);
  checkFilm(sheet.film);
  if (sheet.inductionMin !== null) within('induction', sheet.inductionMin, 0, 14_400);
  for (const { film } of sheet.byMethod) if (film) checkFilm(film);
  const notes: SheetNote[] = [];
  for (const { by, chemicalMax, min, thumb, keyGrit } of sheet.cure.overcoat) {
    const closes = chemicalMax && before(chemicalMax, min);
    if (closes != null) notes.push({ code: 'overcoat-closes-first', by, tempC: closes });
    const thumbCloses = thumb && before(thumb.closes, thumb.opens);
    if (thumbCloses != null) notes.push({ code: 'thumb-closes-first', by, tempC: thumbCloses });
    if (chemicalMax && keyGrit === null) notes.push({ code: 'no-grit', by });
  }
  for (const point of sheet.potLife) {
    within('temperature of a pot life', point.tempC, -40, 80);
    positive('pot life', point.minutes, 14_400);
  }
  const pot = [...sheet.potLife].sort((a, b) => a.tempC - b.tempC);
  pot.forEach(({ minutes, tempC }, i) => {
    const colder = pot[i - 1];
    if (colder && minutes >= colder.minutes)
      notes.push({ code: 'pot-life-not-shorter', minutes, tempC, colderC: colder.tempC });
  });
  const { inductionMin, parts } = sheet;
  if (pot[0] && inductionMin !== null && inductionMin >= pot[0].minutes)
    notes.push({ code: 'standing-uses-pot-life', inductionMin, minutes: pot[0].minutes });
  if (parts.length > 1 && pot.length === 0) notes.push({ code: 'two-pack-without-pot-life' });
  if (parts.length === 1 && pot.length > 0) notes.push({ code: 'one-pack-with-pot-life' });
  const wetMicrons = Math.round(sheet.film.max / sheet.volumeSolids);
  if (wetMicrons > 1500 && !isIn(FILLERS, sheet.family))
    notes.push({ code: 'film-of-a-filler', dryMicrons: sheet.film.max, wetMicrons });
  for (const { method, film } of sheet.byMethod) {
    if (!methodsOf(sheet).includes(method)) notes.push({ code: 'method-not-allowed', method });
    if (film && film.max > 3 * sheet.film.max)
      notes.push({ code: 'film-of-method', method, mostMicrons: film.max, sheetMicrons: sheet.film.max });
  }
  const { immersion } = sheet.cure.events;
  const latest = sheet.cure.events['latest-immersion'];
  const late = immersion && latest && before(latest, immersion);
  if (late != null) notes.push({ code: 'latest-launch-first', tempC: late });
  const { profileMinMicrons: leastMicrons, profileMaxMicrons: mostMicrons } = sheet.preparation;
  if (leastMicrons !== null && mostMicrons !== null && leastMicrons > mostMicrons)
    notes.push({ code: 'profile-upside-down', leastMicrons, mostMicrons });
  return notes;
}

/** Less than half a micron is nothing that is said or measured. */
const NOTHING_MICRONS = 0.5;

/** Dry film still missing of a target after what was applied, and the coats that takes at the sheet's typical film. */
export function coatsStillNeeded(input: {
  targetMicrons: number;
  appliedMicrons: number;
  sheet: Pick<ProductSheet, 'film' | 'byMethod'>;
  method: Method;
}): { missingMicrons: number; coats: number } {
  const missingMicrons = Math.max(0, input.targetMicrons - input.appliedMicrons);
  if (missingMicrons < NOTHING_MICRONS) return { missingMicrons, coats: 0 };
  const film = filmOf(input.sheet, input.method);
  return {
    missingMicrons,
    coats: coatsNeeded({
      targetDryMicrons: missingMicrons,
      dryMicronsPerCoat: film.typical,
      maxDryMicronsPerCoat: film.max,
    }),
  };
}

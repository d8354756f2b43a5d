import { type CurvePoint, readyCurve } from '../cure/index.ts';
import { coatsNeeded, type Method } from '../film/index.ts';
import {
  degrees,
  film as microns,
  positive,
  QuantityError,
  type Sentence,
  sentence,
  within,
} from '../units/index.ts';
import { FAMILIES, type Family } from './families.ts';
import { FILLERS, isIn } from './groups.ts';
import { checkFilm, filmOf, methodsOf, type ProductSheet } from './sheet.ts';

/** Something on a sheet that can hardly be meant: to be looked up again on the paper, not refused. */
export interface SheetNote {
  /** The part of the sheet it is about. */
  about: 'overcoat' | 'pot-life' | 'film' | 'thumb' | 'immersion' | 'profile' | 'mix';
  text: Sentence;
}

const at = (points: readonly CurvePoint[], tempC: number): number | null => {
  try {
    return readyCurve('table', { points, stopC: null }).minutesAt(tempC);
  } catch (error) {
    if (error instanceof QuantityError) return null;
    throw error;
  }
};

/** A coat of the sheet's overcoat lines, in words. */
const over = (by: string): string =>
  by === 'any' ? 'any coat' : by === 'self' ? 'itself' : (FAMILIES[by as Family] ?? by);

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
  const say = (about: SheetNote['about'], text: Sentence) => notes.push({ about, text });
  for (const rule of sheet.cure.overcoat) {
    const closes = rule.chemicalMax && before(rule.chemicalMax, rule.min);
    if (closes != null)
      say(
        'overcoat',
        sentence`At ${degrees(closes)}, the overcoat window for ${over(rule.by)} closes before it opens`,
      );
    const thumb = rule.thumb && before(rule.thumb.closes, rule.thumb.opens);
    if (thumb != null)
      say(
        'thumb',
        sentence`At ${degrees(thumb)}, the thumbprint window for ${over(rule.by)} closes before it opens`,
      );
    if (rule.chemicalMax && rule.keyGrit === null) {
      say(
        'overcoat',
        `The overcoat window for ${over(rule.by)} closes, but no grit is given for sanding afterwards`,
      );
    }
  }
  for (const point of sheet.potLife) {
    within('temperature of a pot life', point.tempC, -40, 80);
    positive('pot life', point.minutes, 14_400);
  }
  const pot = [...sheet.potLife].sort((a, b) => a.tempC - b.tempC);
  pot.forEach((point, i) => {
    const colder = pot[i - 1];
    if (colder && point.minutes >= colder.minutes) {
      say(
        'pot-life',
        sentence`Pot life is ${point.minutes} min at ${degrees(point.tempC)}, which isn’t shorter than at ${degrees(colder.tempC)}`,
      );
    }
  });
  if (pot[0] && sheet.inductionMin !== null && sheet.inductionMin >= pot[0].minutes) {
    say(
      'pot-life',
      `The standing time of ${sheet.inductionMin} min uses up the whole pot life of ${pot[0].minutes} min`,
    );
  }
  if (sheet.parts.length > 1 && pot.length === 0) say('pot-life', 'Two-pack without a pot life');
  if (sheet.parts.length === 1 && pot.length > 0) say('mix', 'One-pack with a pot life');
  const wet = sheet.film.max / sheet.volumeSolids;
  if (wet > 1500 && !isIn(FILLERS, sheet.family))
    say(
      'film',
      sentence`The maximum of ${microns(sheet.film.max)} dry means ${microns(Math.round(wet))} wet, which would be a filler rather than a paint`,
    );
  for (const { method, film } of sheet.byMethod) {
    if (!methodsOf(sheet).includes(method))
      say('film', `There are values for ${method.replaceAll('-', ' ')}, but that method isn’t allowed`);
    if (film && film.max > 3 * sheet.film.max) {
      say(
        'film',
        sentence`${microns(film.max)} by ${method.replaceAll('-', ' ')} is more than three times the maximum of ${microns(sheet.film.max)}`,
      );
    }
  }
  const { immersion } = sheet.cure.events;
  const latest = sheet.cure.events['latest-immersion'];
  const late = immersion && latest && before(latest, immersion);
  if (late != null)
    say('immersion', sentence`At ${degrees(late)}, the latest launch time is before the earliest`);
  const { profileMinMicrons: least, profileMaxMicrons: most } = sheet.preparation;
  if (least !== null && most !== null && least > most)
    say(
      'profile',
      sentence`The minimum profile of ${microns(least)} is above the maximum of ${microns(most)}`,
    );
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

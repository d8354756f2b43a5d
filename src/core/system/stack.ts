import {
  COAT_SCATTER,
  deadVolumeLPerM2,
  enoughNineInTen,
  kindDoubt,
  type Method,
  paintLitres,
  SEALING,
  SEALING_UPPER,
  SPAN_SD,
  wetMicrons,
} from '../film/index.ts';
import { unthinnedShare } from '../mix/index.ts';
import { QuantityError, within } from '../units/index.ts';
import { isIn, TREATMENTS } from './groups.ts';
import { checkFilm, filmOf, lossOf, type ProductSheet, upperLossOf } from './sheet.ts';
import { type Band, type StepTask, stepAreaM2 } from './step.ts';

/** One step of a stack: a product applied in so many coats. */
export interface StackStep {
  sheet: Pick<ProductSheet, 'volumeSolids' | 'film' | 'byMethod'> &
    Partial<Pick<ProductSheet, 'family' | 'parts' | 'ratioBy'>>;
  coats: number;
  /** Dry film of each coat, µm. */
  dryMicronsPerCoat: number;
  method: Method;
  /** Thinner as a fraction of the mixed paint. */
  thinner: number;
  /** Work before it: one that carries aggregate is sealed with more paint than a smooth coat takes. */
  before?: readonly StepTask[];
  /** The part of the area it is applied on; null or left out: the whole. */
  band?: Band | null;
}

export interface StepNeed {
  /** Unthinned litres for one smooth coat at the area as measured. */
  litresPerCoat: number;
  /** The same for each coat in turn: more where a profile or an aggregate drinks. */
  litresOfCoat: number[];
  litres: number;
  /** The safe need (90 % certainty), as for a purchase, of this area alone. */
  litresHigh: number;
  thinnerLitres: number;
  /** Thinner to the safe need. */
  thinnerLitresHigh: number;
  /** Dry film of all its coats, and wet film of one as applied, µm. */
  dryMicrons: number;
  wetMicronsPerCoat: number;
  loss: number;
  /** Set when a coat is outside the sheet's film: what is wrong and the limit, µm. */
  film: { verdict: 'within' } | { verdict: 'too-thin' | 'too-thick'; limitMicrons: number };
}

/**
 * What each step of a stack takes on an area: litres, thinner and film.
 *
 * 20 m² at 100 µm dry, 50 % solids, by roller (7.5 % loss): 4.32 l a coat.
 *
 * @param areaM2 the area as measured; `spread` its fraction, which travels to the quantities
 * @param profileMicrons of blasted steel under the stack, filled by the first coat that forms a film; null: none
 * @throws {QuantityError} on figures no paint has
 */
export function stackNeed(input: {
  areaM2: number;
  spread: number;
  steps: readonly StackStep[];
  profileMicrons?: number | null;
}): {
  steps: StepNeed[];
  dryMicrons: number;
  litres: number;
} {
  const spread = within('spread', input.spread, 0, 1);
  const fills = firstFilm(input.steps);
  const steps = input.steps.map((step, i): StepNeed => {
    const coats = within('coats', step.coats, 1, 50);
    if (!Number.isInteger(coats)) throw new QuantityError('coats', coats, 'a whole number');
    const { volumeSolids } = step.sheet;
    const film = checkFilm(filmOf(step.sheet, step.method));
    const loss = lossOf(step.method);
    const dry = step.dryMicronsPerCoat;
    const areaM2 = stepAreaM2({ band: step.band ?? null }, input.areaM2);
    const perCoat = (lost: number) => paintLitres({ areaM2, dryMicrons: dry, volumeSolids, loss: lost });
    const litresPerCoat = perCoat(loss);
    const sealing = step.before?.some(({ kind }) => kind === 'aggregate') ? SEALING : [];
    const profile = i === fills ? (input.profileMicrons ?? 0) : 0;
    const litresOfCoat = Array.from({ length: coats }, (_, coat) => {
      const filled = coat === 0 ? areaM2 * deadVolumeLPerM2(profile) : 0;
      return litresPerCoat * (sealing[coat] ?? 1) + filled;
    });
    const litres = litresOfCoat.reduce((sum, each) => sum + each, 0);
    const filled = fills === i ? areaM2 * deadVolumeLPerM2(profile) : 0;
    const smooth = litres - filled;
    const atMost = litresOfCoat.reduce(
      (sum, each, coat) =>
        sum + (each - (coat === 0 ? filled : 0)) * (coat < sealing.length ? SEALING_UPPER : 1),
      0,
    );
    const upper = perCoat(upperLossOf(step.method)) / (litresPerCoat || 1);
    const sd = Math.hypot(
      (litres * spread) / SPAN_SD,
      smooth * kindDoubt(upper, smooth > 0 ? atMost / smooth : 1),
      COAT_SCATTER * Math.hypot(...litresOfCoat),
    );
    const litresHigh = enoughNineInTen(litres, sd);
    const thinner = within('thinner', step.thinner, 0, 0.5);
    return {
      litresPerCoat,
      litresOfCoat,
      litres,
      litresHigh,
      thinnerLitres: litres * thinner,
      thinnerLitresHigh: litresHigh * thinner,
      dryMicrons: dry * coats,
      wetMicronsPerCoat: wetMicrons({
        dryMicrons: dry,
        volumeSolids,
        thinner: step.thinner,
        paintShare: paintShareOf(step.sheet),
      }),
      loss,
      film:
        dry > film.max
          ? { verdict: 'too-thick', limitMicrons: film.max }
          : dry < film.min
            ? { verdict: 'too-thin', limitMicrons: film.min }
            : { verdict: 'within' },
    };
  });
  return {
    steps,
    dryMicrons: steps.reduce((sum, step) => sum + step.dryMicrons, 0),
    litres: steps.reduce((sum, step) => sum + step.litres, 0),
  };
}

/** Share of paint in the mix as its sheet counts the reducer; 1 where it is no part of the ratio, or its volume is not stated. */
function paintShareOf({ parts, ratioBy }: StackStep['sheet']): number {
  if (!parts?.some(({ reducer }) => reducer) || !ratioBy) return 1;
  const volumeKnown = ratioBy === 'volume' || parts.every(({ densityKgPerL }) => densityKgPerL !== null);
  return volumeKnown ? unthinnedShare({ parts, by: ratioBy }) : 1;
}

/** The first step of a stack that forms a film, and so fills a blast profile; −1: none. Washes and converters do not. */
export const firstFilm = (steps: readonly { sheet: Partial<Pick<ProductSheet, 'family'>> }[]): number =>
  steps.findIndex(({ sheet }) => !sheet.family || !isIn(TREATMENTS, sheet.family));

/** Whether rust is converted, not blasted off, below the first film of a stack: there is no blast profile then, and no haste. */
export const isConverted = (steps: readonly { sheet: Partial<Pick<ProductSheet, 'family'>> }[]): boolean => {
  const film = firstFilm(steps);
  return steps
    .slice(0, film < 0 ? steps.length : film)
    .some(({ sheet }) => sheet.family === 'rust-converter');
};

/** The next coat: which step of the stack and the number of the coat in it, both from 0. */
export interface NextCoat {
  step: number;
  coat: number;
}

/**
 * The next coat of a stack, given how many coats of each step lie on the area; null when all are on.
 * Steps go on in order: a later step is not offered while an earlier one is short of coats.
 */
export function nextCoat(coats: readonly number[], applied: readonly number[]): NextCoat | null {
  coats.forEach((wanted, i) => {
    within(`coats of step ${i + 1}`, wanted, 0, 1000);
  });
  applied.forEach((on, i) => {
    within(`coats applied in step ${i + 1}`, on, 0, 1000);
  });
  const step = coats.findIndex((wanted, i) => (applied[i] ?? 0) < wanted);
  return step < 0 ? null : { step, coat: applied[step] ?? 0 };
}

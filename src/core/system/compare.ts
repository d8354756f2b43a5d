import { positive, within } from '../units/index.ts';
import { overcoatHours } from './overcoatHours.ts';
import { limitsOf, type ProductSheet } from './sheet.ts';
import { type StackStep, stackNeed } from './stack.ts';
import { type Band, type StepPlan, sandedBefore, stepAreaM2 } from './step.ts';

/** m² an hour that a sheet of paper keys by machine, middle of 8–12 [T]. */
export const SANDING_M2_PER_H = 10;

export interface ComparedStep extends StepPlan {
  sheet: Pick<ProductSheet, 'family' | 'volumeSolids' | 'film' | 'byMethod' | 'cure' | 'limits' | 'packs'>;
  thinner: number;
  productId: string;
  band?: Band | null;
}

/** One coat of a step, counted from 0. */
interface Coat {
  step: ComparedStep;
  no: number;
}

export interface StackFigures {
  coats: number;
  dryMicrons: number;
  litres: number;
  /** Of packs at their price a litre; null where a product has no price. */
  cost: number | null;
  /** Days from the first coat to the last at a steady temperature: overcoat minima end to end, one coat a day at most. */
  days: number | null;
  sandingHours: number;
  /** The coldest it can be applied, the dampest, and how far above the dew point: the strictest of its coats. */
  coldestC: number | null;
  rhMax: number | null;
  dewMarginC: number | null;
}

const strictest = (values: readonly (number | null)[], pick: (...all: number[]) => number): number | null => {
  const stated = values.filter((value): value is number => value !== null);
  return stated.length ? pick(...stated) : null;
};

/**
 * What a stack takes and asks for, to be set beside another: film, coats, litres, cost, days, sanding, tolerance.
 *
 * @param tempC a steady temperature of the surface
 * @throws {QuantityError} on figures no paint has
 */
export function stackFigures(input: {
  steps: readonly ComparedStep[];
  areaM2: number;
  tempC: number;
  highWear: boolean;
}): StackFigures {
  const tempC = within('temperature (°C)', input.tempC, -20, 60);
  const steps = input.steps.map((step) => ({
    ...step,
    coats: step.coats + (input.highWear ? step.extraCoats : 0),
  }));
  const need = stackNeed({
    areaM2: input.areaM2,
    spread: 0,
    steps: steps.map((step): StackStep => ({ ...step })),
  });
  const coats = steps.flatMap((step) => Array.from({ length: step.coats }, (_, no) => ({ step, no })));
  let days: number | null = 0;
  for (let i = 0; i + 1 < coats.length && days !== null; i++) {
    const [{ step: below }, { step: next, no }] = [coats[i], coats[i + 1]] as [Coat, Coat];
    const byChoice =
      no === 0 || next.spacingH == null
        ? 0
        : within('minimum time between coats (h)', next.spacingH, 0, 5000);
    const least = overcoatHours(
      below.sheet.cure,
      { family: next.sheet.family, same: next.productId === below.productId },
      tempC,
    );
    const hours = least === null ? null : Math.max(least, byChoice);
    days = hours === null ? null : days + Math.max(1, Math.ceil(hours / 24));
  }
  const sandedM2 = steps.reduce((sum, step) => {
    const before = step.before.filter((task) => task.kind === 'sand').length;
    const between = Array.from({ length: step.coats }, (_, no) => sandedBefore(step, no)).filter(
      (grit) => grit !== null,
    ).length;
    return sum + (before + between) * stepAreaM2({ band: step.band ?? null }, input.areaM2);
  }, 0);
  const costs = steps.map((step, i) => {
    const priced = step.sheet.packs.filter((pack) => pack.price !== null);
    for (const pack of priced) {
      positive('pack size (l)', pack.litres, 10_000);
      within('pack price', pack.price as number, 0, 1e7);
    }
    if (priced.length === 0) return null;
    const perLitre = Math.min(...priced.map((pack) => (pack.price as number) / pack.litres));
    return perLitre * (need.steps[i]?.litres ?? 0);
  });
  const limits = steps.map((step) => limitsOf(step.sheet));
  return {
    coats: coats.length,
    dryMicrons: need.dryMicrons,
    litres: need.litres,
    cost: costs.some((cost) => cost === null)
      ? null
      : costs.reduce<number>((sum, cost) => sum + (cost ?? 0), 0),
    days,
    sandingHours: sandedM2 / SANDING_M2_PER_H,
    coldestC: strictest(
      limits.map((each) => each.surfaceMinC),
      Math.max,
    ),
    rhMax: strictest(
      limits.map((each) => each.rhMax),
      Math.min,
    ),
    dewMarginC: strictest(
      limits.map((each) => each.dewMarginC),
      Math.max,
    ),
  };
}

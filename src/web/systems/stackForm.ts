import { v7 as uuidv7 } from 'uuid';
import type { Product, StackInput, Step } from '../../contract/index.ts';
import type { Method } from '../../core/film/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import type { FormReader } from '../forms/canonical.ts';

/** A step of the stack as typed. */
export interface StepValues {
  stepId: string;
  productId: string;
  coats: string;
  microns: string;
  method: Method;
  thinner: string;
  colours: string[];
}

export interface StackValues {
  steps: StepValues[];
}

export const METHOD_WORDS: Record<Method, string> = {
  brush: 'Brush',
  roller: 'Roller',
  'roll-and-tip': 'Roll and tip',
  'conventional-spray': 'Conventional spray',
  'airless-spray': 'Airless spray',
};

const shownFilm = (microns: number, system: UnitSystem) =>
  fieldText(fromCanonical(microns, shownUnit('film', system)));

export function stackToValues(steps: readonly Step[], system: UnitSystem): StackValues {
  return {
    steps: steps.map((step) => ({
      stepId: step.id,
      productId: step.productId,
      coats: String(step.coats),
      microns: shownFilm(step.dryMicronsPerCoat, system),
      method: step.method,
      thinner: fieldText(step.thinner * 100),
      colours: step.colours,
    })),
  };
}

/** A new step of a product, at its sheet's typical film. */
export function stepOf(product: Product, system: UnitSystem): StepValues {
  const { sheet } = product;
  return {
    stepId: uuidv7(),
    productId: product.id,
    coats: '1',
    microns: shownFilm(sheet.film.typical, system),
    method: sheet.methods[0] ?? 'brush',
    thinner: '0',
    colours: sheet.colours.slice(0, 2).map((colour) => colour.name),
  };
}

export function valuesToStack(values: StackValues, version: number, read: FormReader): StackInput {
  return {
    version,
    steps: values.steps.map((step, i) => ({
      id: step.stepId,
      productId: step.productId,
      coats: read.number(`steps.${i}.coats`, 'coats', step.coats),
      dryMicronsPerCoat: read.quantity(`steps.${i}.microns`, 'dry film a coat', step.microns, 'film'),
      method: step.method,
      thinner: read.percent(`steps.${i}.thinner`, 'thinner', step.thinner),
      colours: step.colours,
    })),
  };
}

/** Where the contract's paths stand in the form. */
export const stackFormPath = (path: string) => path.replace(/\.dryMicronsPerCoat$/, '.microns');

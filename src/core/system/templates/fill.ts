import { coatsNeeded } from '../../film/index.ts';
import { QuantityError } from '../../units/index.ts';
import type { Family, Substrate } from '../families.ts';
import { usualColours } from '../groups.ts';
import type { ServiceKind } from '../rules.ts';
import { filmOf, type ProductSheet } from '../sheet.ts';
import type { StepPlan } from '../step.ts';
import { BOTTOMS } from './bottoms.ts';
import { INSIDE } from './inside.ts';
import type { Template } from './template.ts';
import { TOPSIDES } from './topsides.ts';

/** The typical stacks of handbook part 5 [T]: to begin from, never to follow against a sheet. */
export const TEMPLATES: readonly Template[] = [...BOTTOMS, ...TOPSIDES, ...INSIDE];

/** The templates that fit a place. */
export const templatesFor = (place: { substrate: Substrate; service: ServiceKind }): Template[] =>
  TEMPLATES.filter(
    (template) => template.substrates.includes(place.substrate) && template.services.includes(place.service),
  );

/** A product as a template picks it. */
export interface Choosable {
  id: string;
  sheet: Pick<ProductSheet, 'family' | 'film' | 'byMethod' | 'methods' | 'colours'>;
}

/** A template's step with a product: coats counted from the film wanted, at the sheet's typical film. */
export interface FilledStep extends StepPlan {
  productId: string;
}

/**
 * A template with products in it: the first of each family, or the one named for it. Families without a product are
 * given back as missing.
 */
export function fillTemplate(
  template: Template,
  products: readonly Choosable[],
): { steps: FilledStep[]; missing: Family[] } {
  const missing: Family[] = [];
  const steps = template.steps.flatMap((step): FilledStep[] => {
    const product = products.find((each) => each.sheet.family === step.family);
    if (!product) {
      missing.push(step.family);
      return [];
    }
    const { colours, methods } = product.sheet;
    const method = methods.includes(step.method) ? step.method : (methods[0] ?? step.method);
    const film = filmOf(product.sheet, method);
    const names = colours.map((colour) => colour.name);
    if (names.length === 0) throw new QuantityError('colours of a product', 0, '1 or more');
    const coats =
      typeof step.coats === 'number'
        ? step.coats
        : coatsNeeded({
            targetDryMicrons: step.coats.targetMicrons,
            dryMicronsPerCoat: film.typical,
            maxDryMicronsPerCoat: film.max,
          });
    const signal = step.signal && names.length > 1 ? (names.at(-1) as string) : null;
    return [
      {
        productId: product.id,
        coats,
        extraCoats: step.extraCoats ?? 0,
        dryMicronsPerCoat: film.typical,
        method,
        // Over a signal the others take turns too.
        colours: signal === null ? usualColours(product.sheet.family, names) : names.slice(0, -1).slice(0, 2),
        signal,
        before: step.before ?? [],
        sandBetween: step.sandBetween ?? null,
      },
    ];
  });
  return { steps, missing };
}

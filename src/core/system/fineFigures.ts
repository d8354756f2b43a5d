import type { Method } from '../film/index.ts';
import { film as microns, type Sentence, sentence, within } from '../units/index.ts';
import { filmOf, methodsOf, type ProductSheet, thinnerOf } from './sheet.ts';

/** The figures of a step that its sheet can refuse: film in µm a coat, thinner as a fraction. */
export interface StepFigures {
  method: Method;
  dryMicronsPerCoat: number;
  thinner: number;
}

const percent = (fraction: number) => `${Number((fraction * 100).toFixed(1))} %`;

/**
 * The figures nearest to a step's own that its sheet allows, and what was changed, in words. A film below the sheet's
 * least is a condition, not a refusal, and stays.
 *
 * 5 % thinner where the sheet names none → no thinner, "no thinner instead of 5 %".
 *
 * @throws {QuantityError} naming a figure that cannot be
 */
export function fineFigures(
  step: StepFigures,
  sheet: Pick<ProductSheet, 'family' | 'methods' | 'byMethod' | 'film' | 'thinner'>,
): StepFigures & { changes: Sentence[] } {
  const dry = within('dry film a coat', step.dryMicronsPerCoat, 0, 20_000);
  const thinner = within('thinner', step.thinner, 0, 0.9);
  const changes: Sentence[] = [];
  const allowed = methodsOf(sheet);
  const method =
    sheet.methods.length > 0 && !allowed.includes(step.method) ? (allowed[0] as Method) : step.method;
  if (method !== step.method) {
    changes.push(`${method.replaceAll('-', ' ')} instead of ${step.method.replaceAll('-', ' ')}`);
  }
  const most = within('maximum dry film per coat', filmOf(sheet, method).max, 0, 20_000);
  if (dry > most) changes.push(sentence`${microns(most)} per coat instead of ${microns(dry)}`);
  const limit = thinnerOf(sheet, method);
  const mostThinner = limit === null ? 0 : within('maximum thinner', limit.maxFraction ?? 0.9, 0, 0.9);
  if (thinner > mostThinner + 1e-9) {
    changes.push(
      `${mostThinner === 0 ? 'no thinner' : `${percent(mostThinner)} thinner`} instead of ${percent(thinner)}`,
    );
  }
  return {
    method,
    dryMicronsPerCoat: Math.min(dry, most),
    thinner: Math.min(thinner, mostThinner),
    changes: changes,
  };
}

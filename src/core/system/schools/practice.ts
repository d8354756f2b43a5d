import type { Family, Substrate } from '../families.ts';
import { isIn } from '../groups.ts';
import { filmOf, methodsOf } from '../sheet.ts';
import type { LayOrder, StepPlan, StepTask } from '../step.ts';
import type { Choosable } from '../templates/index.ts';

/** A step as a school looks at it. */
export interface SchooledStep extends StepPlan {
  /** Empty for a step that a school puts in. */
  id: string;
  productId: string;
  thinner: number;
  order: LayOrder | null;
}

/** What a school has to work with: the products at hand and the surface. */
export interface SchoolPlace {
  products: readonly Choosable[];
  substrate: Substrate;
  /** Bare: nothing old lies on it. */
  bare: boolean;
}

/** A school's ways as steps of a stack: which one is in force, and the same stack by another. */
export interface Practice {
  /** Is there a choice to make on this stack? */
  applies(steps: readonly SchooledStep[], place: SchoolPlace): boolean;
  /** The way in force; null: neither, or mixed. */
  inForce(steps: readonly SchooledStep[], place: SchoolPlace): string | null;
  take(steps: readonly SchooledStep[], way: string, place: SchoolPlace): SchooledStep[];
}

export const productOf = (step: Pick<SchooledStep, 'productId'>, { products }: SchoolPlace) =>
  products.find((product) => product.id === step.productId);
export const familyOf = (step: SchooledStep, place: SchoolPlace): Family | undefined =>
  productOf(step, place)?.sheet.family;
export const isOf = (families: readonly Family[], step: SchooledStep, place: SchoolPlace): boolean => {
  const family = familyOf(step, place);
  return family !== undefined && isIn(families, family);
};
/** The way that all of these agree on; null where they differ. */
export const agreed = (ways: readonly (string | null)[]): string | null =>
  ways.length > 0 && ways.every((way) => way === ways[0]) ? (ways[0] ?? null) : null;

/** Another product in a step's place: its typical film, its own colours, its methods; the count of coats stays. */
export function withProduct(step: SchooledStep, { id, sheet }: Choosable): SchooledStep {
  const names = sheet.colours.map((colour) => colour.name);
  const signal = step.signal !== null && names.length > 1 ? (names.at(-1) as string) : null;
  const methods = methodsOf(sheet);
  const method = methods.includes(step.method) ? step.method : (methods[0] ?? step.method);
  return {
    ...step,
    productId: id,
    dryMicronsPerCoat: filmOf(sheet, method).typical,
    method,
    thinner: 0,
    colours: (signal === null ? names : names.slice(0, -1)).slice(0, 2),
    signal,
  };
}
/** A step with a product of the family wanted for its own, where one is at hand. */
export const swapped =
  (to: (family: Family) => Family | undefined) =>
  (step: SchooledStep, place: SchoolPlace): SchooledStep => {
    const family = familyOf(step, place);
    const wanted = family && to(family);
    const product = wanted && place.products.find(({ sheet }) => sheet.family === wanted);
    return product ? withProduct(step, product) : step;
  };

export const isSand = ({ kind }: StepTask): boolean => kind === 'sand';
export const isTask = (task: StepTask) => (other: StepTask) => other.school === task.school;
export const without = (step: SchooledStep, task: StepTask): SchooledStep => ({
  ...step,
  before: step.before.filter((each) => !isTask(task)(each)),
});
/** The task first of all, before the first step. */
export const withFirst = (steps: readonly SchooledStep[], task: StepTask): SchooledStep[] =>
  steps.map((step, i) => (i === 0 ? { ...step, before: [task, ...without(step, task).before] } : step));

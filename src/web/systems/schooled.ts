import { v7 as uuidv7 } from 'uuid';
import { AS_USUAL, type Step } from '../../contract/index.ts';
import {
  type PlannedTask,
  SCHOOLS,
  type SchooledStep,
  type SchoolPlace,
  type StepTask,
  schoolInForce,
  switchSchool,
} from '../../core/system/index.ts';
import { t } from '../../words.ts';
import type { StackContext } from './stackContext.ts';

/** What the schools have to work with on this area. */
export const schoolPlace = ({ area, products }: Pick<StackContext, 'area' | 'products'>): SchoolPlace => ({
  products,
  substrate: area.substrate,
  bare: area.oldCoating === null,
});

const withId = (task: StepTask & { id?: string }): PlannedTask => ({ ...task, id: task.id ?? uuidv7() });

/** Steps as a school gives them back: what it put in gets ids, what it left keeps its band and its overrule. */
export function stepsFromSchool(schooled: readonly SchooledStep[], old: readonly Step[]): Step[] {
  return schooled.map((step): Step => {
    const was = old.find(({ id }) => id === step.id);
    return {
      ...AS_USUAL,
      ...was,
      ...step,
      id: step.id || uuidv7(),
      sandGrits: [...(step.sandGrits ?? [])],
      spacingH: step.spacingH ?? null,
      colours: [...step.colours],
      before: step.before.map(withId),
      band: was?.band ?? null,
      overrule: was?.productId === step.productId ? was.overrule : null,
    };
  });
}

const figures = (steps: readonly Step[]) =>
  JSON.stringify(
    steps.map(({ productId, coats, dryMicronsPerCoat, method, before, sandBetween, sandGrits }) => [
      productId,
      coats,
      dryMicronsPerCoat,
      method,
      before.map(({ kind, amount }) => [kind, amount]),
      sandBetween,
      sandGrits,
    ]),
  );

/** The stack by every other way a school has for it, as far as that changes what it takes. */
export function schoolWays(steps: readonly Step[], context: StackContext) {
  const place = schoolPlace(context);
  return SCHOOLS.flatMap((school) => {
    const { applies, way: inForce } = schoolInForce(school.id, steps, place);
    if (!applies) return [];
    return school.ways
      .filter(({ id }) => id !== inForce)
      .map(({ id, name, buys, costs }) => ({
        key: `${school.id}:${id}`,
        name: t`${context.area.name} with: ${name}`,
        steps: stepsFromSchool(switchSchool(school.id, id, steps, place), steps),
        summary: `Pros: ${buys}. Cons: ${costs}`,
      }))
      .filter((way) => figures(way.steps) !== figures(steps));
  });
}

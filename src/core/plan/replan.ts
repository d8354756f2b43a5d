import { type Decoded, listSchedule } from './listSchedule.ts';
import { type Listed, localSearch } from './localSearch.ts';
import { type Model, modelOf } from './model.ts';
import { pinnedChoices } from './pinned.ts';
import type { PlanProblem } from './problem.ts';
import { randomOf } from './random.ts';
import type { Placed } from './timetable.ts';

/** A task with its time and its people, by id. */
export interface Replanned {
  start: number;
  end: number;
  /** First slot of the sanding before it, or its start. */
  from: number;
  crew: string[];
}

/** The list of an earlier plan, each task as early as it now can be. */
function asBefore(model: Model, pinned: readonly Placed[], before: ReadonlyMap<string, number>): Listed {
  const n = model.tasks.length;
  const last = model.slots + 1;
  const keys = Float64Array.from(model.ids, (id) => before.get(id) ?? last);
  const genes = { keys, notBefore: new Int32Array(n), patient: new Uint8Array(n) };
  return { genes, plan: listSchedule(model, pinned, genes) };
}

/**
 * A plan in so many tries, near to one that was made before: for a yard that is planned again each morning.
 *
 * @param before start slots of an earlier plan, by task
 * @returns the tasks that could be placed, by id; whether none is missing; null: a task that is given has nobody to do it
 */
export function replan(
  problem: PlanProblem,
  { seed, tries, before }: { seed: number; tries: number; before: ReadonlyMap<string, number> },
): { tasks: Map<string, Replanned>; whole: boolean } | null {
  const model = modelOf(problem);
  const pinned = pinnedChoices(model).choices[0];
  if (!pinned) return null;
  let left = tries;
  const more = () => left-- > 0;
  const search = { model, pinned, random: randomOf(seed), more, least: -1 };
  const earlier = asBefore(model, pinned, before);
  const fresh = localSearch({ ...search, more: () => false, start: null });
  const start = fresh.plan.cost < earlier.plan.cost ? fresh : earlier;
  const { plan } = tries > 0 ? localSearch({ ...search, start, isNear: true }) : start;
  return { tasks: byId(model, plan), whole: plan.missing === 0 };
}

const byId = (model: Model, { placed }: Decoded): Map<string, Replanned> =>
  new Map(
    placed.map(({ task, start, end, from, crew }) => [
      model.ids[task] as string,
      { start, end, from, crew: crew.map((p) => model.personIds[p] as string) },
    ]),
  );

import { faultsIn, planFaults } from './planFaults.ts';
import type { Plan, PlanProblem } from './problem.ts';
import { SLOT_MS } from './slots.ts';
import type { PlannedTask, WorkToPlan, YardToPlan } from './yardToPlan.ts';

/** A task that puts tape on, how long that may stay, and the coats that come under it. Times in ms. */
interface Taping {
  id: string;
  holdsMs: number;
  coats: readonly Pick<PlannedTask, 'id' | 'cleanUpMs'>[];
}

/** The tapings of a yard, each with the coats up to the next taping of its area. */
function tapingsOf(yard: YardToPlan, tasks: readonly PlannedTask[]): Taping[] {
  const works = new Map<string, WorkToPlan>();
  for (const { id, coats } of yard.areas)
    for (const coat of coats) for (const work of coat.work) works.set(`${id} ${coat.id} ${work.id}`, work);
  return yard.areas.flatMap((area) => {
    const own = tasks.filter(({ areaId }) => areaId === area.id);
    const holds = own.map(({ coatId, workId }) => works.get(`${area.id} ${coatId} ${workId}`)?.holdsMs);
    return own.flatMap(({ id }, i) => {
      const holdsMs = holds[i];
      if (holdsMs === undefined) return [];
      const next = own.findIndex((_, j) => j > i && holds[j] !== undefined);
      const under = own.slice(i + 1, next < 0 ? own.length : next).filter(({ kind }) => kind === 'coat');
      return under.length > 0 ? [{ id, holdsMs, coats: under }] : [];
    });
  });
}

type Timed = Pick<Plan, 'starts' | 'crew' | 'cost'>;

/** A task by which tape goes on too early for a coat under it. Slots. */
interface TooEarly {
  id: string;
  start: number;
  /** From this start on the tape holds for as many of its coats as one taping can. */
  needed: number;
  /** The last start before its first coat. */
  last: number;
}

/** The tapings of a plan that would be too old for a coat by its times; not those that are done or placed by hand. */
export function tapedTooEarly(
  yard: YardToPlan,
  { tasks: all }: PlanProblem,
  tasks: readonly PlannedTask[],
  { starts }: Timed,
): TooEarly[] {
  const byId = new Map(all.map((task) => [task.id, task]));
  return tapingsOf(yard, tasks).flatMap(({ id, holdsMs, coats }): TooEarly[] => {
    const [task, start] = [byId.get(id), starts[id]];
    if (!task || task.pinned !== undefined || start === undefined) return [];
    const begun = coats.flatMap((coat) => starts[coat.id] ?? []);
    const ends = coats.flatMap(({ id: coat, cleanUpMs }) => {
      const [from, of] = [starts[coat], byId.get(coat)];
      return from === undefined || !of ? [] : [(from + of.slots) * SLOT_MS - cleanUpMs];
    });
    const last = Math.min(...begun) - task.slots;
    // Tape that cannot hold for all its coats holds for as many as can be.
    const heldFrom = ends.map((end) => Math.ceil((end - holdsMs) / SLOT_MS) - task.slots);
    const needed = Math.max(...heldFrom.filter((slot) => slot <= last));
    return start < needed ? [{ id, start, needed, last }] : [];
  });
}

/**
 * The plan with tape put on later where by its times it would be too old for a coat: as little later as will do. No other task
 * moves, and the plan costs no more.
 *
 * Masked on Monday for a coat that moved to Friday, under tape that holds two days: masked on Wednesday.
 *
 * @returns the plan, and the tasks that are later in it
 */
export function withFreshTape<T extends Timed>(
  yard: YardToPlan,
  problem: PlanProblem,
  tasks: readonly PlannedTask[],
  plan: T,
): { plan: T; later: ReadonlySet<string> } {
  const later = new Set<string>();
  let now = plan;
  // The last go at one piece of masking moves first: it makes room for the others.
  for (const { id, needed, last } of tapedTooEarly(yard, problem, tasks, plan).toReversed()) {
    const faults = faultsIn(problem, now).length;
    const at = (slot: number): T => ({ ...now, starts: { ...now.starts, [id]: slot } });
    const enough = Array.from({ length: Math.max(0, last - needed + 1) }, (_, i) => needed + i);
    const found = enough.find(
      (slot) =>
        faultsIn(problem, at(slot)).length <= faults &&
        (planFaults(problem, at(slot)).cost ?? Number.POSITIVE_INFINITY) <= now.cost,
    );
    if (found === undefined) continue;
    now = at(found);
    later.add(id);
  }
  return { plan: now, later };
}

import { faultsIn, planFaults } from './planFaults.ts';
import type { Plan, PlanProblem, Span } from './problem.ts';
import { joined, SLOT_MS } from './slots.ts';
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
export interface TooEarly {
  id: string;
  /** The coats under its tape. */
  coats: string[];
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
    return start < needed ? [{ id, coats: coats.map((coat) => coat.id), start, needed, last }] : [];
  });
}

/** Whether those who do a task work at a time and do nothing else: a first look, before the plan is judged. */
function handsFree(
  { tasks, people }: PlanProblem,
  { starts, crew }: Timed,
  id: string,
): (start: number) => boolean {
  const length = tasks.find((task) => task.id === id)?.slots ?? 0;
  const hands = crew[id] ?? [];
  const free = people
    .filter((person) => hands.includes(person.id))
    .map((person) => joined(person.free.map(({ from, to }) => ({ fromMs: from, toMs: to }))));
  const busy = tasks.flatMap((task): Span[] => {
    const start = starts[task.id];
    const isTheirs = task.id !== id && (crew[task.id] ?? []).some((hand) => hands.includes(hand));
    return isTheirs && start !== undefined ? [[start, start + task.slots]] : [];
  });
  return (start) =>
    free.every((own) => own.some(({ fromMs, toMs }) => fromMs <= start && start + length <= toMs)) &&
    busy.every(([from, to]) => to <= start || start + length <= from);
}

/**
 * The plan with tape put on later where by its times it would be too old for a coat: as little later as will do. No other task
 * moves, and the plan costs no more.
 *
 * Masked on Monday for a coat that moved to Friday, under tape that holds two days: masked on Wednesday.
 *
 * @param asked which of the tapings that are too early are put off; left out: all
 * @returns the plan, and the tasks that are later in it
 */
export function withFreshTape<T extends Timed>(
  yard: YardToPlan,
  problem: PlanProblem,
  tasks: readonly PlannedTask[],
  plan: T,
  asked: (early: TooEarly) => boolean = () => true,
): { plan: T; later: ReadonlySet<string> } {
  const later = new Set<string>();
  let now = plan;
  // The last go at one piece of masking moves first: it makes room for the others.
  const early = tapedTooEarly(yard, problem, tasks, plan).filter(asked);
  for (const { id, needed, last } of early.toReversed()) {
    const faults = faultsIn(problem, now).length;
    const at = (slot: number): T => ({ ...now, starts: { ...now.starts, [id]: slot } });
    const enough = Array.from({ length: Math.max(0, last - needed + 1) }, (_, i) => needed + i);
    const found = enough
      .filter(handsFree(problem, now, id))
      .find(
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

import { QuantityError } from '../units/index.ts';
import { buildProblem } from './buildProblem.ts';
import { checkProblem } from './checkProblem.ts';
import { faultsIn, type PlanFault } from './planFaults.ts';
import type { YardPlan } from './planYard.ts';
import { joined, SLOT_MS, slotAfter } from './slots.ts';
import type { YardToPlan } from './yardToPlan.ts';

/** A stretch of starts of a task that are alike. */
export interface TaskPlace {
  /** First and last start, ms. */
  fromMs: number;
  toMs: number;
  /** `free`: as it is; `costly`: others have to move for it; `forbidden`: nothing makes it possible. */
  state: 'free' | 'costly' | 'forbidden';
  /** Faults of a start there; empty: none. */
  why: PlanFault['code'][];
}

const NOBODY: Pick<TaskPlace, 'state' | 'why'> = { state: 'forbidden', why: ['person-not-free'] };

/** What no other task can make room for. */
const FIXED: ReadonlySet<PlanFault['code']> = new Set([
  'start-not-allowed', 'past-horizon', 'person-not-free', 'equipment-not-free', 'crew-wrong', 'sanded-too-early',
]); // biome-ignore format: a list

/**
 * Where a task of a plan could be put, all others staying where they are: where nothing speaks against it, where others have to
 * move, and where its air, its people's hours or the film below forbid it.
 *
 * @param id the task
 * @returns every start from the plan's beginning to its end, in order
 * @throws {QuantityError} on a task that is not in the plan
 */
export function placesOf(yard: YardToPlan, plan: YardPlan, id: string): TaskPlace[] {
  const slots = slotAfter(plan.untilMs, yard.fromMs);
  // As if nobody had placed it: then every limit counts.
  const { [id]: _, ...pinned } = yard.pinned ?? {};
  const { problem } = buildProblem({ ...yard, pinned }, slots);
  const task = problem.tasks.find((each) => each.id === id);
  const own = plan.tasks.find((each) => each.id === id);
  if (!task || !own) throw new QuantityError('task', id, 'a task of the plan');
  checkProblem(problem);
  const lengthOf = new Map(problem.tasks.map((each) => [each.id, each.slots]));
  const starts = Object.fromEntries(
    plan.tasks.map(({ id: each, startMs }) => [each, Math.round((startMs - yard.fromMs) / SLOT_MS)]),
  );
  const crew = Object.fromEntries(plan.tasks.map(({ id: each, people }) => [each, people]));
  const crews = task.people === 1 ? [own.people, ...problem.people.map((each) => [each.id])] : [own.people];
  /** Of another task that stands where it stands, and waits for nobody: a film that is on. */
  const isFixed = (other: string) => lengthOf.get(other) === 0;
  const forbids = ({ code, of }: PlanFault): boolean => {
    if (FIXED.has(code)) return true;
    // Of two in their order the first is named first: what comes before is not ready.
    if (code === 'too-early') return of[1] === id;
    if (code === 'too-late') return of[1] === id && isFixed(of[0] ?? '');
    return code === 'dust-on-wet' && of.some((each) => each !== id && isFixed(each));
  };
  const at = (start: number): Pick<TaskPlace, 'state' | 'why'> => {
    let best: { state: TaskPlace['state']; why: PlanFault['code'][]; weight: number } | null = null;
    for (const people of crews) {
      const faults = faultsIn(problem, {
        starts: { ...starts, [id]: start },
        crew: { ...crew, [id]: people },
      });
      const about = faults.filter(({ of }) => of.includes(id));
      const hard = about.filter(forbids);
      const weight = hard.length > 0 ? 2 : about.length > 0 ? 1 : 0;
      const why = [...new Set((hard.length > 0 ? hard : about).map(({ code }) => code))];
      const state = (['free', 'costly', 'forbidden'] as const)[weight];
      if (best === null || weight < best.weight) best = { state, why, weight };
      if (weight === 0) break;
    }
    return { state: best?.state ?? 'forbidden', why: best?.why ?? [] };
  };
  const isWorked = (start: number) =>
    task.people === 0 ||
    problem.people.some(({ free }) => joined(free.map(({ from, to }) => ({ fromMs: from, toMs: to }))).some(({ fromMs, toMs }) => fromMs <= start && start + task.slots <= toMs)); // biome-ignore format: one line
  const places: TaskPlace[] = [];
  for (let start = 0; start + task.slots <= slots; start++) {
    const { state, why } = isWorked(start) ? at(start) : NOBODY;
    const ms = yard.fromMs + start * SLOT_MS;
    const last = places.at(-1);
    if (last && last.state === state && last.why.join() === why.join()) last.toMs = ms;
    else places.push({ fromMs: ms, toMs: ms, state, why });
  }
  return places;
}

import { listScheduler } from './listSchedule.ts';
import { type Model, modelOf, type Task } from './model.ts';
import { pinnedChoices } from './pinned.ts';
import type { Plan, PlanProblem } from './problem.ts';

/** A task that moves counts as much as this share of what the plan costs: people have planned by it [an assumption]. */
const MOVE_COSTS = 0.005;
/** Tasks placed at most by all the lists that are tried: 400 lists of a hundred tasks. */
const MOST_PLACED = 40_000;

/** Tasks that are set aside: those whose time no longer holds, and those that make room for them. */
interface Aside {
  lost: ReadonlySet<number>;
  room: ReadonlySet<number>;
}

/**
 * Each task at the time agreed or, where that does not hold, as soon after it as it can be. Tried in two ways:
 *
 * - what no longer holds goes on in its turn and pushes what comes after it (right-shift repair [S: Abumaizar & Svestka 1997,
 *   from memory]);
 * - it is set aside, with all that waits for it, until everything that still holds has its place. Then, one at a time, that
 *   task makes room for it which makes the plan cheaper by most.
 *
 * @param agreed start slots by task
 * @param crews people who do a task where they are free; null: the cheapest
 * @returns the better of the two, moved tasks counted; null: a task has no place
 */
export function repaired(
  problem: PlanProblem,
  agreed: ReadonlyMap<string, number>,
  crews: Record<string, readonly string[]> | null,
): Omit<Plan, 'bound' | 'proven' | 'ok'> | null {
  const model = modelOf(problem);
  const pinned = pinnedChoices(model).choices[0];
  if (!pinned) return null;
  const idOf = (t: number) => model.ids[t] as string;
  const { turn, notBefore } = turnsOf(model, agreed);
  const person = new Map(model.personIds.map((each, p) => [each, p]));
  const crew = model.ids.map((each) => crews?.[each]?.map((of) => person.get(of) as number) ?? null);
  const schedule = listScheduler(model, pinned);
  const patient = new Uint8Array(model.tasks.length);

  const list = ({ lost, room }: Aside) => {
    const second = withFollowers(model, lost);
    const third = withFollowers(model, room);
    const keys = turn.map((at, t) => at + model.slots * (second.has(t) ? 2 : third.has(t) ? 4 : 0));
    const plan = schedule({ keys, notBefore, patient, crew });
    const moved = plan.placed.filter(({ task, start }) => (agreed.get(idOf(task)) ?? start) !== start);
    const isPlan = plan.missing === 0;
    return {
      ...{ plan, moved, second, third },
      score: isPlan ? plan.cost * (1 + MOVE_COSTS * moved.length) : Number.POSITIVE_INFINITY,
    };
  };

  let left = Math.ceil(MOST_PLACED / model.order.length);
  let best = list({ lost: new Set(), room: new Set() });
  const movable = model.order.filter((t) => (model.tasks[t] as Task).pinned === null);
  const lost = new Set(movable.filter((t) => !agreed.has(idOf(t))));
  let now = list({ lost, room: new Set() });
  // Whose time does not hold is seen by the first that the list could not leave where it was.
  for (let first = firstOf(now, turn); first !== null && left-- > 0; first = firstOf(now, turn)) {
    lost.add(first);
    now = list({ lost, room: new Set() });
  }
  if (now.score < best.score) best = now;
  const room = new Set<number>();
  while (left > 0) {
    let next: number | null = null;
    for (const t of movable) {
      if (now.second.has(t) || now.third.has(t) || left-- <= 0) continue;
      const made = list({ lost, room: new Set([...room, t]) });
      if (made.score >= best.score) continue;
      [best, next] = [made, t];
    }
    if (next === null) break;
    room.add(next);
    now = best;
  }
  if (best.score === Number.POSITIVE_INFINITY) return null;
  const { placed, cost } = best.plan;
  return {
    starts: Object.fromEntries(placed.map(({ task, start }) => [idOf(task), start])),
    crew: Object.fromEntries(placed.map(({ task, crew: who }) => [idOf(task), who.map((p) => model.personIds[p] as string)])), // biome-ignore format: one line
    cost,
  };
}

/** When each task has its turn, and before when it does not start; a new one comes just before those that wait for it. */
function turnsOf(model: Model, agreed: ReadonlyMap<string, number>) {
  const turn = new Float64Array(model.tasks.length);
  const notBefore = new Int32Array(model.tasks.length);
  for (const t of model.order.toReversed()) {
    const start = agreed.get(model.ids[t] as string);
    const followers = (model.tasks[t] as Task).outOf.map(({ after }) => turn[after] as number);
    turn[t] = start ?? Math.min(model.slots, ...followers) - 0.5;
    notBefore[t] = Math.max(0, start ?? 0);
  }
  return { turn, notBefore };
}

/**
 * The first task that moved though neither it nor what it waits for was set aside; null: none. One that should have begun by now
 * isn't set aside: it is done next.
 */
function firstOf(
  { moved, second }: { moved: readonly { task: number }[]; second: ReadonlySet<number> },
  turn: Float64Array,
): number | null {
  const at = (t: number) => turn[t] as number;
  let first: number | null = null;
  for (const { task } of moved)
    if (!second.has(task) && at(task) >= 0 && (first === null || at(task) < at(first))) first = task;
  return first;
}

/** Tasks with all that wait for them. */
function withFollowers(model: Model, tasks: ReadonlySet<number>): Set<number> {
  const all = new Set(tasks);
  for (const t of all) for (const { after } of (model.tasks[t] as Task).outOf) all.add(after);
  return all;
}

import { moment } from '../units/index.ts';
import { type BuiltProblem, buildProblem, COST_UNITS } from './buildProblem.ts';
import { crewsAt } from './crewsAt.ts';
import { type TooEarly, tapedTooEarly, withFreshTape } from './freshTape.ts';
import { type PlanFault, planFaults } from './planFaults.ts';
import { type NoYardPlan, planFrom, planYard, type YardPlan } from './planYard.ts';
import type { Plan, PlanProblem } from './problem.ts';
import { repaired } from './repair.ts';
import { SLOT_MS, slotAfter, slotBefore } from './slots.ts';
import type { YardToPlan } from './yardToPlan.ts';

/** A task that no longer is where it was agreed to be. */
export interface PlanMove {
  id: string;
  /** Start as agreed and as now planned, ms. */
  fromMs: number;
  toMs: number;
  /** Faults of the agreed time; empty: the task only moves with the others. `past`: not begun by then; `by-hand`: somebody placed the task; `tape-too-old`: its tape would be too old for a coat. */
  why: (PlanFault['code'] | 'past' | 'by-hand' | 'tape-too-old')[];
  /** The task that it waits for or meets there; null: none. */
  because: string | null;
}

type Kept = Omit<Plan, 'bound' | 'proven' | 'ok'>;

/** The longest horizon, slots, and how much longer than the agreed plan it is. */
const MOST_SLOTS = 56 * 48;
const ROOM = 1.5;

/** A plan that keeps to an agreed one as far as that still holds; `fresh`: the cost of one that does not. */
export type KeptPlan =
  | { found: YardPlan; moves: PlanMove[]; freshCost: number | null }
  | { found: NoYardPlan; moves: []; freshCost: null };

/** A plan’s starts as agreed, by slot; of a task that is pinned, such as a film that is on already, its own. */
const startsAgreed = ({ tasks }: PlanProblem, agreed: ReadonlyMap<string, number>): Map<string, number> =>
  new Map(
    tasks.flatMap(({ id, pinned }) => {
      const start = pinned ?? agreed.get(id);
      return start === undefined ? [] : [[id, start] as const];
    }),
  );

/** People for the agreed tasks at their times; null: the times no longer hold by themselves. */
function agreedCrews(
  problem: PlanProblem,
  starts: ReadonlyMap<string, number>,
): Record<string, readonly string[]> | null {
  const tasks = problem.tasks.filter(({ id, slots }) => {
    const start = starts.get(id) ?? -1;
    return start >= 0 && start + slots <= problem.slots;
  });
  const ids = new Set(tasks.map(({ id }) => id));
  const lags = problem.lags.filter(({ before, after }) => ids.has(before) && ids.has(after));
  return crewsAt({ ...problem, tasks, lags }, Object.fromEntries(starts));
}

/** The agreed plan as it is; null: something of it no longer holds, or a task is new. */
function held(
  problem: PlanProblem,
  agreed: ReadonlyMap<string, number>,
  crews: Record<string, readonly string[]> | null,
): Kept | null {
  if (!crews || !problem.tasks.every(({ id }) => crews[id])) return null;
  const starts = Object.fromEntries(problem.tasks.map(({ id }) => [id, agreed.get(id) as number]));
  const crew = Object.fromEntries(problem.tasks.map(({ id }) => [id, [...(crews[id] as readonly string[])]]));
  const { faults, cost } = planFaults(problem, { starts, crew });
  return faults.length > 0 || cost === null ? null : { starts, crew, cost };
}

/**
 * The plan of a yard that keeps to an agreed one: every task stays at its time for as long as that holds; one that does not is
 * put off as little as can be, and with it what follows from it. Nothing is earlier than it was agreed. Each task that moves
 * says why.
 *
 * @param agreed starts by task, ms; tasks that are not in the yard any more are done or gone
 * @throws {QuantityError} on a figure, moment or table that cannot be
 */
export function planKeeping(
  yard: YardToPlan,
  agreed: Readonly<Record<string, number>>,
  effort: { seed: number; steps?: number; budgetMs?: number },
): KeptPlan {
  const starts = new Map(
    Object.entries(agreed).map(([id, ms]) => [id, slotBefore(moment('agreed start', ms), yard.fromMs)]),
  );
  const fresh = planYard(yard, effort);
  if (!fresh.ok) return { found: fresh, moves: [], freshCost: null };
  const last = Math.max(0, ...starts.values());
  // Room for what is put off beyond the agreed end.
  const slots = Math.min(MOST_SLOTS, Math.max(slotAfter(fresh.untilMs, yard.fromMs), Math.ceil(last * ROOM)));
  const built = buildProblem(yard, slots);
  const all = startsAgreed(built.problem, starts);
  const crews = agreedCrews(built.problem, all);
  const kept =
    built.unplanned.length > fresh.unplanned.length
      ? null
      : (held(built.problem, all, crews) ?? repaired(built.problem, starts, crews));
  if (!kept) return { found: fresh, moves: movesOf(yard, fresh, agreed, new Set()), freshCost: fresh.cost };
  const bound = Math.min(kept.cost, fresh.bound * COST_UNITS);
  const { plan, later } = taped(yard, built, kept, { starts, crews });
  const found = planFrom(yard, built, { ...plan, ok: true, bound, proven: false });
  return { found, moves: movesOf(yard, found, agreed, later), freshCost: fresh.cost };
}

/** Rounds at most of putting masking off and repairing the plan again. */
const TAPINGS = 3;

/**
 * The plan with masking put off with coats that moved: where there is room for it or, where there is none, so that what stands there
 * makes room. Hours that go into masking again would not be in the plan.
 */
function taped(
  yard: YardToPlan,
  { problem, tasks }: BuiltProblem,
  kept: Kept,
  { starts, crews }: { starts: ReadonlyMap<string, number>; crews: Parameters<typeof repaired>[2] },
): { plan: Kept; later: ReadonlySet<string> } {
  const isMoved =
    (plan: Kept) =>
    ({ coats }: TooEarly) =>
      coats.some((coat) => plan.starts[coat] !== starts.get(coat));
  const left = (plan: Kept) => tapedTooEarly(yard, problem, tasks, plan).filter(isMoved(plan));
  const fresh = (plan: Kept) => withFreshTape(yard, problem, tasks, plan, isMoved(plan));
  const wanted = new Map(starts);
  let best = fresh(kept);
  for (let round = 0; round < TAPINGS; round++) {
    const early = left(best.plan);
    if (early.length === 0) break;
    for (const { id, needed } of early) wanted.set(id, Math.max(wanted.get(id) ?? 0, needed));
    const again = repaired(problem, wanted, crews);
    if (!again) break;
    const next = fresh(again);
    const putOff = early.map(({ id }) => id);
    if (left(next.plan).length < early.length)
      best = { plan: next.plan, later: new Set([...best.later, ...next.later, ...putOff]) };
  }
  return best;
}

/** The tasks that moved against the agreed plan, each with the faults of its agreed time. */
function movesOf(
  yard: YardToPlan,
  plan: YardPlan,
  agreed: Readonly<Record<string, number>>,
  later: ReadonlySet<string>,
): PlanMove[] {
  const moved = plan.tasks.filter(({ id, startMs }) => agreed[id] !== undefined && agreed[id] !== startMs);
  if (moved.length === 0) return [];
  const slots = slotAfter(plan.untilMs, yard.fromMs);
  // As if nobody had placed anything: then every limit counts.
  const { problem } = buildProblem({ ...yard, pinned: {} }, slots);
  const slotOf = (ms: number) => Math.round((ms - yard.fromMs) / SLOT_MS);
  const starts = Object.fromEntries(plan.tasks.map(({ id, startMs }) => [id, slotOf(startMs)]));
  const crew = Object.fromEntries(plan.tasks.map(({ id, people }) => [id, people]));
  return moved.map(({ id, startMs }) => {
    const fromMs = agreed[id] as number;
    const blank = { id, fromMs, toMs: startMs };
    if (yard.pinned?.[id] !== undefined) return { ...blank, why: ['by-hand' as const], because: null };
    if (fromMs < yard.fromMs) return { ...blank, why: ['past' as const], because: null };
    const { faults } = planFaults(problem, { starts: { ...starts, [id]: slotOf(fromMs) }, crew });
    const all = faults.filter(({ of }) => of.includes(id));
    // Masking that is put off with its coat is no reason of the coat’s.
    const others = all.filter(({ of }) => !of.some((each) => each !== id && later.has(each)));
    const own = others.length > 0 ? others : all;
    if (own.length === 0 && later.has(id)) return { ...blank, why: ['tape-too-old' as const], because: null };
    const because = own.flatMap(({ of }) => of.filter((each) => each !== id && starts[each] !== undefined))[0] ?? null; // biome-ignore format: one line
    return { ...blank, why: [...new Set(own.map(({ code }) => code))], because };
  });
}

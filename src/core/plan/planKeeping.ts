import { moment } from '../units/index.ts';
import { buildProblem } from './buildProblem.ts';
import { type PlanFault, planFaults } from './planFaults.ts';
import { type NoYardPlan, planYard, type YardPlan } from './planYard.ts';
import { SLOT_MS, slotAfter } from './slots.ts';
import type { YardToPlan } from './yardToPlan.ts';

/** A task that no longer is where it was agreed to be. */
export interface PlanMove {
  id: string;
  /** Start as agreed and as now planned, ms. */
  fromMs: number;
  toMs: number;
  /** What is wrong with the agreed time; empty: nothing, it moves with the others. `past`: nobody began it by then. */
  why: (PlanFault['code'] | 'past')[];
  /** The task that it waits for or meets there; null: none. */
  because: string | null;
}

/** A plan that keeps to an agreed one as far as that still holds. */
export type KeptPlan = { found: YardPlan; moves: PlanMove[] } | { found: NoYardPlan; moves: [] };

/** Times that are given up round by round: first those that do not hold, then those that stand in the way of a plan. */
const MOST_ROUNDS = 8;

/**
 * The plan of a yard that keeps to an agreed one: every task stays at its time for as long as that holds; what does not hold
 * is planned again, and with it only what follows from it. Each task that moves says why.
 *
 * @param agreed starts by task, ms; tasks that are not in the yard any more are done or gone
 * @throws {QuantityError} on a figure, moment or table that cannot be
 */
export function planKeeping(
  yard: YardToPlan,
  agreed: Readonly<Record<string, number>>,
  effort: { seed: number; steps?: number; budgetMs?: number },
): KeptPlan {
  const byHand = yard.pinned ?? {};
  const kept = new Map(
    Object.entries(agreed).filter(
      ([id, ms]) => moment('agreed start', ms) >= yard.fromMs && byHand[id] === undefined,
    ),
  );
  for (let round = 0; ; round++) {
    const isLast = round === MOST_ROUNDS || kept.size === 0;
    if (isLast) kept.clear();
    const found = planYard({ ...yard, pinned: { ...Object.fromEntries(kept), ...byHand } }, effort);
    const wrong = found.ok
      ? found.tasks.flatMap(({ id, faults }) => (faults.length > 0 && kept.has(id) ? [id] : []))
      : clashing(found, kept);
    if (wrong.length === 0 || isLast)
      return found.ok
        ? { found: unpinned(found, byHand), moves: movesOf(yard, found, agreed) }
        : { found, moves: [] };
    for (const id of wrong) kept.delete(id);
  }
}

/** Agreed times that a clash names; where it names none, all of them. */
function clashing({ clash }: NoYardPlan, kept: ReadonlyMap<string, number>): string[] {
  const named = clash.flatMap(({ id }) => (kept.has(id) ? [id] : []));
  return named.length > 0 ? named : [...kept.keys()];
}

/** Only what somebody placed by hand has faults to be told of. */
const unpinned = (plan: YardPlan, byHand: Readonly<Record<string, number>>): YardPlan => ({
  ...plan,
  tasks: plan.tasks.map((task) => (byHand[task.id] === undefined ? { ...task, faults: [] } : task)),
});

/** What moved against the agreed plan, and what is wrong with each of the agreed times. */
function movesOf(yard: YardToPlan, plan: YardPlan, agreed: Readonly<Record<string, number>>): PlanMove[] {
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
    if (fromMs < yard.fromMs) return { ...blank, why: ['past' as const], because: null };
    const { faults } = planFaults(problem, { starts: { ...starts, [id]: slotOf(fromMs) }, crew });
    const own = faults.filter(({ of }) => of.includes(id));
    const because = own.flatMap(({ of }) => of.filter((each) => each !== id && starts[each] !== undefined))[0] ?? null; // biome-ignore format: one line
    return { ...blank, why: [...new Set(own.map(({ code }) => code))], because };
  });
}

import { within } from '../units/index.ts';
import { type BuiltProblem, buildProblem, COST_UNITS, unpaid } from './buildProblem.ts';
import { withFreshTape } from './freshTape.ts';
import { type PlanFault, planFaults } from './planFaults.ts';
import type { NoPlan, Plan, PlanLag, PlanProblem } from './problem.ts';
import { schedule } from './schedule.ts';
import { SLOT_MS } from './slots.ts';
import type { PlannedTask, Unplanned, YardToPlan } from './yardToPlan.ts';

/** A task with its time and its people. */
export interface TimedTask extends PlannedTask {
  startMs: number;
  endMs: number;
  people: string[];
  /** Sanding just before it, because a window had closed; ms, 0: none. */
  sandMs: number;
  /** The launch waits for it, through what follows it. */
  critical: boolean;
  /** Faults of the time chosen by hand (air, a window, dust); empty where the time is sound. */
  faults: PlanFault['code'][];
}

export interface YardPlan {
  ok: true;
  tasks: TimedTask[];
  unplanned: Unplanned[];
  /** In the smallest unit of money. */
  cost: number;
  /** No plan costs less. */
  bound: number;
  proven: boolean;
  untilMs: number;
}

export interface NoYardPlan {
  ok: false;
  unplanned: Unplanned[];
  /** What clashes: none of these tasks can be left out, where `minimal`. */
  clash: PlannedTask[];
  why: string[];
  proven: boolean;
  minimal: boolean;
  untilMs: number;
}

/** The longest horizon, and the shortest, days. */
const MOST_DAYS = 56;
const LEAST_DAYS = 7;
/** A horizon is at least so many times as long as the first plan, so that it squeezes none. */
const ROOM = 1.5;
const DAY_SLOTS = 48;
/** Effort for the first plan, by which the horizon is chosen. */
const FIRST_STEPS = 1;
/** Where the budget finds no plan, any plan is sought for so many times as long, and for this long at least, ms: a slow machine has one too. */
const ANY_TIMES = 5;
const ANY_MS = 5000;
/** And longer than the budget by this at most, ms. */
const ANY_BEYOND_MS = 8000;

/** The last end of a plan, slots. */
function lastEnd(problem: PlanProblem, { starts }: Pick<Plan, 'starts'>): number {
  return Math.max(0, ...problem.tasks.map(({ id, slots }) => (starts[id] ?? 0) + slots));
}

/** The tasks that a launch waits for: back from it, each time the one that is ready last. */
function criticalOf(
  tasks: ReadonlyMap<string, { start: number; end: number }>,
  lags: readonly PlanLag[],
  launches: readonly string[],
): Set<string> {
  const critical = new Set<string>();
  const open = [...launches];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (critical.has(id)) continue;
    critical.add(id);
    const start = tasks.get(id)?.start ?? 0;
    // What comes last of all that it waits for holds it up; a wait for people, air or daylight is held up by nobody before it.
    let nearest: { id: string; at: number } | null = null;
    for (const { before, after, earliest } of lags) {
      const ended = tasks.get(before);
      if (after !== id || !ended) continue;
      const at = earliest[ended.end] ?? 0;
      if (at <= start && (nearest === null || at > nearest.at)) nearest = { id: before, at };
    }
    if (nearest) open.push(nearest.id);
  }
  return critical;
}

/**
 * The plan of a yard: what is done when and by whom, what it costs and how much cheaper any plan could be at most; or which of its
 * wishes clash.
 *
 * Deterministic for the same yard, seed and steps; with a budget in time it depends on the machine, and takes longer where no plan
 * is found within it.
 *
 * @throws {QuantityError} on a figure, moment or table that cannot be
 */
export function planYard(
  yard: YardToPlan,
  effort: { seed: number; steps?: number; budgetMs?: number },
): YardPlan | NoYardPlan {
  within('seed', effort.seed, 0, 2 ** 31);
  const { budgetMs } = effort;
  const given =
    budgetMs === undefined
      ? effort
      : { ...effort, anyMs: Math.max(ANY_MS, Math.min(ANY_TIMES * budgetMs, budgetMs + ANY_BEYOND_MS)) };
  const widest = buildProblem(yard, MOST_DAYS * DAY_SLOTS);
  const first = schedule(widest.problem, { seed: effort.seed, steps: FIRST_STEPS });
  if (!first.ok) return answerOf(yard, widest, schedule(widest.problem, given));
  const days = Math.ceil((lastEnd(widest.problem, first) * ROOM) / DAY_SLOTS);
  if (days >= MOST_DAYS) return answerOf(yard, widest, schedule(widest.problem, given));
  const built = buildProblem(yard, Math.max(LEAST_DAYS, days) * DAY_SLOTS);
  const found = schedule(built.problem, effort);
  // An area without a suitable hour in the shorter horizon may have one later.
  if (!found.ok || built.unplanned.length > widest.unplanned.length)
    return answerOf(yard, widest, schedule(widest.problem, given));
  return answerOf(yard, built, found);
}

/**
 * Faults of tasks placed by hand. The scheduler takes their times as given: it checks neither their air nor, between two of
 * them, any window. This function judges them as if nobody had placed them.
 */
function pinFaults(yard: YardToPlan, problem: PlanProblem, plan: Plan): Map<string, PlanFault['code'][]> {
  const placed = new Set(Object.keys(yard.pinned ?? {}));
  const found = new Map<string, PlanFault['code'][]>();
  if (placed.size === 0) return found;
  const free = { ...problem, tasks: problem.tasks.map(({ pinned, ...task }) => (placed.has(task.id) || pinned === undefined ? task : { ...task, pinned })) }; // biome-ignore format: one line
  for (const { code, of } of planFaults(free, plan).faults)
    for (const id of of) if (placed.has(id)) found.set(id, [...new Set([...(found.get(id) ?? []), code])]);
  return found;
}

/** What the scheduler found, in the words of the yard. */
function answerOf(
  yard: YardToPlan,
  { problem, tasks, unplanned }: BuiltProblem,
  found: Plan | NoPlan,
): YardPlan | NoYardPlan {
  const untilMs = yard.fromMs + problem.slots * SLOT_MS;
  if (!found.ok) {
    const named = new Set(found.clash.tasks);
    const { proven, minimal } = found;
    const clash = tasks.filter(({ id }) => named.has(id));
    return { ok: false, unplanned, clash, why: found.clash.why, proven, minimal, untilMs };
  }
  const { plan } = withFreshTape(yard, problem, tasks, found);
  return planFrom(yard, { problem, tasks, unplanned }, plan);
}

/** A plan of the problem, in the words of the yard. */
export function planFrom(
  yard: YardToPlan,
  { problem, tasks, unplanned }: BuiltProblem,
  found: Plan,
): YardPlan {
  const untilMs = yard.fromMs + problem.slots * SLOT_MS;
  const times = new Map(
    problem.tasks.map(({ id, slots }) => {
      const start = found.starts[id] ?? 0;
      return [id, { start, end: start + slots }];
    }),
  );
  const launches = tasks.flatMap(({ kind, id }) => (kind === 'launch' ? [id] : []));
  const critical = criticalOf(times, problem.lags, launches);
  const sanded = new Map(
    problem.lags.flatMap(({ before, after, latest, late }) => {
      const [ended, begun] = [times.get(before), times.get(after)];
      const isLate = latest && late && ended && begun && begun.start > (latest[ended.end] ?? problem.slots);
      return isLate ? [[after, late.slots * SLOT_MS] as const] : [];
    }),
  );
  const paid = found.cost - unpaid(yard, problem.slots, (id) => times.get(id)?.end);
  const cost = Math.round(paid / COST_UNITS);
  const faults = pinFaults(yard, problem, found);
  const at = (slot: number) => yard.fromMs + slot * SLOT_MS;
  return {
    ok: true,
    tasks: tasks.map((task) => ({
      ...task,
      startMs: at(times.get(task.id)?.start ?? 0),
      endMs: at(times.get(task.id)?.end ?? 0),
      people: found.crew[task.id] ?? [],
      sandMs: sanded.get(task.id) ?? 0,
      critical: critical.has(task.id),
      faults: faults.get(task.id) ?? [],
    })),
    unplanned,
    cost,
    bound: found.proven ? cost : Math.min(cost, Math.floor(found.bound / COST_UNITS)),
    proven: found.proven,
    untilMs,
  };
}

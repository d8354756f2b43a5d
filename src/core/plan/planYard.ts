import { within } from '../units/index.ts';
import { buildProblem, COST_UNITS } from './buildProblem.ts';
import type { PlanLag } from './problem.ts';
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
  /** It cannot be any later without the launch being later: how long it can wait is 0. */
  critical: boolean;
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

/** Horizons tried, days: each at least half as long again as the plan that is sought in it. */
const HORIZONS = [14, 28, 56] as const;
const DAY_SLOTS = 48;

/** Tasks of which one that ends later makes its boat's launch later: along tight lags back from it. */
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
 * Deterministic for the same yard, seed and steps; with a budget in time it depends on the machine.
 *
 * @throws {QuantityError} on a figure, moment or table that cannot be
 */
export function planYard(
  yard: YardToPlan,
  effort: { seed: number; steps?: number; budgetMs?: number },
): YardPlan | NoYardPlan {
  within('seed', effort.seed, 0, 2 ** 31);
  let answer: YardPlan | NoYardPlan | null = null;
  for (const days of HORIZONS) {
    const slots = days * DAY_SLOTS;
    const { problem, tasks, unplanned } = buildProblem(yard, slots);
    const untilMs = yard.fromMs + slots * SLOT_MS;
    const found = schedule(problem, effort);
    if (!found.ok) {
      const clash = new Set(found.clash.tasks);
      const { proven, minimal } = found;
      const named = tasks.filter(({ id }) => clash.has(id));
      answer = { ok: false, unplanned, clash: named, why: found.clash.why, proven, minimal, untilMs };
      continue;
    }
    const lengths = new Map(problem.tasks.map(({ id, slots: length }) => [id, length]));
    const times = new Map(
      Object.entries(found.starts).map(([id, start]) => [id, { start, end: start + (lengths.get(id) ?? 0) }]),
    );
    const last = Math.max(0, ...[...times.values()].map(({ end }) => end));
    const launches = tasks.flatMap(({ kind, id }) => (kind === 'launch' ? [id] : []));
    const critical = criticalOf(times, problem.lags, launches);
    const late = problem.lags.filter(({ before, after, latest }) => {
      const [ended, begun] = [times.get(before), times.get(after)];
      return latest && ended && begun && begun.start > (latest[ended.end] ?? slots);
    });
    const at = (slot: number) => yard.fromMs + slot * SLOT_MS;
    answer = {
      ok: true,
      tasks: tasks.map((task) => {
        const { start, end } = times.get(task.id) ?? { start: 0, end: 0 };
        const sanding = late.find(({ after }) => after === task.id)?.late?.slots ?? 0;
        return {
          ...task,
          startMs: at(start),
          endMs: at(end),
          people: found.crew[task.id] ?? [],
          sandMs: sanding * SLOT_MS,
          critical: critical.has(task.id),
        };
      }),
      unplanned,
      cost: Math.round(found.cost / COST_UNITS),
      bound: Math.round(found.bound / COST_UNITS),
      proven: found.proven,
      untilMs,
    };
    // A plan that fills its horizon may be squeezed by it: sought again with room.
    if (last * 1.5 <= slots) return answer;
  }
  return answer as YardPlan | NoYardPlan;
}

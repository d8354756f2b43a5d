import {
  ordersOf,
  type PlanRehearsalQuery,
  type PlanRehearsalView,
  type PlanStepView,
} from '../../../contract/index.ts';
import type { PlannedTask, RehearsalStep } from '../../../core/plan/index.ts';
import type { Context } from '../../context.ts';
import { planMade } from './planMade.ts';
import { toFollow, weatherAsked } from './planOdds.ts';
import { areaNamesOf, type Named, taskView } from './planView.ts';

const iso = (ms: number) => new Date(ms).toISOString();
const isoOr = (ms: number | null) => (ms === null ? null : iso(ms));

/** A coat that is applied again stands under the name of the first. */
const named = (task: PlannedTask): PlannedTask =>
  task.coatId === null ? task : { ...task, coatId: task.coatId.split('~')[0] as string };

function stepView(step: RehearsalStep, names: Named, tasks: readonly PlannedTask[]): PlanStepView {
  const nothing = { safeAt: null, readyAt: null, isOrdered: false, mistakes: [], why: null };
  if (step.kind === 'refused') {
    const { kind, taskId, atMs, why } = step;
    const task = tasks.find(({ id }) => id === taskId);
    return { ...nothing, kind, task: task ? taskView(named(task), names) : null, at: iso(atMs), why };
  }
  if (step.kind !== 'done') {
    const { kind, task, atMs, why } = { why: step.kind === 'spoilt' ? step.by : step.why, ...step };
    return { ...nothing, kind, task: taskView(named(task), names), at: iso(atMs), why };
  }
  const { kind, task, fromMs, startMs, endMs, safeMs, readyMs, crew, isOrdered, mistakes } = step;
  const timed = { startMs, endMs, people: crew, sandMs: startMs - fromMs, critical: false, faults: [] };
  return {
    ...nothing,
    kind,
    task: taskView({ ...named(task), ...timed }, names),
    at: iso(fromMs),
    safeAt: isoOr(safeMs),
    readyAt: isoOr(readyMs),
    isOrdered,
    mistakes: mistakes.map(({ code, ms }) => ({ code, at: isoOr(ms) })),
  };
}

/** The plan played through one draw of the weather, with what somebody decides otherwise. */
export async function planRehearsal(context: Context, query: PlanRehearsalQuery): Promise<PlanRehearsalView> {
  const draw = Number(query.draw ?? 0);
  const { at, setup, known, made } = await planMade(context);
  const follow = made && toFollow(made);
  const nothing = {
    key: '',
    draw,
    from: iso(at),
    until: iso(at),
    launches: [],
    cost: null,
    steps: [],
    hours: [],
  };
  if (!follow) return nothing;
  const { given } = made;
  const weather = await weatherAsked(context, { at, known, made });
  const orders = ordersOf(query.orders).map(({ kind, taskId, at: time, decided }) => ({
    kind,
    taskId,
    atMs: Date.parse(time),
    decidedMs: Date.parse(decided),
  }));
  const played = await context.jobs.run('rehearsal', { ...follow, ...weather }, draw, orders);
  const names = { given, setup, areaNames: areaNamesOf(known.clocks) };
  const steps = played.steps
    .map((step) => stepView(step, names, follow.plan.tasks))
    .sort((a, b) => a.at.localeCompare(b.at));
  const { fromMs } = given.yard;
  const ends = [...steps.map(({ task, at: time }) => task?.end ?? time), ...follow.plan.tasks.map(({ endMs }) => iso(endMs))]; // biome-ignore format: one line
  const until = ends.sort((a, b) => a.localeCompare(b)).at(-1) ?? iso(fromMs);
  return {
    key: made.key,
    draw,
    from: iso(fromMs),
    until,
    launches: Object.entries(played.launches).map(([boatId, ms]) => ({
      boatId,
      boatName: given.boats.find((boat) => boat.boatId === boatId)?.boatName ?? '',
      at: isoOr(ms),
    })),
    cost: played.cost,
    steps,
    hours: played.hours
      .filter((hour) => hour.at >= fromMs && iso(hour.at) <= until)
      .map((hour) => ({ at: iso(hour.at), airC: hour.airC, rh: hour.rh, rainMm: hour.rainMm ?? null, windMs: hour.windMs ?? null })), // biome-ignore format: one line
  };
}

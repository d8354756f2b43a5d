import type { PlanRehearsalView, PlanStepView, PlanTaskView } from '../../contract/index.ts';
import type { ClockState } from '../state/states.ts';
import type { PlayedState } from '../words/rehearsal.ts';

/** What a rehearsal looks like at a moment: nothing that comes later is in it. */

export interface PlayedArea {
  areaId: string;
  areaName: string;
  boatId: string;
  boatName: string;
  /** Coats on, of those that the plan has. */
  done: number;
  coats: number;
  state: PlayedState;
}

const ms = (at: string) => Date.parse(at);
const byId = (steps: readonly PlanStepView[]): Map<string, PlanStepView[]> => {
  const areas = new Map<string, PlanStepView[]>();
  for (const step of steps) {
    const id = step.task?.areaId;
    if (id) areas.set(id, [...(areas.get(id) ?? []), step]);
  }
  return areas;
};

function stateAt(steps: readonly PlanStepView[], atMs: number): PlayedState {
  const past = steps.filter(({ kind, at }) => (kind === 'done' || kind === 'spoilt') && ms(at) <= atMs);
  const last = past.at(-1);
  if (!last?.task) return 'waiting';
  if (last.kind === 'spoilt') return 'spoilt';
  if (last.task.kind === 'work') return atMs < ms(last.task.end) ? 'work' : 'ready';
  if (atMs < ms(last.task.end)) return 'applying';
  if (last.safeAt === null || atMs < ms(last.safeAt)) return 'wet';
  return last.readyAt !== null && atMs < ms(last.readyAt) ? 'curing' : 'ready';
}

/** Areas that the plan works on, as they are at a moment. */
export function areasAt({ steps }: PlanRehearsalView, atMs: number): PlayedArea[] {
  const afloat = new Set(
    steps.flatMap(({ kind, task, at }) =>
      kind === 'done' && task?.kind === 'launch' && ms(at) <= atMs ? [task.boatId] : [],
    ),
  );
  return [...byId(steps)].flatMap(([areaId, own]) => {
    const task = own[0]?.task;
    if (!task) return [];
    const coats = own.filter(({ kind, task: each }) => kind === 'done' && each?.kind === 'coat');
    const spoilt = own.filter(({ kind }) => kind === 'spoilt');
    const isSpoilt = (id: string | undefined) =>
      spoilt.some(({ task: each, at }) => each?.id === id && ms(at) <= atMs);
    const state = afloat.has(task.boatId) ? 'afloat' : stateAt(own, atMs);
    const done = coats.filter(({ task: each, at }) => ms(each?.end ?? at) <= atMs && !isSpoilt(each?.id)).length; // biome-ignore format: one line
    const all = coats.length - spoilt.length;
    return {
      areaId,
      areaName: task.areaName,
      boatId: task.boatId,
      boatName: task.boatName,
      done,
      coats: all,
      state: state === 'ready' && done === all ? 'complete' : state,
    };
  });
}

/** The pattern in which the drawing shows each; before any work, the area is as it is now. */
export const DRAWN_AS: Record<Exclude<PlayedState, 'waiting'>, ClockState> = {
  work: 'keyed',
  applying: 'thumb',
  wet: 'too-soon',
  curing: 'too-soon',
  ready: 'open',
  complete: 'finished',
  spoilt: 'key-first',
  afloat: 'finished',
};

/** Tasks that nobody has begun by a moment, the next of each area or boat first. */
export function nextAt({ steps }: PlanRehearsalView, atMs: number): PlanTaskView[] {
  const seen = new Set<string>();
  return steps.flatMap(({ kind, task, at }) => {
    if (kind !== 'done' || !task || ms(at) <= atMs) return [];
    const key = task.areaId ?? task.boatId;
    if (seen.has(key)) return [];
    seen.add(key);
    return [task];
  });
}

/** What has happened by a moment, latest first; tasks that ended are not said again. */
export const pastAt = ({ steps }: PlanRehearsalView, atMs: number): PlanStepView[] =>
  steps.filter(({ at }) => ms(at) <= atMs).reverse();

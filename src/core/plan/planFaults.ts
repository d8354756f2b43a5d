import { checkProblem } from './checkProblem.ts';
import type { PlanLag, PlanProblem, PlanTask, Span } from './problem.ts';

/** What a plan breaks: a code, and the tasks, people or equipment it is about. */
export interface PlanFault {
  code:
    | 'not-placed'
    | 'pinned-moved'
    | 'start-not-allowed'
    | 'past-horizon'
    | 'crew-wrong'
    | 'person-not-free'
    | 'person-twice'
    | 'equipment-not-free'
    | 'equipment-twice'
    | 'too-early'
    | 'too-late'
    | 'sanded-too-early'
    | 'dust-on-wet';
  of: readonly string[];
}

interface Block {
  task: PlanTask;
  start: number;
  end: number;
  /** From when its people work: earlier than `start` where they sand first. */
  from: number;
}

const overlap = ([a, b]: Span, [c, d]: Span) => Math.max(a, c) < Math.min(b, d);

/** Every slot of [from, to) lies in one of the free times. */
const isFree = (free: readonly Span[], [from, to]: Span) => {
  for (let at = from; at < to; at++) if (!free.some(([a, b]) => a <= at && at < b)) return false;
  return from < to || free.some(([a, b]) => a <= from && from <= b);
};

const lateBy = (lag: PlanLag, before: Block, after: Block): boolean =>
  lag.latest !== undefined && after.start > (lag.latest[before.end] as number);

const bothPinned = (...tasks: readonly PlanTask[]) => tasks.every(({ pinned }) => pinned !== undefined);

/**
 * What a plan breaks of its problem, by the sentences of {@link PlanProblem} alone: nothing is shared with the search.
 *
 * @returns no faults: the plan holds; and what it costs, null where a task has no place
 * @throws {QuantityError} on a problem that cannot be meant
 */
export function planFaults(
  problem: PlanProblem,
  plan: { starts: Record<string, number>; crew: Record<string, readonly string[]> },
): { faults: PlanFault[]; cost: number | null } {
  checkProblem(problem);
  return judged(problem, plan);
}

/** The faults of one plan after another of a problem that has been checked. */
export const faultsIn = (problem: PlanProblem, plan: Parameters<typeof planFaults>[1]): PlanFault[] =>
  judged(problem, plan).faults;

function judged(
  problem: PlanProblem,
  { starts, crew }: { starts: Record<string, number>; crew: Record<string, readonly string[]> },
): { faults: PlanFault[]; cost: number | null } {
  const faults: PlanFault[] = [];
  const fault = (code: PlanFault['code'], ...of: string[]) => faults.push({ code, of });
  const blocks = new Map<string, Block>();
  for (const task of problem.tasks) {
    const start = starts[task.id];
    if (start === undefined || !Number.isInteger(start) || start < 0) {
      fault('not-placed', task.id);
      continue;
    }
    const end = start + task.slots;
    if (end > problem.slots) fault('past-horizon', task.id);
    if (task.pinned !== undefined && task.pinned !== start) fault('pinned-moved', task.id);
    if (task.pinned === undefined && task.starts && !task.starts.some(([a, b]) => a <= start && start < b))
      fault('start-not-allowed', task.id);
    blocks.set(task.id, { task, start, end, from: start });
  }
  const isPlaced = !faults.some(({ code }) => code === 'not-placed' || code === 'past-horizon');
  if (!isPlaced) return { faults, cost: null };
  const cost = lagsOf(problem, blocks, fault);
  peopleOf(problem, blocks, crew, fault);
  equipmentOf(problem, blocks, fault);
  dustOf([...blocks.values()], fault);
  return { faults, cost: cost + worked(problem, blocks, crew) + lateness(problem, blocks) };
}

type Report = (code: PlanFault['code'], ...of: string[]) => void;

/** Cost of sanding; where a task is late, its people work from earlier on. */
function lagsOf(problem: PlanProblem, blocks: ReadonlyMap<string, Block>, fault: Report): number {
  let cost = 0;
  for (const lag of problem.lags) {
    const [before, after] = [blocks.get(lag.before) as Block, blocks.get(lag.after) as Block];
    if (bothPinned(before.task, after.task)) continue;
    if (after.start < (lag.earliest[before.end] as number)) fault('too-early', lag.before, lag.after);
    if (!lateBy(lag, before, after)) continue;
    if (!lag.late) {
      fault('too-late', lag.before, lag.after);
      continue;
    }
    cost += lag.late.cost;
    after.from = after.start - lag.late.slots;
    if (after.from < Math.max(0, lag.late.from[before.end] as number))
      fault('sanded-too-early', lag.before, lag.after);
  }
  return cost;
}

function peopleOf(
  { people, tasks }: PlanProblem,
  blocks: ReadonlyMap<string, Block>,
  crew: Record<string, readonly string[]>,
  fault: Report,
): void {
  const busy = new Map<string, Block[]>();
  for (const task of tasks) {
    const block = blocks.get(task.id) as Block;
    const ids = crew[task.id] ?? [];
    if (ids.length !== task.people || new Set(ids).size !== ids.length) fault('crew-wrong', task.id);
    for (const id of ids) {
      const person = people.find((each) => each.id === id);
      if (!person || (task.skill !== undefined && !person.skills.includes(task.skill))) {
        fault('crew-wrong', task.id, id);
        continue;
      }
      const free = person.free.map(({ from, to }): Span => [from, to]);
      if (!isFree(free, [block.from, block.end])) fault('person-not-free', task.id, id);
      for (const other of busy.get(id) ?? [])
        if (!bothPinned(task, other.task) && overlap([block.from, block.end], [other.from, other.end]))
          fault('person-twice', task.id, other.task.id, id);
      busy.set(id, [...(busy.get(id) ?? []), block]);
    }
  }
}

function equipmentOf(problem: PlanProblem, blocks: ReadonlyMap<string, Block>, fault: Report): void {
  for (const { id, free } of problem.equipment) {
    const users = [...blocks.values()].filter(({ task }) => task.equipment.includes(id));
    for (const [i, { task, start, end }] of users.entries()) {
      if (!isFree(free, [start, end])) fault('equipment-not-free', task.id, id);
      for (const other of users.slice(i + 1))
        if (!bothPinned(task, other.task) && overlap([start, end], [other.start, other.end]))
          fault('equipment-twice', task.id, other.task.id, id);
    }
  }
}

function dustOf(blocks: readonly Block[], fault: Report): void {
  for (const wet of blocks) {
    if (!wet.task.wetUntil) continue;
    const harmed: Span = [wet.start, wet.task.wetUntil[wet.end] as number];
    for (const dusty of blocks) {
      if (dusty === wet || dusty.task.air !== wet.task.air || bothPinned(wet.task, dusty.task)) continue;
      const work: Span = dusty.task.dusty ? [dusty.from, dusty.end] : [dusty.from, dusty.start];
      if (overlap(harmed, work)) fault('dust-on-wet', wet.task.id, dusty.task.id);
    }
  }
}

/** What the people cost, sanding included. */
function worked(
  { people }: PlanProblem,
  blocks: ReadonlyMap<string, Block>,
  crew: Record<string, readonly string[]>,
): number {
  let cost = 0;
  for (const [id, { from, end }] of blocks)
    for (const person of people.filter(({ id: each }) => crew[id]?.includes(each)))
      for (const free of person.free)
        cost += free.costPerSlot * Math.max(0, Math.min(end, free.to) - Math.max(from, free.from));
  return cost;
}

function lateness({ ends, tasks }: PlanProblem, blocks: ReadonlyMap<string, Block>): number {
  const end = (id: string) => (blocks.get(id) as Block).end;
  const yard = ends.reduce((sum, group) => sum + group.costPerSlot * Math.max(0, ...group.tasks.map(end)), 0);
  return tasks.reduce(
    (sum, { id, due }) => sum + (due ? due.costPerSlot * Math.max(0, end(id) - due.slot) : 0),
    yard,
  );
}

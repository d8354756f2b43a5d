import { QuantityError, within } from '../units/index.ts';
import type { PlanLag, PlanPerson, PlanProblem, PlanTask, Span } from './problem.ts';

/** Bounds that keep every cost an exact whole number. */
const MOST_SLOTS = 20_000;
const MOST_COST = 1e14;
const MOST_DUE_COST = 1e9;

function whole(quantity: string, value: number, min: number, max: number): number {
  within(quantity, value, min, max);
  if (!Number.isInteger(value)) throw new QuantityError(quantity, value, 'a whole number');
  return value;
}

function unique(kind: string, ids: readonly string[]): Set<string> {
  const known = new Set<string>();
  for (const id of ids) {
    if (known.has(id)) throw new QuantityError(`id of ${kind}`, `used twice (${id})`, 'used once');
    known.add(id);
  }
  return known;
}

function known(quantity: string, id: string, ids: ReadonlySet<string>): void {
  if (!ids.has(id)) throw new QuantityError(quantity, id, 'in the problem’s list');
}

/** A table by end slot: `slots + 1` whole numbers that never fall. */
function table(quantity: string, values: readonly number[], slots: number): void {
  if (values.length !== slots + 1)
    throw new QuantityError(`length of ${quantity}`, values.length, `${slots + 1}`);
  let last = 0;
  for (const value of values) {
    if (!Number.isInteger(value) || value < last)
      throw new QuantityError(quantity, value, `whole numbers that never fall, here ${last} or more`);
    last = value;
  }
}

function spans(quantity: string, given: readonly Span[]): void {
  for (const [from, to] of given) {
    whole(`${quantity} from`, from, 0, Number.MAX_SAFE_INTEGER);
    whole(`${quantity} to`, to, from, Number.MAX_SAFE_INTEGER);
  }
}

function checkTask(task: PlanTask, slots: number, equipment: ReadonlySet<string>): void {
  const of = `of task ${task.id}`;
  whole(`slots ${of}`, task.slots, 0, slots);
  whole(`people ${of}`, task.people, 0, 100);
  for (const id of task.equipment) known(`equipment ${of}`, id, equipment);
  unique(`equipment ${of}`, task.equipment);
  if (task.starts) spans(`starts ${of}`, task.starts);
  if (task.pinned !== undefined) whole(`pinned start ${of}`, task.pinned, 0, slots - task.slots);
  if (task.wetUntil) table(`wetUntil ${of}`, task.wetUntil, slots);
  if (!task.due) return;
  whole(`due slot ${of}`, task.due.slot, 0, Number.MAX_SAFE_INTEGER);
  whole(`due cost ${of}`, task.due.costPerSlot, 0, MOST_DUE_COST);
}

function checkLag(lag: PlanLag, slots: number, tasks: ReadonlySet<string>): void {
  const of = `of lag ${lag.before} → ${lag.after}`;
  known(`before ${of}`, lag.before, tasks);
  known(`after ${of}`, lag.after, tasks);
  table(`earliest ${of}`, lag.earliest, slots);
  if (lag.latest) table(`latest ${of}`, lag.latest, slots);
  if (!lag.late) return;
  if (!lag.latest) throw new QuantityError(`late ${of}`, 'without latest', 'given with a latest start');
  whole(`late cost ${of}`, lag.late.cost, 0, MOST_COST);
  whole(`late slots ${of}`, lag.late.slots, 0, slots);
  table(`late from ${of}`, lag.late.from, slots);
}

function checkPerson(person: PlanPerson, slots: number): void {
  let last = 0;
  for (const { from, to, costPerSlot } of person.free) {
    whole(`free time of ${person.id}, from`, from, last, Number.MAX_SAFE_INTEGER);
    last = whole(`free time of ${person.id}, to`, to, from, Number.MAX_SAFE_INTEGER);
    whole(`cost per slot of ${person.id}`, costPerSlot, 0, MOST_COST / Math.max(1, slots));
  }
}

/** @throws {QuantityError} where a figure, a table or an id cannot be meant, or tasks wait for each other in a circle */
export function checkProblem(problem: PlanProblem): void {
  const slots = whole('slots', problem.slots, 1, MOST_SLOTS);
  const tasks = unique('task', problem.tasks.map(({ id }) => id)); // biome-ignore format: one line
  const equipment = unique('equipment', problem.equipment.map(({ id }) => id)); // biome-ignore format: one line
  unique('person', problem.people.map(({ id }) => id)); // biome-ignore format: one line
  for (const task of problem.tasks) checkTask(task, slots, equipment);
  for (const lag of problem.lags) checkLag(lag, slots, tasks);
  const mended = problem.lags.filter(({ late }) => late).map(({ after }) => after);
  unique('task after a lag with late', mended);
  for (const person of problem.people) checkPerson(person, slots);
  for (const { id, free } of problem.equipment) spans(`free time of ${id}`, free);
  for (const { tasks: group, costPerSlot } of problem.ends) {
    for (const id of group) known('task of ends', id, tasks);
    whole('cost per slot of ends', costPerSlot, 0, MOST_COST / slots);
  }
  inOrder(problem);
}

/** Indices of the tasks, each after those it waits for. @throws {QuantityError} on a circle */
export function inOrder({ tasks, lags }: Pick<PlanProblem, 'tasks' | 'lags'>): number[] {
  const index = new Map(tasks.map(({ id }, i) => [id, i]));
  const waits = new Int32Array(tasks.length);
  const after: number[][] = tasks.map(() => []);
  for (const lag of lags) {
    const to = index.get(lag.after) as number;
    (after[index.get(lag.before) as number] as number[]).push(to);
    waits[to] = (waits[to] as number) + 1;
  }
  const order = tasks.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  for (let k = 0; k < order.length; k++)
    for (const next of after[order[k] as number] as number[]) {
      waits[next] = (waits[next] as number) - 1;
      if (waits[next] === 0) order.push(next);
    }
  if (order.length < tasks.length) {
    const stuck = tasks.find((_, i) => (waits[i] as number) > 0);
    throw new QuantityError('lags of task', `in a circle (${stuck?.id})`, 'without a circle');
  }
  return order;
}

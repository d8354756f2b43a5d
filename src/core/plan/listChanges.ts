import type { Decoded, Genes } from './listSchedule.ts';
import type { Lag, Model, Task } from './model.ts';
import { firstReaching, type Placed } from './timetable.ts';

type Random = (n: number) => number;

/** How far a key is moved, slots: half a day; a whole boat’s, a day. */
const MOVED = 24;
const BOAT_MOVED = 48;

/** About a standard normal variable: the sum of four even ones. */
const normal = (random: Random): number => {
  let sum = -2;
  for (let i = 0; i < 4; i++) sum += random(1001) / 1000;
  return sum * Math.sqrt(3);
};

/** Moves some tasks in the list. */
function moveTasks({ keys }: Genes, random: Random): void {
  for (let i = random(3); i >= 0; i--) {
    const t = random(keys.length);
    keys[t] = (keys[t] as number) + normal(random) * MOVED;
  }
}

/** Moves a task forward with all that it waits for, or back with all that wait for it. */
function moveChain(model: Model, { keys }: Genes, random: Random): void {
  const isForward = random(2) === 0;
  const chain = new Set([random(keys.length)]);
  for (const t of chain) {
    const { into, outOf } = model.tasks[t] as Task;
    if (isForward) for (const { before } of into) chain.add(before);
    else for (const { after } of outOf) chain.add(after);
  }
  const by = Math.abs(normal(random)) * 2 * MOVED * (isForward ? -1 : 1);
  for (const t of chain) keys[t] = (keys[t] as number) + by;
}

/** Moves a boat in the list, or lists its tasks by when they must start for it to be finished at another time. */
function moveBoat(
  model: Model,
  { keys }: Genes,
  { placed }: Decoded,
  latestStarts: (targets: readonly number[]) => Float64Array,
  random: Random,
): void {
  if (model.ends.length === 0) return;
  const boat = random(model.ends.length);
  const own = new Set(model.ends[boat]?.tasks);
  const by = Math.round(normal(random) * BOAT_MOVED);
  if (random(2) === 0) {
    for (const t of own) keys[t] = (keys[t] as number) + by;
    return;
  }
  const end = placed.reduce((last, each) => (own.has(each.task) ? Math.max(last, each.end) : last), 0);
  const target = Math.max(1, Math.min(model.slots, end + by));
  const latest = latestStarts(model.ends.map((_, b) => (b === boat ? target : model.slots)));
  for (const t of own) keys[t] = latest[t] as number;
}

/** Ends a task so late that the one after it needs no sanding. */
function avoidSanding(model: Model, genes: Genes, { placed }: Decoded, random: Random): void {
  const sanded = placed.filter(({ late }) => late);
  if (sanded.length === 0) return;
  const { start, late } = sanded[random(sanded.length)] as Placed;
  const { before, latest } = late as Lag;
  const end = firstReaching(latest as readonly number[], start);
  genes.notBefore[before] = Math.max(0, Math.min(end, model.slots) - (model.tasks[before] as Task).length);
}

/** Puts a task off by some slots. */
function putOff({ notBefore }: Genes, { placed }: Decoded, random: Random): void {
  const each = placed[random(Math.max(1, placed.length))];
  if (each) notBefore[each.task] = each.start + 1 + random(8);
}

/** A list that differs a little from the one that gave a plan. */
export function changedList(
  model: Model,
  { genes, plan }: { genes: Genes; plan: Decoded },
  latestStarts: (targets: readonly number[]) => Float64Array,
  random: Random,
): Genes {
  const changed = {
    keys: genes.keys.slice(),
    notBefore: genes.notBefore.slice(),
    patient: genes.patient.slice(),
  };
  const what = random(100);
  if (what < 35) moveTasks(changed, random);
  else if (what < 60) moveChain(model, changed, random);
  else if (what < 70) moveBoat(model, changed, plan, latestStarts, random);
  else if (what < 80) changed.patient[random(changed.patient.length)] = random(2);
  else if (what < 90) avoidSanding(model, changed, plan, random);
  else if (what < 95) changed.notBefore[random(changed.notBefore.length)] = 0;
  else putOff(changed, plan, random);
  return changed;
}

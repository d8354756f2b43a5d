import { isFree, type Lag, type Model, type Task } from './model.ts';

/** Tables of a model that stay the same during the search. */
export type Statics = ReturnType<typeof staticsOf>;

/** People of whom some tasks need one, or a piece of equipment: what they offer, and who asks for it. */
export interface Resource {
  /** Free slots before each slot, of all together. */
  before: Float64Array;
  /** `work`: slots of people that a task asks of them. */
  tasks: readonly { t: number; length: number; work: number }[];
  /** The tasks in the order in which they were last found to end. */
  byEnd: Int32Array;
}

/** By slot: the last end of `before` after which `after` can start then; −1: none. */
function endsBy({ earliest }: Lag, slots: number): Int32Array {
  const by = new Int32Array(slots + 1).fill(-1);
  let end = -1;
  for (let at = 0; at <= slots; at++) {
    while (end < slots && (earliest[end + 1] as number) <= at) end++;
    by[at] = end;
  }
  return by;
}

const total = (runs: readonly Int32Array[], slots: number): Float64Array => {
  const before = new Float64Array(slots + 1);
  for (let at = 0; at < slots; at++) {
    before[at + 1] = before[at] as number;
    for (const run of runs) if ((run[at] as number) > 0) (before[at + 1] as number)++;
  }
  return before;
};

/** By slot: whether a task can start then by its own times and its equipment's, and what its cheapest people cost; −1: too few. */
function labourAt(model: Model, t: number): Float64Array {
  const { slots, people } = model;
  const task = model.tasks[t] as Task;
  const cost = new Float64Array(slots + 1).fill(-1);
  for (
    let at = task.nextStart[0] as number;
    at + task.length <= slots;
    at = task.nextStart[at + 1] as number
  ) {
    const end = at + task.length;
    const costs: number[] = [];
    for (const p of task.qualified) {
      const { run, costBefore } = people[p] as Model['people'][number];
      if (isFree(run, at, end)) costs.push((costBefore[end] as number) - (costBefore[at] as number));
    }
    cost[at] =
      costs.length === task.people || task.people === 1
        ? task.people === 1
          ? Math.min(...costs)
          : costs.reduce((sum, each) => sum + each, 0)
        : costs.sort((a, b) => a - b).slice(0, task.people).reduce((sum, each) => sum + each, 0); // biome-ignore format: one line
  }
  return cost;
}

function resourcesOf(model: Model): Resource[] {
  const { slots } = model;
  const movable = model.tasks.flatMap((task, t) =>
    task.pinned === null && task.length > 0 ? [{ task, t }] : [],
  );
  const groups = new Map<string, readonly number[]>();
  for (const { task } of movable) if (task.people > 0) groups.set(task.qualified.join(' '), task.qualified);
  const ofPeople = [...groups.values()].map((group) => ({
    before: total(
      group.map((p) => (model.people[p] as Model['people'][number]).run),
      slots,
    ),
    tasks: movable.flatMap(({ task: { people, qualified, length }, t }) =>
      people > 0 && qualified.every((p) => group.includes(p)) ? [{ t, length, work: people * length }] : [],
    ),
  }));
  const ofEquipment = model.equipment.map((run, e) => ({
    before: total([run], slots),
    tasks: movable.flatMap(({ task: { equipment, length }, t }) =>
      equipment.includes(e) ? [{ t, length, work: length }] : [],
    ),
  }));
  return [...ofPeople, ...ofEquipment]
    .filter(({ tasks }) => tasks.length > 1)
    .map((each) => ({ ...each, byEnd: Int32Array.from(each.tasks.keys()) }));
}

export function staticsOf(model: Model) {
  const { slots, tasks } = model;
  const each = tasks.map((_, t) => {
    const labour = labourAt(model, t);
    const next = new Int32Array(slots + 2).fill(slots + 1);
    const last = new Int32Array(slots + 1).fill(-1);
    const cheapest = new Float64Array(slots + 2).fill(Number.POSITIVE_INFINITY);
    for (let at = slots; at >= 0; at--) {
      const cost = labour[at] as number;
      next[at] = cost >= 0 ? at : (next[at + 1] as number);
      cheapest[at] = cost >= 0 ? Math.min(cost, cheapest[at + 1] as number) : (cheapest[at + 1] as number);
    }
    for (let at = 0; at <= slots; at++)
      last[at] = (labour[at] as number) >= 0 ? at : at > 0 ? (last[at - 1] as number) : -1;
    return { next, last, cheapest };
  });
  return {
    each,
    endsBy: new Map(model.lags.map((lag) => [lag, endsBy(lag, slots)])),
    resources: resourcesOf(model),
  };
}

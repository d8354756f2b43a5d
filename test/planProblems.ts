import type { PlanLag, PlanProblem, PlanTask } from '../src/core/plan/index.ts';

/** Whole numbers below n, and choices, from a seed (a linear congruential generator: no code of the core). */
export function diceOf(seed: number) {
  let state = (seed * 2_654_435_761) >>> 0;
  const below = (n: number) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 4_294_967_296) * n);
  };
  return {
    below,
    from: (low: number, high: number) => low + below(high - low + 1),
    chance: (of100: number) => below(100) < of100,
  };
}

type Dice = ReturnType<typeof diceOf>;

/** A table by end slot: so long after the end, longer where it is "night", never falling; now and then it ends in never. */
function lagTable(dice: Dice, slots: number, wait: number, never: number | null): number[] {
  const slow = dice.chance(50) ? dice.below(slots) : slots;
  let last = 0;
  return Array.from({ length: slots + 1 }, (_, end) => {
    const at =
      never !== null && end >= never ? slots + 1 + dice.below(5) : end + wait + (end >= slow ? 1 : 0);
    last = Math.max(last, at);
    return last;
  });
}

function aTask(dice: Dice, i: number, slots: number, airs: number, tools: number): PlanTask {
  const length = dice.from(1, 3);
  const wet = dice.chance(40);
  const gap = dice.below(slots);
  return {
    id: `t${i}`,
    slots: length,
    people: dice.chance(20) ? 0 : dice.chance(20) ? 2 : 1,
    equipment: tools > 0 && dice.chance(25) ? ['e0'] : [],
    air: `a${dice.below(airs)}`,
    dusty: !wet && dice.chance(40),
    ...(dice.chance(30) && { skill: 's' }),
    ...(dice.chance(35) && {
      starts: [
        [0, gap],
        [Math.min(slots, gap + dice.from(1, 3)), slots + 1],
      ] as const,
    }),
    ...(wet && { wetUntil: lagTable(dice, slots, dice.from(1, 4), null) }),
    ...(dice.chance(30) && { due: { slot: dice.below(slots), costPerSlot: dice.from(1, 4) } }),
  };
}

/** Between two tasks, now and then with a latest start, and now and then with sanding that mends it. */
function aLag(dice: Dice, slots: number, a: number, b: number, canMend: boolean): PlanLag {
  const earliest = lagTable(dice, slots, dice.below(4), dice.chance(8) ? dice.from(slots - 4, slots) : null);
  const lag = { before: `t${a}`, after: `t${b}`, earliest };
  if (!dice.chance(40)) return lag;
  const room = dice.from(0, 4);
  const latest = earliest.map((at) => Math.min(at, slots) + room);
  if (!canMend || !dice.chance(60)) return { ...lag, latest };
  const from = earliest.map((at, end) => Math.min(at, end + 1));
  return { ...lag, latest, late: { cost: dice.from(1, 9), slots: dice.from(0, 2), from } };
}

/**
 * A random problem: days with nights between them, overtime that follows ordinary hours, waits that depend on the time, latest
 * starts with and without sanding, dust and wet films, films that are on already.
 */
export function aPlanProblem(
  seed: number,
  size: { tasks: number; slots: number; people?: number; boats?: number },
): PlanProblem {
  const dice = diceOf(seed);
  const { slots } = size;
  const tools = dice.below(2);
  const tasks = Array.from({ length: size.tasks }, (_, i) => aTask(dice, i, slots, dice.from(1, 2), tools));
  const first = tasks[0] as PlanTask;
  const wetUntil = lagTable(dice, slots, dice.below(4), null);
  if (dice.chance(30)) tasks[0] = { ...A_FILM, wetUntil };
  else if (dice.chance(15)) tasks[0] = { ...first, pinned: dice.below(slots - 3) };
  const lags: PlanLag[] = [];
  const isMended = (b: number) => lags.some(({ after, late }) => late && after === `t${b}`);
  for (let b = 1; b < tasks.length; b++)
    for (let a = 0; a < b; a++)
      if (dice.chance(120 / tasks.length)) lags.push(aLag(dice, slots, a, b, !isMended(b)));
  const people = Array.from({ length: size.people ?? dice.from(1, 3) }, (_, i) => ({
    id: `p${i}`,
    skills: i === 0 || dice.chance(50) ? ['s'] : [],
    free: dice.chance(30) ? [{ from: 0, to: slots, costPerSlot: dice.below(2) }] : daysOf(dice, slots),
  }));
  return {
    slots,
    tasks,
    lags,
    people,
    equipment: tools > 0 ? [{ id: 'e0', free: [[0, slots - 2]] }] : [],
    ends: size.boats
      ? Array.from({ length: size.boats }, (_, b) => ({
          tasks: tasks.flatMap(({ id }, i) => (i % (size.boats ?? 1) === b ? [id] : [])),
          costPerSlot: dice.from(0, 3),
        }))
      : [
          { tasks: tasks.map(({ id }) => id), costPerSlot: dice.from(0, 3) },
          { tasks: [`t${dice.below(tasks.length)}`], costPerSlot: dice.from(0, 2) },
        ],
  };
}

/** A film that is on already. */
const A_FILM: PlanTask = {
  id: 't0',
  slots: 0,
  people: 0,
  equipment: [],
  pinned: 0,
  air: 'a0',
  dusty: false,
};

function daysOf(dice: Dice, slots: number): PlanProblem['people'][number]['free'] {
  const free: { from: number; to: number; costPerSlot: number }[] = [];
  for (let at = dice.below(3); at < slots; ) {
    const noon = Math.min(slots, at + dice.from(3, 6));
    free.push({ from: at, to: noon, costPerSlot: 0 });
    const late = Math.min(slots, noon + dice.from(0, 3));
    if (late > noon) free.push({ from: noon, to: late, costPerSlot: dice.from(1, 4) });
    at = late + dice.from(1, 4);
  }
  return free;
}

/** Sets of so many of these people. */
function sets(people: readonly string[], count: number): string[][] {
  if (count === 0) return [[]];
  return people.flatMap((person, i) => sets(people.slice(i + 1), count - 1).map((rest) => [person, ...rest]));
}

/** Every way to place every task, held against a judge: the least cost, or null. For four tasks or so. */
export function bruteForce(
  problem: PlanProblem,
  judge: (
    problem: PlanProblem,
    plan: { starts: Record<string, number>; crew: Record<string, string[]> },
  ) => { faults: readonly unknown[]; cost: number | null },
): number | null {
  let best: number | null = null;
  const starts: Record<string, number> = {};
  const crew: Record<string, string[]> = {};
  const place = (k: number): void => {
    const task = problem.tasks[k];
    // What is placed so far holds by itself, or nothing that follows helps.
    const ids = new Set(problem.tasks.slice(0, k).map(({ id }) => id));
    const sofar = {
      ...problem,
      tasks: problem.tasks.slice(0, k),
      lags: problem.lags.filter(({ before, after }) => ids.has(before) && ids.has(after)),
      ends: problem.ends.map((each) => ({ ...each, tasks: each.tasks.filter((id) => ids.has(id)) })),
    };
    const { faults, cost } = judge(sofar, { starts, crew });
    if (faults.length > 0 || cost === null || (best !== null && cost >= best)) return;
    if (!task) {
      best = cost;
      return;
    }
    const can = problem.people.filter(
      ({ skills }) => task.skill === undefined || skills.includes(task.skill),
    );
    const slots =
      task.pinned === undefined
        ? Array.from({ length: problem.slots + 1 - task.slots }, (_, at) => at)
        : [task.pinned];
    for (const people of sets(
      can.map(({ id }) => id),
      task.people,
    ))
      for (const at of slots) {
        starts[task.id] = at;
        crew[task.id] = people;
        place(k + 1);
      }
    delete starts[task.id];
  };
  place(0);
  return best;
}

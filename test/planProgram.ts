import type { PlanLag, PlanProblem, PlanTask } from '../src/core/plan/index.ts';

/** A coefficient and its variable. */
type Term = [number, string];

/** A linear program in the CPLEX LP format, built row by row. */
function rowsOf() {
  const rows: string[] = [];
  const term = (c: number, x: string) => `${c < 0 ? '-' : '+'} ${Math.abs(c)} ${x}`;
  const add = (terms: [number, string][], sense: '<=' | '>=' | '=', right: number) => {
    const used = terms.filter(([c]) => c !== 0);
    if (used.length > 0)
      rows.push(`r${rows.length}: ${used.map(([c, x]) => term(c, x)).join(' ')} ${sense} ${right}`);
    else if (sense === '=' ? right !== 0 : sense === '<=' ? right < 0 : right > 0)
      rows.push(`r${rows.length}: + 1 never >= 1`);
  };
  return { rows, add, term };
}

/** A task at a start, sanded first (`w` 1) or not, and its binary. */
interface Way {
  i: number;
  s: number;
  w: 0 | 1;
  x: string;
  /** From when its people work. */
  from: number;
}
type Add = ReturnType<typeof rowsOf>['add'];
type Pays = (amount: number, x: string) => void;

const ones = (ways: readonly { x: string }[]) => ways.map(({ x }): Term => [1, x]);
const lateOf = ({ lags }: PlanProblem, id: string) =>
  lags.find(({ after, late }) => late && after === id)?.late;
const canStart = ({ pinned, starts }: PlanTask, s: number): boolean =>
  pinned !== undefined ? s === pinned : !starts || starts.some(([a, b]) => a <= s && s < b);

function waysOf(problem: PlanProblem): Way[] {
  return problem.tasks.flatMap((task, i) => {
    const late = lateOf(problem, task.id);
    const ways: Way[] = [];
    for (let s = 0; s + task.slots <= problem.slots; s++) {
      if (!canStart(task, s)) continue;
      ways.push({ i, s, w: 0, x: `x${i}_${s}_0`, from: s });
      if (late && s >= late.slots) ways.push({ i, s, w: 1, x: `x${i}_${s}_1`, from: s - late.slots });
    }
    return ways;
  });
}

/**
 * A plan's problem as a time-indexed integer program (Pritsker, Watters and Wolfe 1969), with a binary for each task, start,
 * way (sanded first or not) and person. For a general solver, to hold the scheduler against: it shares nothing with it.
 */
export function planProgram(problem: PlanProblem): string {
  const { tasks } = problem;
  const { rows, add, term } = rowsOf();
  const cost = new Map<string, number>();
  const pays: Pays = (amount, x) => cost.set(x, (cost.get(x) ?? 0) + amount);
  const ways = waysOf(problem);
  const of = (id: string) => ways.filter(({ i }) => tasks[i]?.id === id);
  for (const { id } of tasks) add(ones(of(id)), '=', 1);
  for (const { i, s, w, x } of ways) {
    const { id, due, slots } = tasks[i] as PlanTask;
    if (w === 1) pays(lateOf(problem, id)?.cost ?? 0, x);
    if (due) pays(due.costPerSlot * Math.max(0, s + slots - due.slot), x);
  }
  lagRows(problem, of, add);
  const people = peopleRows(problem, ways, add, pays);
  equipmentRows(problem, ways, add);
  dustRows(problem, ways, add);
  problem.ends.forEach(({ tasks: group, costPerSlot }, g) => {
    pays(costPerSlot, `last${g}`);
    const ends = (id: string) => of(id).map(({ s, i, x }): Term => [-(s + (tasks[i] as PlanTask).slots), x]);
    for (const id of group) add([[1, `last${g}`], ...ends(id)], '>=', 0);
  });
  const sum = [...cost].flatMap(([x, c]) => (c === 0 ? [] : [term(c, x)])).join(' ');
  const binaries = [...ways.map(({ x }) => x), ...people].join('\n ');
  return `Minimize\n obj: ${sum || '+ 0 never'}\nSubject To\n ${rows.join('\n ')}\nBounds\n never <= 0\nBinary\n ${binaries}\nEnd`;
}

/** Who could do a task the way it is done, and what each of them costs. */
function workersOf(problem: PlanProblem, { i, s, from }: Way): { p: number; cost: number }[] {
  const { slots, skill } = problem.tasks[i] as PlanTask;
  const end = s + slots;
  return problem.people.flatMap(({ skills, free }, p) => {
    if (skill !== undefined && !skills.includes(skill)) return [];
    const within = free.map((each) => Math.max(0, Math.min(end, each.to) - Math.max(from, each.from)));
    if (within.reduce((sum, each) => sum + each, 0) < end - from) return [];
    return [{ p, cost: within.reduce((sum, each, k) => sum + each * (free[k]?.costPerSlot ?? 0), 0) }];
  });
}

/** As many people as it needs work on a task the way it is done; nobody twice at once. @returns the binaries of who does what */
function peopleRows(problem: PlanProblem, ways: readonly Way[], add: Add, pays: Pays): string[] {
  const works: { p: number; from: number; end: number; x: string }[] = [];
  for (const way of ways) {
    const { slots, people: count } = problem.tasks[way.i] as PlanTask;
    if (count === 0) continue;
    const who = workersOf(problem, way).map(({ p, cost }) => ({ p, cost, x: `y${p}_${way.x}` }));
    add([...ones(who), [-count, way.x]], '=', 0);
    for (const { p, cost, x } of who) {
      pays(cost, x);
      works.push({ p, from: way.from, end: way.s + slots, x });
      add([[1, x], [-1, way.x]], '<=', 0); // biome-ignore format: one line
    }
  }
  for (let at = 0; at < problem.slots; at++)
    for (let p = 0; p < problem.people.length; p++)
      add(ones(works.filter((each) => each.p === p && each.from <= at && at < each.end)), '<=', 1);
  return works.map(({ x }) => x);
}

/** Equipment is free for a task from start to end, and used by one at a time. */
function equipmentRows({ tasks, equipment, slots }: PlanProblem, ways: readonly Way[], add: Add): void {
  for (const { id, free } of equipment) {
    const users = ways.filter(({ i }) => tasks[i]?.equipment.includes(id));
    for (let at = 0; at < slots; at++) {
      const using = users.filter(({ i, s }) => s <= at && at < s + (tasks[i] as PlanTask).slots);
      add(ones(using), '<=', free.some(([a, b]) => a <= at && at < b) ? 1 : 0);
    }
  }
}

/** For each end of `before`: `after` starts neither too early nor, unless sanded in time, too late. */
function lagRows({ tasks, lags }: PlanProblem, of: (id: string) => Way[], add: Add): void {
  const pinned = (id: string) => tasks.find((each) => each.id === id)?.pinned !== undefined;
  for (const lag of lags) {
    if (pinned(lag.before) && pinned(lag.after)) continue;
    for (const b of of(lag.before)) {
      const end = b.s + (tasks[b.i]?.slots ?? 0);
      const wrong = of(lag.after).filter((a) => !isInTime(lag, end, a));
      add([[wrong.length, b.x], ...ones(wrong)], '<=', wrong.length);
    }
  }
}

function isInTime({ earliest, latest, late }: PlanLag, end: number, a: Way): boolean {
  if (a.s < (earliest[end] as number)) return false;
  const isLate = latest !== undefined && a.s > (latest[end] as number);
  if (!late) return !isLate;
  return isLate ? a.w === 1 && a.from >= (late.from[end] as number) : a.w === 0;
}

function dustRows({ tasks }: PlanProblem, ways: readonly Way[], add: Add): void {
  for (const wet of ways) {
    const task = tasks[wet.i] as PlanTask;
    if (!task.wetUntil) continue;
    const until = task.wetUntil[wet.s + task.slots] as number;
    for (const dust of ways) {
      const other = tasks[dust.i] as PlanTask;
      if (dust.i === wet.i || other.air !== task.air) continue;
      const end = other.dusty ? dust.s + other.slots : dust.s;
      if (Math.max(wet.s, dust.from) < Math.min(until, end))
        add(
          [
            [1, wet.x],
            [1, dust.x],
          ],
          '<=',
          1,
        );
    }
  }
}

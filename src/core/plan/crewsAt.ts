import type { PlanProblem, PlanTask, Span } from './problem.ts';

/** Choices of people that are looked at before the search is given up. */
const MOST_CHOICES = 20_000;

interface Block {
  task: PlanTask;
  /** From when its people work, sanding included, and until when. */
  from: number;
  end: number;
  /** Sets of people who are there all the time, the cheapest first. */
  crews: readonly (readonly string[])[];
}

/** Sets of `count` of these people. */
function* sets(people: readonly string[], count: number, from = 0): Generator<string[]> {
  if (count === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= people.length - count; i++)
    for (const rest of sets(people, count - 1, i + 1)) yield [people[i] as string, ...rest];
}

const overlap = ([a, b]: Span, [c, d]: Span) => Math.max(a, c) < Math.min(b, d);

/** Slots from which on the people of each task work: earlier than its start where a missed window has them sand. */
function worksFrom(
  { lags, tasks }: PlanProblem,
  starts: Readonly<Record<string, number>>,
): Map<string, number> {
  const from = new Map(tasks.map(({ id }) => [id, starts[id] as number]));
  const endOf = new Map(tasks.map(({ id, slots }) => [id, (starts[id] as number) + slots]));
  for (const { before, after, latest, late } of lags) {
    const start = starts[after] as number;
    if (late && latest && start > (latest[endOf.get(before) as number] as number))
      from.set(after, start - late.slots);
  }
  return from;
}

/**
 * People for every task of a plan whose starts are given, so that nobody is needed twice: taken in the order of their work, with a
 * step back where it comes to nothing. A list that picks the first free person may find no one for a later task, though others
 * could have gone before.
 *
 * @param starts of every task, slots within the horizon
 * @returns null: there are none, or too many choices to look at
 */
export function crewsAt(
  problem: PlanProblem,
  starts: Readonly<Record<string, number>>,
): Record<string, readonly string[]> | null {
  const from = worksFrom(problem, starts);
  const blocks = problem.tasks
    .map((task): Block => {
      const own: Span = [from.get(task.id) as number, (starts[task.id] as number) + task.slots];
      const there = problem.people.filter(({ skills, free }) => (task.skill === undefined || skills.includes(task.skill)) && isThere(free, own)); // biome-ignore format: one line
      const cost = (id: string) => costOf(there.find((each) => each.id === id)?.free ?? [], own);
      const crews = [...sets(there.map(({ id }) => id), task.people)].map((crew) => ({ crew, cost: crew.reduce((sum, id) => sum + cost(id), 0) })); // biome-ignore format: one line
      return { task, from: own[0], end: own[1], crews: crews.sort((a, b) => a.cost - b.cost).map(({ crew }) => crew) }; // biome-ignore format: one line
    })
    .sort((a, b) => a.from - b.from || b.end - a.end);
  const chosen: (readonly string[])[] = [];
  let looked = 0;
  const isFree = (i: number, crew: readonly string[]) => {
    const { from: start, end } = blocks[i] as Block;
    return chosen.every((other, k) => {
      const block = blocks[k] as Block;
      return !overlap([block.from, block.end], [start, end]) || !crew.some((id) => other.includes(id));
    });
  };
  const choose = (i: number): boolean => {
    if (i === blocks.length) return true;
    for (const crew of (blocks[i] as Block).crews) {
      if (++looked > MOST_CHOICES) return false;
      if (!isFree(i, crew)) continue;
      chosen[i] = crew;
      if (choose(i + 1)) return true;
      chosen.length = i;
    }
    return false;
  };
  return choose(0) ? Object.fromEntries(blocks.map(({ task }, i) => [task.id, chosen[i] as readonly string[]])) : null; // biome-ignore format: one line
}

/** Every slot of a span lies in one of the free times; of an empty one, a free time holds or ends at it. */
function isThere(free: PlanProblem['people'][number]['free'], [from, end]: Span): boolean {
  if (from === end) return free.some((each) => each.from <= from && from <= each.to);
  for (let at = from; at < end; at++) if (!free.some((each) => each.from <= at && at < each.to)) return false;
  return true;
}

const costOf = (free: PlanProblem['people'][number]['free'], [from, end]: Span): number =>
  free.reduce(
    (sum, each) => sum + each.costPerSlot * Math.max(0, Math.min(each.to, end) - Math.max(each.from, from)),
    0,
  );

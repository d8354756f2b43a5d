import { isFree, type Model, type Task } from './model.ts';
import { labourCost, type Placed } from './timetable.ts';

/** Choices of people for the pinned tasks are tried up to here. */
const MOST_CHOICES = 64;

/** Sets of `count` of these people. */
function* sets(people: readonly number[], count: number, from = 0): Generator<number[]> {
  if (count === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= people.length - count; i++)
    for (const rest of sets(people, count - 1, i + 1)) yield [people[i] as number, ...rest];
}

/**
 * Every choice of people for the pinned tasks, the cheapest first. Their times are given; only whether their people and their
 * equipment are there at all is asked, since between two pinned tasks nothing is checked.
 *
 * @returns none: a pinned task lacks people or equipment; `all`: no choice was left out
 */
export function pinnedChoices(model: Model): { choices: Placed[][]; all: boolean; lacking: number[] } {
  let choices: Placed[][] = [[]];
  let all = true;
  const lacking: number[] = [];
  for (const [t, task] of model.tasks.entries()) {
    if (task.pinned === null) continue;
    const crews = crewsOf(model, task);
    if (crews.length === 0) lacking.push(t);
    const each = (crew: number[]): Placed => ({
      task: t,
      start: task.pinned as number,
      end: (task.pinned as number) + task.length,
      from: task.pinned as number,
      crew,
      late: null,
      forced: [],
    });
    const more = choices.flatMap((choice) => crews.map((crew) => [...choice, each(crew)]));
    all = all && more.length <= MOST_CHOICES;
    choices = more.slice(0, MOST_CHOICES);
  }
  return { choices: lacking.length > 0 ? [] : choices, all, lacking };
}

function crewsOf(model: Model, { pinned, length, equipment, qualified, people }: Task): number[][] {
  const [start, end] = [pinned as number, (pinned as number) + length];
  if (!equipment.every((e) => isFree(model.equipment[e] as Int32Array, start, end))) return [];
  const free = qualified.filter((p) => isFree((model.people[p] as Model['people'][number]).run, start, end));
  return [...sets(free, people)].sort(
    (a, b) => labourCost(model, a, start, end) - labourCost(model, b, start, end),
  );
}

import type { Lag, Model, Task } from './model.ts';
import type { Statics } from './statics.ts';
import { labourCost, type Placed, type Timetable } from './timetable.ts';

/**
 * A task put later than it need be is worth it only if a task after it is then in time: one of these lags has its `after`
 * start later than `latest` of the earlier end. Else moving the task earlier costs nothing.
 */
export interface Delay {
  task: number;
  earlierEnd: number;
}

/** A task with its people at a slot worth trying. */
export interface Candidate extends Placed {
  delay: Delay | null;
}

/** How the proof chooses: by the order in which work begins, or task by task at every slot. */
export interface Choices {
  /** Tasks that can begin next, of those whose tasks before are placed: the first to begin first. */
  inOrderOfBeginning: (latest: Int32Array, at: number, rank: number) => Candidate[];
  /** One task with every choice of people at every slot. */
  everyWay: (t: number, latest: number) => Candidate[];
}

const costAt = (model: Model, { crew, from, end, late }: Placed): number =>
  labourCost(model, crew, from, end) + (late?.late?.cost ?? 0);

/**
 * What the search can choose from on a timetable.
 *
 * @param anyCost only whether there is a plan is asked: cheaper hours are no reason to wait
 */
export function choicesOf(model: Model, statics: Statics, timetable: Timetable, anyCost: boolean): Choices {
  const { tasks, order } = model;
  const alike = alikePeople(model);
  const dustyAir = airsWithDust(model);
  const rankOf = ranks(model);
  const toPlace = order.filter((t) => (tasks[t] as Task).pinned === null);
  const cheapestFrom = (t: number, at: number) =>
    (statics.each[t] as Statics['each'][number]).cheapest[at] as number;
  /** Of each task the most slots that are sanded before it. */
  const sanding = tasks.map(({ into }) => Math.max(0, ...into.map(({ late }) => late?.slots ?? 0)));
  const isReady = (t: number) => (tasks[t] as Task).into.every(({ before }) => timetable.placed[before]);

  function* fits(t: number, crew: readonly number[], until: number): Generator<Candidate> {
    const { length } = tasks[t] as Task;
    for (let at = timetable.earliestStart(t); at <= until; ) {
      const fit = timetable.fitAt(t, at);
      if (fit.missed) return;
      if (fit.next !== at) {
        at = fit.next;
        continue;
      }
      const { from, late, forced } = fit;
      const each = { task: t, start: at, end: at + length, from, crew, late, forced, delay: null };
      if (crew.every((p) => timetable.personFree(p, from, each.end)) && timetable.forcedFits(each))
        yield each;
      at++;
    }
  }

  /** Its first slot, later ones with cheaper hours, and later ones that keep a task after it in time (left-shift dominance). */
  const worthTrying = (t: number, crew: readonly number[], until: number): Candidate[] => {
    const { outOf, wetUntil, air, into } = tasks[t] as Task;
    const keeps = outOf.some(({ latest }) => latest);
    // Sanding can go on beside other dusty work, where its coat earlier could not.
    const sandsAmongDust = wetUntil !== null && dustyAir[air] === true;
    const isOver = !keeps && !(sandsAmongDust && into.some(({ late }) => late));
    const found: Candidate[] = [];
    const seen: { end: number; cost: number }[] = [];
    for (const each of fits(t, crew, until)) {
      const cost = anyCost ? 0 : costAt(model, each);
      const isFree = each.late && sandsAmongDust;
      const earlier = isFree ? undefined : seen.findLast((other) => other.cost <= cost);
      const worth = earlier ? worthDelay(each, earlier.end) : each;
      if (worth) found.push(worth);
      seen.push({ end: each.end, cost });
      if (isOver && cost <= leastFrom(t, crew, each.start)) break;
    }
    return found;
  };

  /** A start later than need be, if it can keep a task after it in time. */
  const worthDelay = (each: Candidate, earlierEnd: number): Candidate | null =>
    (tasks[each.task] as Task).outOf.some((lag) => lag.latest && canTell(lag, earlierEnd, each.end))
      ? { ...each, delay: { task: each.task, earlierEnd } }
      : null;

  /** What a task costs its people at least from a slot on. */
  const leastFrom = (t: number, crew: readonly number[], at: number): number =>
    anyCost || crew.length === 0 ? 0 : cheapestFrom(t, at);

  /** Whether ending later can keep the task after in time where the earlier end does not. */
  const canTell = ({ latest, after }: Lag, earlierEnd: number, end: number): boolean => {
    const from = latest?.[earlierEnd] as number;
    const next = timetable.placed[after];
    return next ? next.start > from : from < (latest?.[end] as number) && from < model.slots;
  };

  /** Whether a candidate could be done whole before anything else begins, at no cost: then nothing begins after its end first. */
  const comesFirst = (each: Candidate): boolean => {
    const { wetUntil, air, outOf } = tasks[each.task] as Task;
    if ((wetUntil && dustyAir[air]) || outOf.some(({ latest }) => latest)) return false;
    return (
      !each.late &&
      each.end > each.start &&
      (anyCost || labourCost(model, each.crew, each.from, each.end) <= cheapestFrom(each.task, each.start))
    );
  };

  const byBeginning = (a: Candidate, b: Candidate) =>
    a.from - b.from || a.start - b.start || (rankOf[a.task] as number) - (rankOf[b.task] as number);

  const inOrderOfBeginning = (latest: Int32Array, at: number, rank: number): Candidate[] => {
    const busyUntil = busyFrom(model, timetable, toPlace, at);
    const same = (a: number, b: number) => alike[a] === alike[b] && busyUntil[a] === busyUntil[b];
    const found: Candidate[] = [];
    /** Nothing begins first from this slot on. */
    let until = Number.POSITIVE_INFINITY;
    for (const t of toPlace) {
      if (timetable.placed[t] || !isReady(t)) continue;
      const own = rankOf[t] as number;
      for (const crew of crewsOf(tasks[t] as Task, same)) {
        const last = Math.min(latest[t] as number, until - 1 + (sanding[t] as number));
        for (const each of worthTrying(t, crew, last)) {
          if (each.from < at || (each.from === at && own < rank)) continue;
          found.push(each);
          if (comesFirst(each)) until = Math.min(until, each.end);
        }
      }
    }
    return found.filter(({ from }) => from < until).sort(byBeginning);
  };

  return {
    inOrderOfBeginning,
    everyWay: (t, latest) =>
      crewsOf(tasks[t] as Task, () => false).flatMap((crew) => [...fits(t, crew, latest)]),
  };
}

/** Of each task its place in the order of lags. */
export function ranks({ order }: Model): Int32Array {
  const rank = new Int32Array(order.length);
  order.forEach((t, i) => {
    rank[t] = i;
  });
  return rank;
}

/** Until when each person is busy with what is placed, from a slot on. */
function busyFrom(model: Model, timetable: Timetable, toPlace: readonly number[], at: number): Int32Array {
  const busy = new Int32Array(model.people.length).fill(at);
  for (const t of toPlace)
    for (const p of timetable.placed[t]?.crew ?? [])
      busy[p] = Math.max(busy[p] as number, timetable.placed[t]?.end ?? 0);
  return busy;
}

/** Every choice of people for a task, one of those that do not differ from now on. */
function crewsOf({ qualified, people }: Task, same: (a: number, b: number) => boolean): number[][] {
  const all: number[][] = [];
  const choose = (crew: number[], from: number) => {
    if (crew.length === people) {
      all.push(crew);
      return;
    }
    for (let i = from; i < qualified.length; i++) {
      const p = qualified[i] as number;
      const isRepeated = qualified.slice(0, i).some((q) => !crew.includes(q) && same(q, p));
      if (!isRepeated) choose([...crew, p], i + 1);
    }
  };
  choose([], 0);
  return all;
}

/** Of each person a number that those have in common who differ in nothing. */
function alikePeople({ people, tasks }: Model): number[] {
  const known = new Map<string, number>();
  const isPinned = tasks.some(({ pinned, people: count }) => pinned !== null && count > 0);
  return people.map(({ run, costBefore }, p) => {
    if (isPinned) return p;
    const qualifies = tasks.map(({ qualified }) => (qualified.includes(p) ? 1 : 0)).join('');
    const key = `${run.join(' ')} ${costBefore.join(' ')} ${qualifies}`;
    const number = known.get(key) ?? known.size;
    known.set(key, number);
    return number;
  });
}

/** Airs in which dust is made: by a task, or by sanding. */
function airsWithDust({ tasks, airs, lags }: Model): boolean[] {
  const dust = Array.from({ length: airs }, () => false);
  for (const { dusty, air } of tasks) if (dusty) dust[air] = true;
  for (const { late, after } of lags) if (late) dust[(tasks[after] as Task).air] = true;
  return dust;
}

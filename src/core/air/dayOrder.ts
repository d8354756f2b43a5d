import { moment, QuantityError, within } from '../units/index.ts';

/** A coat that is possible today: how long it takes, and its suitable starts. */
export interface DayJob {
  id: string;
  applyMs: number;
  /** Suitable starts, in the order of time. */
  stretches: readonly { fromMs: number; toMs: number }[];
  /** End of pot life of its mixed paint, ms: such a coat goes first in any weather. Left out: no mixed paint. */
  potEndsMs?: number;
  /** When its standing time ends, ms; left out: it may be used at once. */
  potReadyMs?: number;
}

/** When a coat would be begun and finished. */
export interface DayPlace {
  id: string;
  startMs: number;
  endMs: number;
}

/** Up to so many coats every order is tried; of more the one that must begin first goes first. */
const ALL_ORDERS = 7;
const DAY_MS = 24 * 3_600_000;

/** The first start of a coat not before a moment; null: none passes any more. */
function firstStart({ stretches }: DayJob, fromMs: number): number | null {
  for (const { fromMs: opens, toMs: closes } of stretches)
    if (closes >= fromMs) return Math.max(opens, fromMs);
  return null;
}

/** Coats in this order, leaving out those that no longer fit. */
function inOrder(jobs: readonly DayJob[], nowMs: number): DayPlace[] {
  const placed: DayPlace[] = [];
  let free = nowMs;
  for (const job of jobs) {
    const startMs =
      job.potEndsMs === undefined ? firstStart(job, free) : Math.max(free, job.potReadyMs ?? free);
    if (startMs === null) continue;
    free = startMs + job.applyMs;
    placed.push({ id: job.id, startMs, endMs: free });
  }
  return placed;
}

function* orders<T>(items: readonly T[]): Generator<T[]> {
  if (items.length === 0) yield [];
  for (const [i, item] of items.entries())
    for (const rest of orders(items.toSpliced(i, 1))) yield [item, ...rest];
}

/**
 * The order in which one person applies the most of today’s coats, each at a suitable start; of orders
 * with as many, the one that is finished first.
 *
 * A mixed pot comes first, the one whose life ends first before the others. Up to seven coats every order is tried; of more, the one whose last start is soonest goes first, which need not be best.
 *
 * @param nowMs from when on there are hands, ms
 * @returns the coats with their times in the order of time, and the ids of those that do not fit
 * @throws {QuantityError} on a duration or stretch that cannot be, or an id given twice
 */
export function dayOrder(input: { jobs: readonly DayJob[]; nowMs: number }): {
  placed: DayPlace[];
  left: string[];
} {
  const nowMs = moment('now', input.nowMs);
  const ids = new Set<string>();
  for (const { id, applyMs, stretches, potEndsMs, potReadyMs } of input.jobs) {
    if (ids.has(id)) throw new QuantityError('coat', `in the list twice (${id})`, 'named once');
    ids.add(id);
    within('time to apply (ms)', applyMs, 0, DAY_MS * 30);
    if (potEndsMs !== undefined) moment('end of the pot life', potEndsMs);
    if (potReadyMs !== undefined) moment('end of the standing time', potReadyMs);
    for (const { fromMs, toMs } of stretches) {
      moment('first start', fromMs);
      if (moment('last start', toMs) < fromMs)
        throw new QuantityError('last start', toMs, `${fromMs} or later`);
    }
  }
  const last = ({ stretches }: DayJob) => stretches.at(-1)?.toMs ?? Number.NEGATIVE_INFINITY;
  const mixed = input.jobs
    .filter(({ potEndsMs }) => potEndsMs !== undefined)
    .sort((a, b) => (a.potEndsMs as number) - (b.potEndsMs as number));
  const jobs = input.jobs
    .filter(({ stretches, potEndsMs }) => stretches.length > 0 && potEndsMs === undefined)
    .sort((a, b) => last(a) - last(b));
  let best = inOrder([...mixed, ...jobs], nowMs);
  if (jobs.length <= ALL_ORDERS) {
    const ends = (placed: readonly DayPlace[]) => placed.at(-1)?.endMs ?? nowMs;
    for (const order of orders(jobs)) {
      const placed = inOrder([...mixed, ...order], nowMs);
      if (placed.length > best.length || (placed.length === best.length && ends(placed) < ends(best)))
        best = placed;
    }
  }
  const on = new Set(best.map(({ id }) => id));
  return { placed: best, left: input.jobs.flatMap(({ id }) => (on.has(id) ? [] : [id])) };
}

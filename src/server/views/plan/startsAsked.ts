import { remembering } from '../../../core/units/index.ts';
import type { Jobs } from '../../workers/jobs.ts';
import type { PlanStart, StartsJob } from './coatStarts.ts';

/** Starts already found, by the key of the coat, for the weather data and the start of a plan. */
const found = remembering<Map<string, readonly PlanStart[]>>(2);

/** When coats can begin, by key: worked out in a thread of its own, and once for coats alike. */
export async function startsByKey(
  jobs: Jobs,
  { air, requests, now, aheadMs }: StartsJob,
): Promise<ReadonlyMap<string, readonly PlanStart[]>> {
  const known = found(air, [now, aheadMs], () => new Map());
  const wanted = new Map(requests.filter(({ key }) => !known.has(key)).map((each) => [each.key, each]));
  if (wanted.size === 0) return known;
  const list = [...wanted.values()];
  const starts = await jobs.run('starts', { air, requests: list, now, aheadMs });
  for (const [i, { key }] of list.entries()) known.set(key, starts[i] ?? []);
  return known;
}

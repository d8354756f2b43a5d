import { expect, it } from 'vitest';
import type { NoYardPlan, YardToPlan } from '../../../core/plan/index.ts';
import type { Jobs } from '../../workers/jobs.ts';
import { planRest } from './planRest.ts';

const boat = (id: string) => ({ id, launches: [], wantedMs: null, costPerDay: 0, latePerDay: 0 });
const yard: YardToPlan = { fromMs: 0, people: [], boats: ['a', 'b', 'c'].map(boat), areas: [] } as never;
const noPlan = (tasks: string[]) =>
  ({ ok: false, unplanned: [], clash: tasks.map((boatId) => ({ boatId })), why: ['not-found'], proven: false, minimal: false, untilMs: 0 }) as unknown as NoYardPlan; // biome-ignore format: one line

it('every boat that is left out is named with its clash, though the search found no task to blame', async () => {
  // Nothing to blame at first; then a clash of the first boat; then a plan.
  const answers = [noPlan([]), noPlan(['a'])];
  const jobs = {
    run: async (_job: string, { boats }: YardToPlan) => ({
      found: answers.shift() ?? { ok: true, tasks: boats },
      moves: [],
      freshCost: null,
    }),
  } as unknown as Jobs;
  const { clashes, yard: rest } = await planRest(jobs, yard, 100, null);
  expect(clashes.map(({ boatId }) => boatId)).toEqual(['c', 'a']);
  expect(rest.boats.map(({ id }) => id)).toEqual(['b']);
});

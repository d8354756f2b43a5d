import { expect, it } from 'vitest';
import { SHED_FROM, shedHours, shedYard } from '../../../test/weatherYards.ts';
import { placesOf, planYard, type YardPlan, yardInWeather } from './index.ts';

const HOUR_MS = 3_600_000;
const of = shedYard({ areas: 2 });
const yard = yardInWeather(of, shedHours(40), 28 * 48);
const plan = planYard(yard, { seed: 1, steps: 300 }) as YardPlan;
const startOf = (id: string) => plan.tasks.find((task) => task.id === id)?.startMs ?? Number.NaN;
const placeAt = (id: string, ms: number) =>
  placesOf(yard, plan, id).find(({ fromMs, toMs }) => fromMs <= ms && ms <= toMs);

it('a task is free where it stands, forbidden at night, at the weekend and before the film below is ready, costly where others work', () => {
  const second = startOf('area0 1');
  expect(placeAt('area0 1', second)?.state).toBe('free');
  expect(placeAt('area0 1', startOf('area0 0'))).toMatchObject({ state: 'forbidden' });
  expect(placeAt('area0 1', startOf('area0 0'))?.why).toContain('too-early');
  const night = SHED_FROM + 16 * HOUR_MS;
  expect(placeAt('area0 0', night)?.why).toContain('person-not-free');
  // Saturday noon: nobody works.
  expect(placeAt('area0 0', SHED_FROM + 5 * 24 * HOUR_MS + 5 * HOUR_MS)?.state).toBe('forbidden');
  // Where the other area's coat is being applied by the same person.
  const elsewhere = placeAt('area0 1', startOf('area1 1'));
  expect([elsewhere?.state, elsewhere?.why]).toEqual(['costly', ['person-twice']]);
  // An hour later than planned: the next coat, which was as early as it could be, has to move.
  expect(placeAt('area0 4', startOf('launch boat'))?.state).not.toBe('free');
});

it('what is free can be placed there and the plan holds; a task that is not in the plan is refused', () => {
  for (const { fromMs, state } of placesOf(yard, plan, 'area1 3')) {
    if (state === 'forbidden') continue;
    const moved = planYard({ ...yard, pinned: { 'area1 3': fromMs } }, { seed: 1, steps: 60 });
    const task = moved.ok ? moved.tasks.find(({ id }) => id === 'area1 3') : null;
    expect([task?.startMs, state === 'free' ? task?.faults : []]).toEqual([fromMs, []]);
  }
  expect(() => placesOf(yard, plan, 'area9 9')).toThrow(/a task of the plan/);
});

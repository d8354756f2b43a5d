import { expect, it } from 'vitest';
import { SHED_FROM, shedHours, shedYard } from '../../../test/weatherYards.ts';
import { buildProblem } from './buildProblem.ts';
import { FilmTables } from './coatTables.ts';
import { yardInWeather } from './index.ts';
import { LaterTables } from './laterTables.ts';

const SLOTS = 28 * 48;
const HALF_HOUR_MS = 1_800_000;

/** Two areas with the same paint in the same shed. */
const of = shedYard({ areas: 2 });
const yard = yardInWeather(of, shedHours(32), SLOTS);
const launchLag = (problem: ReturnType<typeof buildProblem>['problem'], area: string) => {
  const last = problem.lags.filter(
    ({ after, before }) => after.startsWith('launch') && before.startsWith(area),
  );
  if (!last[0]) throw new Error(`no launch after ${area}`);
  return last[0].earliest;
};

it('areas alike each keep the tables of the first forecast: a launch looked at near its plan has them, and no end waits for ever', () => {
  const later = new LaterTables();
  const { problem: first } = buildProblem(yard, SLOTS, { later });
  later.isKept = true;
  later.fromSlot = 3 * 48;
  // Only ends around the fourth day of the second week are looked at: none of them is in the days worked out again.
  const near = [10 * 48, 14 * 48] as const;
  const { problem } = buildProblem(yard, SLOTS, { later, between: () => near });
  for (const area of ['area0', 'area1'])
    for (const end of [10 * 48 + 20, 11 * 48 + 20]) {
      expect(launchLag(problem, area)[end], `${area}, ${end}`).toBe(launchLag(first, area)[end]);
      expect(launchLag(problem, area)[end]).toBeLessThan(SLOTS);
    }
});

it('what is near is worked out by the new forecast, what is far stays', () => {
  const later = new LaterTables();
  const { problem: first } = buildProblem(yard, SLOTS, { later });
  later.isKept = true;
  later.fromSlot = 3 * 48;
  const cold = yardInWeather(
    of,
    shedHours(32, () => ({ airC: 6 })),
    SLOTS,
  );
  const areas = yard.areas.map((area, i) => ({ ...area, temps: cold.areas[i]?.temps ?? area.temps }));
  const { problem } = buildProblem({ ...yard, areas }, SLOTS, { later });
  const lag = (from: typeof problem) => {
    const found = from.lags.find(({ before, after }) => before === 'area0 0' && after === 'area0 1');
    if (!found) throw new Error('no second coat');
    return found.earliest;
  };
  // Monday 08:00 to 17:00 in the yard: a coat that ends then cures more slowly in the cold; one of next week is as it was.
  const monday = Math.round((8 * 3_600_000) / HALF_HOUR_MS);
  expect(yard.fromMs).toBe(SHED_FROM);
  expect(lag(problem)[monday]).toBeGreaterThan(lag(first)[monday] as number);
  expect(lag(problem)[8 * 48]).toBe(lag(first)[8 * 48]);
});

it('what films do is kept apart by weather, sheet and length: a shared store changes no table', () => {
  const cold = yardInWeather(
    of,
    shedHours(32, () => ({ airC: 6 })),
    SLOTS,
  );
  const slower = { ...yard, areas: yard.areas.map((area) => ({ ...area, coats: area.coats.map((each) => ({ ...each, factor: 2 })) })) }; // biome-ignore format: one line
  const films = new FilmTables();
  for (const [
    each,
    slots,
  ] of [[yard, SLOTS], [cold, SLOTS], [slower, SLOTS], [yard, SLOTS - 48], [yard, SLOTS]] as const) // biome-ignore format: one line
    expect(buildProblem(each, slots, { films }).problem).toEqual(buildProblem(each, slots).problem);
});

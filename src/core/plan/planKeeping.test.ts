import { expect, it } from 'vitest';
import { cases } from '../../../test/cases.ts';
import { wrongInTheWorld } from '../../../test/planWorld.ts';
import { SHED_FROM, shedHours, shedYard } from '../../../test/weatherYards.ts';
import { planKeeping, planYard, type YardPlan, type YardToPlan, yardInWeather } from './index.ts';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const EFFORT = { seed: 1, steps: 300 };
const of = shedYard({ areas: 2 });
const yard = yardInWeather(of, shedHours(40), 28 * 48);
const planOf = (given: YardToPlan): YardPlan => {
  const plan = planYard(given, EFFORT);
  if (!plan.ok) throw new Error(`clash: ${plan.why}`);
  return plan;
};
const startsOf = ({ tasks }: YardPlan) => Object.fromEntries(tasks.map(({ id, startMs }) => [id, startMs]));
const keeping = (given: YardToPlan, agreed: Record<string, number>, effort = EFFORT) => {
  const { found, moves } = planKeeping(given, agreed, effort);
  if (!found.ok) throw new Error(`clash: ${found.why}`);
  return { plan: found, moves };
};

it('where nothing has changed nothing moves, though another plan would cost as little', () => {
  const agreed = startsOf(planOf(yard));
  const { plan, moves } = keeping(yard, agreed);
  expect(moves).toEqual([]);
  expect(startsOf(plan)).toEqual(agreed);
});

it('a plan just agreed to stays as it is with two people, and nearly so with one task more, whoever does what', () => {
  const six = shedYard({ areas: 6 });
  /** Two people and windows of so many hours at 20 °C. */
  const yardOf = (seed: number, windowH: number): YardToPlan => {
    const areas = six.yard.areas.map((area, i) => ({
      ...area,
      coats: area.coats.map((coat) => ({
        ...coat,
        people: i % 2 ? 1 : 1 + (seed % 2),
        sheet: {
          ...coat.sheet,
          overcoat: coat.sheet.overcoat.map((rule) => ({ ...rule, chemicalMax: rule.chemicalMax?.map((point) => ({ ...point, minutes: (point.minutes * windowH) / 48 })) ?? null })), // biome-ignore format: one line
        },
      })),
    }));
    const [one] = six.yard.people;
    const hoursOf = (from: number, to: number) => (one?.free ?? []).map((each) => ({ ...each, fromMs: each.fromMs + from * HOUR_MS, toMs: each.toMs + to * HOUR_MS })); // biome-ignore format: one line
    const people = [
      { id: 'one', free: hoursOf(0, -(seed % 3)) },
      { id: 'two', free: hoursOf(seed % 2, seed % 4) },
    ];
    return yardInWeather({ ...six, yard: { ...six.yard, areas, people } }, shedHours(40), 28 * 48);
  };
  // In the first two a list that takes the first who is free finds nobody for a later task.
  const tried = [[8, 14], [1, 30], ...Array.from({ length: cases(0, 40) }, (_, i) => [i + 10, 14 + (i % 20)])]; // biome-ignore format: one line
  for (const [seed = 1, windowH = 14] of tried) {
    const given = yardOf(seed, windowH);
    const made = planYard(given, { seed, steps: 100 });
    if (!made.ok) throw new Error(`clash: ${made.why}`);
    const agreed = startsOf(made);
    const { plan, moves } = keeping(given, agreed, { seed: 1, steps: 100 });
    expect(moves, `seed ${seed}`).toEqual([]);
    expect(startsOf(plan)).toEqual(agreed);
    expect(wrongInTheWorld(given, plan)).toEqual([]);
    const { [made.tasks[10]?.id ?? '']: _, ...fewer } = agreed;
    const more = keeping(given, fewer, { seed: 1, steps: 100 });
    expect(more.moves.length, `seed ${seed}`).toBeLessThan(4);
    expect(wrongInTheWorld(given, more.plan)).toEqual([]);
  }
});

it('a cold spell moves the coats it falls on and what follows from them, each with its reason, and nothing before it', () => {
  const agreed = startsOf(planOf(yard));
  // The third day is too cold for any coat (1 °C at noon); from then on as before.
  const cold = shedHours(40, (i) => (i >= 24 + 41 && i < 24 + 65 ? { airC: 1 } : {}));
  const { plan, moves } = keeping(yardInWeather(of, cold, 28 * 48), agreed);
  const coldFrom = SHED_FROM + 41 * HOUR_MS;
  expect(moves.length).toBeGreaterThan(0);
  for (const { fromMs, why } of moves) {
    expect(fromMs).toBeGreaterThanOrEqual(coldFrom);
    expect(why.length, JSON.stringify(why)).toBeGreaterThan(0);
  }
  expect(moves[0]?.why).toContain('start-not-allowed');
  const kept = plan.tasks.filter(({ startMs }) => startMs < coldFrom);
  for (const { id, startMs } of kept) expect(startMs, id).toBe(agreed[id]);
  const later = moves.find(({ because }) => because !== null);
  expect(moves.some(({ id }) => id === later?.because) || later === undefined).toBe(true);
});

it('tape that would be too old for a coat that moved is put on later too, and nothing else moves for it', () => {
  const holdsMs = DAY_MS;
  const masked = (hours: ReturnType<typeof shedHours>, others: number): YardToPlan => {
    const { yard: made, ...rest } = shedYard({ areas: 1 + others });
    const areas = made.areas.map((area) => {
      const [first, ...coats] = area.coats;
      const mask = { id: 'mask', kind: 'work' as const, ms: 2 * HOUR_MS, dusty: false, holdsMs };
      return first ? { ...area, coats: [{ ...first, work: [mask] }, ...coats] } : area;
    });
    return yardInWeather({ ...rest, yard: { ...made, areas } }, hours, 28 * 48);
  };
  const cold = shedHours(40, (i) => (i >= 24 && i < 24 + 4 * 24 ? { airC: 1 } : {}));
  for (let others = 0; others < cases(2, 5); others++) {
    const agreed = startsOf(planOf(masked(shedHours(40), others)));
    // Later coats come under old tape as agreed: nothing moves for that alone.
    expect(keeping(masked(shedHours(40), others), agreed).moves).toEqual([]);
    const given = masked(cold, others);
    const { plan, moves } = keeping(given, agreed);
    expect(wrongInTheWorld(given, plan)).toEqual([]);
    const mask = moves.find(({ id }) => plan.tasks.find((task) => task.id === id)?.workId === 'mask');
    expect(mask?.why).toEqual(['tape-too-old']);
    for (const { areaId, endMs } of plan.tasks.filter(({ workId }) => workId === 'mask')) {
      const coat = plan.tasks.find(({ coatId }) => coatId === `${areaId} 0` && coatId !== null);
      const first = plan.tasks.find(({ kind, coatId }) => kind === 'coat' && coatId === coat?.coatId);
      expect((first?.endMs ?? 0) - (first?.cleanUpMs ?? 0) - endMs).toBeLessThanOrEqual(holdsMs);
    }
  }
});

it('a coat that nobody began is past, and what waits for it says so', () => {
  const agreed = startsOf(planOf(yard));
  const nowMs = SHED_FROM + DAY_MS;
  const { moves } = keeping({ ...yard, fromMs: nowMs }, agreed);
  const first = moves.find(({ id }) => id === 'area0 0');
  expect(first?.why).toEqual(['past']);
  // It is done the same day, not when there is room for it.
  expect(first?.toMs).toBeLessThan(nowMs + 10 * HOUR_MS);
  expect(moves.find(({ id }) => id === 'area0 1')?.because).toBe('area0 0');
});

it('a time kept by hand stays, and no plan that keeps to another is too soon, too late or in bad air', () => {
  const agreed = startsOf(planOf(yard));
  const last = Object.entries(agreed).find(([id]) => id === 'area0 4')?.[1] ?? 0;
  // The Monday after: nobody works at the weekend.
  const pinned = { 'area0 4': last + 3 * DAY_MS };
  const { plan, moves } = keeping({ ...yard, pinned }, agreed);
  expect(moves.find(({ id }) => id === 'area0 4')?.why).toEqual(['by-hand']);
  expect(startsOf(plan)['area0 4']).toBe(last + 3 * DAY_MS);
  for (let seed = 0; seed < cases(2, 40); seed++) {
    const swing = (i: number) => ({ airC: 6 + 6 * Math.sin((i + 9 * seed) / (7 + seed)), rh: 0.6 + 0.3 * Math.cos(i / (5 + seed)) }); // biome-ignore format: one line
    const other = yardInWeather(of, shedHours(40, swing), 28 * 48);
    const { found } = planKeeping(other, agreed, EFFORT);
    if (found.ok) expect(wrongInTheWorld(other, found)).toEqual([]);
  }
});

it('rust found on one boat moves nothing of the other, though the same person does both', () => {
  const five = shedYard({ areas: 5 });
  const [one] = five.yard.areas;
  const [boat] = five.yard.boats;
  if (!one || !boat) throw new Error('an empty yard');
  const coats = one.coats.slice(0, 2).map((coat, i) => ({ ...coat, id: `spot ${i}`, minutes: 20 }));
  const spot = { ...one, id: 'spot', boatId: 'other', coats };
  const areas = [...five.yard.areas.map((each, i) => ({ ...each, boatId: i < 2 ? 'other' : 'boat' })), spot];
  const limits = five.limitsOf['area0 0'];
  const given = yardInWeather(
    {
      ...five,
      yard: { ...five.yard, areas, boats: [boat, { ...boat, id: 'other' }] },
      surfaceOf: { ...five.surfaceOf, spot: 0 },
      limitsOf: { ...five.limitsOf, ...(limits && { 'spot 0': limits, 'spot 1': limits }) },
    },
    shedHours(40),
    56 * 48,
  );
  const before = planOf({ ...given, areas: given.areas.slice(0, -1) });
  const { plan, moves } = keeping(given, startsOf(before));
  const boatOf = new Map(plan.tasks.map(({ id, boatId }) => [id, boatId]));
  expect(plan.tasks.filter(({ areaId }) => areaId === 'spot')).toHaveLength(2);
  expect(moves.filter(({ id }) => boatOf.get(id) === 'boat')).toEqual([]);
  expect(moves.map(({ id }) => id)).toContain('launch other');
  expect(wrongInTheWorld(given, plan)).toEqual([]);
});

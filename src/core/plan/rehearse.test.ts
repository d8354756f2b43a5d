import { describe, expect, it } from 'vitest';
import { cases } from '../../../test/cases.ts';
import { diceOf } from '../../../test/planProblems.ts';
import { SHED_FROM, shedHours, shedYard } from '../../../test/weatherYards.ts';
import type { AirHour } from '../air/index.ts';
import { type AreaToPlan, followPlan, type Order, planYard, type RehearsalStep, rehearse, WEATHER_ERRORS, type WeatherYard, yardInWeather } from './index.ts'; // biome-ignore format: one line

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const NO_ERROR = Object.fromEntries(
  Object.keys(WEATHER_ERRORS).map((key) => [key, [{ leadH: 0, sdC: 0 }]]),
) as unknown as typeof WEATHER_ERRORS;

function asked(of: WeatherYard, hours: readonly AirHour[]) {
  const yard = yardInWeather(of, hours, 28 * 48);
  const plan = planYard(yard, { seed: 1, steps: 100 });
  if (!plan.ok) throw new Error(`clash: ${plan.why}`);
  return { of: { ...of, yard }, plan, hours, morningMs: SHED_FROM + DAY_MS, wetShare: 0.2, errors: NO_ERROR };
}
const usual = asked(shedYard({ areas: 1 }), shedHours(32));
const coat = (i: number) => `area0 ${i}`;
const planned = (id: string) => {
  const task = usual.plan.tasks.find((each) => each.id === id);
  if (!task) throw new Error(`no ${id}`);
  return task;
};
const done = (steps: readonly RehearsalStep[], id: string) => {
  const found = steps.find((step) => step.kind === 'done' && step.task.id === id);
  if (found?.kind !== 'done') throw new Error(`${id} was not done`);
  return found;
};
const begin = (taskId: string, atMs: number): Order => ({ kind: 'begin', taskId, atMs, decidedMs: atMs });
const of = (steps: readonly RehearsalStep[], kind: RehearsalStep['kind']) =>
  steps.filter((step) => step.kind === kind);

it('with nothing decided otherwise it is the draw that the odds count, and says every step of it', () => {
  const real = { ...usual, errors: WEATHER_ERRORS };
  for (const draw of [0, 3]) {
    const { steps, hours, ...outcome } = rehearse(real, draw);
    expect(outcome).toEqual(followPlan(real, { first: draw, count: 1 })[0]);
    expect(of(steps, 'spoilt')).toHaveLength(outcome.harmed);
    expect(of(steps, 'done')).toHaveLength(usual.plan.tasks.filter(({ kind }) => kind !== 'film').length + outcome.harmed); // biome-ignore format: one line
    expect(hours).toHaveLength(real.hours.length);
    // What comes next waits for the film, as the weather lets it cure.
    const coats = steps.filter((step) => step.kind === 'done' && step.task.kind === 'coat');
    coats.forEach((step, i) => {
      const next = coats[i + 1];
      if (step.kind !== 'done') return;
      expect(step.readyMs).toBeGreaterThan(step.endMs);
      if (next?.kind === 'done') expect(next.startMs).toBeGreaterThanOrEqual(step.readyMs ?? Number.NaN);
      else expect(outcome.launches.boat).toBeGreaterThanOrEqual(step.readyMs ?? Number.NaN);
    });
  }
});

describe('somebody decides otherwise, where forecasts are never wrong', () => {
  const plain = rehearse(usual, 0);

  it('a coat over a film that is not ready: the time it would have been, and it is applied again', () => {
    const first = planned(coat(0));
    const { steps, launches, cost } = rehearse(usual, 0, [begin(coat(1), first.endMs)]);
    const step = done(steps, coat(1));
    expect(step).toMatchObject({ startMs: first.endMs, isOrdered: true });
    // 4 h at 20 °C by its sheet, at some 10 °C twice that and more.
    const ready = step.mistakes.find(({ code }) => code === 'too-soon')?.ms ?? 0;
    expect(ready - first.endMs).toBeGreaterThan(6 * HOUR_MS);
    expect(ready).toBeLessThanOrEqual(planned(coat(1)).startMs);
    expect(of(steps, 'spoilt')).toMatchObject([{ task: { id: coat(1) }, by: 'too-soon' }]);
    expect(done(steps, `${coat(1)}~1`).startMs).toBeGreaterThan(step.endMs);
    expect(launches.boat).toBeGreaterThanOrEqual(plain.launches.boat ?? Number.NaN);
    expect(cost).toBeGreaterThan(plain.cost ?? Number.NaN);
  });

  it('a launch before the paint is ready is done, and says from when it might have been', () => {
    const last = planned(coat(4));
    const { steps, launches } = rehearse(usual, 0, [begin('launch boat', last.endMs)]);
    const { mistakes } = done(steps, 'launch boat');
    expect(launches.boat).toBe(last.endMs);
    expect(mistakes.map(({ code }) => code)).toContain('too-soon');
    expect(mistakes[0]?.ms).toBeGreaterThan(last.endMs + 8 * HOUR_MS);
    expect(mistakes[0]?.ms).toBeLessThanOrEqual(plain.launches.boat ?? 0);
  });

  it('a coat held until its window has closed is sanded for, and the launch is later', () => {
    // 48 h at 20 °C, at 10 °C twice as long: a week is too long.
    const heldMs = planned(coat(1)).startMs + 8 * DAY_MS;
    const { steps, sanded, launches } = rehearse(usual, 0, [
      { kind: 'hold', taskId: coat(1), atMs: heldMs, decidedMs: planned(coat(0)).endMs },
    ]);
    const step = done(steps, coat(1));
    expect(step.startMs).toBeGreaterThanOrEqual(heldMs);
    expect([step.startMs - step.fromMs, sanded]).toEqual([2 * HOUR_MS, 1]);
    expect(launches.boat).toBeGreaterThan(plain.launches.boat ?? Number.NaN);
  });

  it('what cannot be done is refused: the coat after next, and work when nobody is there', () => {
    const night = SHED_FROM + 16 * HOUR_MS;
    const orders = [begin(coat(2), planned(coat(0)).startMs), begin(coat(1), night + 3 * DAY_MS)];
    const { steps, launches } = rehearse(usual, 0, [begin(coat(0), night), ...orders]);
    expect(of(steps, 'refused').map((step) => step.kind === 'refused' && step.why)).toContain('not-next');
    expect(launches.boat).not.toBeNull();
    // Its paint is delivered, or its support moved, two days after somebody wants to begin.
    const [atMs, laterMs] = [planned(coat(0)).startMs, planned(coat(0)).startMs + 2 * DAY_MS];
    const waiting = (change: (area: AreaToPlan) => AreaToPlan) =>
      of(rehearse({ ...usual, of: { ...usual.of, yard: { ...usual.of.yard, areas: usual.of.yard.areas.map(change) } } }, 0, [begin(coat(0), atMs)]).steps, 'refused')[0]; // biome-ignore format: one line
    const unpaid = waiting((area) => ({
      ...area,
      coats: area.coats.map((each) => ({ ...each, notBeforeMs: laterMs })),
    }));
    expect(unpaid).toMatchObject({ taskId: coat(0), why: 'no-paint' });
    expect(waiting((area) => ({ ...area, notBeforeMs: laterMs }))).toMatchObject({ why: 'behind-support' });
    const alone = rehearse(usual, 0, [begin(coat(0), SHED_FROM - 8 * HOUR_MS)]);
    expect(of(alone.steps, 'refused')).toMatchObject([{ taskId: coat(0), why: 'nobody-free' }]);
    expect(alone.launches).toEqual(plain.launches);
  });
});

it('a coat begun in the rain is spoilt by the rain', () => {
  const firstMs = SHED_FROM + 2 * HOUR_MS;
  const hours = shedHours(32, (i) => ({
    airC: 15,
    rh: 0.6,
    rainMm: SHED_FROM - DAY_MS + i * HOUR_MS < SHED_FROM + 8 * HOUR_MS ? 2 : 0,
  }));
  const wet = asked(shedYard({ areas: 1, kind: 'open' }), hours);
  const { steps, harmed } = rehearse(wet, 0, [begin(coat(0), firstMs)]);
  expect(done(steps, coat(0)).mistakes).toMatchObject([{ code: 'weather' }]);
  expect(of(steps, 'spoilt')).toMatchObject([{ task: { id: coat(0) }, by: 'rain' }]);
  expect(harmed).toBe(1);
  expect(() => rehearse(wet, 0, [begin(coat(0), Number.NaN)])).toThrow(
    /Time of a decision must be a valid time, but is NaN/,
  );
});

/** Whatever somebody decides: what the world allows nobody to do is not done. */
describe('whatever is decided', () => {
  const { of: yard, plan } = usual;
  const people = yard.yard.people;
  const tasks = plan.tasks.filter(({ kind }) => kind !== 'film');
  const endMs = Math.max(...tasks.map((task) => task.endMs));
  /** Some tasks begun or held at times of their own. */
  const decisions = (seed: number): Order[] => {
    const dice = diceOf(seed);
    return Array.from({ length: 1 + dice.below(3) }, () => {
      const { id } = tasks[dice.below(tasks.length)] as (typeof tasks)[number];
      const slots = Math.round((endMs - SHED_FROM) / (HOUR_MS / 2));
      const atMs = SHED_FROM + (dice.below(slots) * HOUR_MS) / 2;
      return dice.below(2) === 0
        ? begin(id, atMs)
        : { kind: 'hold' as const, taskId: id, atMs: atMs + dice.below(96) * HOUR_MS, decidedMs: atMs };
    });
  };

  it('nobody is in two places or at work at night, coats come one after the other, and no coat comes too soon of itself', () => {
    for (let seed = 0; seed < cases(2, 60); seed++) {
      const orders = decisions(seed);
      const { steps, harmed, launches, cost } = rehearse({ ...usual, errors: WEATHER_ERRORS }, seed, orders);
      const label = `seed ${seed}: ${JSON.stringify(orders)}`;
      const all = steps.filter((step) => step.kind === 'done').sort((a, b) => a.startMs - b.startMs);
      for (const { id, free } of people) {
        const own = all.filter(({ crew }) => crew.includes(id)).sort((a, b) => a.fromMs - b.fromMs);
        own.forEach((step, i) => {
          expect(step.fromMs, label).toBeGreaterThanOrEqual(own[i - 1]?.endMs ?? 0);
          expect(
            free.some(({ fromMs, toMs }) => fromMs <= step.fromMs && step.endMs <= toMs),
            label,
          ).toBe(true);
        });
      }
      const coats = all.filter(({ task }) => task.kind === 'coat');
      coats.forEach((step, i) => {
        const below = coats[i - 1];
        if (!below) return;
        expect(step.startMs, label).toBeGreaterThanOrEqual(below.endMs);
        // Only what somebody began in any case is on a film that is not ready: and then it says so, and is applied again.
        const isSoon = below.readyMs !== null && step.startMs < below.readyMs;
        const isSaid = step.mistakes.some(({ code }) => code === 'too-soon');
        if (!step.isOrdered) expect([step.mistakes, isSoon], label).toEqual([[], false]);
        else if (below.readyMs !== null) expect(isSaid, label).toBe(isSoon);
        if (isSaid) expect(of(steps, 'spoilt').some((each) => each.kind === 'spoilt' && each.task.id === step.task.id), label).toBe(true); // biome-ignore format: one line
      });
      expect(of(steps, 'spoilt'), label).toHaveLength(harmed);
      const launch = all.find(({ task }) => task.kind === 'launch');
      expect(launch?.startMs ?? null, label).toBe(launches.boat ?? null);
      expect(cost === null, label).toBe(launch === undefined);
      for (const { kind, taskId, atMs } of orders) {
        const step = all.find(({ task, isOrdered }) => task.id === taskId && isOrdered);
        if (kind === 'begin' && step && orders.filter((each) => each.taskId === taskId).length === 1)
          expect(step.startMs, label).toBe(atMs);
      }
    }
  });
});

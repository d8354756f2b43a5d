import { describe, expect, it } from 'vitest';
import { cases } from '../../../test/cases.ts';
import { diceOf } from '../../../test/planProblems.ts';
import { wrongInTheWorld } from '../../../test/planWorld.ts';
import { type CureSheet, type CurvePoint, HOUR_MS, type TempSeries } from '../cure/index.ts';
import {
  type AreaToPlan,
  type CoatToPlan,
  type PersonToPlan,
  planYard,
  type YardPlan,
  type YardToPlan,
} from './index.ts';

/** A Monday, 08:00. */
const T0 = Date.UTC(2026, 4, 4, 8);
const DAY_MS = 24 * HOUR_MS;
const ALWAYS = [{ fromMs: T0, toMs: Number.POSITIVE_INFINITY }];
const warm: TempSeries = { startMs: T0 - DAY_MS, valuesC: Array.from({ length: 90 * 24 }, () => 20) };
const hours = (h: number): CurvePoint[] => [{ tempC: 20, minutes: h * 60 }];
/** Every day from 8 to 17, so many days. */
const days = (count: number, costPerHour = 0): PersonToPlan['free'] =>
  Array.from({ length: count }, (_, i) => ({
    fromMs: T0 + i * DAY_MS,
    toMs: T0 + i * DAY_MS + 9 * HOUR_MS,
    costPerHour,
  }));
const sheet = (over: { minH: number; maxH?: number; waterH?: number; latestH?: number }): CureSheet => ({
  stopC: null,
  events: {
    'tack-free': hours(2),
    sandable: hours(12),
    ...(over.waterH !== undefined && { immersion: hours(over.waterH) }),
    ...(over.latestH !== undefined && { 'latest-immersion': hours(over.latestH) }),
  },
  overcoat: [
    { by: 'any', min: hours(over.minH), chemicalMax: over.maxH === undefined ? null : hours(over.maxH), keyGrit: 120 },
  ], // biome-ignore format: one line
});
const coat = (id: string, of: CureSheet, over: Partial<CoatToPlan> = {}): CoatToPlan => ({
  id,
  productId: 'barrier',
  family: 'epoxy',
  sheet: of,
  sessions: 1,
  getReadyMs: 0,
  applyMs: HOUR_MS,
  cleanUpMs: 0,
  people: 1,
  starts: ALWAYS,
  sandMs: HOUR_MS,
  work: [],
  ...over,
});
const area = (coats: CoatToPlan[], over: Partial<AreaToPlan> = {}): AreaToPlan => ({
  id: 'bottom',
  boatId: 'boat',
  air: 'yard',
  temps: warm,
  film: null,
  primeByMs: null,
  coats,
  ready: 'immersion',
  ...over,
});
const yard = (areas: AreaToPlan[], over: Partial<YardToPlan> = {}): YardToPlan => ({
  fromMs: T0,
  areas,
  boats: [{ id: 'boat', launches: ALWAYS, wantedMs: null, costPerDay: 0, latePerDay: 0 }],
  people: [{ id: 'ann', free: days(60) }],
  ...over,
});
const planOf = (given: YardToPlan): YardPlan => {
  const plan = planYard(given, { seed: 1, steps: 4000 });
  if (!plan.ok) throw new Error(`clash: ${plan.clash.map(({ id }) => id)} ${plan.why}`);
  return plan;
};
/** Hours after the start of the plan at which a task begins. */
const startH = (plan: YardPlan, id: string) =>
  ((plan.tasks.find((task) => task.id === id)?.startMs ?? Number.NaN) - T0) / HOUR_MS;

describe('by hand, at a steady 20 °C', () => {
  it('a second coat follows after its six hours the same day, the launch a day after that', () => {
    const s = sheet({ minH: 6, maxH: 24, waterH: 24 });
    const plan = planOf(yard([area([coat('one', s), coat('two', s)])]));
    expect(['one', 'two', 'launch boat'].map((id) => startH(plan, id))).toEqual([0, 7, 32]);
    // No price is set: no plan costs anything, and still the earliest is found.
    expect([plan.proven, plan.cost, plan.bound]).toEqual([true, 0, 0]);
  });

  it('the minimum counts from the last strip, the maximum from the first: a coat of three hours is late for a window of one', () => {
    // Open from 3 + 10 = 13 h (21:00) until 18 h by the first strip (02:00): nobody works then, so it is begun later in the day.
    const s = sheet({ minH: 10, maxH: 18, waterH: 24 });
    const long = { applyMs: 3 * HOUR_MS };
    const plan = planOf(yard([area([coat('one', s, long), coat('two', s, long)])]));
    // By its first strip the window closes 18 h after the start: for 08:00 the next day the first is begun at 14:00 or later.
    expect(startH(plan, 'one')).toBe(6);
    expect(startH(plan, 'two')).toBe(24);
    expect(plan.tasks.every(({ sandMs }) => sandMs === 0)).toBe(true);
  });

  it('where no start keeps the window, the film is sanded by the same hands, not before it can be', () => {
    // Closed 4 h after its first strip, open 3 h after its last: only a sanded film takes the second coat.
    const s = sheet({ minH: 5, maxH: 5, waterH: 24 });
    const plan = planOf(yard([area([coat('one', s), coat('two', s)])]));
    const two = plan.tasks.find(({ id }) => id === 'two');
    expect(two?.sandMs).toBe(HOUR_MS);
    // Sandable 12 h after 09:00 is 21:00: sanded from 08:00 on the next day.
    expect(startH(plan, 'two')).toBe(25);
  });

  it('above the water a launch waits until the film bears slings and feet, of a coat planned as of one that is on', () => {
    // Handbook part 10: walk and handle is an event of its own, later than tack-free.
    const s = { ...sheet({ minH: 6 }), events: { 'tack-free': hours(2), walk: hours(18) } };
    const launchH = (areas: AreaToPlan[]) => startH(planOf(yard(areas)), 'launch boat');
    expect(launchH([area([coat('one', s)], { ready: 'walk' })])).toBe(1 + 18);
    expect(launchH([area([coat('one', s)], { ready: 'tack-free' })])).toBe(1 + 2);
    const film = { appliedInMs: HOUR_MS, segments: [], sandableMs: null, wetUntilMs: null };
    const on = (softUntilMs: number) =>
      area([], { id: 'deck', film: { ...film, softUntilMs }, ready: 'tack-free' });
    const painted = area([coat('one', s)], { ready: 'tack-free' });
    expect(launchH([painted, on(T0 + 30 * HOUR_MS)])).toBe(30);
    expect(launchH([painted, on(T0 - HOUR_MS)])).toBe(3);
  });

  it('a coat waits for its air, and a launch for the tide', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const at = (h: number, toH: number) => ({ fromMs: T0 + h * HOUR_MS, toMs: T0 + toH * HOUR_MS });
    const boat = {
      id: 'boat',
      launches: [at(50, 50), at(100, 101)],
      wantedMs: null,
      costPerDay: 0,
      latePerDay: 0,
    };
    const plan = planOf(yard([area([coat('one', s, { starts: [at(28, 30)] })])], { boats: [boat] }));
    expect([startH(plan, 'one'), startH(plan, 'launch boat')]).toEqual([28, 100]);
  });

  it('a coat waits for its paint, and all work for a support that still covers the area', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const sand = [{ id: 's', kind: 'sand' as const, ms: HOUR_MS, dusty: true }];
    const at = T0 + 26 * HOUR_MS;
    // Sanded on the first day, painted when the paint is there: Tuesday 10:00.
    const paint = planOf(yard([area([coat('one', s, { work: sand, notBeforeMs: at })])]));
    expect([startH(paint, 'one/s'), startH(paint, 'one')]).toEqual([0, 26]);
    const patch = planOf(yard([area([coat('one', s, { work: sand })], { notBeforeMs: at })]));
    expect([startH(patch, 'one/s'), startH(patch, 'one')]).toEqual([26, 27]);
    expect(() => planOf(yard([area([coat('one', s, { notBeforeMs: Number.NaN })])]))).toThrow(/delivery/);
  });

  it('one crane takes one boat at a time: where only an hour a day is left for it, the second boat waits a day', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const areas = ['a', 'b'].map((id) => area([coat(`${id} one`, s)], { id, boatId: id, air: id }));
    const launchOf = (hoursOfDay: number) => {
      const launches = Array.from({ length: 20 }, (_, i) => ({ fromMs: T0 + i * DAY_MS, toMs: T0 + i * DAY_MS + hoursOfDay * HOUR_MS })); // biome-ignore format: one line
      const boats = ['a', 'b'].map((id) => ({ id, launches, wantedMs: null, costPerDay: 0, latePerDay: 0 }));
      const people = ['ann', 'ben'].map((id) => ({ id, free: days(30) }));
      const { tasks } = planOf(yard(areas, { boats, people }));
      return tasks.filter(({ kind }) => kind === 'launch').map(({ startMs }) => (startMs - T0) / HOUR_MS).sort((x, y) => x - y); // biome-ignore format: one line
    };
    // Both coats end after an hour, both boats are ready 25 h later.
    expect(launchOf(9)).toEqual([25, 26]);
    expect(launchOf(0.5)).toEqual([48, 72]);
  });

  it('steel blasted bare is primed within its hours, and what takes too long for that is named', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const blast = (h: number) => [
      { id: 'blast', kind: 'work' as const, ms: h * HOUR_MS, dusty: true, bareForMs: 4 * HOUR_MS },
    ];
    const primer = (h: number) => coat('prime', s, { work: blast(h), starts: [{ fromMs: T0 + 5 * HOUR_MS, toMs: T0 + 8 * HOUR_MS }] }); // biome-ignore format: one line
    const plan = planOf(yard([area([primer(2)])]));
    const [begun, primed] = [startH(plan, 'prime/blast'), startH(plan, 'prime')];
    // From the first strip bared: the prime is begun within four hours of the start of blasting.
    expect(primed - begun).toBeLessThanOrEqual(4);
    expect(primed).toBeGreaterThanOrEqual(5);
    // A wash with salt remover after the blast, and a wait for it to dry, use up the same hours.
    const wash = [
      { id: 'wash', kind: 'work' as const, ms: HOUR_MS / 2, dusty: false },
      { id: 'dry', kind: 'wait' as const, ms: HOUR_MS / 2, dusty: false },
    ];
    const washed = planOf(yard([area([coat('prime', s, { applyMs: 1.5 * HOUR_MS, work: [...blast(1), ...wash], starts: [{ fromMs: T0 + 30 * HOUR_MS, toMs: T0 + 32 * HOUR_MS }] })])])); // biome-ignore format: one line
    const bared = startH(washed, 'prime/blast');
    expect(startH(washed, 'prime') - bared).toBeLessThanOrEqual(4);
    // Its last strip, bared an hour after the first, is primed within four hours too.
    expect(startH(washed, 'prime') + 1.5 - (bared + 1)).toBeLessThanOrEqual(4);
    expect(startH(washed, 'prime')).toBeGreaterThanOrEqual(30);
    const large = planYard(yard([area([primer(3.5)])]), { seed: 1, steps: 10 });
    expect(large.unplanned).toEqual([
      { areaId: 'bottom', coatId: 'prime', code: 'too-large-for-bare-steel' },
    ]);
  });

  it('steel that is bare is primed first, and past its hours is said to be', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const bare = (h: number) => area([coat('prime', s)], { id: `bare ${h}`, primeByMs: T0 + h * HOUR_MS });
    const plan = planOf(yard([area([coat('one', s)]), bare(1)]));
    expect(startH(plan, 'prime')).toBe(0);
    const past = planYard(yard([bare(-1)]), { seed: 1, steps: 10 });
    expect(past.unplanned.map(({ code }) => code)).toEqual(['bare-too-long']);
  });

  it('a sheet that states no window or no time for the water leaves its area out, by name', () => {
    const silent: CureSheet = { stopC: null, events: {}, overcoat: [] };
    const codes = (coats: CoatToPlan[]) =>
      planYard(yard([area(coats)]), { seed: 1, steps: 10 }).unplanned.map(({ code }) => code);
    expect(codes([coat('one', silent), coat('two', silent)])).toEqual(['window-not-stated']);
    expect(codes([coat('one', sheet({ minH: 1 }))])).toEqual(['ready-not-stated']);
  });

  it('a film that is on holds the plan back by its own window, and dust waits until it is dry', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const film = {
      appliedInMs: HOUR_MS,
      segments: [
        { state: 'too-soon' as const, fromMs: T0 - HOUR_MS, toMs: T0 + 3 * HOUR_MS },
        { state: 'open' as const, fromMs: T0 + 3 * HOUR_MS, toMs: null },
      ],
      sandableMs: null,
      wetUntilMs: T0 + 2 * HOUR_MS,
    };
    const dusty = { id: 'sand', kind: 'sand' as const, ms: HOUR_MS, dusty: true };
    const other = area([coat('other', s, { work: [dusty] })], { id: 'topsides' });
    const plan = planOf(yard([area([coat('one', s)], { film }), other]));
    expect(startH(plan, 'one')).toBeGreaterThanOrEqual(3);
    expect(startH(plan, 'other/sand')).toBeGreaterThanOrEqual(2);
  });

  it('a launch that comes too late is said to clash where the film must be wetted sooner', () => {
    const s = sheet({ minH: 6, waterH: 24, latestH: 48 });
    const launches = [{ fromMs: T0 + 40 * DAY_MS, toMs: T0 + 41 * DAY_MS }];
    const boats = [{ id: 'boat', launches, wantedMs: null, costPerDay: 0, latePerDay: 0 }];
    // There is always a later day to paint it: the plan waits.
    const waits = planOf(yard([area([coat('one', s)])], { boats }));
    expect(startH(waits, 'launch boat') - startH(waits, 'one')).toBeLessThanOrEqual(48);
    // But not where nobody works in those days.
    const people = [{ id: 'ann', free: days(20) }];
    const plan = planYard(yard([area([coat('one', s)])], { boats, people }), { seed: 1, steps: 200 });
    expect(plan.ok).toBe(false);
    if (!plan.ok) expect(plan.clash.map(({ id }) => id).sort()).toEqual(['launch boat', 'one']);
  });

  it('a coat placed by hand stays there, and what is wrong with its place is said', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const areas = [
      area([
        coat('one', s, { starts: [{ fromMs: T0 + 2 * HOUR_MS, toMs: T0 + 90 * DAY_MS }] }),
        coat('two', s),
      ]),
    ];
    const placed = (one: number, two: number) =>
      planOf(yard(areas, { pinned: { one: T0 + one * HOUR_MS, two: T0 + two * HOUR_MS } })).tasks.filter(
        ({ kind }) => kind === 'coat',
      );
    expect(placed(2, 24).map(({ startMs, faults }) => [(startMs - T0) / HOUR_MS, faults])).toEqual([
      [2, []],
      [24, []],
    ]);
    // In bad air, and the second 4 h after the end of the first that wants 6.
    expect(placed(1, 6).map(({ faults }) => faults)).toEqual([
      ['start-not-allowed', 'too-early'],
      ['too-early'],
    ]);
  });

  it('money: days in the yard and hours of work add up', () => {
    const s = sheet({ minH: 6, waterH: 24 });
    const boats = [{ id: 'boat', launches: ALWAYS, wantedMs: null, costPerDay: 4800, latePerDay: 0 }];
    const people = [{ id: 'ann', free: days(30, 2000) }];
    const plan = planOf(yard([area([coat('one', s)])], { boats, people }));
    // An hour at 20.00; 1 + 24 + 1 h (the launch) in the yard at 48.00 a day.
    expect(plan.cost).toBe(2000 + (4800 * 26) / 24);
    expect(plan.bound).toBeLessThanOrEqual(plan.cost);
  });
});

/** A yard from a seed: cold nights, several areas and boats, coats of several sessions, sanding between. */
function aYard(seed: number): YardToPlan {
  const dice = diceOf(seed);
  const temps: TempSeries = {
    startMs: T0 - DAY_MS,
    valuesC: Array.from({ length: 60 * 24 }, (_, h) => 14 + 7 * Math.sin((h * Math.PI) / 12) + dice.below(3)),
  };
  const areas = Array.from({ length: dice.from(1, 3) }, (_, a): AreaToPlan => {
    const s: CureSheet = {
      stopC: 5,
      events: {
        'tack-free': [{ tempC: 10, minutes: 500 }, { tempC: 20, minutes: 200 }],
        sandable: hours(dice.from(6, 20)),
        immersion: hours(dice.from(20, 60)),
      },
      overcoat: [{ by: 'any', min: hours(dice.from(3, 9)), chemicalMax: hours(dice.from(14, 70)), keyGrit: 120 }],
    }; // biome-ignore format: compact
    const coats = Array.from({ length: dice.from(1, 4) }, (_c, c) =>
      coat(`a${a}c${c}`, s, {
        getReadyMs: dice.from(0, 3) * 600_000,
        applyMs: dice.from(2, 14) * 900_000,
        cleanUpMs: dice.from(0, 2) * 900_000,
        sessions: dice.chance(25) ? 2 : 1,
        sandMs: dice.from(1, 6) * 1_200_000,
        work: dice.chance(40) ? [{ id: 'w', kind: dice.chance(50) ? 'sand' : 'work', ms: dice.from(1, 30) * HOUR_MS / 4, dusty: dice.chance(50) }] : [],
        starts: Array.from({ length: 50 }, (_d, d) => ({ fromMs: T0 + d * DAY_MS + dice.from(0, 3) * HOUR_MS, toMs: T0 + d * DAY_MS + dice.from(4, 9) * HOUR_MS })),
      }),
    ); // biome-ignore format: compact
    return area(coats, { id: `a${a}`, boatId: `b${a % 2}`, temps, air: dice.chance(50) ? 'shed' : 'open' });
  });
  const boats = ['b0', 'b1'].map((id) => ({
    id,
    launches: ALWAYS,
    wantedMs: T0 + 5 * DAY_MS,
    costPerDay: 3000,
    latePerDay: 9000,
  }));
  return yard(areas, { boats, people: [{ id: 'ann', free: days(60, 1500) }, { id: 'ben', free: days(60, 1800) }] }); // biome-ignore format: one line
}

describe('followed to the minute', () => {
  it('no plan of many yards puts a coat on too soon or too late, in bad air, or two jobs on one pair of hands', () => {
    let sanded = 0;
    for (let seed = 1; seed <= cases(8, 60); seed++) {
      const given = aYard(seed);
      const plan = planYard(given, { seed, steps: 300 });
      if (!plan.ok) throw new Error(`seed ${seed}: ${plan.why}`);
      expect([seed, plan.unplanned, wrongInTheWorld(given, plan)]).toEqual([seed, [], []]);
      sanded += plan.tasks.filter(({ sandMs }) => sandMs > 0).length;
    }
    expect(sanded).toBeGreaterThan(0);
  });
});

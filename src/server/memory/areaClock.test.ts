import { describe, expect, it } from 'vitest';
import { aProduct, aStep, HOUR, NOON } from '../../../test/examples.ts';
import type { Step } from '../../contract/index.ts';
import type { SplicedHour } from '../../core/cure/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { areaClock } from './areaClock.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';

const at20 = (hours: number) => [{ tempC: 20, minutes: hours * 60 }];
const EPOXY = aProduct().sheet;
const ANTIFOULING: ProductSheet = {
  ...EPOXY,
  family: 'ablative-antifouling',
  parts: [{ name: 'paint', ratio: 1, densityKgPerL: 1.7 }],
  cure: {
    stopC: 0,
    events: { immersion: at20(16), 'latest-immersion': at20(24 * 30) },
    overcoat: [{ by: 'any', min: at20(6), chemicalMax: null, keyGrit: null }],
  },
};
const SHEETS: Record<string, ProductSheet> = { epoxy: EPOXY, antifouling: ANTIFOULING };

const catalogue: ProductCatalogue = {
  latest: new Map(
    Object.entries(SHEETS).map(([id, sheet]) => [id, { id, name: `Test ${id}`, version: 1, sheet }]),
  ),
  paceOf: () => 1,
  sheetOf: (id, version) => (version === 1 ? SHEETS[id] : undefined),
};
const hours: SplicedHour[] = Array.from({ length: 24 * 60 }, (_, i) => ({
  at: NOON - 24 * HOUR + i * HOUR,
  airC: 20,
  rh: 0.6,
  source: 'measured',
  simulated: false,
}));
const step = (id: string, productId: string, coats: number, colours = ['grey', 'white']): Step =>
  aStep(productId, { id, coats, colours });
const coat = (
  stepId: string,
  productId: string,
  coatNo: number,
  endHour: number,
  areaM2 = 20,
): CoatOnArea => ({
  entryId: `${stepId}${coatNo}@${endHour}`,
  stepId,
  coatNo,
  areaM2,
  fromMs: NOON + (endHour - 1) * HOUR,
  toMs: NOON + endHour * HOUR,
  // 100 µm of 50 % solids by roller: its typical film.
  body: {
    productId,
    sheetVersion: 1,
    colour: 'grey',
    method: 'roller',
    areaM2,
    litres: (areaM2 * 100) / (1000 * 0.5 * 0.925),
  } as CoatOnArea['body'],
});
const state = (
  steps: Step[],
  coats: CoatOnArea[],
  service: AreaSnapshot['area']['service'] = 'immersed',
): AreaSnapshot => ({
  area: {
    id: 'area',
    boatId: 'boat',
    earlierShelters: [],
    name: 'Bottom',
    zone: 'bottom',
    side: 'both',
    substrate: 'grp',
    service,
    surroundings: { kind: 'shed' },
    oldCoating: null,
    highWear: false,
    part: null,
    measures: [{ shape: { kind: 'rectangle', lengthM: 5, widthM: 4 }, count: 1, opening: false }],
    spread: 0.05,
    estimates: [],
    chosenWay: null,
    note: '',
    version: 1,
    archived: false,
  },
  boat: { id: 'boat', name: 'Test hull' } as AreaSnapshot['boat'],
  stackVersion: 1,
  steps,
  coats,
  removed: [],
  groundMs: null,
  rounds: [],
  handTests: [],
  work: [],
  strewn: [],
  blast: null,
  profileMicrons: null,
  cutM2: 0,
  stand: null,
});
const look = (s: AreaSnapshot, atHour: number, air: SplicedHour[] = hours) =>
  areaClock(s, {
    air: { hours: air, site: { latitude: 50, longitude: 0 } },
    now: NOON + atHour * HOUR,
    catalogue,
  });
const stack = [step('e', 'epoxy', 2), step('a', 'antifouling', 1, ['red'])];

describe('where an area stands', () => {
  it('without a stack, and bare', () => {
    expect(look(state([], []), 0)).toMatchObject({ state: 'no-system', next: null, nextIsWater: false });
    expect(look(state(stack, []), 0)).toMatchObject({
      state: 'bare',
      stepsDone: 0,
      stepsAll: 3,
      next: { stepId: 'e', coatNo: 0, colour: 'grey' },
    });
  });

  it('colours alternate from coat to coat: a miss shows', () => {
    const clock = look(state(stack, [coat('e', 'epoxy', 0, 0)]), 1);
    expect(clock.next).toMatchObject({ coatNo: 1, colour: 'white', productName: 'Test epoxy' });
    expect(clock.film).toMatchObject({ coatLabel: 'coat 1 of 2', productName: 'Test epoxy' });
  });

  it('too soon, then open, then to be keyed with the sheet’s grit', () => {
    const applied = state(stack, [coat('e', 'epoxy', 0, 0)]);
    expect(look(applied, 9.9).state).toBe('too-soon');
    expect(look(applied, 10)).toMatchObject({
      state: 'open',
      until: new Date(NOON + 119 * HOUR).toISOString(),
    });
    expect(look(applied, 119)).toMatchObject({ state: 'key-first', until: null, keyGrit: 120 });
  });

  it('the next product’s own line decides: the film is the epoxy’s, what comes on it the antifouling', () => {
    const applied = state(stack, [coat('e', 'epoxy', 0, 0), coat('e', 'epoxy', 1, 20)]);
    expect(look(applied, 21)).toMatchObject({
      next: { stepId: 'a', colour: 'red' },
      ruleBy: 'any',
      stepsDone: 2,
    });
  });

  it('with all coats on an immersed area waits for the water, in time and not too long', () => {
    const done = state(stack, [
      coat('e', 'epoxy', 0, -40),
      coat('e', 'epoxy', 1, -20),
      coat('a', 'antifouling', 0, 0),
    ]);
    expect(look(done, 5)).toMatchObject({ state: 'too-soon', nextIsWater: true, next: null });
    expect(look(done, 16).state).toBe('open');
    expect(look(done, 24 * 31).state).toBe('closed');
    const deck = look({ ...done, area: { ...done.area, service: 'daylight' } }, 16);
    expect(deck).toMatchObject({ state: 'finished', nextIsWater: false, segments: [] });
    expect(deck.events.map((e) => e.event)).toEqual(['immersion', 'latest-immersion']);
  });
});

describe('a coat broken off', () => {
  const first = coat('e', 'epoxy', 0, -20);
  it('leaves the coat below as the film, and the rest due', () => {
    const clock = look(state(stack, [first, coat('e', 'epoxy', 1, 0, 8)]), 1);
    expect(clock).toMatchObject({
      next: { coatNo: 1, coveredM2: 8 },
      film: { coatLabel: 'coat 1 of 2' },
      stepsDone: 1,
    });
  });
  it('is one coat once the pieces cover the area, applied from the first start to the last end', () => {
    const clock = look(state(stack, [first, coat('e', 'epoxy', 1, 0, 8), coat('e', 'epoxy', 1, 6, 12)]), 7);
    expect(clock.film).toMatchObject({
      appliedFrom: new Date(NOON - HOUR).toISOString(),
      appliedTo: new Date(NOON + 6 * HOUR).toISOString(),
    });
    expect(clock.film?.entryIds).toHaveLength(2);
    expect(clock.stepsDone).toBe(2);
  });
  it('on bare ground leaves the area bare, with what is covered said', () => {
    expect(look(state(stack, [coat('e', 'epoxy', 0, 0, 5)]), 1)).toMatchObject({
      state: 'bare',
      film: null,
      next: { coveredM2: 5 },
    });
  });
  it('a coat within 5 % of the area is whole: hand measures are no better', () => {
    expect(look(state(stack, [coat('e', 'epoxy', 0, 0, 19)]), 1).stepsDone).toBe(1);
    expect(look(state(stack, [coat('e', 'epoxy', 0, 0, 18.9)]), 1).stepsDone).toBe(0);
  });
});

describe('what is not known is not guessed', () => {
  it('without air no clock runs, and the film is still named', () => {
    expect(look(state(stack, [coat('e', 'epoxy', 0, 0)]), 1, [])).toMatchObject({
      state: 'no-weather',
      film: { productName: 'Test epoxy' },
      segments: [],
    });
  });
  it('a coat of a step that was since taken out of the stack still lies on the boat', () => {
    const clock = look(state([step('a', 'antifouling', 1)], [coat('gone', 'epoxy', 0, 0)]), 1);
    expect(clock).toMatchObject({ film: { coatLabel: 'coat 1' }, next: { stepId: 'a' }, state: 'too-soon' });
  });

  it('of a coat broken off each session has its own clock, and what waits for it its own', () => {
    const partly = state(stack, [
      coat('e', 'epoxy', 0, 0),
      coat('e', 'epoxy', 1, 11, 6),
      coat('e', 'epoxy', 1, 16, 8),
    ]);
    const { parts, next } = look(partly, 17);
    expect(next).toMatchObject({ coatNo: 1, coveredM2: 14 });
    expect(parts.map(({ what, areaM2, state: each }) => [what, areaM2, each])).toEqual([
      ['begun', 6, 'too-soon'],
      ['begun', 8, 'too-soon'],
      ['rest', 6, 'open'],
    ]);
    const [first, second] = parts;
    expect(Date.parse(second?.until ?? '') - Date.parse(first?.until ?? '')).toBe(5 * HOUR);
    expect(look(state(stack, [coat('e', 'epoxy', 0, 0)]), 17).parts).toEqual([]);
  });
  it('sanded before its next coat, the sessions of a coat are told as sanded, not as missed', () => {
    const applied = state(stack, [coat('e', 'epoxy', 0, 0, 8), coat('e', 'epoxy', 0, 6, 12)]);
    const missed = look(applied, 24 * 30);
    expect(missed.parts.map(({ state: each }) => each)).toEqual(['key-first', 'key-first']);
    const at = NOON + 24 * 29 * HOUR;
    const work = { stepId: 'e', coatNo: 1, taskId: 'key', kind: 'sand', entryId: 'w', atMs: at } as const;
    const sanded = look({ ...applied, work: [work] }, 24 * 30);
    expect([sanded.state, ...sanded.parts.map(({ state: each }) => each)]).toEqual([
      'keyed',
      'keyed',
      'keyed',
    ]);
  });
  it('what a blast profile drank is no heavy film', () => {
    const steel = { ...state(stack, [coat('e', 'epoxy', 0, 0)]), profileMicrons: 105 };
    steel.area = { ...steel.area, substrate: 'steel' };
    const [first] = steel.coats as [CoatOnArea];
    // 130 µm and what 105 µm of profile take (0.07 l/m², handbook part 6): the same litres on GRP are 162 µm.
    const litres = 1.3 * first.body.litres + 20 * 0.07;
    steel.coats = [{ ...first, body: { ...first.body, litres } }];
    expect(look(steel, 1).warnings).not.toContain('heavy-film');
    expect(look({ ...steel, area: { ...steel.area, substrate: 'grp' } }, 1).warnings).toContain('heavy-film');
  });
  it('a second lap may begin where the first did, though the far end is not ready', () => {
    const { lap } = look(state(stack, [coat('e', 'epoxy', 0, 0)]), 1);
    expect((Date.parse(lap?.farEnd ?? '') - Date.parse(lap?.start ?? '')) / HOUR).toBe(1);
  });
  it('blasted steel half primed: the other half keeps its four hours', () => {
    const blast = { atMs: NOON - 2 * HOUR, holdsMs: 4 * HOUR };
    const half = { ...state(stack, [coat('e', 'epoxy', 0, -1, 10)]), blast };
    expect(look(half, 0)).toMatchObject({ state: 'bare', until: new Date(NOON + 2 * HOUR).toISOString() });
    const whole = { ...state(stack, [coat('e', 'epoxy', 0, -1, 20)]), blast };
    expect(look(whole, 0)).toMatchObject({ state: 'too-soon', primeBy: null });
  });
});

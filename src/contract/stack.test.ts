import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { aProduct, aStep } from '../../test/examples.ts';
import { entryInput, findingInput, productInput, stackInput, strict } from './index.ts';

const refused = (schema: typeof stackInput, value: unknown): string[] =>
  (schema.validate(value, strict).error?.details ?? []).map(
    ({ path, message }) => `${path.join('.')}: ${message}`,
  );
const task = (over: object = {}) => ({ id: uuidv7(), kind: 'sand', amount: 120, note: '', ...over });
const stack = (over: object) => refused(stackInput, { version: 1, steps: [{ ...aStep(uuidv7()), ...over }] });

describe('a step at the border', () => {
  it('with work, a band, an order and an overrule is taken', () => {
    const full = {
      before: [
        task(),
        task({ kind: 'wait', amount: 24 }),
        task({ kind: 'inspect', amount: null, note: 'low light' }),
      ],
      band: { name: 'waterline band', areaM2: 1.2 },
      order: 'bottom-up',
      overrule: { ruleIds: ['epoxy-in-daylight'], reason: 'under an awning for good' },
    };
    expect(stack(full)).toEqual([]);
  });
  const twin = uuidv7();
  it.each<[string, object, string]>([
    ['no coats', { coats: 0 }, 'steps.0.coats: Coats must be 1 or more, but is 0'],
    [
      'a film of nothing',
      { dryMicronsPerCoat: 0 },
      'steps.0.dryMicronsPerCoat: Dry film per coat (µm) must be 0.5 or more, but is 0',
    ],
    ['thinner by the half', { thinner: 0.6 }, 'steps.0.thinner: Thinner must be 50 % or less, but is 60 %'],
    ['no colour', { colours: [] }, 'steps.0.colours: colours must have 1 or more entries, but has 0'],
    [
      'a method nobody has',
      { method: 'fingers' },
      'steps.0.method: method must be one of: [brush, roller, roll-and-tip, conventional-spray, airless-spray, trowel, aerosol], but is “fingers”',
    ],
    [
      'grit of boulders',
      { sandBetween: 8 },
      'steps.0.sandBetween: grit between coats must be 24 or more, but is 8',
    ],
    [
      'work of no kind',
      { before: [task({ kind: 'sing' })] },
      'steps.0.before.0.kind: Task type must be one of: [prepare, wash, sand, wait, inspect, aggregate], but is “sing”',
    ],
    [
      'the same work twice',
      { before: [task({ id: twin }), task({ id: twin })] },
      'steps.0.before.1: Tasks before this step is in the list twice',
    ],
    [
      'thirteen works',
      { before: Array.from({ length: 13 }, () => task()) },
      'steps.0.before: Tasks before this step can have at most 12 entries, but has 13',
    ],
    [
      'a band of nothing',
      { band: { name: 'edge', areaM2: 0 } },
      'steps.0.band.areaM2: Band size (m²) must be 0.0001 or more, but is 0',
    ],
    [
      'a band without a name',
      { band: { name: ' ', areaM2: 1 } },
      'steps.0.band.name: Band name can’t start or end with a space',
    ],
    [
      'sideways',
      { order: 'sideways' },
      'steps.0.order: Direction must be one of: [bottom-up, top-down, null], but is “sideways”',
    ],
    [
      'overruled in a word',
      { overrule: { ruleIds: ['x'], reason: 'no' } },
      'steps.0.overrule.reason: Reason for applying anyway must be at least 8 characters long, but is “no”',
    ],
    ['more than it knows', { glitter: true }, 'steps.0.glitter'],
  ])('%s is refused by field, value and limit', (_, over, message) => {
    const texts = stack(over);
    expect(texts).toHaveLength(1);
    expect(texts[0]).toContain(message);
  });
});

describe('work in the log', () => {
  const work = (over: object) => ({
    id: uuidv7(),
    areaId: uuidv7(),
    at: '2026-05-14T12:00:00Z',
    corrects: null,
    kind: 'work',
    body: {
      stepId: uuidv7(),
      coatNo: 0,
      taskId: uuidv7(),
      kind: 'inspect',
      amount: null,
      note: '',
      outcome: 'done',
      remark: '',
      ...over,
    },
  });
  it('names a task of the stack, the sanding between, or the keying of a missed window', () => {
    for (const taskId of [uuidv7(), 'between', 'key'])
      expect(refused(entryInput as never, work({ taskId }))).toEqual([]);
  });
  it.each<[string, object, string]>([
    ['a task by number', { taskId: '3' }, 'body.taskId'],
    ['an outcome it has not', { outcome: 'maybe' }, 'body.outcome'],
    ['coat minus one', { coatNo: -1 }, 'coat number must be 0 or more, but is -1'],
    ['an essay', { remark: 'x'.repeat(1001) }, 'remark can be at most 1000 characters long'],
  ])('%s is refused', (_, over, message) => {
    expect(refused(entryInput as never, work(over)).join()).toContain(message);
  });
});

describe('figures by method on a sheet', () => {
  const sheet = (byMethod: unknown) => refused(productInput as never, aProduct({ byMethod } as never));
  const airless = { method: 'airless-spray', film: { min: 100, typical: 125, max: 150 }, thinnerMax: 0.05 };
  it('each method once, its film in order, or as for all', () => {
    expect(sheet([airless, { method: 'brush', film: null, thinnerMax: null }])).toEqual([]);
    expect(sheet([airless, airless]).join()).toContain('is in the list twice');
    expect(sheet([{ ...airless, film: { min: 100, typical: 90, max: 150 } }]).join()).toContain(
      'Dry film per coat must run from minimum to typical to maximum, but is 100, 90, 150 µm',
    );
    expect(sheet([{ ...airless, thinnerMax: 5 }]).join()).toContain('must be 50 % or less, but is 500 %');
  });
});

describe('findings that are seen', () => {
  const finding = (over: object) =>
    refused(findingInput as never, {
      id: uuidv7(),
      boatId: uuidv7(),
      areaId: null,
      at: '2026-05-14T12:00:00Z',
      kind: 'converter',
      value: 2,
      grade: 'red',
      limit: null,
      place: null,
      photoIds: [],
      note: '',
      ...over,
    });
  it('take their own words only', () => {
    for (const grade of ['A', 'D', 'hard', 'softens', 'black', 'red', null])
      expect(finding({ grade })).toEqual([]);
    expect(finding({ grade: 'pink' })[0]).toContain('grade must be one of');
    expect(finding({ kind: 'smell' })[0]).toContain('Finding type must be one of');
  });
});

it('a sheet whose table lies wholly below its stop temperature is refused by that table’s name, as the clock would refuse it', () => {
  const { id, name, sheet } = aProduct();
  const cold = (cure: object) =>
    refused(productInput as never, {
      id,
      name,
      sheet: { ...sheet, cure: { ...sheet.cure, stopC: 12, ...cure } },
    });
  const table = (...temps: number[]) => temps.map((tempC, i) => ({ tempC, minutes: 900 - i * 100 }));
  const rule = { ...sheet.cure.overcoat[0], min: table(10, 20), chemicalMax: table(5, 11) };
  expect(cold({ events: { sandable: table(5, 20) }, overcoat: [] })).toEqual([]);
  expect(cold({ events: { sandable: table(5, 10) }, overcoat: [] }).join()).toMatch(
    /sandable: every temperature is below the stop temperature of 12 °C/,
  );
  expect(cold({ events: {}, overcoat: [rule] }).join()).toMatch(
    /latest without sanding: every temperature is below/,
  );
});

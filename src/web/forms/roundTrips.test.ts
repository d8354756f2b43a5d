import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import { DEMO_BOATS } from '../../../demo/yardPlan.ts';
import { aStep } from '../../../test/examples.ts';
import { type Area, areaInput, boatInput, productInput, stackInput, strict } from '../../contract/index.ts';
import { FAMILIES, type Family, stillTypical, typicalSheet } from '../../core/system/index.ts';
import type { UnitSystem } from '../../core/units/index.ts';
import { sheetToValues } from '../materials/sheetToValues.ts';
import { sheetFormPath, valuesToSheet } from '../materials/valuesToSheet.ts';
import { areaToValues, formPath, valuesToArea } from '../survey/areaForm.ts';
import { boatToValues, valuesToBoat } from '../survey/boatForm.ts';
import { type StepValues, stackFormPath, stackToValues, valuesToStack } from '../systems/stackForm.ts';
import { FormReader, refusals } from './canonical.ts';

const ID = '01900000-0000-7000-8000-000000000001';
const BOAT = '01900000-0000-7000-8000-000000000002';
const SYSTEMS: UnitSystem[] = ['metric', 'us'];

/** Equal to six figures: what a form can carry. */
function expectClose(found: unknown, wanted: unknown, at = ''): void {
  if (typeof wanted === 'number')
    expect((found as number) / (wanted || 1), at).toBeCloseTo(wanted ? 1 : 0, 5);
  else if (wanted !== null && typeof wanted === 'object') {
    expect(Object.keys(found as object).sort(), at).toEqual(Object.keys(wanted).sort());
    for (const [key, value] of Object.entries(wanted)) {
      expectClose((found as Record<string, unknown>)[key], value, `${at}.${key}`);
    }
  } else expect(found, at).toEqual(wanted);
}

describe.each(SYSTEMS)('opened and saved untouched in %s figures, a record is the same record', (system) => {
  it('every sheet of the demo', () => {
    for (const [name, sheet] of Object.entries(SHEETS)) {
      const read = new FormReader(system);
      const product = { id: ID, name, sheet };
      const back = valuesToSheet(sheetToValues(product, system), ID, read);
      expect(read.errors, name).toEqual([]);
      expectClose(back, product, name);
      expect(productInput.validate(back, strict).error, name).toBeUndefined();
    }
  });

  it('every boat and area of the demo', () => {
    for (const { areas, ...boat } of DEMO_BOATS) {
      const read = new FormReader(system);
      const input = { id: ID, ...boat };
      expectClose(valuesToBoat(boatToValues(input, system), ID, read), input, boat.name);
      for (const { steps: _s, applied: _l, state: _t, potMixedMinutesAgo: _p, ...plan } of areas) {
        const area: Area = {
          id: ID,
          earlierShelters: [],
          boatId: BOAT,
          spread: 0.05,
          estimates: [{ way: 'rule', areaM2: 12.25, spread: 0.15, basis: 'rule of thumb' }],
          chosenWay: 'rule',
          note: '',
          surroundings: { kind: 'open' },
          oldCoating: 'ablative-antifouling',
          highWear: true,
          part: null,
          ...plan,
          version: 1,
          archived: false,
        };
        const back = valuesToArea(areaToValues(area, system), { id: ID, boatId: BOAT }, read, {
          saved: area,
          zone: 'UTC',
          system,
        });
        const { version: _v, archived: _a, ...rest } = area;
        expectClose(back, rest, plan.name);
        expect(areaInput.validate(back, strict).error, plan.name).toBeUndefined();
      }
      expect(read.errors).toEqual([]);
      expect(boatInput.validate(input, strict).error).toBeUndefined();
    }
  });

  it('a stack', () => {
    const steps = [
      {
        id: ID,
        productId: BOAT,
        coats: 5,
        dryMicronsPerCoat: 110,
        method: 'roller' as const,
        thinner: 0.075,
        colours: ['grey', 'white'],
        signal: 'white',
        extraCoats: 1,
        before: [{ id: ID, kind: 'sand' as const, amount: 120, note: 'by hand at the edges' }],
        sandBetween: 220,
        sandGrits: [null, 220, null, 320, 320],
        spacingH: 24,
        coatNotes: ['', '', '', '', 'the better brush'],
        additives: [{ name: 'a roller additive', mlPerLitre: 5 }],
        ownRatio: { parts: [6, 5], reason: 'a little rich in the tank' },
        band: { name: 'waterline band', areaM2: 2.35 },
        order: 'bottom-up' as const,
        overrule: { ruleIds: ['epoxy-in-daylight'], reason: 'covered by the awning' },
      },
    ];
    const read = new FormReader(system);
    const back = valuesToStack(stackToValues(steps, system), 3, read);
    expectClose(back, { version: 3, steps });
    expect(stackInput.validate(back, strict).error).toBeUndefined();
  });
});

it.each(['metric', 'us'] as const)(
  'a typical sheet opened and saved untouched in %s figures confirms nothing',
  (system) => {
    for (const family of Object.keys(FAMILIES) as Family[]) {
      const sheet = typicalSheet(family);
      const read = new FormReader(system);
      const back = valuesToSheet(sheetToValues({ id: ID, name: family, sheet }, system), ID, read);
      expect(stillTypical(sheet, back.sheet), family).toEqual(sheet.typical);
    }
  },
);

it('fields of later coats that were never drawn are no notes, and no parts of a ratio', () => {
  const [step] = stackToValues([aStep(BOAT, { coats: 3 })], 'metric').steps;
  const holes: string[] = [];
  holes[2] = 'the better brush';
  const read = new FormReader('metric');
  const typed = { ...(step as StepValues), coatNotes: holes, ownParts: new Array<string>(2) };
  const [back] = valuesToStack({ steps: [typed] }, 1, read).steps;
  expect(read.errors).toEqual([]);
  expect(back).toMatchObject({ coatNotes: ['', '', 'the better brush'], ownRatio: null });
  expect(stackInput.validate({ version: 1, steps: [back] }, strict).error).toBeUndefined();
});

describe('what a form cannot read stands at its field, with everything else read', () => {
  it('letters, nothing, and figures out of bounds, all at once', async () => {
    const read = new FormReader('metric');
    const values = boatToValues({ id: ID, ...(DEMO_BOATS[0] as (typeof DEMO_BOATS)[number]) }, 'metric');
    const typed = {
      ...values,
      name: ' ',
      dimensions: { ...values.dimensions, loaM: 'ten', beamM: '', draughtM: '-1', freeboardM: '900' },
    };
    const errors = await refusals((c) => c.boatInput, valuesToBoat(typed, ID, read), read);
    expect(Object.fromEntries(errors.map((e) => [e.path, e.message]))).toMatchObject({
      'dimensions.loaM': 'Length overall “ten” isn’t a number',
      'dimensions.beamM': 'Beam is required',
      'dimensions.draughtM': 'Draught (m) must be 0.01 or more, but is -1',
      'dimensions.freeboardM': 'Freeboard (m) must be 12 or less, but is 900',
      name: 'Boat name is required',
    });
    // One refusal for a field, not the reader's and the contract's both.
    expect(new Set(errors.map((e) => e.path)).size).toBe(errors.length);
  });

  it('a unit of one’s own is taken, one of another quantity is not', () => {
    const read = new FormReader('metric');
    expect(read.quantity('a', 'length', '31 ft', 'length')).toBeCloseTo(9.4488);
    expect(read.percent('b', 'solids', '52 %')).toBe(0.52);
    expect(read.optionalNumber('c', 'grit', '  ')).toBeNull();
    expect(read.errors).toEqual([]);
    read.quantity('d', 'film', '3 l', 'film');
    expect(read.errors).toEqual([{ path: 'd', message: 'Film “l” isn’t a unit of film' }]);
  });

  it('a time in a column without a temperature, half a thumb window', () => {
    const read = new FormReader('metric');
    const values = sheetToValues({ id: ID, name: 'x', sheet: SHEETS['Thrift Barrier'] as never }, 'metric');
    values.potLife[4] = '2 h';
    const [first] = values.overcoat;
    if (first) first.thumbOpens[0] = '3 h';
    valuesToSheet(values, ID, read);
    expect(read.errors.map((e) => e.path)).toEqual(
      ['potLife.4', 'overcoat.0.thumbOpens.0'].sort((a) => (a.startsWith('overcoat') ? -1 : 1)),
    );
  });

  it('the contract’s paths are led to the form’s fields', () => {
    const area = areaToValues({ ...demoArea(), version: 1, archived: false }, 'metric');
    expect(formPath('measures.0.shape.spacingM', area)).toBe('measures.0.a');
    expect(formPath('measures.0.shape.girthsM.3', area)).toBe('measures.0.girths');
    expect(formPath('name', area)).toBe('name');
    expect(stackFormPath('steps.2.dryMicronsPerCoat')).toBe('steps.2.microns');
    expect(sheetFormPath('sheet.volumeSolids')).toBe('solids');
    expect(sheetFormPath('sheet.cure.overcoat.1.min')).toBe('overcoat.1.min.0');
    expect(sheetFormPath('sheet.cure.overcoat.1.thumb.opens')).toBe('overcoat.1.thumbOpens.0');
    expect(sheetFormPath('sheet.parts.1.densityKgPerL')).toBe('parts.1.density');
  });
});

function demoArea(): Omit<Area, 'version' | 'archived'> {
  const plan = DEMO_BOATS[0]?.areas[0];
  if (!plan) throw new Error('the demo has no area');
  const { steps: _s, applied: _l, state: _t, potMixedMinutesAgo: _p, ...rest } = plan;
  return {
    id: ID,
    boatId: BOAT,
    earlierShelters: [],
    spread: 0.05,
    estimates: [],
    chosenWay: null,
    note: '',
    surroundings: { kind: 'open' },
    oldCoating: null,
    highWear: false,
    part: null,
    ...rest,
  };
}

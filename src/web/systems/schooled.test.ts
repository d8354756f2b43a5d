import { v7 as uuidv7 } from 'uuid';
import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import { aBoat, anArea, aStep } from '../../../test/examples.ts';
import { type Area, type Product, stackInput, strict } from '../../contract/index.ts';
import { SCHOOLS, switchSchool, TEMPLATES } from '../../core/system/index.ts';
import { FormReader } from '../forms/canonical.ts';
import { sayTask } from '../words/systems.ts';
import { schoolPlace, schoolWays, stepsFromSchool } from './schooled.ts';
import { drawnSteps, stackContext } from './stackContext.ts';
import { stackFormPath, stackToValues, stepFromTemplate, valuesToStack } from './stackForm.ts';
import { judgeSteps } from './stackRules.ts';
import { offersFor } from './Templates.tsx';

const products: Product[] = Object.entries(SHEETS).map(([name, sheet]) => ({
  id: uuidv7(),
  name,
  sheet,
  version: 1,
  archived: false,
}));
const boat = aBoat();
const context = (over: Partial<Area>) => {
  const area = { ...anArea(boat.id, over), version: 1, archived: false };
  const stack = {
    areaId: area.id,
    version: 1,
    steps: [],
    applied: {},
    asApplied: {},
    bonds: {},
    extremes: null,
    missedStepId: null,
    profile: null,
  };
  return stackContext(area, { areaM2: 20, spread: 0.05 }, stack, products);
};
const offers = TEMPLATES.flatMap((template) => {
  const [substrate, service] = [template.substrates[0], template.services[0]];
  const here = context({ ...(substrate && { substrate }), ...(service && { service }) });
  const offer = offersFor(here, []).find(({ key }) => key === template.id);
  return offer ? [{ name: template.name, here, steps: offer.steps }] : [];
});

describe('a template, a school and the form hold together', () => {
  it.each(offers)('$name: every school’s way of it is a stack the border takes', ({ here, steps }) => {
    expect(steps.length).toBeGreaterThan(0);
    const ways = [{ key: 'as it is', steps }, ...schoolWays(steps, here)];
    for (const way of ways) {
      expect([way.key, stackInput.validate({ version: 1, steps: way.steps }, strict).error?.message]).toEqual(
        [way.key, undefined],
      );
      // Through the form and back it is the same stack.
      const read = new FormReader('metric');
      const back = valuesToStack(stackToValues(way.steps, 'metric'), 1, read);
      expect([
        read.errors,
        back.steps.map(({ productId, coats, before }) => [productId, coats, before.length]),
      ]).toEqual([[], way.steps.map(({ productId, coats, before }) => [productId, coats, before.length])]);
      // Each step is drawn, with a joint for every coat.
      const drawn = drawnSteps(way.steps, here, judgeSteps(way.steps, products, here.area));
      expect(
        drawn.map(({ coats, bonds, colours }) => [bonds.length === coats, colours.length === coats]),
      ).toEqual(way.steps.map(() => [true, true]));
    }
  });
  it('a way keeps the ids of the steps it keeps, and gives what it puts in ids of their own', () => {
    const steel = offers.find(({ name }) => name.startsWith('Steel bottom'));
    if (!steel) throw new Error('no steel bottom');
    const place = schoolPlace(steel.here);
    const converted = stepsFromSchool(switchSchool('rust', 'convert', steel.steps, place), steel.steps);
    const ids = converted.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids.slice(1)).toEqual(steel.steps.map(({ id }) => id));
    expect(converted.flatMap(({ before }) => before).every(({ id }) => id.length === 36)).toBe(true);
  });
  it('a step whose product is changed loses its overrule; one that stays keeps it, and its band', () => {
    const { here } = offers[0] as (typeof offers)[number];
    const [ablative, barrier] = ['Dulse Ablative', 'Thrift Barrier'].map(
      (name) => products.find((product) => product.name === name)?.id as string,
    );
    const marked = { overrule: { ruleIds: ['x'], reason: 'meant so' }, band: { name: 'edge', areaM2: 2 } };
    const steps = [aStep(barrier as string, marked), aStep(ablative as string, marked)];
    const hard = stepsFromSchool(switchSchool('antifouling', 'hard', steps, schoolPlace(here)), steps);
    expect(hard.map(({ overrule, band }) => [overrule !== null, band?.name])).toEqual([
      [true, 'edge'],
      [false, 'edge'],
    ]);
  });
  it('only ways that change the figures are offered for comparison', () => {
    const names = offers.flatMap(({ here, steps }) =>
      schoolWays(steps, here).map(({ key }) => key.split(':')[0]),
    );
    expect(new Set(names)).not.toContain('direction');
    expect(SCHOOLS.some(({ id }) => names.includes(id))).toBe(true);
  });
});

describe('words of a task, paths of the form', () => {
  it('a task is said with the unit its figure has', () => {
    expect(sayTask({ kind: 'sand', amount: 180, note: 'by hand' })).toBe('sand with 180 grit (by hand)');
    expect(sayTask({ kind: 'wait', amount: 24, note: '' })).toBe('wait 24 h');
    expect(sayTask({ kind: 'aggregate', amount: null, note: '' })).toBe('aggregate');
  });
  it('a refusal of the contract stands at the field that can mend it', () => {
    expect(stackFormPath('steps.2.dryMicronsPerCoat')).toBe('steps.2.microns');
    expect(stackFormPath('steps.0.band.areaM2')).toBe('steps.0.bandArea');
    expect(stackFormPath('steps.0.band.name')).toBe('steps.0.band');
    expect(stackFormPath('steps.1.overrule.reason')).toBe('steps.1.reason');
    expect(stackFormPath('steps.1.before.0.amount')).toBe('steps.1.before.0.amount');
  });
  it('tasks of a template get ids of their own each time it is taken', () => {
    const filled = {
      productId: uuidv7(),
      coats: 1,
      extraCoats: 0,
      dryMicronsPerCoat: 50,
      method: 'brush',
      colours: ['white'],
      signal: null,
      before: [{ kind: 'wash', amount: null, note: '' }],
      sandBetween: null,
    } as const;
    const [one, two] = [stepFromTemplate(filled), stepFromTemplate(filled)];
    expect(one.before[0]?.id).not.toBe(two.before[0]?.id);
    expect(one.id).not.toBe(two.id);
  });
});

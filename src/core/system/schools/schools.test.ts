import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../../demo/sheets.ts';
import { aStep } from '../../../../test/examples.ts';
import type { Family, Substrate } from '../families.ts';
import { checkStack, layerOfStep } from '../index.ts';
import { fillTemplate, TEMPLATES } from '../templates/index.ts';
import {
  SCHOOLS,
  type SchooledStep,
  type SchoolId,
  type SchoolPlace,
  schoolInForce,
  switchSchool,
} from './index.ts';

/** Where practitioners differ is common practice (handbook part 5, end); the products are the demo's invention. */
const products = Object.entries(SHEETS).map(([id, sheet]) => ({ id, sheet }));
const place = (substrate: Substrate = 'grp', bare = true): SchoolPlace => ({ products, substrate, bare });
const familyOf = (step: SchooledStep): Family =>
  products.find(({ id }) => id === step.productId)?.sheet.family as Family;
const families = (steps: readonly SchooledStep[]) => steps.map(familyOf);
const of = (family: Family) => products.find(({ sheet }) => sheet.family === family)?.id as string;
const step = (family: Family, over: Partial<SchooledStep> = {}): SchooledStep => ({
  ...aStep(of(family)),
  ...over,
});
/** The typical stacks of the trade, filled, each on the first of its substrates. */
const stacks = TEMPLATES.map((template) => ({
  name: template.name,
  at: place(template.substrates[0]),
  service: template.services[0] as (typeof template.services)[number],
  steps: fillTemplate(template, products).steps.map(
    (filled, i): SchooledStep => ({
      ...filled,
      id: `s${i}`,
      thinner: 0,
      order: null,
    }),
  ),
}));
const typical = (name: string) => {
  const found = stacks.find((stack) => stack.name.startsWith(name));
  if (!found) throw new Error(`no typical stack ${name}`);
  return found;
};

describe('every school on every typical stack it speaks of', () => {
  const cases = stacks.flatMap(({ name, at, steps, service }) =>
    SCHOOLS.filter(({ id }) => schoolInForce(id, steps, at).applies).map(({ id, ways }) => ({
      name,
      id,
      ways: ways.map((way) => way.id),
      at,
      steps,
      service,
    })),
  );
  it.each(cases)('$id: $name', ({ id, ways, at, steps }) => {
    for (const way of ways) {
      const once = switchSchool(id, way, steps, at);
      // What a way does it does once, whatever way it came from.
      expect(switchSchool(id, way, once, at)).toEqual(once);
      // Where the sheets let it be followed at all, it is in force from then on, and found again from any other.
      const inForce = schoolInForce(id, once, at).way === way;
      for (const other of inForce ? ways : []) {
        const round = switchSchool(id, way, switchSchool(id, other, once, at), at);
        expect(schoolInForce(id, round, at).way).toBe(way);
      }
      // No way takes a film or a method that a sheet forbids.
      for (const { productId, dryMicronsPerCoat, method, coats } of once) {
        const sheet = products.find((product) => product.id === productId)?.sheet;
        expect(coats).toBeGreaterThanOrEqual(1);
        expect(dryMicronsPerCoat).toBeLessThanOrEqual(sheet?.film.max ?? 0);
        expect(dryMicronsPerCoat).toBeGreaterThanOrEqual(sheet?.film.min ?? Number.POSITIVE_INFINITY);
        expect(sheet?.methods).toContain(method);
      }
    }
  });
  it('each of the ten speaks of some typical stack', () => {
    expect(new Set(cases.map(({ id }) => id))).toEqual(new Set(SCHOOLS.map(({ id }) => id)));
  });
});

describe('what each way does', () => {
  const take = (school: SchoolId, way: string, stack: { steps: readonly SchooledStep[]; at: SchoolPlace }) =>
    switchSchool(school, way, stack.steps, stack.at);
  it('few heavy coats reach the film of many thin ones, inside the sheet', () => {
    const at = place();
    const barrier = step('epoxy-barrier', { coats: 4, dryMicronsPerCoat: 100 });
    const film = products.find(({ id }) => id === barrier.productId)?.sheet.film;
    const [heavy] = switchSchool('thickness', 'heavy', [barrier], at);
    expect(heavy?.coats).toBe(Math.ceil(400 / (film?.max ?? 0)));
    expect((heavy?.coats ?? 0) * (heavy?.dryMicronsPerCoat ?? 0)).toBeCloseTo(400, -1);
  });
  it('one-pack all the way, and back to two-pack: the same tasks in the other chemistry', () => {
    const stack = typical('Topsides, two-pack');
    const one = take('packs', 'one-pack', stack);
    expect(families(one)).toEqual(['one-pack-primer', 'one-pack-enamel']);
    expect(families(switchSchool('packs', 'two-pack', one, stack.at))).toEqual(families(stack.steps));
  });
  it('cured and sanded each coat: 180 between primers, 320 between finishes, antifouling never', () => {
    const stack = typical('Topsides, two-pack');
    const tacky = take('overcoating', 'tacky', stack);
    expect(tacky.map(({ sandBetween }) => sandBetween)).toEqual([null, null]);
    const sanded = switchSchool('overcoating', 'sand', tacky, stack.at);
    expect(sanded.map(({ sandBetween }) => sandBetween)).toEqual([180, 320]);
    const bottom = typical('GRP bottom');
    expect(take('overcoating', 'sand', bottom).at(-1)?.sandBetween).toBeNull();
  });
  it('hard for ablative antifouling; copper-free on aluminium has no such choice', () => {
    expect(families(take('antifouling', 'hard', typical('GRP bottom'))).at(-1)).toBe('hard-antifouling');
    const aluminium = typical('Aluminium bottom');
    expect(schoolInForce('antifouling', aluminium.steps, aluminium.at).applies).toBe(false);
  });
  it('rust converted instead of blasted: converter first, scuffed before the primer; and blasted again', () => {
    const stack = typical('Steel bottom');
    const converted = take('rust', 'convert', stack);
    expect(families(converted)[0]).toBe('rust-converter');
    expect(converted[1]?.before[0]).toMatchObject({ kind: 'sand', amount: 180 });
    expect(converted.flatMap(({ before }) => before).filter(({ note }) => /blast/.test(note))).toEqual([]);
    const back = switchSchool('rust', 'blast', converted, stack.at);
    expect(families(back)).toEqual(families(stack.steps));
    expect(back[0]?.before[0]?.note).toMatch(/Sa 2½/);
  });
  it('filler before the primer: on steel the rules still say no', () => {
    const stack = typical('Steel bottom');
    const filled = take('filling', 'before', stack);
    expect(families(filled)[0]).toBe('epoxy-filler');
    const layers = filled.map((each) => {
      const sheet = products.find(({ id }) => id === each.productId)?.sheet;
      return layerOfStep(each, sheet as (typeof products)[number]['sheet']);
    });
    const { layers: judged } = checkStack(layers, {
      substrate: 'steel',
      oldCoating: null,
      service: 'immersed',
      coldestC: null,
    });
    expect(judged[0]?.judgements.map(({ ruleId }) => ruleId)).toContain('filler-on-bare-steel');
  });
  it('sprayed where the sheet allows it, left as it is where not', () => {
    const at = place();
    const brushed = step('one-pack-bilge', { method: 'brush' });
    const sheet = products.find(({ id }) => id === brushed.productId)?.sheet;
    expect(sheet?.methods.some((method) => method.endsWith('spray'))).toBe(false);
    expect(switchSchool('application', 'spray', [brushed], at)[0]?.method).toBe('brush');
    expect(switchSchool('application', 'spray', [step('epoxy-primer')], at)[0]?.method).toMatch(/spray/);
  });
  it('every defect out asks for a look before each next coat; done beats perfect takes it back', () => {
    const stack = typical('Topsides, one-pack');
    const looks = (steps: readonly SchooledStep[]) =>
      steps.map(({ before }) => before.filter(({ kind }) => kind === 'inspect').length);
    expect(looks(take('done', 'perfect', stack))).toEqual([0, 1, 1]);
    // Whatever its note says by then.
    const noted = take('done', 'perfect', stack).map((step) => ({
      ...step,
      before: step.before.map((task) => (task.kind === 'inspect' ? { ...task, note: 'torch' } : task)),
    }));
    expect(switchSchool('done', 'done', noted, stack.at)).toEqual(stack.steps);
  });
  it('bottom up or top down, each step says which', () => {
    expect(
      take('direction', 'bottom-up', typical('Inside of a tank')).every(({ order }) => order === 'bottom-up'),
    ).toBe(true);
  });
});

describe('which way a stack goes, and where there is no choice to make', () => {
  const sand = { kind: 'sand' as const, amount: 180, note: '' };
  const blast = { kind: 'prepare' as const, amount: null, note: 'blast to Sa 2½' };
  const barrier = (over: Partial<SchooledStep> = {}) => step('epoxy-barrier', over);
  const typicalFilm = products.find(({ id }) => id === of('epoxy-barrier'))?.sheet.film.typical ?? 0;
  const NONE = { applies: false, way: null };
  const goes = (way: string | null) => ({ applies: true, way });
  it.each<[SchoolId, string, readonly SchooledStep[], ReturnType<typeof goes> | typeof NONE, SchoolPlace?]>([
    ['application', 'all rolled', [barrier({ method: 'roller' })], goes('roll')],
    ['application', 'tipped', [step('one-pack-enamel', { method: 'roll-and-tip' })], goes('roll-and-tip')],
    ['application', 'sprayed', [step('epoxy-primer', { method: 'airless-spray' })], goes('spray')],
    [
      'application',
      'one rolled, one sprayed',
      [step('epoxy-primer', { method: 'roller' }), step('epoxy-primer', { method: 'airless-spray' })],
      goes(null),
    ],
    ['application', 'nothing', [], NONE],
    ['thickness', 'at the typical film', [barrier({ dryMicronsPerCoat: typicalFilm })], goes('thin')],
    ['thickness', 'above it', [barrier({ dryMicronsPerCoat: typicalFilm + 1 })], goes('heavy')],
    [
      'thickness',
      'a sealer, which makes no film, is not asked',
      [
        step('penetrating-epoxy-sealer', { dryMicronsPerCoat: 999 }),
        barrier({ dryMicronsPerCoat: typicalFilm }),
      ],
      goes('thin'),
    ],
    ['thickness', 'only a sealer', [step('penetrating-epoxy-sealer')], NONE],
    ['overcoating', 'unsanded', [barrier({ coats: 3 })], goes('tacky')],
    ['overcoating', 'sanded', [barrier({ coats: 3, sandBetween: 180 })], goes('sand')],
    ['overcoating', 'one joint sanded, one not', [barrier({ coats: 3, sandGrits: [null, 220] })], goes(null)],
    ['overcoating', 'every joint by itself', [barrier({ coats: 3, sandGrits: [120, 220] })], goes('sand')],
    [
      'overcoating',
      'the first coat of a later step sanded before it',
      [barrier({ coats: 1 }), step('epoxy-primer', { coats: 1, before: [sand] })],
      goes('sand'),
    ],
    ['overcoating', 'antifouling is never asked', [step('hard-antifouling', { coats: 3 })], NONE],
    ['packs', 'one-pack', [step('one-pack-primer'), step('one-pack-enamel')], goes('one-pack')],
    ['packs', 'two-pack', [barrier(), step('hard-antifouling')], goes('two-pack')],
    ['packs', 'both', [barrier(), step('one-pack-enamel')], goes(null)],
    ['packs', 'neither', [step('hard-antifouling')], NONE],
    ['antifouling', 'hard', [barrier(), step('hard-antifouling')], goes('hard')],
    ['antifouling', 'ablative', [step('ablative-antifouling')], goes('ablative')],
    ['antifouling', 'both', [step('ablative-antifouling'), step('hard-antifouling')], goes(null)],
    ['antifouling', 'none', [barrier()], NONE],
    ['rust', 'blasted', [step('epoxy-primer', { before: [blast] })], goes('blast'), place('steel')],
    ['rust', 'converted', [step('rust-converter'), step('epoxy-primer')], goes('convert'), place('steel')],
    ['rust', 'neither said', [step('epoxy-primer', { before: [sand] })], goes(null), place('steel')],
    ['rust', 'painted steel', [step('epoxy-primer')], NONE, place('steel', false)],
    ['rust', 'no steel', [step('epoxy-primer', { before: [blast] })], NONE, place('aluminium')],
    ['filling', 'before priming', [step('epoxy-filler'), step('epoxy-primer')], goes('before')],
    ['filling', 'after it', [step('epoxy-primer'), step('epoxy-filler')], goes('after')],
    ['filling', 'no filler', [step('epoxy-primer')], NONE],
    ['filling', 'no primer', [step('epoxy-filler'), barrier()], NONE],
    ['panels', 'whole', [step('varnish')], goes('whole'), place('timber')],
    ['panels', 'no timber', [step('varnish')], NONE],
    [
      'direction',
      'bottom up',
      [barrier({ order: 'bottom-up' }), barrier({ order: 'bottom-up' })],
      goes('bottom-up'),
    ],
    ['direction', 'not said', [barrier()], goes(null)],
    ['done', 'no look asked for', [barrier(), step('epoxy-primer')], goes('done')],
    ['done', 'a single step', [barrier()], NONE],
  ])('%s: %s', (school, _what, steps, wanted, at = place()) => {
    expect(schoolInForce(school, steps, at)).toEqual(wanted);
  });

  it('blasted instead of converted: the converter and its scuffing go, the blasting comes first; and back', () => {
    const at = place('steel');
    const blasted = [
      step('epoxy-primer', { id: 'p', before: [blast, sand] }),
      step('epoxy-barrier', { id: 'b' }),
    ];
    const converted = switchSchool('rust', 'convert', blasted, at);
    expect(families(converted)).toEqual(['rust-converter', 'epoxy-primer', 'epoxy-barrier']);
    expect(converted[0]).toMatchObject({ id: '', coats: 2, extraCoats: 0, signal: null, sandBetween: null });
    expect(converted[0]?.before.map(({ note }) => note)).toEqual([expect.stringMatching(/while red shows/)]);
    expect(converted[1]?.before.map(({ kind, note }) => [kind, note])).toEqual([
      ['sand', 'scuff the converter when it’s black and dry'],
    ]);
    const back = switchSchool('rust', 'blast', converted, at);
    expect(back.map(({ id }) => id)).toEqual(['p', 'b']);
    expect(back[0]?.before.map(({ kind }) => kind)).toEqual(['prepare']);
    // Nothing but the converter: there is nothing to blast for.
    expect(switchSchool('rust', 'blast', [step('rust-converter')], at)).toHaveLength(1);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import {
  checkStack,
  FAMILIES,
  type Family,
  type Joint,
  judgeJoint,
  judgeNext,
  type Layer,
  layerOf,
  layerOfStep,
  nearestFine,
  type ProductSheet,
  type StackPlace,
  SUBSTRATES,
  type Substrate,
} from './index.ts';

const place = (over: Partial<StackPlace> = {}): StackPlace => ({
  substrate: 'grp',
  oldCoating: null,
  service: 'immersed',
  coldestC: null,
  ...over,
});
const stack = (...families: Family[]) => families.map(layerOf);
const judged = (families: Family[], over: Partial<StackPlace> = {}) =>
  checkStack(stack(...families), place(over));
/** The rules that speak of the last layer. */
const verdicts = (families: Family[], over: Partial<StackPlace> = {}) =>
  judged(families, over)
    .layers.at(-1)
    ?.judgements.map((j) => j.ruleId) ?? [];
const joint = (below: Family, coat: Family, over: Partial<Joint> = {}) =>
  judgeJoint({
    ground: { kind: 'coat', family: below },
    coat: { family: coat, copper: null },
    substrate: 'grp',
    service: 'immersed',
    windowClosed: false,
    ...over,
  });

describe('what goes over what (handbook part 5, common practice)', () => {
  it('the same family over itself inside its window is one film', () => {
    expect(joint('epoxy-barrier', 'epoxy-barrier')).toEqual({
      verdict: 'fine',
      bond: 'fused',
      judgements: [],
    });
  });
  it('any coat after its window closed is fine once abraded: it bonds mechanically', () => {
    const late = joint('epoxy-barrier', 'epoxy-barrier', { windowClosed: true });
    expect([late.verdict, late.bond, late.judgements[0]?.condition]).toEqual([
      'condition',
      'keyed',
      expect.stringContaining('abraded'),
    ]);
  });
  it('two-pack over one-pack: no, it lifts and wrinkles', () => {
    for (const coat of ['epoxy-primer', 'two-pack-polyurethane', 'bilge-epoxy'] as const) {
      const { verdict, bond, judgements } = joint('one-pack-enamel', coat, { service: 'daylight' });
      expect([verdict, bond, judgements[0]?.ruleId]).toEqual(['no', 'none', 'two-pack-over-one-pack']);
    }
  });
  it('one-pack over cured two-pack: fine abraded, or inside its window', () => {
    const { verdict, judgements } = joint('epoxy-primer', 'one-pack-undercoat', { service: 'daylight' });
    expect([verdict, judgements[0]?.condition]).toEqual([
      'condition',
      expect.stringContaining(
        'the two-pack is abraded, or still inside its overcoat window and its data sheet allows it',
      ),
    ]);
  });
  it('epoxy as the last coat in daylight: no, it chalks; fine in bilges and under antifouling', () => {
    expect(verdicts(['epoxy-primer', 'epoxy-finish'], { service: 'daylight' })).toContain(
      'epoxy-in-daylight',
    );
    expect(judged(['bilge-epoxy'], { service: 'bilge' }).verdict).toBe('fine');
    expect(judged(['epoxy-barrier', 'ablative-antifouling']).verdict).toBe('fine');
  });
  it('polyurethane or enamel under water: no, it blisters and fouls', () => {
    for (const gloss of ['two-pack-polyurethane', 'one-pack-enamel'] as const) {
      const first = judged([gloss, 'ablative-antifouling']).layers[0];
      expect(first?.judgements.map((j) => j.ruleId)).toContain('topcoat-under-water');
    }
  });
  it.each(['steel', 'aluminium', 'grp', 'grp-laminate'] as const)(
    'antifouling straight on bare %s: no',
    (substrate) => {
      expect(verdicts(['copper-free-antifouling'], { substrate })).toContain('antifouling-on-bare');
    },
  );
  it('antifouling straight on timber: one school’s way, with a condition', () => {
    expect(judged(['hard-antifouling'], { substrate: 'timber' }).verdict).toBe('condition');
  });
  it('copper on aluminium: never, whatever lies between and whatever the sheet says', () => {
    const copper: Layer = { ...layerOf('hard-antifouling'), grounds: ['epoxy-barrier', 'aluminium'] };
    const layers = [layerOf('epoxy-primer'), layerOf('epoxy-barrier'), copper];
    const { verdict, layers: found } = checkStack(layers, place({ substrate: 'aluminium' }));
    expect([verdict, found[2]?.judgements[0]?.ruleId]).toEqual(['no', 'copper-on-aluminium']);
    const without = [...layers.slice(0, 2), { ...copper, copper: false }];
    expect(checkStack(without, place({ substrate: 'aluminium' })).verdict).toBe('fine');
  });
  it('ablative over hard: fine once abraded; hard over ablative: no', () => {
    expect(joint('hard-antifouling', 'ablative-antifouling').verdict).toBe('condition');
    expect(joint('ablative-antifouling', 'hard-antifouling').verdict).toBe('no');
  });
  it('anything over unknown antifouling: tie coat or removal, test patch first', () => {
    const found = judged(['ablative-antifouling'], { oldCoating: 'unknown' }).layers[0];
    expect(found?.judgements[0]).toMatchObject({
      ruleId: 'over-unknown-antifouling',
      condition: expect.stringContaining('test patch'),
    });
    expect(judged(['tie-coat', 'ablative-antifouling'], { oldCoating: 'unknown' }).layers[0]?.bond).toBe(
      'tie',
    );
  });
  it('polyester filler over epoxy, and under water at all: no', () => {
    expect(joint('epoxy-primer', 'polyester-filler', { service: 'daylight' }).verdict).toBe('no');
    expect(verdicts(['polyester-filler'])).toContain('polyester-under-water');
  });
  it('fairing filler on bare blasted steel: no, primer first, then filler, then primer again', () => {
    expect(verdicts(['epoxy-filler'], { substrate: 'steel' })).toContain('filler-on-bare-steel');
    const way: Family[] = [
      'epoxy-primer',
      'epoxy-filler',
      'epoxy-primer',
      'epoxy-barrier',
      'ablative-antifouling',
    ];
    expect(judged(way, { substrate: 'steel' }).verdict).toBe('fine');
  });
  it('zinc primer under water next to anodes: only under a full barrier', () => {
    const bare: Family[] = ['zinc-epoxy-primer', 'epoxy-primer', 'ablative-antifouling'];
    expect(judged(bare, { substrate: 'steel' }).layers[0]?.judgements[0]?.ruleId).toBe('zinc-under-water');
    const under: Family[] = ['zinc-epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'];
    expect(judged(under, { substrate: 'steel' }).verdict).toBe('fine');
  });
  it('rust converter under epoxy: fully black, dry, scuffed', () => {
    const found = judged(['rust-converter', 'epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'], {
      substrate: 'steel',
    });
    expect(found.verdict).toBe('condition');
    expect(found.layers[1]?.judgements[0]?.condition).toBe('the converter is fully black, dry and scuffed');
  });
  it('a passivating wash holds bare blasted steel, and is nothing over paint', () => {
    const way: Family[] = ['passivating-wash', 'epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'];
    expect(judged(way, { substrate: 'steel' }).verdict).toBe('fine');
    expect(joint('epoxy-primer', 'passivating-wash', { substrate: 'steel' }).verdict).toBe('no');
  });
  it('what is made to be painted over is not the last: filler, tie coat, aggregate; a one-pack primer in the weather', () => {
    const conditions = (last: Family, service: StackPlace['service']) =>
      checkStack([layerOf('epoxy-primer'), layerOf(last)], place({ service }))
        .layers.at(-1)
        ?.judgements.filter(({ condition }) => /on top/.test(condition ?? ''))
        .map(({ verdict, mark }) => [verdict, mark].join());
    for (const last of ['epoxy-filler', 'tie-coat', 'non-skid'] as const)
      expect([last, conditions(last, 'interior')]).toEqual([last, ['condition,T']]);
    expect(conditions('one-pack-undercoat', 'daylight')).toEqual(['condition,T']);
    expect(conditions('one-pack-undercoat', 'bilge')).toEqual([]);
    expect(conditions('one-pack-enamel', 'daylight')).toEqual([]);
  });
  it('a wash or converter is no coat: what comes over it meets the steel through it', () => {
    for (const treatment of ['passivating-wash', 'rust-converter'] as const) {
      expect(verdicts([treatment, 'hard-antifouling'], { substrate: 'steel' })).toContain(
        'antifouling-on-bare',
      );
      expect(verdicts([treatment, 'epoxy-filler'], { substrate: 'steel' })).toContain('filler-on-bare-steel');
    }
  });
  it('a thinner that is not on the sheet: no; above its limit: no', () => {
    const thinned = (thinnerLimit: Layer['thinnerLimit']): Layer => ({
      ...layerOf('two-pack-polyurethane'),
      thinner: 0.1,
      thinnerLimit,
    });
    const ids = (layer: Layer) =>
      checkStack([layerOf('epoxy-primer'), layer], place({ service: 'daylight' })).layers[1]?.judgements.map(
        (j) => j.ruleId,
      );
    expect(ids(thinned(null))).toContain('thinner-not-on-sheet');
    expect(ids(thinned({ maxFraction: 0.05 }))).toContain('thinner-over-limit');
    expect(ids(thinned({ maxFraction: 0.1 }))).toEqual([]);
    // Named, but not how much: that is asked, not refused.
    expect(ids(thinned({ maxFraction: null }))).toEqual(['thinner-limit-not-stated']);
  });
  it('an additive goes in only where its sheet names it, and to its own limit (handbook part 7)', () => {
    const allowed = [
      { name: 'drops', maxMlPerLitre: 10 },
      { name: 'flow', maxMlPerLitre: null },
    ];
    const ids = (name: string, mlPerLitre: number) =>
      checkStack(
        [{ ...layerOf('epoxy-barrier'), additives: [{ name, mlPerLitre }], additivesAllowed: allowed }],
        place(),
      ).layers[0]?.judgements.map(({ ruleId, verdict }) => `${ruleId} ${verdict}`);
    expect(ids('drops', 10)).toEqual([]);
    expect(ids('drops', 10.5)).toEqual(['additive-over-limit no']);
    expect(ids('flow', 5)).toEqual(['additive-limit-not-stated condition']);
    expect(ids('another', 5)).toEqual(['additive-not-on-sheet no']);
  });
  it('water-borne over solvent-borne: only once that is cured', () => {
    expect(
      joint('one-pack-primer', 'waterborne-acrylic', { service: 'interior' }).judgements[0]?.condition,
    ).toContain('cured');
  });
  it('half the film, twice the film: said, and refused above the most', () => {
    const layer = (dryMicronsPerCoat: number): Layer => ({
      ...layerOf('epoxy-barrier'),
      dryMicronsPerCoat,
      film: { min: 75, max: 125 },
    });
    const verdict = (dry: number) => checkStack([layer(dry)], place()).layers[0]?.verdict;
    expect([verdict(60), verdict(100), verdict(126)]).toEqual(['condition', 'fine', 'no']);
  });
  it('a coat that stops curing above the cold to come: heat, or a winter grade', () => {
    const layer: Layer = { ...layerOf('epoxy-barrier'), stopC: 10 };
    expect(checkStack([layer], place({ coldestC: 4 })).verdict).toBe('condition');
    expect(checkStack([layer], place({ coldestC: 11 })).verdict).toBe('fine');
  });
});

describe('the product’s own sheet wins', () => {
  const coat = (grounds: Layer['grounds']): Layer => ({ ...layerOf('two-pack-polyurethane'), grounds });
  const over = (layer: Layer) =>
    checkStack([layerOf('one-pack-primer'), layer], place({ service: 'daylight' })).layers[1];
  it('a ground it allows is fine against the trade’s rule', () => {
    expect(over(coat(['one-pack-primer']))?.verdict).toBe('fine');
  });
  it('a ground it leaves out is not, and says so with its mark', () => {
    expect(over(coat(['epoxy-primer']))?.judgements.at(-1)).toMatchObject({
      ruleId: 'not-on-sheet',
      mark: 'P',
    });
  });
});

describe('the typical stacks of handbook part 5 raise no false alarm', () => {
  it.each<[string, Partial<StackPlace>, Family[]]>([
    ['GRP bottom', { substrate: 'grp' }, ['epoxy-barrier', 'ablative-antifouling']],
    [
      'steel bottom',
      { substrate: 'steel' },
      [
        'epoxy-primer',
        'epoxy-filler',
        'epoxy-primer',
        'epoxy-barrier',
        'epoxy-surfacer',
        'epoxy-barrier',
        'ablative-antifouling',
      ],
    ],
    [
      'aluminium bottom',
      { substrate: 'aluminium' },
      ['epoxy-primer', 'epoxy-barrier', 'copper-free-antifouling'],
    ],
    [
      'topsides, two-pack',
      { substrate: 'grp', service: 'daylight' },
      ['epoxy-primer', 'two-pack-polyurethane'],
    ],
    [
      'topsides, one-pack',
      { substrate: 'timber', service: 'daylight' },
      ['one-pack-primer', 'one-pack-undercoat', 'one-pack-enamel'],
    ],
    ['bilge, epoxy', { substrate: 'timber', service: 'bilge' }, ['bilge-epoxy']],
    ['bilge, one-pack', { substrate: 'timber', service: 'bilge' }, ['one-pack-bilge']],
    [
      'running gear',
      { substrate: 'stainless-bronze' },
      ['epoxy-primer', 'epoxy-barrier', 'hard-antifouling'],
    ],
    ['varnish', { substrate: 'timber', service: 'daylight' }, ['varnish']],
  ])('%s', (_, where, families) => {
    expect(judged(families, where).verdict).toBe('fine');
  });
});

describe('the nearest stack that would be fine', () => {
  const families = Object.keys(FAMILIES) as Family[];
  it.each<[string, Family[], Partial<StackPlace>, Family[]]>([
    [
      'primer and barrier under antifouling',
      ['hard-antifouling'],
      { substrate: 'steel' },
      ['epoxy-primer', 'epoxy-barrier', 'hard-antifouling'],
    ],
    [
      'no copper on aluminium',
      ['epoxy-primer', 'ablative-antifouling'],
      { substrate: 'aluminium' },
      ['epoxy-primer', 'copper-free-antifouling'],
    ],
    [
      'gloss over the epoxy',
      ['epoxy-primer'],
      { service: 'daylight' },
      ['epoxy-primer', 'two-pack-polyurethane'],
    ],
    [
      'two-pack from below up',
      ['one-pack-primer', 'two-pack-polyurethane'],
      { service: 'daylight' },
      ['epoxy-primer', 'two-pack-polyurethane'],
    ],
    [
      'one-pack all the way on old enamel',
      ['epoxy-primer', 'two-pack-polyurethane'],
      { service: 'daylight', oldCoating: 'one-pack-enamel' },
      ['one-pack-primer', 'one-pack-enamel'],
    ],
    [
      'epoxy filler for polyester',
      ['epoxy-primer', 'polyester-filler', 'epoxy-primer', 'two-pack-polyurethane'],
      { service: 'daylight' },
      ['epoxy-primer', 'epoxy-filler', 'epoxy-primer', 'two-pack-polyurethane'],
    ],
    [
      'no wash over paint',
      ['passivating-wash', 'epoxy-primer', 'passivating-wash', 'epoxy-barrier', 'ablative-antifouling'],
      { substrate: 'steel' },
      ['passivating-wash', 'epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'],
    ],
  ])('%s', (_, given, where, wanted) => {
    expect(nearestFine(given, place(where))?.families).toEqual(wanted);
  });
  it('whatever stack is given, what it proposes has no “no” left', () => {
    const anyFamily = fc.constantFrom(...families);
    const anyPlace = fc.record({
      substrate: fc.constantFrom(...(Object.keys(SUBSTRATES) as Substrate[])),
      oldCoating: fc.option(anyFamily, { nil: null }),
      service: fc.constantFrom('immersed', 'splash', 'daylight', 'interior', 'bilge', 'tank'),
      coldestC: fc.constant(null),
    }) as fc.Arbitrary<StackPlace>;
    let proposed = 0;
    fc.assert(
      fc.property(fc.array(anyFamily, { minLength: 1, maxLength: 5 }), anyPlace, (given, where) => {
        const found = nearestFine(given, where);
        if (!found) return;
        proposed++;
        expect(checkStack(stack(...found.families), where).verdict).not.toBe('no');
      }),
      { seed: 7, numRuns: 400 },
    );
    expect(proposed).toBeGreaterThan(300);
  });
});

/** Beside the handbook's table: common practice, no source. */
describe('rules the table leaves to the trade', () => {
  it('zinc primer works on bare steel only: over a wash yes, over paint or on aluminium no', () => {
    const zinc = (families: Family[], substrate: 'steel' | 'aluminium' = 'steel') =>
      verdicts(families, { substrate, service: 'splash' });
    expect(zinc(['zinc-epoxy-primer', 'two-pack-polyurethane'])).not.toContain('zinc-off-steel');
    expect(zinc(['passivating-wash', 'zinc-epoxy-primer'])).not.toContain('zinc-off-steel');
    expect(zinc(['epoxy-primer', 'zinc-epoxy-primer'])).toContain('zinc-off-steel');
    expect(zinc(['zinc-epoxy-primer'], 'aluminium')).toContain('zinc-off-steel');
  });
  it('filler is primed again before a finish or antifouling goes over it', () => {
    for (const over of ['two-pack-polyurethane', 'ablative-antifouling', 'varnish'] as const)
      expect(joint('epoxy-filler', over, { substrate: 'grp' }).judgements.map((j) => j.ruleId)).toContain(
        'finish-on-filler',
      );
    expect(joint('epoxy-filler', 'epoxy-primer', { substrate: 'grp' }).verdict).toBe('fine');
  });
  it('polyester filler lifts a one-pack as any strong solvent does', () => {
    expect(joint('one-pack-primer', 'polyester-filler', { service: 'daylight' }).verdict).toBe('no');
  });
  it('two-pack over water-borne: after a test patch', () => {
    expect(
      joint('waterborne-acrylic', 'two-pack-polyurethane', { service: 'interior' }).judgements[0],
    ).toEqual(expect.objectContaining({ ruleId: 'two-pack-over-waterborne', verdict: 'condition' }));
  });
  it('a penetrating sealer soaks into timber, filler and itself, not into a film', () => {
    const timber = { substrate: 'timber', service: 'daylight' } as const;
    expect(joint('epoxy-primer', 'penetrating-epoxy-sealer', timber).verdict).toBe('no');
    expect(joint('penetrating-epoxy-sealer', 'penetrating-epoxy-sealer', timber).verdict).toBe('fine');
    expect(joint('epoxy-filler', 'penetrating-epoxy-sealer', timber).verdict).toBe('fine');
  });
  it.each(['tank', 'bilge', 'interior'] as const)('no biocide in a %s', (service) => {
    expect(verdicts(['epoxy-primer', 'hard-antifouling'], { service })).toContain('biocide-inside');
    const way = nearestFine(['epoxy-barrier', 'hard-antifouling'], place({ service }));
    expect(way?.families).toEqual(['epoxy-barrier']);
  });
  it('antifouling out of the water: no; at the waterline it is where it belongs', () => {
    const stack: Family[] = ['epoxy-primer', 'epoxy-barrier', 'ablative-antifouling'];
    expect(verdicts(stack, { service: 'daylight' })).toEqual(['biocide-in-daylight']);
    expect(verdicts(stack, { service: 'splash' })).toEqual([]);
    const way = nearestFine(stack, place({ service: 'daylight' }));
    expect(way?.families).toEqual(['epoxy-primer', 'epoxy-barrier', 'two-pack-polyurethane']);
  });
});

describe('a band leaves the rest of the area free', () => {
  const layer = (family: Family, band = false): Layer => ({ ...layerOf(family), band });
  const grp = place({ substrate: 'grp', service: 'immersed' });
  it('what comes over it meets both the band and what is below', () => {
    const under = [layer('hard-antifouling'), layer('ablative-antifouling', true)];
    const { layers } = checkStack([layer('epoxy-barrier'), ...under, layer('ablative-antifouling')], grp);
    // Over its own kind on the band it would be fused; over the hard coat beside it, it is to be abraded.
    expect(layers[3]?.judgements.map((j) => j.ruleId)).toEqual(['ablative-over-hard']);
    expect(layers[3]?.bond).toBe('keyed');
  });
  it('a barrier on a band only does not stand between antifouling and bare metal', () => {
    const { layers } = checkStack([layer('epoxy-barrier', true), layer('copper-free-antifouling')], {
      ...grp,
      substrate: 'aluminium',
    });
    expect(layers[1]?.judgements.map((j) => j.ruleId)).toContain('antifouling-on-bare');
  });
});

describe('the air to come', () => {
  const gloss: Layer = { ...layerOf('two-pack-polyurethane'), stopC: 8, hottestC: 27 };
  const ruled = (air: { coldestC: number | null; hottestC?: number | null }) =>
    checkStack(
      [layerOf('epoxy-primer'), gloss],
      place({ service: 'daylight', ...air }),
    ).layers[1]?.judgements.map(({ ruleId }) => ruleId);
  it('a two-pack gloss that wants air below 27 °C (handbook part 9) is fine at 27, and shaded above', () => {
    expect(ruled({ coldestC: null, hottestC: 27 })).toEqual([]);
    expect(ruled({ coldestC: null, hottestC: 31 })).toEqual(['too-hot']);
  });
  it('below the sheet’s stop it does not cure; where nothing is asked nothing is judged', () => {
    expect(ruled({ coldestC: 7, hottestC: 20 })).toEqual(['too-cold']);
    expect(ruled({ coldestC: null })).toEqual([]);
  });
  it('an epoxy whose sheet gives no stop is asked about below the 10 °C where most do (handbook part 9)', () => {
    const silent = (family: Family, coldestC: number) => {
      const layers = [layerOf('epoxy-primer'), { ...layerOf(family), stopC: null }];
      const found = checkStack(layers, place({ service: 'interior', coldestC })).layers[1]?.judgements ?? [];
      return found.filter(({ ruleId }) => ruleId === 'stop-not-stated').map(({ mark }) => mark);
    };
    expect(silent('epoxy-barrier', 9)).toEqual(['T']);
    expect(silent('epoxy-barrier', 10)).toEqual([]);
    expect(silent('one-pack-enamel', 4)).toEqual([]);
  });
  it('the stricter of air and surface counts, and a sheet that states neither is not judged', () => {
    const limits = (airMaxC: number | null, surfaceMaxC: number | null) => {
      const sheet = SHEETS['Samphire Two Gloss'] as ProductSheet;
      const step = { coats: 1, dryMicronsPerCoat: 45, thinner: 0, method: 'roller' } as const;
      return layerOfStep(step, { ...sheet, limits: { ...sheet.limits, airMaxC, surfaceMaxC } }).hottestC;
    };
    expect([limits(27, 40), limits(30, 25), limits(null, 35), limits(null, null)]).toEqual([
      27,
      25,
      35,
      null,
    ]);
  });
});

describe('a coat over a stack that goes on', () => {
  const over = (below: Family[], next: Family, where: Partial<StackPlace> = {}) =>
    judgeNext(stack(...below), layerOf(next), place(where)).verdict;
  it('is judged by what it meets and has to stand, not as if it were the last', () => {
    // Epoxy chalks as the last coat in daylight, and is the first coat of every two-pack topside.
    expect(judged(['epoxy-primer'], { service: 'daylight' }).verdict).toBe('no');
    expect(over([], 'epoxy-primer', { service: 'daylight' })).toBe('fine');
    expect(over(['epoxy-primer'], 'two-pack-polyurethane', { service: 'daylight' })).toBe('fine');
    expect(over(['epoxy-primer'], 'two-pack-polyurethane')).toBe('no');
    expect(over(['one-pack-primer'], 'two-pack-polyurethane', { service: 'daylight' })).toBe('no');
    expect(over(['ablative-antifouling'], 'hard-antifouling')).toBe('no');
  });
});

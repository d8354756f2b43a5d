import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import type { Method } from '../film/index.ts';
import { writeSentence } from '../units/index.ts';
import {
  type ComparedStep,
  checkStack,
  coatsStillNeeded,
  coatsWanted,
  colourOf,
  type Family,
  fillTemplate,
  type Layer,
  layerOf,
  layerOfStep,
  nearestFine,
  type ProductSheet,
  prepareFor,
  prepHours,
  SCHOOLS,
  type SheetNote,
  type StackPlace,
  sheetNotes,
  stackFigures,
  TEMPLATES,
  templatesFor,
} from './index.ts';

const sheet = (family: Family, over: Partial<ProductSheet> = {}): ProductSheet => ({
  ...(SHEETS['Thrift Barrier'] as ProductSheet),
  family,
  ...over,
});

describe('templates: the typical stacks', () => {
  it.each(TEMPLATES.map((template) => [template.name, template] as const))(
    '%s raises no “no” wherever it is offered',
    (_, template) => {
      for (const substrate of template.substrates) {
        for (const service of template.services) {
          const families = template.steps.map((each) => each.family);
          const { verdict, layers } = checkStack(families.map(layerOf), {
            substrate,
            service,
            oldCoating: null,
            coldestC: null,
          });
          const ruleIds = layers.flatMap((layer) => layer.judgements.map((j) => j.ruleId));
          expect([substrate, service, verdict === 'no' ? ruleIds : 'held']).toEqual([
            substrate,
            service,
            'held',
          ]);
        }
      }
    },
  );
  it('every place a boat has is offered one', () => {
    for (const place of [
      { substrate: 'grp', service: 'immersed' },
      { substrate: 'steel', service: 'immersed' },
      { substrate: 'aluminium', service: 'immersed' },
      { substrate: 'timber', service: 'daylight' },
      { substrate: 'steel', service: 'bilge' },
      { substrate: 'grp', service: 'tank' },
      { substrate: 'stainless-bronze', service: 'immersed' },
    ] as const)
      expect(templatesFor(place).length).toBeGreaterThan(0);
  });
  it('counts coats from the film wanted at the sheet’s typical film: 400 µm of a 100 µm barrier take four', () => {
    const barrier = { id: 'b', sheet: sheet('epoxy-barrier', { film: { min: 75, typical: 100, max: 125 } }) };
    const antifouling = {
      id: 'a',
      sheet: sheet('ablative-antifouling', {
        colours: ['red', 'blue', 'black'].map((name) => ({ name, hex: '#000000' })),
      }),
    };
    const template = TEMPLATES.find((each) => each.id === 'grp-bottom');
    if (!template) throw new Error('no such template');
    const { steps, missing } = fillTemplate(template, [barrier, antifouling]);
    expect(missing).toEqual([]);
    expect(steps.map((step) => [step.productId, step.coats])).toEqual([
      ['b', 4],
      ['a', 3],
    ]);
    // The signal coat has a colour of its own, seen when the others are worn off.
    const top = steps[1];
    if (!top) throw new Error('no antifouling');
    expect([0, 1, 2].map((coat) => colourOf(top, coat))).toEqual(['black', 'blue', 'red']);
    expect([coatsWanted(top, false), coatsWanted(top, true)]).toEqual([3, 4]);
    expect(fillTemplate(template, [barrier]).missing).toEqual(['ablative-antifouling']);
  });
});

describe('two stacks side by side', () => {
  const hours = (h: number) => [{ tempC: 20, minutes: h * 60 }];
  const compared = (
    family: Family,
    over: Partial<ComparedStep>,
    min: number,
    price: number,
  ): ComparedStep => ({
    sheet: sheet(family, {
      volumeSolids: 0.5,
      film: { min: 20, typical: 50, max: 120 },
      cure: {
        stopC: 5,
        events: {},
        overcoat: [{ by: 'any', min: hours(min), chemicalMax: null, keyGrit: null }],
      },
      packs: [
        { litres: 1, price },
        { litres: 4, price: 3 * price },
      ],
    }),
    productId: family,
    coats: 2,
    extraCoats: 0,
    dryMicronsPerCoat: 50,
    method: 'roller',
    colours: ['grey'],
    signal: null,
    before: [{ kind: 'sand', amount: 120, note: '' }],
    sandBetween: 220,
    thinner: 0,
    ...over,
  });
  it('film, litres, days, sanding and cost from their own figures', () => {
    const found = stackFigures({
      steps: [compared('epoxy-primer', {}, 30, 20), compared('two-pack-polyurethane', { coats: 3 }, 12, 40)],
      areaM2: 18.5,
      tempC: 20,
      highWear: false,
    });
    // 18.5 m² × 50 µm / (1000 × 0.5 × 0.925) = 2 l a coat.
    expect(found.litres).toBeCloseTo(10, 9);
    expect([found.coats, found.dryMicrons]).toEqual([5, 250]);
    // Two joints on the primer at 30 h, hence two days each; two on the gloss at 12 h, a day each.
    expect(found.days).toBe(6);
    // One sanding before each step, one between the primer's coats, two between the gloss's: five times 18.5 m² at 10 an hour.
    expect(found.sandingHours).toBeCloseTo(9.25, 9);
    // The large pack is cheaper by the litre: 4 l of it at 15, 6 l at 30.
    expect(found.cost).toBeCloseTo(4 * 15 + 6 * 30, 9);
    expect(found.coldestC).toBe(5);
  });
  it('below a sheet’s stop temperature there is no number of days', () => {
    expect(
      stackFigures({ steps: [compared('epoxy-primer', {}, 8, 20)], areaM2: 10, tempC: 2, highWear: false })
        .days,
    ).toBeNull();
  });
});

describe('sanity of a sheet', () => {
  it('every demo sheet reads sensibly', () => {
    for (const [name, demo] of Object.entries(SHEETS)) expect([name, sheetNotes(demo)]).toEqual([name, []]);
  });
  const barrier = SHEETS['Thrift Barrier'] as ProductSheet;
  it.each<[string, Partial<ProductSheet>, SheetNote]>([
    [
      'a window that closes before it opens',
      {
        cure: {
          ...barrier.cure,
          overcoat: [
            {
              by: 'any',
              min: [{ tempC: 20, minutes: 600 }],
              chemicalMax: [{ tempC: 20, minutes: 300 }],
              keyGrit: 120,
            },
          ],
        },
      },
      { code: 'overcoat-closes-first', by: 'any', tempC: 20 },
    ],
    [
      'a pot that lives longer when hotter',
      {
        potLife: [
          { tempC: 20, minutes: 60 },
          { tempC: 30, minutes: 90 },
        ],
      },
      { code: 'pot-life-not-shorter', minutes: 90, tempC: 30, colderC: 20 },
    ],
    [
      'an induction that eats the pot',
      { inductionMin: 60, potLife: [{ tempC: 20, minutes: 45 }] },
      { code: 'standing-uses-pot-life', inductionMin: 60, minutes: 45 },
    ],
    [
      'a film that is a filler',
      { film: { min: 100, typical: 500, max: 900 }, volumeSolids: 0.4 },
      { code: 'film-of-a-filler', dryMicrons: 900, wetMicrons: 2250 },
    ],
  ])('%s is pointed out', (_, over, note) => {
    expect(sheetNotes({ ...barrier, ...over })).toContainEqual(note);
  });
});

describe('figures of one method', () => {
  const sprayed = {
    ...sheet('epoxy-primer', { film: { min: 40, typical: 60, max: 90 } }),
    thinner: { name: 'its own', maxFraction: 0.1 },
    byMethod: [
      { method: 'airless-spray' as const, film: { min: 100, typical: 125, max: 150 }, thinnerMax: 0.05 },
      { method: 'brush' as const, film: null, thinnerMax: null },
    ],
  };
  const verdicts = (method: Method, dryMicronsPerCoat: number, thinner = 0) => {
    const layer = layerOfStep({ method, dryMicronsPerCoat, thinner, coats: 1 }, sprayed);
    const place = { substrate: 'grp', oldCoating: null, service: 'interior', coldestC: null } as const;
    return checkStack([layer], place).layers[0]?.judgements.map(({ ruleId }) => ruleId);
  };
  it('rule over those for all methods: 125 µm sags by roller, not by airless', () => {
    expect(verdicts('roller', 125)).toContain('film-too-thick');
    expect(verdicts('airless-spray', 125)).toEqual([]);
    expect(verdicts('airless-spray', 60)).toEqual(['film-too-thin']);
  });
  it('thinner that a brush may have is too much for the spray', () => {
    expect(verdicts('brush', 60, 0.1)).toEqual([]);
    expect(verdicts('airless-spray', 125, 0.1)).toEqual(['thinner-over-limit']);
  });
  it('a way of laying that the sheet leaves out is a no', () => {
    const brushed = (methods: Method[]) => {
      const step = { method: 'brush' as const, dryMicronsPerCoat: 60, thinner: 0, coats: 1 };
      const place = { substrate: 'grp', oldCoating: null, service: 'interior', coldestC: null } as const;
      return checkStack([layerOfStep(step, { ...sprayed, methods })], place).layers[0]?.judgements;
    };
    expect(brushed(['roller'])).toMatchObject([{ ruleId: 'method-not-on-sheet', verdict: 'no', mark: 'P' }]);
    // A sheet that names no method forbids none.
    expect(brushed([])).toEqual([]);
  });
  it('a template takes the method’s own typical film', () => {
    const microns = (methods: Method[]) => {
      const template = TEMPLATES.find(({ id }) => id === 'steel-bottom');
      if (!template) throw new Error('no such template');
      return fillTemplate(template, [{ id: 'p', sheet: { ...sprayed, methods } }]).steps[0]
        ?.dryMicronsPerCoat;
    };
    expect([microns(['airless-spray']), microns(['roller'])]).toEqual([125, 60]);
  });
  it('a sheet that speaks of a method it forbids is looked at again', () => {
    const notes = sheetNotes({ ...sprayed, methods: ['roller', 'brush'] });
    const forbidden = { code: 'method-not-allowed', method: 'airless-spray' };
    expect(notes).toContainEqual(forbidden);
    // A sheet that names no method forbids none.
    const silent = sheetNotes({ ...sprayed, methods: [] });
    expect(silent).toEqual(notes.filter(({ code }) => code !== forbidden.code));
  });
});

describe('what the coats come to in all (handbook parts 4 and 5, common practice)', () => {
  const layer = (family: Family, coats: number, dryMicronsPerCoat = 100, band = false) => ({
    ...layerOf(family),
    coats,
    dryMicronsPerCoat,
    band,
  });
  type Where = Pick<StackPlace, 'substrate' | 'service'> & { oldCoating?: Family };
  const reasonsFor = (where: Where, ...layers: Layer[]) =>
    checkStack(layers, { oldCoating: null, coldestC: null, ...where }).layers.flatMap(({ judgements }, at) =>
      judgements.map(
        ({ verdict, condition, reason }) =>
          `${at} ${verdict} if ${condition}: ${writeSentence(reason, 'metric')}`,
      ),
    );
  const grp: Where = { substrate: 'grp', service: 'immersed' };
  it('half a barrier on GRP lets the water in: 300–500 µm stop osmosis, 150 do not', () => {
    expect(reasonsFor(grp, layer('epoxy-barrier', 2, 75), layer('ablative-antifouling', 3))).toEqual([
      '0 condition if 2 more coats go on: A barrier needs at least 300 µm in total to keep water out of the laminate; 500 µm is better. This system has 150 µm',
    ]);
    expect(reasonsFor(grp, layer('epoxy-barrier', 4, 75), layer('ablative-antifouling', 3))).toEqual([]);
    // Ten short of 300 is short: one more coat.
    expect(reasonsFor(grp, layer('epoxy-barrier', 5, 58), layer('ablative-antifouling', 3))).toEqual([
      expect.stringContaining('0 condition if 1 more coat goes on'),
    ]);
  });
  it('steps of one family count together; a band does not thicken the rest', () => {
    const [two, one] = [layer('epoxy-barrier', 2), layer('epoxy-barrier', 1)];
    expect(reasonsFor(grp, two, one)).toEqual([]);
    expect(reasonsFor(grp, two, { ...one, band: true })).toEqual([
      expect.stringContaining('0 condition if 1 more coat goes on'),
    ]);
  });
  it('old paint counts for nobody knows what: nothing is said over it', () => {
    expect(
      reasonsFor({ ...grp, oldCoating: 'ablative-antifouling' }, layer('ablative-antifouling', 1)).join(),
    ).not.toContain('more coat');
  });
  it.each<[string, Where, Family, few: number, enough: number]>([
    [
      'barrier undercoat on steel, two coats',
      { substrate: 'steel', service: 'immersed' },
      'epoxy-barrier',
      1,
      2,
    ],
    ['antifouling, two full coats', { ...grp, substrate: 'timber-epoxy' }, 'copper-free-antifouling', 1, 2],
    ['a tank, 500 µm', { substrate: 'grp-laminate', service: 'tank' }, 'epoxy-finish', 4, 5],
    ['a bilge in epoxy, two coats', { substrate: 'timber', service: 'bilge' }, 'bilge-epoxy', 1, 2],
    ['a bilge in one-pack, three or four', { substrate: 'timber', service: 'bilge' }, 'one-pack-bilge', 2, 3],
  ])('%s', (_, where, family, few, enough) => {
    const under = family.endsWith('antifouling') ? [layer('epoxy-barrier', 3)] : [];
    expect(reasonsFor(where, ...under, layer(family, few)).join()).toContain('1 more coat goes on');
    expect(reasonsFor(where, ...under, layer(family, enough)).join()).not.toContain('more coat');
  });
});

describe('applied thin', () => {
  it('two coats of 60 where 100 were meant: 180 of 300 µm are missing, two more coats', () => {
    expect(
      coatsStillNeeded({
        targetMicrons: 300,
        appliedMicrons: 120,
        sheet: { film: { min: 75, typical: 100, max: 125 }, byMethod: [] },
        method: 'roller',
      }),
    ).toEqual({
      missingMicrons: 180,
      coats: 2,
    });
  });
  it.each([
    [290, 10, 1],
    [299.6, expect.closeTo(0.4, 9), 0],
    [270, 30, 1],
  ])('%s of 300 µm: %s µm are missing and said, %s coats more', (appliedMicrons, missingMicrons, coats) => {
    const sheet = { film: { min: 75, typical: 100, max: 125 }, byMethod: [] };
    expect(coatsStillNeeded({ targetMicrons: 300, appliedMicrons, sheet, method: 'roller' })).toEqual({
      missingMicrons,
      coats,
    });
  });
});

describe('preparation (handbook part 4)', () => {
  const steel = prepareFor({ substrate: 'steel', oldCoating: null, service: 'immersed', preparation: null });
  const text = (steps: typeof steel) => steps.map((each) => `${each.what}: ${each.proof}`).join('\n');
  it('steel: degrease, blast to Sa 2½, salt below 50, primed within 4 hours, in that order', () => {
    const order = ['Degrease', 'Sa 2½', '50 mg/m²', 'within 4 hours', 'tack cloth'];
    const places = order.map((word) => text(steel).indexOf(word));
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(places[0]).toBeGreaterThanOrEqual(0);
  });
  it('the sheet’s own grade wins', () => {
    const wanted = prepareFor({
      substrate: 'steel',
      oldCoating: null,
      service: 'immersed',
      preparation: { cleanliness: 'Sa 3', profileMinMicrons: 60, profileMaxMicrons: null },
    });
    expect(text(wanted)).toContain('Sa 3 (ISO 8501-1)');
  });
  it('GRP is dewaxed before and after sanding', () => {
    const grp = prepareFor({ substrate: 'grp', oldCoating: null, service: 'immersed', preparation: null });
    expect(text(grp).match(/dewax/gi)).toHaveLength(2);
  });
  it('old antifouling is never abraded dry, and nothing old without its caution', () => {
    for (const oldCoating of ['unknown', 'hard-antifouling', 'ablative-antifouling'] as const) {
      const steps = prepareFor({ substrate: 'grp', oldCoating, service: 'immersed', preparation: null });
      expect(text(steps)).toContain('Never work dry');
      for (const each of steps)
        if (/sand|scrape|abrade|loose/i.test(each.what)) expect(each.caution).toContain('lead');
    }
  });
  it('cured epoxy is washed with water first; a bilge is dried with a fan and never worked alone', () => {
    expect(
      text(prepareFor({ substrate: 'timber-epoxy', oldCoating: null, service: 'bilge', preparation: null })),
    ).toMatch(/water first[\s\S]*fan/);
  });
  it('hours go by area and rate', () => {
    expect(
      prepHours(
        [{ what: '', proof: '', grit: null, waitHours: null, kind: 'prepare', caution: null, m2PerHour: 8 }],
        20,
      ),
    ).toBe(2.5);
  });
});

describe('schools', () => {
  it('every choice says what each way buys and costs', () => {
    expect(SCHOOLS.length).toBeGreaterThanOrEqual(10);
    for (const { ways } of SCHOOLS)
      for (const way of ways) expect(way.buys.length > 5 && way.costs.length > 3).toBe(true);
  });
  it('hard or ablative: the rules know which way there is no return', () => {
    const way = nearestFine(['hard-antifouling'], {
      substrate: 'grp',
      oldCoating: 'ablative-antifouling',
      service: 'immersed',
      coldestC: null,
    });
    expect(way?.families).toEqual(['ablative-antifouling']);
  });
});

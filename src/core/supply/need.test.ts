import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  labourHours,
  learnSpread,
  type NeedLine,
  type NeedSheet,
  need,
  smallNeed,
  sundries,
} from './index.ts';

const TWO_PACK: NeedSheet = {
  parts: [
    { name: 'base', ratio: 2, densityKgPerL: null },
    { name: 'hardener', ratio: 1, densityKgPerL: null },
  ],
  ratioBy: 'volume',
  volumeSolids: 0.5,
  typicalMicrons: 100,
  coverageM2PerL: null,
  dilution: null,
  canLitres: null,
  thinner: 'thinner 5',
};
const coats = (count: number, areaM2: number, colours = ['grey']) =>
  Array.from({ length: count }, (_, no) => ({ no, colour: colours[no % colours.length] as string, areaM2 }));
const line = (more: Partial<NeedLine> = {}): NeedLine => ({
  id: 'port',
  boatId: 'boat',
  productId: 'paint',
  sheet: TWO_PACK,
  coats: coats(1, 20),
  dryMicronsPerCoat: 100,
  method: 'roller',
  thinner: 0,
  spread: 0,
  measuredBy: 'boat mesh',
  underCover: null,
  ...more,
});
const only = <T>(list: readonly T[]): T => {
  expect(list).toHaveLength(1);
  return list[0] as T;
};

/** Normal numbers from a seed [Box and Muller; Park and Miller's generator, common practice]. */
function normals(seed: number): () => number {
  let state = seed;
  const uniform = () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

describe('the need of a coat, handbook part 6', () => {
  it('is A × DFT / (1000 × VS × (1 − loss)), and what stays in roller and tray on top', () => {
    const { lines, colours, sessions } = need({ lines: [line()] });
    expect(only(lines).litres).toBeCloseTo((20 * 100) / (1000 * 0.5 * 0.925), 6);
    expect(only(sessions)).toMatchObject({ sessions: 1, leftInTools: 0.1 });
    expect(only(colours).likely).toBeCloseTo(4.324 + 0.1, 3);
  });

  it('fills a 75 µm profile with 0.05 l/m² in the first coat alone (from memory)', () => {
    const { lines } = need({ lines: [line({ coats: coats(2, 20), profileMicrons: 75 })] });
    expect(only(lines).coats.map(({ dead }) => dead)).toEqual([1, 0]);
  });

  it('airless loses 20–30 % indoors and 30–40 % outdoors; nothing told: the method’s own span', () => {
    const litres = (underCover: boolean | null) =>
      only(need({ lines: [line({ method: 'airless-spray', underCover })] }).lines).loss;
    expect([litres(true), litres(false)]).toEqual([
      { likely: 0.25, upper: 0.3 },
      { likely: 0.35, upper: 0.4 },
    ]);
    expect(litres(null)).toEqual({ likely: 0.3, upper: 0.4 });
  });

  it('seals an aggregate with two to three times a smooth coat, then about half of that; textured takes 10–30 % more', () => {
    const sealed = only(need({ lines: [line({ coats: coats(3, 20), sealsAggregate: true })] }).lines);
    expect(sealed.coats.map(({ factor }) => factor)).toEqual([2.5, 1.25, 1]);
    expect(only(need({ lines: [line({ textured: true })] }).lines).coats[0]?.factor).toBe(1.2);
  });

  it('goes by the tin’s coverage where no solids are known, a wash by its dilution, and says so where neither is', () => {
    const sheet = { ...TWO_PACK, volumeSolids: null, coverageM2PerL: 8 };
    const one = only(need({ lines: [line({ sheet, dryMicronsPerCoat: 50 })] }).lines);
    expect(one).toMatchObject({ route: 'coverage', litres: 20 / 8 / 2 });
    // 200 l of passivating wash at 50 : 1 are 4 l of concentrate [handbook part 4].
    const wash = { ...sheet, parts: [TWO_PACK.parts[0] as never], coverageM2PerL: 1, dilution: 50 };
    expect(only(need({ lines: [line({ sheet: wash, coats: coats(1, 200) })] }).lines).litres).toBe(4);
    const silent = need({ lines: [line(), line({ id: 'b', sheet: { ...sheet, coverageM2PerL: null } })] });
    expect(silent.unknown).toEqual([
      {
        lineId: 'b',
        reason: expect.stringContaining(
          'Volume solids must be on the data sheet, or the coverage, but is not stated',
        ),
      },
    ]);
    expect(silent.lines.map(({ id }) => id)).toEqual(['port']);
  });

  it('counts cans that spray, which leave nothing in a tray', () => {
    const sheet = { ...TWO_PACK, parts: [TWO_PACK.parts[0] as never], canLitres: 0.4 };
    const { colours, sessions } = need({ lines: [line({ sheet, coats: coats(1, 2), method: 'aerosol' })] });
    // 2 m² × 100 µm / (500 × 0.55) = 0.73 l likely, which two cans would just hold; enough nine times in ten are three.
    expect([only(colours).likely, only(colours).cans]).toEqual([expect.closeTo(0.727, 3), 3]);
    expect(sessions).toEqual([]);
  });
});

describe('parts', () => {
  it('follow the sheet’s ratio, or another one on purpose: resin 6 : 5 where the tin says 1 : 1', () => {
    const resin = { ...TWO_PACK, parts: TWO_PACK.parts.map((part) => ({ ...part, ratio: 1 })) };
    const of = (ownParts: number[] | null) => need({ lines: [line({ sheet: resin, ownParts })] }).parts;
    const [base, hardener] = of([6, 5]);
    expect((base?.likely ?? 0) / (hardener?.likely ?? 1)).toBeCloseTo(6 / 5, 9);
    expect((base?.likely ?? 0) + (hardener?.likely ?? 0)).toBeCloseTo(4.424, 3);
    expect(of(null)[0]?.likely).toBeCloseTo(4.424 / 2, 3);
  });

  it('have a colour only in the base: one hardener serves grey and white', () => {
    const { parts } = need({ lines: [line({ coats: coats(4, 20, ['grey', 'white']) })] });
    expect(parts.map(({ part, colour }) => [part, colour])).toEqual([
      ['base', 'grey'],
      ['hardener', null],
      ['base', 'white'],
    ]);
    expect(parts[1]?.likely).toBeCloseTo((parts[0]?.likely ?? 0) / 2 + (parts[2]?.likely ?? 0) / 2, 9);
  });

  it('by weight without densities are told in kg, never taken for litres; a reducer in the ratio is no paint', () => {
    const byWeight = need({ lines: [line({ sheet: { ...TWO_PACK, ratioBy: 'weight' } })] }).parts;
    expect(byWeight.map(({ unit }) => unit)).toEqual(['kg', 'kg']);
    const reduced = {
      ...TWO_PACK,
      parts: [...TWO_PACK.parts, { name: 'reducer', ratio: 1, densityKgPerL: null, reducer: true }],
    };
    const [base, , reducer] = need({ lines: [line({ sheet: reduced })] }).parts;
    expect(base?.likely).toBeCloseTo((4.424 * 2) / 3, 3);
    expect(reducer?.likely).toBeCloseTo(4.424 / 3, 3);
  });

  it('thinner goes by the method’s fraction, and 0.3 l a session cleans a roller, 1 l a gun (handbook part 19)', () => {
    const liquid = (more: Partial<NeedLine>) =>
      only(need({ lines: [line({ thinner: 0.1, ...more })] }).liquids);
    expect(liquid({})).toMatchObject({ name: 'thinner 5', clean: 0.3 });
    expect(liquid({}).thin).toBeCloseTo(0.4324, 3);
    expect(liquid({ method: 'airless-spray', coats: coats(2, 20) }).clean).toBe(2);
  });
});

it('an additive is wanted by the ml a litre of what is mixed, what stays in the tools too', () => {
  const additives = [{ name: 'roller additive', mlPerLitre: 10 }];
  const { additives: wanted, colours } = need({
    lines: [line({ additives, coats: coats(2, 20, ['grey', 'white']) }), line({ id: 'plain' })],
  });
  // Both coats by 4.324 l and what stays of them in roller and tray; the line without it takes none.
  const own = colours.flatMap(({ lines }) => lines).filter(({ lineId }) => lineId === 'port');
  const mixed = own.reduce((sum, { litres }) => sum + litres, 0);
  expect(mixed).toBeGreaterThan(2 * 4.324);
  expect(only(wanted).likely).toBeCloseTo(mixed / 100, 9);
  expect(only(wanted).safe).toBeGreaterThan(only(wanted).likely);
  expect(() => need({ lines: [line({ additives: [{ name: 'drops', mlPerLitre: 501 }] })] })).toThrow(
    'Drops (ml/l) must be between 0 and 500, but is 501',
  );
});

describe('the safe need', () => {
  const twoSides = (spread: number, port: string, starboard: string) =>
    only(
      need({
        lines: [line({ spread, measuredBy: port }), line({ id: 'starboard', spread, measuredBy: starboard })],
      }).colours,
    );

  it('shrinks with a better measure, and where two areas were measured apart from each other', () => {
    const together = twoSides(0.15, 'by rule', 'by rule');
    expect(together.likely).toBeCloseTo(8.749, 3);
    expect(twoSides(0.15, 'port rule', 'starboard rule').safe).toBeLessThan(together.safe);
    expect(twoSides(0.02, 'by mesh', 'by mesh').safe).toBeLessThan(twoSides(0.15, 'a', 'b').safe);
  });

  /**
   * A yard as it is, not as the model has it: each kind of coat takes its own factor of what its sheet says, each coat by itself lies off that,
   * and sealing a non-skid takes anything from two to three times a smooth coat.
   */
  const shareEnough = (
    seed: number,
    {
      kinds,
      scatter,
      learnedFrom,
      coatsAhead,
      seals,
    }: { kinds: number; scatter: number; learnedFrom: number; coatsAhead: number; seals?: boolean },
  ) => {
    const normal = normals(seed);
    let [enough, all] = [0, 0];
    for (let yard = 0; yard < 400; yard++) {
      const truths = Array.from({ length: 5 }, () => Math.exp(kinds * normal()));
      const logged = truths.flatMap((truth, k) =>
        Array.from({ length: learnedFrom }, (_, i) => ({
          id: `${k} ${i}`,
          key: `${k}`,
          litres: 4 * truth * Math.exp(scatter * normal()),
          bySheet: 4,
        })),
      );
      const rates = new Map(learnSpread(logged).map((rate) => [rate.key, rate]));
      truths.forEach((truth, k) => {
        const asked = line({
          ...{ spread: 0, coats: coats(coatsAhead, 20), sealsAggregate: seals ?? false },
          learned: rates.get(`${k}`) ?? null,
        });
        const { lines, colours } = need({ lines: [asked] });
        const { safe } = only(colours);
        const rate = rates.get(`${k}`)?.factor ?? 1;
        const sealing = 2 + ((yard * 5 + k) % 101) / 100;
        // The rate by the sheet is in a coat's litres times what is learned; what stays in the tools is logged with what was used.
        const used = only(lines).coats.reduce((sum, { no, litres, factor }) => {
          const rough = seals && no < 2 ? sealing / (no === 0 ? 1 : 2) / factor : 1;
          return sum + (litres / rate) * truth * rough * Math.exp(scatter * normal());
        }, 0);
        all++;
        if (used <= safe) enough++;
      });
    }
    return enough / all;
  };
  it.each([
    ['by the sheet, a coat', { kinds: 0.08, scatter: 0.1, learnedFrom: 0, coatsAhead: 1 }],
    ['by the sheet, four coats', { kinds: 0.08, scatter: 0.1, learnedFrom: 0, coatsAhead: 4 }],
    [
      'two seal coats on a non-skid',
      { kinds: 0.08, scatter: 0.1, learnedFrom: 0, coatsAhead: 2, seals: true },
    ],
    ['learned from six coats', { kinds: 0.08, scatter: 0.1, learnedFrom: 6, coatsAhead: 1 }],
    ['learned in a yard that scatters more', { kinds: 0.12, scatter: 0.16, learnedFrom: 6, coatsAhead: 2 }],
    ['learned, two seal coats', { kinds: 0.08, scatter: 0.1, learnedFrom: 6, coatsAhead: 2, seals: true }],
  ] as const)('is enough nine times in ten: %s', (_what, yard) => {
    const enough = shareEnough(7, yard);
    // A yard that scatters half as much again as yards do is learned as far as thirty coats tell.
    expect(enough).toBeGreaterThan(yard.scatter > 0.1 ? 0.86 : 0.88);
    expect(enough).toBeLessThan(0.96);
  });

  it('never falls when area, film or spread rises, nor with a method that loses more', () => {
    const anyLine = fc.record({
      areaM2: fc.double({ min: 0.5, max: 300, noNaN: true }),
      dryMicronsPerCoat: fc.double({ min: 10, max: 500, noNaN: true }),
      spread: fc.double({ min: 0, max: 0.4, noNaN: true }),
      count: fc.integer({ min: 1, max: 6 }),
      method: fc.constantFrom('brush' as const, 'roller' as const),
    });
    const safe = (
      list: readonly {
        areaM2: number;
        dryMicronsPerCoat: number;
        spread: number;
        count: number;
        method: 'brush' | 'roller' | 'conventional-spray';
      }[],
    ) =>
      need({
        lines: list.map(({ areaM2, count, ...rest }, i) =>
          line({ ...rest, id: `${i}`, coats: coats(count, areaM2), measuredBy: `${i % 2}` }),
        ),
      }).colours.reduce((sum, each) => sum + each.safe, 0);
    fc.assert(
      fc.property(
        fc.array(anyLine, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        (list, more) => {
          const base = safe(list);
          const [first, ...rest] = list as [(typeof list)[0], ...typeof list];
          expect(safe([{ ...first, areaM2: first.areaM2 * more }, ...rest])).toBeGreaterThanOrEqual(
            base - 1e-9,
          );
          expect(
            safe([{ ...first, dryMicronsPerCoat: first.dryMicronsPerCoat * more }, ...rest]),
          ).toBeGreaterThanOrEqual(base - 1e-9);
          expect(safe([{ ...first, spread: first.spread * more }, ...rest])).toBeGreaterThanOrEqual(
            base - 1e-9,
          );
          expect(safe([{ ...first, method: 'conventional-spray' }, ...rest])).toBeGreaterThanOrEqual(
            base - 1e-9,
          );
        },
      ),
    );
  });
});

describe('a spreading rate learned from coats applied here', () => {
  const use = (key: string, ...ratios: number[]) =>
    ratios.map((ratio, i) => ({ id: `${key} ${i}`, key, litres: 4 * ratio, bySheet: 4 }));

  it('is drawn to the sheet while coats are few: w = τ²/(τ² + σ²/n) (Casella 1985; τ 0.08, σ 0.10 from memory)', () => {
    const [two] = learnSpread(use('barrier', 1.2, 1.2));
    expect(two?.weight).toBeCloseTo(0.0064 / (0.0064 + 0.01 / 2), 9);
    expect(two?.factor).toBeCloseTo(Math.exp(0.5614 * Math.log(1.2)), 4);
    const [six] = learnSpread(use('barrier', 1.2, 1.2, 1.2, 1.2, 1.2, 1.2));
    expect(six?.factor).toBeGreaterThan(two?.factor ?? 9);
    expect(six?.sd).toBeLessThan(two?.sd ?? 0);
  });

  it('names a coat far off the others and does not learn from it', () => {
    const [one] = learnSpread(use('gloss', 1.05, 1.1, 1.0, 1.07, 2.2));
    expect(one?.outliers).toEqual(['gloss 4']);
    expect(one?.mean).toBeLessThan(1.1);
  });

  it('comes nearer to what is true of many kinds than their own means do (James and Stein’s point)', () => {
    const normal = normals(11);
    const truths = Array.from({ length: 30 }, () => Math.exp(0.06 * normal()));
    const learned = learnSpread(
      truths.flatMap((truth, k) => use(`${k}`, ...[0, 1, 2].map(() => truth * Math.exp(0.12 * normal())))),
    );
    const off = (of: 'factor' | 'mean') =>
      learned.reduce((sum, each, k) => sum + (Math.log(each[of]) - Math.log(truths[k] as number)) ** 2, 0);
    expect(off('factor')).toBeLessThan(off('mean'));
  });

  it('tells hands apart, each drawn to what the kind takes while its coats are few (0.06 between hands, from memory)', () => {
    const coat = (person: string | null, ratio: number, i: number) => ({ id: `${person} ${i}`, key: 'gloss', person, litres: ratio, bySheet: 1 }); // biome-ignore format: one line
    const [kind] = learnSpread([
      ...[1.1, 1.1, 1.1].map((ratio, i) => coat('Ada', ratio, i)),
      coat('Ben', 1, 0),
      coat(null, 1.05, 0),
    ]);
    const [ada, ben] = kind?.persons ?? [];
    expect([ada?.person, ada?.coats, ben?.person, ben?.coats]).toEqual(['Ada', 3, 'Ben', 1]);
    const weight = 0.0036 / (0.0036 + 0.01 / 3);
    expect(ada?.weight).toBeCloseTo(weight, 9);
    const log = Math.log(kind?.factor ?? 0);
    expect(ada?.factor).toBeCloseTo(Math.exp(log + weight * (Math.log(1.1) - log)), 9);
    expect(ada?.factor).toBeGreaterThan(ben?.factor ?? 9);
  });

  it('moves the need and takes the place of the trade’s span', () => {
    const usual = only(need({ lines: [line()] }).colours);
    const learned = only(need({ lines: [line({ learned: { factor: 1.2, sd: 0.01 } })] }).colours);
    // What stays in the tools is in a rate learned from what was used, and counts once.
    expect(learned.likely).toBeCloseTo((usual.likely - 0.1) * 1.2, 6);
    expect(learned.safe / learned.likely).toBeLessThan(usual.safe / usual.likely);
  });
});

describe('a need too small for any pack', () => {
  const packs = [
    { litres: 2.5, price: 70 },
    { litres: 0.75, price: 25 },
  ];
  it('of 100 ml is no reason to buy a tin: the remainder first, the whole pack last', () => {
    const small = smallNeed({
      litres: 0.1,
      packs,
      remainders: [
        { what: 'tin on the shelf', litres: 0.3 },
        { what: 'dregs', litres: 0.05 },
      ],
      shared: [{ what: 'topsides', litres: 3 }],
      alternatives: [
        { what: 'syringe pack', litres: 0.1, price: 9 },
        { what: 'large tin', litres: 5, price: 90 },
      ],
    });
    expect(small?.ways.map(({ kind, what }) => [kind, what])).toEqual([
      ['remainder', 'tin on the shelf'],
      ['shared', 'topsides'],
      ['small-pack', 'syringe pack'],
      ['whole-pack', ''],
    ]);
    expect(small?.ways.at(-1)).toMatchObject({ cost: 25, left: 0.65 });
  });
  it('is none from a quarter of the smallest pack on', () => {
    expect(smallNeed({ litres: 0.2, packs, remainders: [], shared: [], alternatives: [] })).toBeNull();
  });
});

describe('sundries and hours, handbook part 19', () => {
  const nothing = {
    sessions: [],
    wipedM2: 0,
    tackedM2: 0,
    strippedM2: 0,
    sandedM2: { byMachine: 0, byHand: 0 },
    edges: [],
    strewnM2: 0,
  };
  const amount = (list: ReturnType<typeof sundries>, item: string) =>
    list.find((each) => each.item === item)?.amount;
  it('a cover a session, one more past 15 m²; two cups, a stick and a pair of gloves a batch; tape × 1.1', () => {
    const session = { method: 'roller' as const, areaM2: 20, batches: 3, hours: 2, inside: false };
    const list = sundries({
      ...nothing,
      sessions: [session, { ...session, areaM2: 15 }],
      edges: [{ lengthM: 30, tapings: 2 }],
    });
    expect(
      ['roller-cover', 'tray-liner', 'mixing-cup', 'stir-stick', 'gloves', 'tape'].map((item) =>
        amount(list, item),
      ),
    ).toEqual([3, 2, 12, 6, 6, 66]);
  });
  it('a disc a m² stripping, one per 2.5 m² sanding, a sheet per 1.5 m² by hand, a cloth per 2 m² a wipe', () => {
    const list = sundries({
      ...nothing,
      strippedM2: 10,
      sandedM2: { byMachine: 10, byHand: 3 },
      wipedM2: 10,
      tackedM2: 25,
    });
    expect(
      ['strip-disc', 'sand-disc', 'sheet', 'cloth', 'wipe-solvent', 'tack-cloth'].map((item) =>
        amount(list, item),
      ),
    ).toEqual([10, 4, 2, 5, 0.5, 3]);
    expect(amount(sundries({ ...nothing, wipedM2: 10 }, { cloth: 1 }), 'cloth')).toBe(10);
  });
  it('20 m² by roller in two coats, sanded once, take 6.3 h with half an hour a session to put away', () => {
    expect(labourHours({ areaM2: 20, coats: 2, method: 'roller', work: ['sand'] })).toBeCloseTo(
      2 * (20 / 12 + 0.5) + 2,
      9,
    );
    // With 24 m of edge masked at 12 m/h and unmasked at 40 [T, handbook part 19]: 2.6 h more.
    expect(labourHours({ areaM2: 20, coats: 2, method: 'roller', work: ['sand'], tapedM: 24 })).toBeCloseTo(
      2 * (20 / 12 + 0.5) + 2 + 2.6,
      9,
    );
  });
});

import { describe, expect, it } from 'vitest';
import { aProduct, aStep } from '../../../test/examples.ts';
import type { CurvePoint } from '../cure/index.ts';
import {
  type Family,
  ONE_PACKS,
  type ProductSheet,
  type StackPlace,
  TWO_PACKS,
  withOtherProducts,
} from './index.ts';

const DAYLIGHT: StackPlace = { substrate: 'grp', oldCoating: null, service: 'daylight', coldestC: null };
const at20 = (hours: number): CurvePoint[] => [{ tempC: 20, minutes: hours * 60 }];

/** A product that takes the next coat after so many hours at 20 °C. */
const product = (id: string, family: Family, hours: number, over: Partial<ProductSheet> = {}) => ({
  id,
  sheet: aProduct({
    family,
    grounds: null,
    film: { min: 40, typical: 60, max: 100 },
    byMethod: [],
    methods: ['roller'],
    cure: {
      stopC: 0,
      events: { 'tack-free': at20(3) },
      overcoat: [{ by: 'any', min: at20(hours), chemicalMax: at20(hours + 48), keyGrit: 320 }],
    },
    ...over,
  }).sheet,
});
const PRODUCTS = [
  product('primer', 'epoxy-primer', 8),
  product('primer-slow', 'epoxy-primer', 12),
  product('primer-quick', 'epoxy-primer', 4),
  product('filler', 'epoxy-filler', 6),
  product('gloss', 'two-pack-polyurethane', 12),
  product('enamel', 'one-pack-enamel', 16),
  product('enamel-quick', 'one-pack-enamel', 6, { film: { min: 30, typical: 40, max: 50 } }),
  product('undercoat', 'one-pack-undercoat', 6),
  product('prime-one', 'one-pack-primer', 6),
];
const step = (productId: string, coats = 2) => aStep(productId, { id: productId, coats, method: 'roller', dryMicronsPerCoat: 60, colours: ['white'], band: null, sandBetween: null }); // biome-ignore format: one line
const changed = (
  ids: string[],
  change: 'quicker' | 'one-pack',
  { from = 0, place = DAYLIGHT, products = PRODUCTS } = {},
) => withOtherProducts({ steps: ids.map((id) => step(id)), from, change, products, place, tempC: 20 });
const idsOf = (steps: ReturnType<typeof changed>) => steps.map(({ productId }) => productId);

describe('products of the same type that can be overcoated sooner', () => {
  it('take the place of slower ones, in the film that is planned', () => {
    const steps = changed(['primer-slow', 'gloss'], 'quicker');
    expect(idsOf(steps)).toEqual(['primer-quick', 'gloss']);
    expect(steps[0]).toMatchObject({ coats: 2, dryMicronsPerCoat: 60, thinner: 0, additives: [] });
  });
  it('not where a coat is on, nor for a few minutes, nor in a film its sheet refuses, nor applied in another way', () => {
    expect(idsOf(changed(['primer-slow', 'gloss'], 'quicker', { from: 1 }))).toEqual([
      'primer-slow',
      'gloss',
    ]);
    const other = (over: Partial<ProductSheet>, hours = 4) => [
      product('primer', 'epoxy-primer', 8),
      product('other', 'epoxy-primer', hours, over),
      product('gloss', 'two-pack-polyurethane', 12),
    ];
    const alone = (products: typeof PRODUCTS) =>
      idsOf(changed(['primer', 'gloss'], 'quicker', { products }))[0];
    expect(alone(other({}))).toBe('other');
    expect(alone(other({}, 7.9))).toBe('primer');
    expect(alone(other({ film: { min: 10, typical: 20, max: 50 } }))).toBe('primer');
    expect(alone(other({ methods: ['airless-spray'] }))).toBe('primer');
    expect(alone(other({ grounds: ['steel'] }))).toBe('primer');
    // A rule overruled for one product isn't for another.
    const steps = [
      { ...step('primer'), overrule: { ruleIds: ['not-on-sheet'], reason: 'asked the maker' } },
      step('gloss'),
    ];
    const products = other({ grounds: ['steel'] });
    expect(
      withOtherProducts({ steps, from: 0, change: 'quicker', products, place: DAYLIGHT, tempC: 20 }),
    ).toBe(steps);
  });
});

describe('one-packs', () => {
  it('take the place of two-packs from as low as the rules allow, in their own typical film', () => {
    const steps = changed(['primer', 'gloss'], 'one-pack');
    expect(idsOf(steps)).toEqual(['prime-one', 'enamel-quick']);
    expect(steps[1]?.dryMicronsPerCoat).toBe(40);
  });
  it('come over a two-pack that is on, and never under one', () => {
    expect(idsOf(changed(['primer', 'gloss'], 'one-pack', { from: 1 }))).toEqual(['primer', 'enamel-quick']);
    // Handbook 5: two-pack over one-pack lifts and wrinkles.
    for (const ids of [
      ['primer', 'filler', 'primer', 'gloss'],
      ['filler', 'gloss'],
      ['gloss', 'primer'],
    ]) {
      const families = changed(ids, 'one-pack').map(({ productId }) => PRODUCTS.find(({ id }) => id === productId)?.sheet.family as Family); // biome-ignore format: one line
      const firstOne = families.findIndex((family) => ONE_PACKS.includes(family));
      if (firstOne >= 0)
        expect(families.slice(firstOne).filter((family) => TWO_PACKS.includes(family))).toEqual([]);
    }
  });
  it.each(['immersed', 'tank'] as const)(
    'are no choice where it is %s, or where none is in the list',
    (service) => {
      expect(idsOf(changed(['primer', 'gloss'], 'one-pack', { place: { ...DAYLIGHT, service } }))).toEqual([
        'primer',
        'gloss',
      ]);
      const products = PRODUCTS.filter(({ sheet }) => !ONE_PACKS.includes(sheet.family));
      expect(idsOf(changed(['primer', 'gloss'], 'one-pack', { products }))).toEqual(['primer', 'gloss']);
    },
  );
});

it('a stack with a product that is not offered stays as it is', () => {
  const steps = [step('primer-slow'), step('unknown')];
  expect(
    withOtherProducts({ steps, from: 0, change: 'quicker', products: PRODUCTS, place: DAYLIGHT, tempC: 20 }),
  ).toBe(steps);
});

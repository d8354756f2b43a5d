import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  billOf,
  cheapestPurchase,
  endsBeforeCoat,
  fromMinor,
  kitContents,
  lotNotes,
  MOVEMENT_KINDS,
  type Movement,
  sharedOut,
  shareOut,
  stockOf,
  takeFrom,
  timesRate,
  toMinor,
} from './index.ts';

const DAY = 24 * 3_600_000;
const move = (kind: Movement['kind'], amount: number, day: number): Movement => ({
  id: `${kind} ${day}`,
  kind,
  amount,
  atMs: day * DAY,
});

describe('a lot', () => {
  it('is the sum of its movements; a count puts in the book what was found and keeps the difference in sight', () => {
    const stock = stockOf([
      move('received', 2.5, 0),
      move('used', 0.6, 1),
      move('counted', 1.7, 2),
      move('used', 0.2, 3),
    ]);
    expect(stock.inTin).toBeCloseTo(1.5, 9);
    expect(stock.differences).toMatchObject([{ expected: 1.9, found: 1.7 }]);
  });

  it('sets a keep-back apart: what is kept for a patch is not in the tin, and goes into the patch alone', () => {
    const kept = [move('received', 2, 0), move('kept-back', 0.4, 1)];
    expect(stockOf(kept)).toMatchObject({ inTin: 1.6, kept: 0.4 });
    expect(stockOf([...kept, move('kept-used', 0.3, 2), move('released', 0.1, 3)])).toMatchObject({
      inTin: expect.closeTo(1.7, 9),
      kept: expect.closeTo(0, 9),
    });
  });

  it('shows less than nothing as what it is, since when, until a count sets it right', () => {
    const used = [move('received', 1, 0), move('used', 0.7, 1), move('used', 0.7, 2)];
    expect(stockOf(used)).toMatchObject({ inTin: expect.closeTo(-0.4, 9), belowNothingSinceMs: 2 * DAY });
    expect(stockOf([...used, move('counted', 0.2, 3)]).belowNothingSinceMs).toBeNull();
  });

  it('stands the same in whatever order entries made offline arrive', () => {
    const anyMove = fc.record({
      kind: fc.constantFrom(...MOVEMENT_KINDS),
      amount: fc.double({ min: 0, max: 5, noNaN: true }),
      day: fc.integer({ min: 0, max: 40 }),
    });
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 20 }), fc.integer(), (list, seed) => {
        const all = list.map(({ kind, amount, day }, i) => ({ id: `${i}`, kind, amount, atMs: day * DAY }));
        const mixed = [...all].sort(
          (a, b) => ((Number(a.id) * 7919 + seed) % 31) - ((Number(b.id) * 7919 + seed) % 31),
        );
        expect(stockOf(mixed)).toEqual(stockOf(all));
      }),
    );
  });

  it('past its shelf life, opened too long, frozen or an old converter is kept out of the stock', () => {
    const lot = {
      kind: 'other',
      madeMs: 0,
      receivedMs: null,
      openedMs: null,
      shelfMonths: 24,
      openedMonths: null,
      frost: false,
      heat: false,
      nowMs: 0,
    } as const;
    const codes = (more: object) =>
      lotNotes({ ...lot, ...more })
        .filter(({ keepsOut }) => keepsOut)
        .map(({ code }) => code);
    expect(codes({ nowMs: 25 * 30.44 * DAY })).toEqual(['out-of-date']);
    expect(codes({ openedMs: 0, openedMonths: 6, nowMs: 7 * 30.44 * DAY })).toEqual(['opened-long']);
    expect(codes({ kind: 'water-borne', frost: true })).toEqual(['frozen']);
    expect(codes({ kind: 'solvent-borne', frost: true })).toEqual([]);
    expect(
      codes({ kind: 'rust-converter', shelfMonths: null, openedMs: 0, nowMs: 25 * 30.44 * DAY }),
    ).toEqual(['old-converter']);
  });
});

describe('tins and a coat', () => {
  it('a spoonful short is enough, more is not', () => {
    expect(endsBeforeCoat({ reachLitres: 4.296, wantedLitres: 4.3 })).toBe(false);
    expect(endsBeforeCoat({ reachLitres: 4.29, wantedLitres: 4.3 })).toBe(true);
    expect(() => endsBeforeCoat({ reachLitres: Number.NaN, wantedLitres: 1 })).toThrow(/in the tins/);
  });
});

describe('money', () => {
  it('is in whole minor units: 1.005 is rounded up, not down by what a double cannot hold; yen have none', () => {
    expect([toMinor(1.005, 'EUR'), toMinor(12.5, 'USD'), toMinor(1234, 'JPY')]).toEqual([101, 1250, 1234]);
    expect(fromMinor(1250, 'EUR')).toBe(12.5);
    expect(timesRate(1999, 0.077, 'CHF')).toBe(154);
  });

  it('shared out adds up to the cent, whatever the weights', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 1, maxLength: 30 }),
        (minor, weights) => {
          expect(shareOut(minor, weights, 'EUR').reduce((a, b) => a + b, 0)).toBe(minor);
        },
      ),
    );
    expect(shareOut(100, [1, 1, 1], 'EUR')).toEqual([34, 33, 33]);
  });

  it('a bill adds up: net, tax and rounding are the gross, in steps of five', () => {
    expect(billOf({ lines: [1000, 2345], taxRate: 0.19, step: 5, currency: 'CHF' })).toEqual({
      net: 3345,
      tax: 636,
      rounding: -1,
      gross: 3980,
    });
  });
});

describe('a purchase', () => {
  const tin = (id: string, supplierId: string | null, price: number, litres = 1) => ({
    id,
    supplierId,
    price,
    contents: { paint: litres },
  });
  const need = [{ part: 'paint', litres: 3 }];

  it('counts a delivery once: 3 l at 24 from near by rather than at 20 with a delivery of 15', () => {
    const bought = cheapestPurchase({
      need,
      packs: [tin('far', 'a', 20), tin('near', 'b', 24)],
      suppliers: [
        { id: 'a', delivery: 15, minOrder: 0 },
        { id: 'b', delivery: 0, minOrder: 0 },
      ],
    });
    expect(bought).toMatchObject({ total: 72, buy: [{ id: 'near', count: 3 }], proven: true });
    expect(bought.runnersUp[0]).toMatchObject({ total: 75, more: 3 });
  });

  it('fills an order up to what its supplier takes, and goes elsewhere where that is cheaper', () => {
    const suppliers = [{ id: 'a', delivery: 0, minOrder: 100 }];
    expect(cheapestPurchase({ need, packs: [tin('far', 'a', 20)], suppliers })).toMatchObject({
      total: 100,
      orders: [{ short: 40 }],
    });
    const both = cheapestPurchase({ need, packs: [tin('far', 'a', 20), tin('shop', null, 30)], suppliers });
    expect(both).toMatchObject({ total: 90, buy: [{ id: 'shop', count: 3 }] });
  });

  it('is never dearer than any purchase found by trying all, with discounts and deliveries', () => {
    const packs = fc.array(
      fc.record({
        price: fc.integer({ min: 5, max: 60 }),
        litres: fc.constantFrom(0.5, 1, 2.5),
        at: fc.constantFrom('a', 'b', null),
        from: fc.integer({ min: 2, max: 4 }),
        off: fc.integer({ min: 0, max: 4 }),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(
        packs,
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 30 }),
        (list, half, delivery) => {
          const offered = list.map(({ price, litres, at, from, off }, i) => ({
            ...tin(`p${i}`, at, price, litres),
            discounts: [{ from, price: price - off }],
          }));
          const suppliers = ['a', 'b'].map((id) => ({ id, delivery, minOrder: 0 }));
          const found = cheapestPurchase({
            need: [{ part: 'paint', litres: half / 2 }],
            packs: offered,
            suppliers,
          });
          let best = Number.POSITIVE_INFINITY;
          const each = (i: number, litres: number, cost: number, from: Set<string>): void => {
            if (litres >= half / 2 - 1e-9) best = Math.min(best, cost + from.size * delivery);
            if (i === offered.length) return;
            const { price, contents, discounts, supplierId } = offered[i] as (typeof offered)[0];
            for (let count = 0; count <= 12; count++) {
              const unit = count >= (discounts[0]?.from ?? 0) ? (discounts[0]?.price ?? 0) : price;
              each(
                i + 1,
                litres + count * contents.paint,
                cost + count * unit,
                count > 0 && supplierId ? new Set([...from, supplierId]) : from,
              );
            }
          };
          each(0, 0, 0, new Set());
          expect(found.total).toBeCloseTo(best, 6);
          expect(found.proven).toBe(true);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what is taken from where', () => {
  const lot = (id: string, inTin: number, more: object = {}) => ({
    id,
    inTin,
    openedMs: null,
    endsMs: null,
    usable: true,
    ...more,
  });

  it('is from opened tins first, of these from the one that ends soonest', () => {
    const lots = [
      lot('closed', 5),
      lot('late', 1, { openedMs: 0, endsMs: 9 * DAY }),
      lot('soon', 0.5, { openedMs: 0, endsMs: 3 * DAY }),
    ];
    expect(takeFrom(lots, 2)).toEqual([
      { lotId: 'soon', amount: 0.5 },
      { lotId: 'late', amount: 1 },
      { lotId: 'closed', amount: 0.5 },
    ]);
  });

  it('is from a tin that is not to be used only when no other has any, and goes below nothing when none has', () => {
    const lots = [lot('old', 1, { usable: false }), lot('good', 1)];
    expect(takeFrom(lots, 1.5)).toEqual([
      { lotId: 'good', amount: 1 },
      { lotId: 'old', amount: 0.5 },
    ]);
    expect(takeFrom([lot('good', 1)], 1.5)).toEqual([{ lotId: 'good', amount: 1.5 }]);
    expect(takeFrom([lot('empty', -0.2)], 0.3)).toEqual([{ lotId: 'empty', amount: 0.3 }]);
    expect(takeFrom([], 1)).toEqual([]);
  });

  it('always adds up to what was poured', () => {
    const anyLots = fc.array(
      fc.record({
        inTin: fc.double({ min: -1, max: 5, noNaN: true }),
        usable: fc.boolean(),
        openedMs: fc.constantFrom(null, 0),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(anyLots, fc.double({ min: 0.01, max: 20, noNaN: true }), (list, amount) => {
        const taken = takeFrom(
          list.map((each, i) => lot(`${i}`, each.inTin, each)),
          amount,
        );
        expect(taken.reduce((sum, each) => sum + each.amount, 0)).toBeCloseTo(amount, 5);
        expect(new Set(taken.map(({ lotId }) => lotId)).size).toBe(taken.length);
      }),
    );
  });
});

describe('one figure read for several tins', () => {
  const tins = [
    { id: 'opened', inTin: 0.5 },
    { id: 'closed', inTin: 2 },
  ];
  it('leaves the fullest as its book says and finds what is missing in the emptiest', () => {
    expect(sharedOut(tins, 2.3)).toEqual([
      { id: 'closed', amount: 2 },
      { id: 'opened', amount: expect.closeTo(0.3, 9) },
    ]);
    expect(sharedOut(tins, 3).map(({ amount }) => amount)).toEqual([2.5, 0.5]);
    expect(sharedOut(tins, 0).map(({ amount }) => amount)).toEqual([0, 0]);
  });
  it('always adds up to what was read', () => {
    const books = fc.array(fc.double({ min: -2, max: 9, noNaN: true }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(books, fc.double({ min: 0, max: 30, noNaN: true }), (inTins, amount) => {
        const shares = sharedOut(
          inTins.map((inTin, i) => ({ id: `${i}`, inTin })),
          amount,
        );
        expect(shares.reduce((sum, each) => sum + each.amount, 0)).toBeCloseTo(amount, 6);
        expect(shares.every((each) => each.amount >= 0)).toBe(true);
      }),
    );
  });
});

describe('a kit', () => {
  const parts = (...ratios: number[]) =>
    ratios.map((ratio, i) => ({
      name: `${i}`,
      ratio,
      densityKgPerL: null,
      ...(i === 2 && { reducer: true }),
    }));

  it('of 3 l at 2 : 1 holds 2 and 1 l; with its reducer as the third part no more than it mixes to', () => {
    expect(kitContents(parts(2, 1), 'volume', 3).amounts).toEqual([2, 1]);
    const { amounts } = kitContents(parts(2, 1, 1), 'volume', 3);
    expect(amounts).toEqual([1.5, 0.75, 0.75]);
  });

  it('by weight without densities is told in kg, the mix at 1.3 kg/l (from memory)', () => {
    const { unit, amounts } = kitContents(parts(4, 1), 'weight', 1);
    expect(unit).toBe('kg');
    expect(amounts.map((each) => Number(each.toFixed(3)))).toEqual([1.04, 0.26]);
  });
});

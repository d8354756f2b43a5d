import { describe, expect, it } from 'vitest';
import type { LotView, Offer } from '../index.ts';
import { readCountCsv, readPricesCsv, writeCountCsv, writePricesCsv, writeShoppingCsv } from './supplyCsv.ts';

const lot = (over: Partial<LotView>): LotView => ({
  id: '019a0000-0000-7000-8000-000000000001',
  productId: '019a0000-0000-7000-8000-000000000002',
  productName: 'Test epoxy',
  part: 'base',
  colour: 'grey',
  code: 'L 17',
  unit: 'l',
  madeOn: null,
  place: 'steel cabinet',
  frost: false,
  heat: false,
  note: '',
  cost: null,
  version: 1,
  archived: false,
  stock: { inTin: 1.5, kept: 0, openedAt: null, belowNothingSince: null },
  difference: null,
  keptFor: [],
  receivedAt: null,
  endsOn: null,
  notes: [],
  usable: true,
  coversM2: null,
  ...over,
});

describe('a stock count as a file', () => {
  it('goes out with an empty column, and what is filled in comes back; the rest is passed over', () => {
    const csv = writeCountCsv([lot({}), lot({ id: '019a0000-0000-7000-8000-000000000003', code: '=1+1' })]);
    expect(csv).toContain("'=1+1");
    expect(readCountCsv(csv)).toEqual([]);
    const lines = csv.trimEnd().split('\r\n');
    const filled = [lines[0], `${lines[1]}1.25`, lines[2]].join('\r\n');
    expect(readCountCsv(filled)).toEqual([
      { line: 2, lotId: '019a0000-0000-7000-8000-000000000001', counted: 1.25 },
    ]);
  });

  it('refuses a figure that is none or below nothing by its line, and a file without the column', () => {
    const csv = (counted: string) => `lot,counted\nx,${counted}\n`;
    expect(() => readCountCsv(csv('half'))).toThrow('Line 2, counted: “half” isn’t a number of 0 or more');
    expect(() => readCountCsv(csv('-1'))).toThrow('Line 2, counted: “-1” isn’t a number of 0 or more');
    expect(() => readCountCsv('lot,found\nx,1\n')).toThrow('no column “counted”');
    expect(() => readCountCsv('lot,counted\n')).toThrow('no rows');
  });
});

describe('prices as a file', () => {
  const offer: Offer = {
    id: '019a0000-0000-7000-8000-000000000009',
    productId: 'p',
    part: null,
    colour: 'grey',
    litres: 2.5,
    price: 6999,
    supplierId: 's',
    discounts: [],
    version: 1,
    archived: false,
  };
  const supplier = {
    id: 's',
    name: 'The quay',
    delivery: 0,
    minOrder: 0,
    deliveryDays: 0,
    note: '',
    version: 1,
    archived: false,
  };

  it('go out and come in again by the names of product and supplier', () => {
    const csv = writePricesCsv([offer, { ...offer, supplierId: null, part: 'base', colour: null }], {
      product: () => 'Test epoxy',
      suppliers: [supplier],
      decimal: (minor) => minor / 100,
    });
    expect(readPricesCsv(csv)).toEqual([
      {
        line: 2,
        product: 'Test epoxy',
        part: null,
        colour: 'grey',
        litres: 2.5,
        price: 69.99,
        supplier: 'The quay',
      },
      {
        line: 3,
        product: 'Test epoxy',
        part: 'base',
        colour: null,
        litres: 2.5,
        price: 69.99,
        supplier: null,
      },
    ]);
  });

  it('a pack of nothing and a price left empty are refused by their line', () => {
    expect(() => readPricesCsv('product,litres,price\nA,0,5\n')).toThrow(
      'Line 2, litres: must be above 0, but is “0”',
    );
    expect(() => readPricesCsv('product,litres,price\nA,1,\n')).toThrow('Line 2, price: enter a price');
    expect(readPricesCsv('product,litres,price\nA,1,0\n')[0]?.price).toBe(0);
  });
});

it('the shopping list names pack, count and money in decimals', () => {
  const csv = writeShoppingCsv(
    {
      now: '',
      currency: 'EUR',
      total: 13_998,
      proven: true,
      atLeast: 13_998,
      proving: false,
      left: [],
      runnersUp: [],
      unpriced: [],
      small: [],
      extras: [
        { item: 'thinner 5', name: 'thinner 5', unit: 'l', rule: '', amount: 1.25, exact: 1.25, cost: 1500 },
      ],
      tooEarly: [],
      orders: [
        {
          supplierId: null,
          supplierName: 'The quay',
          goods: 13_998,
          delivery: 0,
          short: 0,
          orderBy: null,
          deliveryDays: 0,
          lines: [
            {
              productId: 'p',
              productName: 'Test epoxy',
              part: null,
              colour: 'grey',
              litres: 2.5,
              unit: 'l',
              count: 2,
              price: 13_998,
            },
          ],
        },
      ],
    },
    (minor) => minor / 100,
  );
  expect(csv.split('\r\n').slice(1, 3)).toEqual([
    'The quay,Test epoxy,,grey,2.5,l,2,139.98,',
    ',thinner 5,,,1.25,l,1,15,',
  ]);
});

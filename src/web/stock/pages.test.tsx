// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { beforeEach, describe, expect, it } from 'vitest';
import { aBoat, aLot, anArea, aProduct, aStep, lotOf } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';
import type { CostsView, MovementsView, StockView, TradeView } from '../../contract/index.ts';

/** The pages of the stock against a real server. The yard is shared by all tests of the run: each has names of its own. */
let name: string;
let planned: { boat: ReturnType<typeof aBoat>; product: ReturnType<typeof aProduct> };

beforeEach(async () => {
  name = `Store ${uuidv7().slice(-8)}`;
  const boat = aBoat({ name: `Hull of ${name}` });
  const area = anArea(boat.id);
  const product = { ...aProduct({ packs: [{ litres: 2.5, price: 70 }] }), name };
  await ask('POST', '/boats', boat);
  await ask('POST', '/areas', area);
  await ask('POST', '/products', product);
  await ask('PUT', `/areas/${area.id}/stack`, {
    version: 1,
    steps: [aStep(product.id, { colours: ['grey'] })],
  });
  planned = { boat, product };
});

const lots = async () =>
  (await ask<StockView>('GET', '/lots')).lots.filter(({ productId }) => productId === planned.product.id);
const shelf = (over: Partial<ReturnType<typeof aLot>>[] = [{}, {}]) =>
  ask('POST', '/receipts', {
    id: uuidv7(),
    at: new Date(Date.now() - 3_600_000).toISOString(),
    purchaseId: null,
    lots: ['base', 'hardener'].map((part, i) =>
      aLot(planned.product.id, part, { amount: 2 / (i + 1), ...over[i] }),
    ),
  });

describe('what stands on the shelf', () => {
  it('is added part by part; what cannot be read is refused at its field, and nothing typed is lost', async () => {
    const { user } = await openPage('/materials/stock');
    await user.click(await screen.findByRole('button', { name: 'Add stock' }));
    await user.selectOptions(await screen.findByLabelText('Product'), name);
    await user.type(await screen.findByLabelText('Of base'), 'some');
    await user.type(screen.getByLabelText('Lot number'), 'A 1');
    await user.click(screen.getByRole('button', { name: 'Add stock' }));
    expect(await screen.findByText(/[Bb]ase.*“some” isn’t a number/)).toBeDefined();
    expect((screen.getByLabelText('Lot number') as HTMLInputElement).value).toBe('A 1');
    await user.clear(screen.getByLabelText('Of base'));
    await user.type(screen.getByLabelText('Of base'), '1,5');
    await user.click(screen.getByRole('button', { name: 'Add stock' }));
    await waitFor(async () => expect(await lots()).toHaveLength(1));
    expect((await lots())[0]).toMatchObject({
      part: 'base',
      colour: 'grey',
      code: 'A 1',
      stock: { inTin: 1.5 },
    });
  });

  it('is typed and counted in the yard’s units: a US gallon goes in as 3.785 l', async () => {
    localStorage.setItem('jack-plane.units', 'us');
    try {
      const { user } = await openPage('/materials/stock');
      await user.click(await screen.findByRole('button', { name: 'Add stock' }));
      await user.selectOptions(await screen.findByLabelText('Product'), name);
      await user.type(await screen.findByLabelText('Of base'), '1');
      await user.click(screen.getByRole('button', { name: 'Add stock' }));
      await waitFor(async () => expect(await lots()).toHaveLength(1));
      expect((await lots())[0]?.stock.inTin).toBeCloseTo(3.785411784, 6);
    } finally {
      localStorage.removeItem('jack-plane.units');
    }
  });

  it('nothing entered is refused', async () => {
    const { user } = await openPage('/materials/stock');
    await user.click(await screen.findByRole('button', { name: 'Add stock' }));
    await user.selectOptions(await screen.findByLabelText('Product'), name);
    await user.click(await screen.findByRole('button', { name: 'Add stock' }));
    expect(await screen.findByText('Enter an amount for at least one part.')).toBeDefined();
    expect(await lots()).toHaveLength(0);
  });

  it('what happened to a tin is logged and taken back; the book never forgets it', async () => {
    await shelf();
    const { user } = await openPage('/materials/stock');
    await user.type(await screen.findByLabelText('Search by product, lot number or location'), name);
    const open = await screen.findByRole('button', { name: new RegExp(`Log movement: ${name}, base`) });
    await user.click(open);
    await user.selectOptions(screen.getByLabelText('Type'), 'spilt');
    const amount = screen.getByRole('textbox', { name: 'Amount' });
    await user.clear(amount);
    await user.type(amount, '0.4');
    await user.type(screen.getByLabelText('Note'), 'kicked over');
    await user.click(screen.getByRole('button', { name: 'Log movement' }));
    await waitFor(async () =>
      expect((await lots()).find(({ part }) => part === 'base')?.stock.inTin).toBeCloseTo(1.6, 9),
    );
    await user.click(await screen.findByRole('button', { name: `Void movement: ${name}, base, grey spilt` }));
    await waitFor(async () =>
      expect((await lots()).find(({ part }) => part === 'base')?.stock.inTin).toBeCloseTo(2, 9),
    );
    const { movements } = await ask<MovementsView>('GET', '/movements');
    expect(movements.find(({ note }) => note === 'kicked over')?.correctedBy).not.toBeNull();
  });

  it('a tin that froze or is past its life is not counted, and says why', async () => {
    const old = aLot(planned.product.id, 'base', { madeOn: '2010-01-01', code: `old ${name}` });
    await ask('PUT', `/products/${planned.product.id}`, {
      ...planned.product,
      sheet: { ...planned.product.sheet, shelfMonths: 24 },
      version: 1,
    });
    await ask('POST', '/lots', lotOf(old));
    const { user } = await openPage('/materials/stock');
    await user.type(await screen.findByLabelText('Search by product, lot number or location'), `old ${name}`);
    expect(await screen.findByText(/shelf life/i)).toBeDefined();
  });
});

describe('need and purchase', () => {
  it('a boat’s need opens to its sum, and what is short to the coat it stops', async () => {
    await shelf();
    // More areas than the board lists as urgent: each of hers can still be chosen.
    const names = [...Array.from({ length: 60 }, (_, i) => `Panel ${i + 1}`), 'Keel of hers'];
    for (const each of names) await ask('POST', '/areas', anArea(planned.boat.id, { name: each }));
    const { user } = await openPage(`/materials?boat=${planned.boat.id}`);
    const product = await screen.findByRole('article', { name });
    expect(product.textContent).toMatch(/base, grey.*short/);
    expect(within(product).getByText(/first coat on Bottom \(Hull of/)).toBeDefined();
    await user.click(within(product).getByText('How this was worked out'));
    // 20 m² × 100 µm / (500 × 0.925).
    expect(await within(product).findByText(/100 µm dry film at 50 % volume solids/)).toBeDefined();
    expect(product.textContent).toContain('4.32 l a coat');
    // Of one area of hers alone. The list of her areas may still be on its way.
    await screen.findByRole('option', { name: 'Keel of hers' });
    const choices = within(screen.getByLabelText('Area')).getAllByRole('option');
    expect(choices.length).toBe(['All areas', 'Bottom', ...names].length);
    await user.selectOptions(screen.getByLabelText('Area'), 'Bottom');
    expect(await screen.findByText(name)).toBeDefined();
    await user.selectOptions(screen.getByLabelText('Area'), 'Keel of hers');
    expect(await screen.findByText(/No paint needed: all coats are done/)).toBeDefined();
  });

  it('a supplier and a price are entered, changed and taken off again with a way back', async () => {
    const { user } = await openPage('/materials/buy');
    await user.click(await screen.findByRole('button', { name: 'Add supplier' }));
    await user.type(screen.getByLabelText('Name'), name);
    await user.type(screen.getByLabelText('Delivery charge'), '12.50');
    await user.type(screen.getByLabelText('Delivery time, days'), 'soon');
    await user.click(screen.getByRole('button', { name: 'Add the supplier' }));
    expect(await screen.findByText(/[Dd]elivery time.*“soon” isn’t a number/)).toBeDefined();
    await user.clear(screen.getByLabelText('Delivery time, days'));
    await user.type(screen.getByLabelText('Delivery time, days'), '3');
    await user.click(screen.getByRole('button', { name: 'Add the supplier' }));
    await user.click(await screen.findByRole('button', { name: 'Add price' }));
    await user.selectOptions(screen.getByLabelText('Product'), name);
    await user.type(screen.getByLabelText('Pack, mixed'), '5');
    await user.type(screen.getByLabelText('Price'), '99.95');
    // The list of suppliers may still be on its way.
    await within(screen.getByLabelText('Supplier')).findByRole('option', { name });
    await user.selectOptions(screen.getByLabelText('Supplier'), name);
    await user.click(screen.getByRole('button', { name: 'Add price' }));
    const trade = () => ask<TradeView>('GET', '/trade');
    const mine = async () =>
      (await trade()).offers.filter(({ productId }) => productId === planned.product.id);
    await waitFor(async () => expect(await mine()).toHaveLength(1));
    const supplier = (await trade()).suppliers.find((each) => each.name === name);
    expect(supplier).toMatchObject({ delivery: 1250, deliveryDays: 3 });
    expect((await mine())[0]).toMatchObject({ price: 9995, litres: 5, supplierId: supplier?.id });
    await user.click(await screen.findByRole('button', { name: `Delete ${name}` }));
    await waitFor(async () =>
      expect((await trade()).suppliers.some((each) => each.name === name)).toBe(false),
    );
    await user.click(await screen.findByRole('button', { name: /Undo|Bring back/ }));
    await waitFor(async () =>
      expect((await trade()).suppliers.some((each) => each.name === name)).toBe(true),
    );
  });

  it('a part alone has a price of its own, without a colour, cheaper by the number in steps', async () => {
    const { user } = await openPage('/materials/buy');
    await user.click(await screen.findByRole('button', { name: 'Add price' }));
    await user.selectOptions(screen.getByLabelText('Product'), name);
    await user.selectOptions(screen.getByLabelText('Colour'), 'grey');
    await user.selectOptions(screen.getByLabelText('Holds'), 'hardener only');
    expect(screen.queryByLabelText('Colour')).toBeNull();
    await user.type(screen.getByLabelText('Pack'), '0.5');
    await user.type(screen.getByLabelText('Price'), '30');
    for (const [i, [from, each]] of [
      ['2', '28'],
      ['4', 'less'],
    ].entries()) {
      await user.click(screen.getByRole('button', { name: 'Add quantity discount' }));
      await user.type(screen.getAllByLabelText('Discount from')[i] as HTMLElement, from as string);
      await user.type(screen.getAllByLabelText('Discounted price each')[i] as HTMLElement, each as string);
    }
    await user.click(screen.getByRole('button', { name: 'Add price' }));
    expect(await screen.findByText(/[Pp]rice “less” isn’t a number/)).toBeDefined();
    await user.clear(screen.getAllByLabelText('Discounted price each')[1] as HTMLElement);
    await user.type(screen.getAllByLabelText('Discounted price each')[1] as HTMLElement, '25.50');
    await user.click(screen.getByRole('button', { name: 'Add price' }));
    const mine = async () =>
      (await ask<TradeView>('GET', '/trade')).offers.filter(
        ({ productId }) => productId === planned.product.id,
      );
    await waitFor(async () => expect(await mine()).toHaveLength(1));
    expect((await mine())[0]).toMatchObject({
      ...{ part: 'hardener', colour: null, litres: 0.5, price: 3000 },
      discounts: [
        { from: 2, price: 2800 },
        { from: 4, price: 2550 },
      ],
    });
  });

  it('a price list that names an unknown product is refused by its line, and nothing of it is taken', async () => {
    const { user } = await openPage('/materials/buy');
    const csv = `product,litres,price\n${name},2.5,70\nNobody,1,1\n`;
    await user.upload(
      await screen.findByLabelText('Import prices (CSV)'),
      new File([csv], 'p.csv', { type: 'text/csv' }),
    );
    expect(await screen.findByText(/[Ll]ine 3, product: no .*“Nobody”/)).toBeDefined();
    const { offers } = await ask<TradeView>('GET', '/trade');
    expect(offers.some(({ productId }) => productId === planned.product.id)).toBe(false);
  });
});

describe('reconciling on the page', () => {
  it('follows what is read off the tins at once, and puts both counts in the book together', async () => {
    await shelf([{ amount: 1.2 }, { amount: 0.6 }]);
    const { user } = await openPage(`/materials/tins/${planned.product.id}`);
    const [base, hardener] = (await screen.findAllByRole('textbox', { name: /^Left of/ })) as [
      HTMLElement,
      HTMLElement,
    ];
    const put = async (field: HTMLElement, text: string) => {
      await user.clear(field);
      await user.type(field, text);
    };
    await put(base, '0.6');
    await put(hardener, '0.2');
    expect(await screen.findByText('33 % too much hardener.')).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Save counts' }));
    await waitFor(async () =>
      expect((await lots()).map(({ part, stock }) => [part, stock.inTin])).toEqual([
        ['base', 0.6],
        ['hardener', 0.2],
      ]),
    );
  });

  it('a stock without the hardener says so instead of guessing', async () => {
    await ask('POST', '/lots', lotOf(aLot(planned.product.id, 'base')));
    await openPage(`/materials/tins/${planned.product.id}`);
    expect(await screen.findByText(/No stock of hardener/)).toBeDefined();
  });
});

describe('cost and quote', () => {
  it('the yard’s rules are typed as money and percent, and kept to the cent', async () => {
    const { user } = await openPage(`/materials/costs?boat=${planned.boat.id}`);
    const put = async (label: string, text: string) => {
      const field = await screen.findByLabelText(label);
      await user.clear(field);
      await user.type(field, text);
    };
    await put('Tax rate', '19');
    await put('Labour rate per hour', '41.55');
    await put('Markup on materials', '12.5');
    await user.click(screen.getByRole('button', { name: 'Save prices and rates' }));
    await waitFor(async () =>
      expect((await ask<TradeView>('GET', '/trade')).settings).toMatchObject({
        taxRate: 0.19,
        labourPerHour: 4155,
        markup: 0.125,
      }),
    );
    const costs = await ask<CostsView>('GET', `/boats/${planned.boat.id}/costs`);
    const sum = costs.lines.reduce((all, { planned: each }) => all + each, 0);
    expect(sum).toBe(costs.total.planned);
    expect(costs.bill.net + costs.bill.tax + costs.bill.rounding).toBe(costs.bill.gross);
    // Saved, and the form follows.
    await screen.findByRole('button', { name: 'Save prices and rates' });
    await put('Tax rate', '250');
    await user.click(screen.getByRole('button', { name: 'Save prices and rates' }));
    expect(await screen.findByText('Tax rate must be 100 % or less, but is 250 %')).toBeDefined();
  });
});

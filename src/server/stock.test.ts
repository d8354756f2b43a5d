import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aCoat, aLot, anArea, aPlannedArea, aProduct, aStep, HOUR, NOON } from '../../test/examples.ts';
import { yardServer } from '../../test/yardServer.ts';
import type {
  Area,
  BenchView,
  BuyingView,
  CostsView,
  Entry,
  EntryInput,
  MaterialsView,
  MovementsView,
  StockView,
  TinsView,
  TradeView,
} from '../contract/index.ts';
import { quoteContent, sayWorkOn } from './views/supply/quotePdf.ts';

/** The stock as a yard uses it: bought, received, mixed, counted, reconciled, paid. */
let server: Awaited<ReturnType<typeof yardServer>>;
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
beforeAll(async () => {
  server = await yardServer();
});
beforeEach(async () => {
  planned = await aPlannedArea(server, { colours: ['grey'] });
});
afterAll(() => server.stop());

const get = async <T>(path: string) => (await server.ask<T>('GET', path)).body;
const at = (hours: number) => new Date(NOON + hours * HOUR).toISOString();
/** A kit of base and hardener in two lots. */
async function receive(base: number, hardener: number, hours = -9): Promise<[string, string]> {
  const lots = [
    aLot(planned.product.id, 'base', { amount: base }),
    aLot(planned.product.id, 'hardener', { amount: hardener }),
  ];
  const { status } = await server.ask('POST', '/receipts', {
    id: uuidv7(),
    at: at(hours),
    purchaseId: null,
    lots,
  });
  expect(status).toBe(201);
  return lots.map(({ id }) => id) as [string, string];
}
const move = (lotId: string, kind: string, amount: number, over: object = {}) => ({
  id: uuidv7(),
  lotId,
  kind,
  amount,
  at: at(-1),
  areaId: null,
  note: '',
  corrects: null,
  ...over,
});
const batch = (
  pours: [base: number, hardener: number],
  hours = -2,
  over: Partial<EntryInput> = {},
): EntryInput =>
  ({
    id: uuidv7(),
    areaId: planned.area.id,
    at: at(hours),
    corrects: null,
    kind: 'batch',
    body: {
      stepId: planned.step.id,
      coatNo: 0,
      productId: planned.product.id,
      sheetVersion: 1,
      litres: (pours[0] + pours[1]) / 1000,
      pours: [
        { name: 'base', amount: pours[0], unit: 'ml' },
        { name: 'hardener', amount: pours[1], unit: 'ml' },
      ],
      tool: { kind: 'cup', stepMl: 10 },
      ratioError: 0,
      thinnerLitres: 0,
      potTempC: 20,
      inductionMin: 0,
      potLifeMin: 120,
    },
    ...over,
  }) as EntryInput;
const inTin = async (id: string) =>
  (await get<StockView>('/lots')).lots.find((lot) => lot.id === id)?.stock.inTin;
const mine = async () => (await get<MaterialsView>(`/materials?boatId=${planned.boat.id}`)).products[0];

describe('the stock', () => {
  it('a batch takes from the lots by itself, and one struck out gives it back', async () => {
    const [base, hardener] = await receive(2, 1);
    const entry = batch([400, 200]);
    await server.ask('POST', '/log', entry);
    expect(await inTin(base)).toBeCloseTo(1.6, 9);
    expect(await inTin(hardener)).toBeCloseTo(0.8, 9);
    await server.ask('POST', '/log', {
      id: uuidv7(),
      areaId: planned.area.id,
      at: at(-1),
      corrects: entry.id,
      kind: 'strike',
      body: { reason: 'poured back' },
    });
    expect(await inTin(base)).toBeCloseTo(2, 9);
    const { movements } = await get<MovementsView>('/movements');
    expect(movements.filter(({ entryId }) => entryId === entry.id).map(({ kind }) => kind)).toContain('used');
  });

  it('a batch takes from the lots confirmed at the tins and from no other; one that is not of the part is refused', async () => {
    const [first] = await receive(2, 1);
    const [named] = await receive(1.5, 1);
    const before = await inTin(first);
    const from = (lotId: string, part = 'base') => {
      const entry = batch([2000, 200]);
      const lots = [{ part, lotId, code: 'L 17' }];
      return server.ask<Entry>('POST', '/log', { ...entry, body: { ...entry.body, lots } });
    };
    expect((await from(named)).body.body).toMatchObject({ lots: [{ lotId: named, code: 'L 17' }] });
    // More than the tin held by its book: it shows that something was not logged, and the other tin keeps its amount.
    expect(await inTin(named)).toBeCloseTo(-0.5, 9);
    expect(await inTin(first)).toBe(before);
    for (const wrong of [await from(named, 'hardener'), await from(uuidv7())])
      expect([wrong.status, JSON.stringify(wrong.body)]).toEqual([422, expect.stringContaining('there is no lot')]); // biome-ignore format: one line
  });

  it('a pot put right takes from the tins once, and the coat that names it takes nothing more', async () => {
    const [base, hardener] = await receive(2, 1);
    const first = batch([400, 200]);
    await server.ask('POST', '/log', first);
    const really = { ...first.body, additives: [{ name: 'Fast', ml: 4 }], potLifeMin: 60 };
    const put = { ...batch([400, 200]), at: first.at, corrects: first.id, body: really };
    expect((await server.ask('POST', '/log', put)).status).toBe(201);
    const amounts = async () => [await inTin(base), await inTin(hardener)];
    expect((await amounts()).map((each) => Number(each?.toFixed(6)))).toEqual([1.6, 0.8]);
    const { pots } = await get<BenchView>(`/bench/${planned.area.id}`);
    expect(pots).toMatchObject([{ entryId: put.id, mixedAt: new Date(first.at).toISOString(), batch: { potLifeMin: 60 } }]); // biome-ignore format: one line
    const coat = aCoat(planned, NOON - HOUR, { litres: 0.6, batchIds: [put.id] });
    expect((await server.ask('POST', '/log', coat)).status).toBe(201);
    expect((await amounts()).map((each) => Number(each?.toFixed(6)))).toEqual([1.6, 0.8]);
    expect((await get<BenchView>(`/bench/${planned.area.id}`)).pots).toEqual([]);
  });

  it('a coat that names no batch takes by its ratio; below nothing is shown as what it is', async () => {
    const [base] = await receive(2, 1);
    await server.ask('POST', '/log', aCoat(planned, NOON - HOUR, { litres: 4.5 }));
    const lot = (await get<StockView>('/lots')).lots.find(({ id }) => id === base);
    expect(lot?.stock.inTin).toBeCloseTo(-1, 9);
    expect(lot?.stock.belowNothingSince).not.toBeNull();
  });

  it('the same receipt twice is one; a part or colour that the sheet has not is refused by name', async () => {
    const lots = [aLot(planned.product.id, 'base')];
    const receipt = { id: uuidv7(), at: at(-1), purchaseId: null, lots };
    expect((await server.ask('POST', '/receipts', receipt)).status).toBe(201);
    expect((await server.ask('POST', '/receipts', receipt)).status).toBe(200);
    expect(await inTin(lots[0]?.id ?? '')).toBe(2);
    const wrong = await server.problem('POST', '/lots', {
      ...aLot(planned.product.id, 'resin'),
      amount: undefined,
    });
    expect(wrong.body.errors?.[0]?.message).toContain(
      '“resin” isn’t a part of Test epoxy. Parts: base, hardener',
    );
    const odd = await server.problem('POST', '/receipts', {
      ...receipt,
      id: uuidv7(),
      lots: [aLot(planned.product.id, 'base', { colour: 'pink' })],
    });
    expect(odd.body.errors?.[0]?.path).toBe('lots.0.colour');
  });

  it('keep-back is set apart for its patch, both parts or none, and no more than the tin has', async () => {
    const [base, hardener] = await receive(2, 1);
    const patch = await server.ask<Area>(
      'POST',
      '/areas',
      anArea(planned.boat.id, {
        name: 'Under stand 3',
        part: { areaId: planned.area.id, kind: 'patch', standId: null, sharesSystem: true, at: at(-9) },
        measures: [{ shape: { kind: 'rectangle', lengthM: 0.5, widthM: 0.5 }, count: 1, opening: false }],
      }),
    );
    const keep = (amounts: [number, number]) => ({
      id: uuidv7(),
      movements: [
        move(base, 'kept-back', amounts[0], { areaId: patch.body.id }),
        move(hardener, 'kept-back', amounts[1], { areaId: patch.body.id }),
      ],
    });
    const greedy = await server.problem('POST', '/movements/together', keep([0.2, 1.1]));
    expect(greedy.body.errors?.[0]).toMatchObject({
      path: 'movements.1.amount',
      message: 'Amount must be 1.000 l or less (the stock of this lot), but is 1.1 l',
    });
    expect(await inTin(base)).toBe(2);
    expect((await server.ask('POST', '/movements/together', keep([0.2, 0.1]))).status).toBe(201);
    expect(await inTin(base)).toBeCloseTo(1.8, 9);
    // The bench of the whole names the patch; the tins it may use are without its cups.
    const bench = await get<BenchView>(`/bench/${planned.area.id}`);
    expect(bench.tins?.keptElsewhere.map(({ areaName, amount }) => [areaName, amount])).toEqual([
      ['Under stand 3', 0.2],
      ['Under stand 3', 0.1],
    ]);
    expect(bench.tins?.reachLitres).toBeCloseTo(2.7, 6);
    expect(bench.tins?.reachM2).toBeLessThan(20);
    // A batch for the patch takes from its cups.
    await server.ask('POST', '/log', batch([60, 30], -1, { areaId: patch.body.id }));
    const lot = (await get<StockView>('/lots')).lots.find(({ id }) => id === base);
    expect(lot?.stock).toMatchObject({ inTin: expect.closeTo(1.8, 9), kept: expect.closeTo(0.14, 9) });
    const labels = await fetch(`${server.address}/api/v1/labels.pdf?areaId=${patch.body.id}`);
    expect([labels.status, (await labels.text()).slice(0, 5)]).toEqual([200, '%PDF-']);
  });

  it('says of a leftover what it could still cover, as far as the hardener goes', async () => {
    const [base] = await receive(2, 0.5);
    const lot = (await get<StockView>('/lots')).lots.find(({ id }) => id === base);
    // 0.5 l of hardener mix 1.5 l at 2 : 1; at 100 µm and 50 % solids a litre covers 5 m².
    expect(lot?.coversM2).toBeCloseTo(7.5, 6);
  });

  it('a count by file puts in the book what was found, all rows or none', async () => {
    const [base] = await receive(2, 1);
    const bad = await server.problem('POST', '/lots/count', {
      csv: `lot,counted\n${base},1.5\n${uuidv7()},1\n`,
    });
    expect(bad.body.errors?.[0]?.message).toContain('Line 3, lot: no lot with id');
    expect(await inTin(base)).toBe(2);
    const good = await server.ask('POST', '/lots/count', { csv: `lot,counted\n${base},1.5\n` });
    expect(good.body).toEqual({ taken: 1, same: 0 });
    const lot = (await get<StockView>('/lots')).lots.find(({ id }) => id === base);
    expect(lot).toMatchObject({ stock: { inTin: 1.5 }, difference: { expected: 2, found: 1.5 } });
  });

  it('tells for reconciling what the tins held and what each batch took', async () => {
    await receive(2, 1);
    await server.ask('POST', '/log', batch([400, 200], -3));
    await server.ask('POST', '/log', batch([600, 300], -2));
    const tins = await get<TinsView>(`/products/${planned.product.id}/tins?colour=grey`);
    expect(tins.parts.map(({ name, start, inTin }) => [name, start, Number(inTin.toFixed(6))])).toEqual([
      ['base', 2, 1],
      ['hardener', 1, 0.5],
    ]);
    expect(tins.batches.map(({ poured }) => poured)).toEqual([
      [0.4, 0.2],
      [0.6, 0.3],
    ]);
    expect(tins.ahead.safe).toBeGreaterThan(tins.ahead.likely);
  });
});

describe('the tins to be reconciled', () => {
  const tins = () => get<TinsView>(`/products/${planned.product.id}/tins?colour=grey`);

  it('of one colour leave out what another took of the hardener they share', async () => {
    const [, hardener] = await receive(2, 1.5);
    const white = aLot(planned.product.id, 'base', { colour: 'white', amount: 2 });
    await server.ask('POST', '/receipts', { id: uuidv7(), at: at(-9), purchaseId: null, lots: [white] });
    await server.ask('PUT', `/areas/${planned.area.id}/stack`, {
      version: 2,
      steps: [{ ...planned.step, colours: ['grey', 'white'] }],
    });
    const second = batch([600, 300], -2);
    if (second.kind === 'batch') second.body.coatNo = 1;
    await server.ask('POST', '/log', batch([400, 200], -3));
    await server.ask('POST', '/log', second);
    expect(await inTin(white.id)).toBeCloseTo(1.4, 9);
    expect(await inTin(hardener)).toBeCloseTo(1, 9);
    const view = await tins();
    expect(view.batches.map(({ poured }) => poured)).toEqual([[0.4, 0.2]]);
    // 1.5 l less the 0.3 l that went into white: what is left tells the ratio of grey alone.
    expect(view.parts.map(({ start, inTin: left }) => [start, Number(left.toFixed(6))])).toEqual([
      [2, 1.6],
      [expect.closeTo(1.2, 9), 1],
    ]);
  });

  it('leave out what a coat took that was logged by itself, and what was mixed from a keep-back', async () => {
    const [base, hardener] = await receive(9, 4.5);
    await server.ask('POST', '/log', aCoat(planned, NOON - HOUR, { litres: 3 }));
    const patch = await server.ask<Area>(
      'POST',
      '/areas',
      anArea(planned.boat.id, { name: 'Chip under the pad' }),
    );
    await server.ask('PUT', `/areas/${patch.body.id}/stack`, {
      version: 1,
      steps: [aStep(planned.product.id, { colours: ['grey'] })],
    });
    for (const [lotId, amount] of [
      [base, 0.2],
      [hardener, 0.1],
    ] as const)
      await server.ask(
        'POST',
        '/movements',
        move(lotId, 'kept-back', amount, { areaId: patch.body.id, at: at(-4) }),
      );
    await server.ask('POST', '/log', batch([100, 50], -2, { areaId: patch.body.id }));
    const view = await tins();
    expect(view.batches).toEqual([]);
    for (const { start, inTin: left } of view.parts) expect(start).toBeCloseTo(left, 9);
  });

  it('begin anew with a count of every part', async () => {
    const [base, hardener] = await receive(2, 1);
    await server.ask('POST', '/log', batch([400, 200], -5));
    const counts = [
      move(base, 'counted', 1.5, { at: at(-4) }),
      move(hardener, 'counted', 0.8, { at: at(-4) }),
    ];
    await server.ask('POST', '/movements/together', { id: uuidv7(), movements: counts });
    await server.ask('POST', '/log', batch([200, 100], -3));
    const view = await tins();
    expect(view.since).toBe(at(-4));
    expect(view.batches).toHaveLength(1);
    expect(view.parts.map(({ start, inTin: left }) => [start, Number(left.toFixed(6))])).toEqual([
      [1.5, 1.3],
      [0.8, 0.7],
    ]);
  });
});

describe('what is told of a lot', () => {
  it('twice is one, under another body refused; the future is refused, and so is a batch’s taking', async () => {
    const [base] = await receive(2, 1);
    const spilt = move(base, 'spilt', 0.1);
    expect((await server.ask('POST', '/movements', spilt)).status).toBe(201);
    expect((await server.ask('POST', '/movements', spilt)).status).toBe(200);
    expect((await server.ask('POST', '/movements', { ...spilt, amount: 0.2 })).status).toBe(409);
    expect(await inTin(base)).toBeCloseTo(1.9, 9);
    const ahead = await server.problem('POST', '/movements', move(base, 'used', 0.1, { at: at(30) }));
    expect(ahead.body.errors?.[0]).toMatchObject({ path: 'at' });
    await server.ask('POST', '/log', batch([400, 200]));
    const { movements } = await get<MovementsView>('/movements');
    const taken = movements.find(
      ({ lotId, kind, entryId }) => lotId === base && kind === 'used' && entryId !== null,
    );
    const undo = await server.problem('POST', '/movements', move(base, 'void', 0, { corrects: taken?.id }));
    expect(undo.body.errors?.[0]?.message).toBe(
      'This movement belongs to a batch. Correct the batch in the record',
    );
  });

  it('is taken back once; who comes second is told', async () => {
    const [base] = await receive(2, 1);
    const lent = move(base, 'lent', 0.5);
    await server.ask('POST', '/movements', lent);
    const back = () => server.problem('POST', '/movements', move(base, 'void', 0, { corrects: lent.id }));
    expect((await back()).status).toBe(201);
    expect((await back()).status).toBe(409);
    expect(await inTin(base)).toBeCloseTo(2, 9);
    const nothing = await server.problem('POST', '/movements', move(base, 'void', 0));
    expect(nothing.body.errors?.[0]?.path).toBe('corrects');
  });

  it('a lot put away counts no more, and is back with all that moved of it', async () => {
    const [base] = await receive(2, 1);
    await server.ask('DELETE', `/lots/${base}`);
    expect(await inTin(base)).toBeUndefined();
    expect((await mine())?.parts.find(({ part }) => part === 'base')?.there).toBe(0);
    await server.ask('POST', `/lots/${base}/restore`);
    expect(await inTin(base)).toBe(2);
  });
});

describe('an order', () => {
  const order = (part: string | null) => ({
    id: uuidv7(),
    supplierId: null,
    orderedAt: at(-1),
    dueOn: null,
    delivery: 0,
    note: '',
    lines: [{ productId: planned.product.id, part, colour: 'grey', litres: 3, count: 2, price: 9000 }],
  });

  it('counts as ordered part by part until it has come, and is received once', async () => {
    const placed = order(null);
    expect((await server.ask('POST', '/purchases', placed)).status).toBe(201);
    expect((await mine())?.parts.map(({ part, ordered }) => [part, ordered])).toEqual([
      ['base', 4],
      ['hardener', 2],
    ]);
    const receipt = () => ({
      id: uuidv7(),
      at: at(-1),
      purchaseId: placed.id,
      lots: [aLot(planned.product.id, 'base', { amount: 4 }), aLot(planned.product.id, 'hardener')],
    });
    expect((await server.ask('POST', '/receipts', receipt())).status).toBe(201);
    const again = await server.problem('POST', '/receipts', receipt());
    expect(again.body.errors?.[0]?.message).toContain('has already been received');
    expect((await mine())?.parts.map(({ there, ordered }) => [there, ordered])).toEqual([
      [4, 0],
      [2, 0],
    ]);
  });

  it('of a part that the sheet has not is refused by its line', async () => {
    const wrong = await server.problem('POST', '/purchases', order('resin'));
    expect(wrong.body.errors?.[0]).toMatchObject({ path: 'lines.0.part' });
  });
});

describe('need against stock', () => {
  it('is smaller on the safe side where the area is measured better, and names the coat that a shortage stops', async () => {
    const rule = { way: 'rule' as const, areaM2: 20, spread: 0.15, basis: 'rule of thumb' };
    const area = { ...planned.area, measures: [], estimates: [rule], chosenWay: 'rule' as const };
    const put = async (change: object) => {
      const { archived: _, ...own } = await get<Area>(`/areas/${area.id}`);
      expect((await server.ask('PUT', `/areas/${area.id}`, { ...own, ...change })).status).toBe(200);
    };
    await put({ measures: [], estimates: [rule], chosenWay: 'rule' });
    await receive(4, 2);
    const before = await mine();
    const mesh = { way: 'mesh' as const, areaM2: 20, spread: 0.02, basis: 'surface mesh' };
    await put({ measures: [], estimates: [rule, mesh], chosenWay: 'mesh' });
    const after = await mine();
    expect(after?.colours[0]?.likely).toBeCloseTo(before?.colours[0]?.likely ?? 0, 6);
    expect(after?.colours[0]?.safe).toBeLessThan((before?.colours[0]?.safe ?? 0) - 0.5);
    // 6 l of mix last for the first coat of 4.3 l and stop the second.
    expect(after?.parts[0]?.stops).toMatchObject({ areaName: 'Bottom', coat: 2 });
    expect(after?.lines[0]).toMatchObject({ route: 'film', way: 'mesh', areaM2: 20 });
  });

  it('follows a ratio chosen on purpose, with its reason', async () => {
    const stack = {
      ...aStep(planned.product.id, { colours: ['grey'] }),
      ownRatio: { parts: [6, 5], reason: 'a tank, a little rich' },
    };
    const tank = (await server.ask<Area>('POST', '/areas', anArea(planned.boat.id, { name: 'Tank' }))).body;
    await server.ask('PUT', `/areas/${tank.id}/stack`, { version: 1, steps: [stack] });
    const [product] = (await get<MaterialsView>(`/materials?areaId=${tank.id}`)).products;
    const [base, hardener] = product?.parts ?? [];
    expect((base?.likely ?? 0) / (hardener?.likely ?? 1)).toBeCloseTo(6 / 5, 6);
    expect(product?.lines[0]?.ownRatio?.reason).toBe('a tank, a little rich');
  });

  it('buys the cheapest packs, none for 100 ml, and what was ordered is not bought again', async () => {
    const price = (litres: number, money: number) => ({
      id: uuidv7(),
      productId: planned.product.id,
      part: null,
      colour: null,
      litres,
      price: money,
      supplierId: null,
      discounts: [],
    });
    for (const each of [price(0.75, 2500), price(5, 11_000)]) await server.ask('POST', '/offers', each);
    const buying = () => get<BuyingView>(`/boats/${planned.boat.id}/buying`);
    const first = await buying();
    expect(first.proven).toBe(true);
    const lines = first.orders[0]?.lines ?? [];
    const litres = lines.reduce((sum, line) => sum + line.litres * line.count, 0);
    expect(litres).toBeGreaterThan(13);
    await server.ask('POST', '/purchases', {
      id: uuidv7(),
      supplierId: null,
      orderedAt: at(-1),
      dueOn: null,
      delivery: 0,
      note: '',
      lines: lines.map(({ productId, part, colour, litres: size, count, price: money }) => ({
        productId,
        part,
        colour,
        litres: size,
        count,
        price: money,
      })),
    });
    expect((await buying()).orders).toEqual([]);
  });

  it('of 100 ml no kit is sold: the ways are told with what they cost', async () => {
    const syringe = aProduct({ packs: [{ litres: 0.15, price: 9 }] });
    await server.ask('POST', '/products', { ...syringe, name: 'Syringe epoxy' });
    const patch = (
      await server.ask<Area>(
        'POST',
        '/areas',
        anArea(planned.boat.id, {
          name: 'Chip',
          measures: [{ shape: { kind: 'rectangle', lengthM: 0.5, widthM: 0.8 }, count: 1, opening: false }],
        }),
      )
    ).body;
    const product = aProduct({
      packs: [{ litres: 2.5, price: 70 }],
      colours: [{ name: 'grey', hex: '#808080' }],
      methods: [],
    });
    await server.ask('POST', '/products', { ...product, name: 'Touch-up epoxy' });
    await server.ask('PUT', `/areas/${patch.id}/stack`, {
      version: 1,
      steps: [aStep(product.id, { coats: 1, colours: ['grey'], method: 'brush' })],
    });
    const view = await get<BuyingView>(`/boats/${planned.boat.id}/buying`);
    const small = view.small.find(({ productName }) => productName === 'Touch-up epoxy');
    expect(small?.litres).toBeLessThan(0.13);
    const ways = small?.ways.map(({ kind, what, cost }) => [kind, what, cost]) ?? [];
    expect(ways[0]).toEqual(['small-pack', 'Syringe epoxy', 900]);
    expect(ways.at(-1)).toEqual(['whole-pack', '', 7000]);
    expect(
      view.orders.flatMap(({ lines }) => lines).some(({ productName }) => productName === 'Touch-up epoxy'),
    ).toBe(false);
  });

  it('an area nobody measured and a product without a price are named, and take nothing else down', async () => {
    const bare = (
      await server.ask<Area>('POST', '/areas', anArea(planned.boat.id, { name: 'Unmeasured', measures: [] }))
    ).body;
    await server.ask('PUT', `/areas/${bare.id}/stack`, { version: 1, steps: [aStep(planned.product.id)] });
    const view = await get<MaterialsView>(`/materials?boatId=${planned.boat.id}`);
    expect(view.unknown).toMatchObject([{ areaName: 'Unmeasured', reason: 'area not measured' }]);
    const { unpriced } = await get<BuyingView>(`/boats/${planned.boat.id}/buying`);
    expect(unpriced.map(({ part }) => part)).toContain('base');
  });
});

describe('money', () => {
  it('of a boat adds up to the cent, and the quote is a page without purchase prices', async () => {
    await server.ask('POST', '/offers', {
      id: uuidv7(),
      productId: planned.product.id,
      part: null,
      colour: null,
      litres: 2.5,
      price: 6999,
      supplierId: null,
      discounts: [],
    });
    const { settings } = await get<TradeView>('/trade');
    const rules = {
      ...settings,
      taxRate: 0.19,
      roundingStep: 5,
      labourPerHour: 4150,
      markup: 0.15,
      sundryPrices: { 'roller-cover': 333 },
    };
    expect((await server.ask('PUT', '/trade/settings', rules)).status).toBe(200);
    const stale = await server.problem('PUT', '/trade/settings', { ...rules, taxRate: 0.2 });
    expect(stale.status).toBe(409);
    await server.ask('POST', '/log', aCoat(planned, NOON - 30 * HOUR));
    const costs = await get<CostsView>(`/boats/${planned.boat.id}/costs`);
    const sum = (of: 'planned' | 'soFar' | 'forecast') =>
      costs.lines.reduce((all, line) => all + line[of], 0);
    expect([sum('planned'), sum('soFar'), sum('forecast')]).toEqual([
      costs.total.planned,
      costs.total.soFar,
      costs.total.forecast,
    ]);
    // Paint and what is left over of it are whole packs at their price.
    const paint = costs.lines.filter(({ kind }) => kind === 'paint' || kind === 'waste');
    expect(paint.reduce((all, { planned: p }) => all + p, 0) % 6999).toBe(0);
    expect(costs.bill.net + costs.bill.tax + costs.bill.rounding).toBe(costs.bill.gross);
    expect(costs.bill.gross % 5).toBe(0);
    expect(costs.total.soFar).toBeGreaterThan(0);
    const about = {
      number: 'Q-17',
      customer: 'A. Sailor\n\n1 Quay',
      validDays: 30,
      terms: 'Half in advance.',
    };
    const text = {
      title: '',
      intro: 'Spring work',
      closing: '',
      yardDays: 0,
      boatId: planned.boat.id,
      version: 0,
    };
    const saved = await server.ask('PUT', `/boats/${planned.boat.id}/quote`, { ...about, ...text });
    expect(saved.status).toBe(200);
    const work = new Map([[planned.area.id, 'Sand; 1 coat of it.']]);
    const view = await get<CostsView>(`/boats/${planned.boat.id}/costs`);
    const printed = quoteContent({
      view,
      work,
      yard: { name: 'North yard', zone: 'Europe/London' },
      now: NOON,
    });
    expect(printed.intro).toEqual([
      'North yard',
      'For:\nA. Sailor\n1 Quay',
      `Quote number: Q-17\nDate: 14 May 2026\nValid until: 13 June 2026\nBoat: ${planned.boat.name}`,
      'Spring work',
    ]);
    expect(printed.closing).toEqual(['Terms: Half in advance.']);
    expect(printed.tables[0]?.rows[0]?.[0]).toMatch(/: preparation, paint and labour\nSand; 1 coat of it\.$/);
    // What the yard paid for its tins stands nowhere.
    expect(JSON.stringify(printed)).not.toContain('69.99');
    const quote = await fetch(`${server.address}/api/v1/boats/${planned.boat.id}/quote.pdf`);
    expect([quote.status, quote.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    for (const path of [
      'lots.csv',
      'movements.csv',
      'offers.csv',
      'shopping.csv',
      'shopping.pdf',
      `boats/${planned.boat.id}/costs.csv`,
    ])
      expect([path, (await fetch(`${server.address}/api/v1/${path}`)).status]).toEqual([path, 200]);
  });

  it('a quote says the work on an area in one sentence: preparation, coats, film and method', () => {
    const product = { ...aProduct(), name: 'Grey Barrier' };
    const sand = { id: uuidv7(), kind: 'sand' as const, amount: 80, note: '' };
    const step = aStep(product.id, { before: [sand], coats: 2, dryMicronsPerCoat: 125, method: 'roller' });
    const catalogue = { latest: new Map([[product.id, product]]) };
    expect(sayWorkOn([step], catalogue as never)).toBe(
      'Sand with 80 grit; 2 coats of Grey Barrier, 125 µm dry per coat (roller).',
    );
    expect(sayWorkOn([], catalogue as never)).toBe('');
  });

  it('a price list from a file: a new price, a known one changed, a name nobody knows refused by line', async () => {
    const csv = (name: string, price: number) => `product,litres,price\n${name},2.5,${price}\n`;
    const name = `Sheet ${uuidv7()}`;
    await server.ask('POST', '/products', { ...aProduct(), name });
    expect((await server.ask('POST', '/offers/csv', { csv: csv(name, 45.5) })).body).toEqual({
      taken: 1,
      same: 0,
    });
    expect((await server.ask('POST', '/offers/csv', { csv: csv(name, 45.5) })).body).toEqual({
      taken: 0,
      same: 1,
    });
    const unknown = await server.problem('POST', '/offers/csv', { csv: csv('Nobody’s paint', 1) });
    expect(unknown.body.errors?.[0]?.message).toContain('Line 2, product: no sheet called “Nobody’s paint”');
  });
});

it('five hundred movements told together let others be answered meanwhile', async () => {
  const [base] = await receive(900, 300);
  const movements = Array.from({ length: 500 }, () => move(base, 'used', 0.1));
  let answered = 0;
  let heard = false;
  const telling = server
    .ask('POST', '/movements/together', { id: uuidv7(), movements })
    .then(({ status }) => {
      heard = true;
      return status;
    });
  while (!heard) {
    await fetch(`${server.address}/api/v1/nothing`);
    if (!heard) answered++;
  }
  expect(await telling).toBe(201);
  expect(answered).toBeGreaterThan(3);
});

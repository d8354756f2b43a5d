import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aCoat, aLot, aPlannedArea, HOUR, NOON } from '../../../test/examples.ts';
import { yardServer } from '../../../test/yardServer.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer();
});
afterAll(() => server.stop());

const at = (hours: number) => new Date(NOON + hours * HOUR).toISOString();
/** A product with a tin of its base in the stock. */
async function stocked() {
  const planned = await aPlannedArea(server);
  const lot = aLot(planned.product.id, 'base', { amount: 2 });
  await server.ask('POST', '/receipts', { id: uuidv7(), at: at(-9), purchaseId: null, lots: [lot] });
  return { planned, lot };
}
const use = (lotId: string, amount: number) =>
  server.ask('POST', '/movements', {
    ...{ id: uuidv7(), lotId, kind: 'used', amount, at: at(-1), areaId: null, note: '', corrects: null },
  });
const kept = async (id: string) => {
  const { lots, byProduct } = (await server.memory.at(NOON)).stock;
  const lot = lots.find((each) => each.lot.id === id);
  expect(byProduct.get(lot?.lot.productId ?? '')).toContain(lot);
  return lot;
};

it('what moved of one product is read again, the lots of others are those that were known', async () => {
  const [one, other] = [await stocked(), await stocked()];
  const before = await kept(other.lot.id);
  const { states } = await server.memory.at(NOON);
  await use(one.lot.id, 0.5);
  expect((await kept(one.lot.id))?.stock.inTin).toBeCloseTo(1.5, 9);
  expect(await kept(other.lot.id)).toBe(before);
  // No area is made of tins: none is read again for it.
  expect((await server.memory.at(NOON)).states).toBe(states);
  // Two told at once, and one that changes the lot itself.
  await Promise.all([use(one.lot.id, 0.25), use(other.lot.id, 1)]);
  expect((await kept(one.lot.id))?.stock.inTin).toBeCloseTo(1.25, 9);
  expect((await kept(other.lot.id))?.stock.inTin).toBeCloseTo(1, 9);
  await server.ask('DELETE', `/lots/${one.lot.id}`);
  expect((await server.memory.at(NOON)).stock.lots.map(({ lot }) => lot.id)).not.toContain(one.lot.id);
});

it('a note makes no area another, a coat only its own; an anode found is there at once', async () => {
  const [one, other] = [await aPlannedArea(server), await aPlannedArea(server)];
  const seen = async () => {
    const { snapshot, states } = await server.memory.at(NOON);
    const of = (id: string) => states.find(({ area }) => area.id === id);
    return { snapshot, one: of(one.area.id), other: of(other.area.id) };
  };
  /** Logs an entry, which reads as it was answered. */
  const log = async (entry: { id: string }) => {
    const { body } = await server.ask('POST', '/log', entry);
    expect((await server.ask('GET', `/log/${entry.id}`)).body).toEqual(body);
  };
  const before = await seen();
  const note = (areaId: string) => log({ ...{ id: uuidv7(), areaId, at: at(-1), corrects: null }, ...{ kind: 'note', body: { text: 'n' } } }); // biome-ignore format: one line
  const { n } = await server.memory.at(NOON);
  await note(one.area.id);
  expect((await seen()).snapshot).toBe(before.snapshot);
  expect((await server.memory.at(NOON)).n).toBe(n + 1);
  // Of a note, a coat and a note the coat is seen, whichever was asked for last.
  await note(other.area.id);
  await log(aCoat(one, NOON - 2 * HOUR));
  await note(one.area.id);
  const after = await seen();
  expect(after.one?.coats).toHaveLength(1);
  expect(after.other).toBe(before.other);
  // What only the boat's own screen shows is read once, and again after a change.
  const items = async () =>
    (await server.ask<{ bareItems: unknown[] }>('GET', `/boats/${one.boat.id}`)).body.bareItems.length;
  expect(await items()).toBe(0);
  const anode = {
    id: uuidv7(),
    boatId: one.boat.id,
    areaId: null,
    kind: 'anode',
    name: 'Shaft anode',
    note: '',
  };
  expect((await server.ask('POST', '/bare-items', anode)).status).toBe(201);
  expect(await items()).toBe(1);
});

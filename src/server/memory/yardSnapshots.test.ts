import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aLot, aPlannedArea, HOUR, NOON } from '../../../test/examples.ts';
import { yardServer } from '../../../test/yardServer.ts';

let server: Awaited<ReturnType<typeof yardServer>>;
beforeAll(async () => {
  server = await yardServer();
});
afterAll(() => server.stop());

const at = (hours: number) => new Date(NOON + hours * HOUR).toISOString();
/** A product with a tin of its base in the store. */
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
  const { lots, byProduct } = (await server.memory.at(NOON)).store;
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
  expect((await server.memory.at(NOON)).store.lots.map(({ lot }) => lot.id)).not.toContain(one.lot.id);
});

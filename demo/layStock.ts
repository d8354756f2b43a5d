import type { PurchaseLine } from '../src/contract/index.ts';
import { perLitreOfPaint, toMinor } from '../src/core/supply/index.ts';
import type { ProductSheet } from '../src/core/system/index.ts';
import type { Tx } from '../src/server/db/open.ts';
import {
  area,
  lot,
  lotMovement,
  offer,
  purchase,
  supplier,
  tradeSetting,
  yard,
} from '../src/server/db/schema.ts';
import { SHEETS } from './sheets.ts';
import { CHANDLERS, DEMO_KEEP_BACK, DEMO_LOTS, DEMO_MONEY, DEMO_ORDER, DEMO_RATES } from './stockPlan.ts';

const DAY_MS = 24 * 3_600_000;

interface Laying {
  tx: Tx;
  newId: () => string;
  now: number;
  products: Map<string, string>;
}

/** The stock of the demo yard: chandlers with their prices, tins on the shelf, an order on its way. */
export async function layStock(laying: Laying): Promise<void> {
  const { tx, newId, now, products } = laying;
  const idOf = (name: string) => products.get(name) as string;
  const [home] = await tx.select({ id: yard.id }).from(yard).limit(1);
  await tx.insert(tradeSetting).values({ yardId: home?.id as string, settings: DEMO_MONEY, version: 1 });
  const chandlers = CHANDLERS.map((each) => ({ id: newId(), ...each }));
  await tx.insert(supplier).values(chandlers);
  const offers = Object.entries(SHEETS).flatMap(([name, sheet]) =>
    sheet.packs.flatMap(({ litres, price }, i) =>
      chandlers.flatMap((chandler, k) =>
        price === null
          ? []
          : [
              {
                id: newId(),
                productId: idOf(name),
                part: null,
                colour: null,
                litres,
                price: toMinor(Math.round(price * (DEMO_RATES[k] as number) * 100) / 100, 'EUR'),
                supplierId: chandler.id,
                discounts:
                  i > 0 && k === 1 ? [{ from: 4, price: toMinor(Math.round(price * 85) / 100, 'EUR') }] : [],
              },
            ],
      ),
    ),
  );
  await tx.insert(offer).values(offers);
  for (const plan of DEMO_LOTS) await layKit(laying, plan);
  const line: PurchaseLine = { productId: idOf(DEMO_ORDER.product), part: null, colour: DEMO_ORDER.colour, litres: 5, count: 1, price: DEMO_ORDER.price }; // biome-ignore format: one line
  await tx.insert(purchase).values({
    id: newId(),
    supplierId: chandlers[1]?.id as string,
    orderedAt: new Date(now - 2 * DAY_MS),
    dueOn: new Date(now + 2 * DAY_MS).toISOString().slice(0, 10),
    delivery: chandlers[1]?.delivery ?? 0,
    note: '',
    lines: [line],
  });
}

/** A kit on the shelf: both parts by themselves, with what has gone of them and what is kept back. */
async function layKit({ tx, newId, now, products }: Laying, plan: (typeof DEMO_LOTS)[number]): Promise<void> {
  const { parts, ratioBy } = SHEETS[plan.product] as ProductSheet;
  const { unit, perLitre } = perLitreOfPaint(parts, ratioBy);
  const patches = (await tx.select().from(area)).filter(({ name }) => name === DEMO_KEEP_BACK.area);
  for (const [i, part] of parts.entries()) {
    const lotId = newId();
    const share = perLitre[i] as number;
    await tx.insert(lot).values({
      id: lotId,
      productId: products.get(plan.product) as string,
      part: part.name,
      colour: i === 0 ? plan.colour : null,
      code: `${plan.code}${i === 0 ? 'B' : 'H'}`,
      unit,
      madeOn: new Date(now - plan.madeDaysAgo * DAY_MS).toISOString().slice(0, 10),
      place: plan.place,
      frost: plan.frost ?? false,
      heat: false,
      note: '',
      cost: null,
    });
    const move = async (
      kind: 'received' | 'opened' | 'used' | 'kept-back',
      litres: number,
      daysAgo: number,
      areaId: string | null = null,
    ) => {
      // biome-ignore format: one line
      const at = new Date(now - daysAgo * DAY_MS);
      await tx.insert(lotMovement).values({ id: newId(), lotId, kind, amount: Number((litres * share).toFixed(4)), at, recordedAt: at, areaId, note: '' }); // biome-ignore format: one line
    };
    await move('received', plan.litres, 24);
    if (plan.used > 0) {
      await move('opened', 0, 12);
      // A scoop of hardener too many in one of them, for the tins to tell.
      await move('used', plan.used * (i > 0 ? plan.hardenerRich : 1), 6);
    }
    const patch = plan.product === DEMO_KEEP_BACK.product && plan.used > 0 ? patches[0] : undefined;
    if (patch) await move('kept-back', DEMO_KEEP_BACK.litres, 3, patch.id);
  }
}

import type { BuyingView, BuyOrder, PartSupply } from '../../../contract/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import {
  type CheapestPurchase,
  cheapestPurchase,
  costOf,
  perLitreOfPaint,
  type SmallWay,
  smallNeed,
  toMinor,
} from '../../../core/supply/index.ts';
import type { Context } from '../../context.ts';
import { needLinesOf } from '../../memory/needLines.ts';
import type { YardMemory, YardReading } from '../../memory/yardMemory.ts';
import type { KnownProduct } from '../../rows/products.ts';
import { readHeld } from './materials.ts';
import { packsOf, partKey, type ShopPack } from './packs.ts';
import { firstCoatMs, type Held, partSupply } from './partSupply.ts';
import { type YardNeed, yardNeed } from './yardNeed.ts';

const DAY_MS = 24 * HOUR_MS;
const MONTH_MS = 30.44 * DAY_MS;

/** What is short of a part, and of which product. */
interface Short {
  product: KnownProduct;
  supply: PartSupply;
  amount: number;
}

/** Answers to the same question are one until something changes, for as long as its days are the same. */
const latest = new WeakMap<YardMemory, { revision: number; day: number; asked: string; view: BuyingView }>();

/** What to buy where for what the yard, or a boat, still takes. */
export async function buyingView(context: Context, asked: { boatId?: string }): Promise<BuyingView> {
  const now = context.now();
  const { memory } = context;
  const day = Math.floor(now / HOUR_MS);
  const kept = latest.get(memory);
  const key = asked.boatId ?? '';
  if (kept?.revision === memory.revision && kept.day === day && kept.asked === key)
    return { ...kept.view, now: new Date(now).toISOString() };
  const { revision } = memory;
  const view = buyingOf(await readHeld(context, now), asked);
  latest.set(memory, { revision, day, asked: key, view });
  return view;
}

function buyingOf(held: Awaited<ReturnType<typeof readHeld>>, asked: { boatId?: string }): BuyingView {
  const { trade, catalogue, now } = held;
  const { currency } = trade.settings;
  const needed = yardNeed(held.known, asked, trade.settings.useLearned);
  const shorts = needed.need.parts.flatMap((part): Short[] => {
    const product = catalogue.latest.get(part.productId);
    const supply = partSupply(part, needed, held);
    return product && supply.short > 0 ? [{ product, supply, amount: supply.short }] : [];
  });
  const products = [...new Set(shorts.map(({ product }) => product))];
  const small = products.flatMap((product) => smallOf(product, shorts, asked.boatId, held));
  const packs = products.flatMap((product) => packsOf(product, coloursOf(product, needed), trade));
  const wanted = shorts.filter(({ amount }) => amount > 1e-6);
  const bought = cheapestPurchase({
    need: wanted.map(({ product, supply, amount }) => ({
      part: partKey(product.id, supply.part, supply.colour),
      litres: amount,
    })),
    packs,
    suppliers: trade.suppliers.map(({ id, delivery, minOrder }) => ({ id, delivery, minOrder })),
  });
  const byKey = new Map(
    wanted.map((each) => [partKey(each.product.id, each.supply.part, each.supply.colour), each]),
  );
  const partOf = ({ product, supply }: Short, amount: number) => ({
    productName: product.name,
    part: supply.part,
    colour: supply.colour,
    unit: supply.unit,
    amount,
  });
  return {
    now: new Date(now).toISOString(),
    currency,
    orders: ordersOf(bought, packs, needed, held),
    total: bought.total,
    proven: bought.proven,
    left: bought.left.flatMap(({ part, litres }) => {
      const short = byKey.get(part);
      // What the safe need has over the likely one is as likely left as not.
      return short ? [partOf(short, litres + short.supply.safe - short.supply.likely)] : [];
    }),
    runnersUp: bought.runnersUp.map((other) => ({
      more: other.more,
      what: other.buy
        .filter(({ id, count }) => bought.buy.find((each) => each.id === id)?.count !== count)
        .flatMap(({ id, count }) => {
          const pack = packs.find((each) => each.id === id);
          const product = pack && catalogue.latest.get(pack.productId);
          return pack && product
            ? [
                {
                  productName: product.name,
                  colour: pack.colour,
                  litres: pack.litres,
                  count,
                  supplierName: trade.suppliers.find(({ id: of }) => of === pack.supplierId)?.name ?? null,
                },
              ]
            : [];
        }),
      left: sum(other.left) - sum(bought.left),
    })),
    unpriced: bought.uncovered.flatMap((part) => {
      const short = byKey.get(part);
      return short ? [{ productId: short.product.id, ...partOf(short, short.amount) }] : [];
    }),
    small,
    tooEarly: products.flatMap((product) => {
      const used = firstCoatMs(product.id, needed, held);
      const { shelfMonths } = product.sheet;
      return used !== null && shelfMonths !== null && used - now > shelfMonths * MONTH_MS
        ? [{ productName: product.name, usedAt: new Date(used).toISOString(), shelfMonths }]
        : [];
    }),
  };
}

const sum = (parts: readonly { litres: number }[]) => parts.reduce((all, { litres }) => all + litres, 0);

/** Colours of a product that the need names. */
const coloursOf = (product: KnownProduct, { need }: YardNeed): string[] =>
  need.colours.flatMap(({ productId, colour }) => (productId === product.id ? [colour] : []));

/**
 * Needs of a product that no pack is bought for: taken off what is short, with what would do instead. What is small in one
 * colour takes its share of the hardener with it.
 */
function smallOf(
  product: KnownProduct,
  shorts: readonly Short[],
  boatId: string | undefined,
  held: Held & { known: YardReading },
): BuyingView['small'] {
  const { sheet } = product;
  const { perLitre } = perLitreOfPaint(sheet.parts, sheet.ratioBy);
  const own = shorts.filter((each) => each.product === product);
  const base = sheet.parts[0]?.name ?? '';
  return own.flatMap((short) => {
    if (short.supply.part !== base || short.supply.colour === null) return [];
    const { colour } = short.supply;
    const litres = short.amount / (perLitre[0] as number);
    const packs = packsOf(product, [colour], held.trade).filter(({ part }) => part === null);
    const found = smallNeed({
      litres,
      packs: packs.map((pack) => ({ litres: pack.litres, price: pack.price })),
      remainders: remaindersOf(product, colour, held),
      shared: [],
      instead: insteadOf(product, held),
    });
    if (!found) return [];
    short.amount = 0;
    for (const other of own)
      if (other.supply.colour === null) {
        const i = sheet.parts.findIndex(({ name }) => name === other.supply.part);
        other.amount = Math.max(0, other.amount - litres * (perLitre[i] ?? 0));
      }
    const money = (way: SmallWay): SmallWay =>
      way.cost === null ? way : { ...way, cost: Math.round(way.cost) };
    const shared = sharedWith(product, colour, boatId, held);
    const whole = found.ways.at(-1) as SmallWay;
    const ways = [...found.ways.slice(0, -1), ...shared, whole].map(money);
    return [{ productId: product.id, productName: product.name, colour, litres, share: found.share, ways }];
  });
}

/** Other colours of the same product that stand in the yard, whole mixes of them. */
function remaindersOf(product: KnownProduct, colour: string, held: Held): { what: string; litres: number }[] {
  const { perLitre } = perLitreOfPaint(product.sheet.parts, product.sheet.ratioBy);
  const lots = held.store.byProduct.get(product.id) ?? [];
  const others = [...new Set(lots.map(({ lot }) => lot.colour))].filter(
    (each) => each !== null && each !== colour,
  );
  return others.map((other) => {
    const litres = product.sheet.parts.map(({ name }, i) => {
      const there = lots
        .filter(({ lot }) => lot.part === name && (i > 0 || lot.colour === other))
        .reduce((all, { stock }) => all + Math.max(0, stock.inTin), 0);
      return there / (perLitre[i] as number);
    });
    return { what: `${product.name}, ${other}`, litres: Math.min(...litres) };
  });
}

/** Products of the same family that are sold smaller. */
function insteadOf(
  product: KnownProduct,
  held: Held,
): { what: string; litres: number; price: number | null }[] {
  const { currency } = held.trade.settings;
  return [...held.catalogue.latest.values()].flatMap((other) => {
    if (other.id === product.id || other.sheet.family !== product.sheet.family) return [];
    const offers = held.trade.offers.filter(({ productId, part }) => productId === other.id && part === null);
    const packs =
      offers.length > 0
        ? offers.map(({ litres, price }) => ({ litres, price: price as number | null }))
        : other.sheet.packs.map(({ litres, price }) => ({ litres, price: price === null ? null : toMinor(price, currency) })); // biome-ignore format: one line
    return packs.map((pack) => ({ what: other.name, ...pack }));
  });
}

/** A coat of another boat in the same paint and colour: a batch for her serves both. */
function sharedWith(
  product: KnownProduct,
  colour: string,
  boatId: string | undefined,
  held: Held & { known: YardReading },
): SmallWay[] {
  if (boatId === undefined) return [];
  const other = held.known.states.find(
    (state) =>
      state.boat.id !== boatId &&
      needLinesOf(state, held.catalogue).lines.some(
        ({ line }) => line.productId === product.id && line.coats.some((coat) => coat.colour === colour),
      ),
  );
  return other
    ? [{ kind: 'shared', what: `${other.area.name}, ${other.boat.name}`, cost: null, left: 0 }]
    : [];
}

function ordersOf(
  bought: CheapestPurchase,
  packs: readonly ShopPack[],
  needed: YardNeed,
  held: Held,
): BuyOrder[] {
  const suppliers = new Map(held.trade.suppliers.map((each) => [each.id, each]));
  return bought.orders.map(({ supplierId, goods, delivery, short }) => {
    const supplier = supplierId === null ? undefined : suppliers.get(supplierId);
    const own = bought.buy.flatMap(({ id, count }) => {
      const pack = packs.find((each) => each.id === id);
      return pack && pack.supplierId === supplierId ? [{ pack, count }] : [];
    });
    const firsts = own.flatMap(({ pack }) => firstCoatMs(pack.productId, needed, held) ?? []);
    const days = supplier?.deliveryDays ?? 0;
    const by = firsts.length > 0 ? Math.min(...firsts) - days * DAY_MS : null;
    return {
      supplierId,
      supplierName: supplier?.name ?? null,
      lines: own.map(({ pack, count }) => {
        const product = held.catalogue.latest.get(pack.productId) as KnownProduct;
        const { unit } = perLitreOfPaint(product.sheet.parts, product.sheet.ratioBy);
        return {
          productId: pack.productId,
          productName: product.name,
          part: pack.part,
          colour: pack.colour,
          litres: pack.litres,
          unit: pack.part === null ? ('l' as const) : unit,
          count,
          price: Math.round(costOf(pack, count)),
        };
      }),
      goods,
      delivery,
      short,
      orderBy: by === null ? null : new Date(by).toISOString(),
      deliveryDays: days,
    };
  });
}

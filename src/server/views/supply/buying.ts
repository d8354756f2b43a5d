import type { BuyingView, BuyOrder } from '../../../contract/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import {
  type CheapestPurchase,
  cheapestPurchase,
  costOf,
  perLitreOfPaint,
} from '../../../core/supply/index.ts';
import { monthsLater, remembering } from '../../../core/units/index.ts';
import type { Context } from '../../context.ts';
import type { KnownProduct } from '../../rows/products.ts';
import { extrasOf } from './extras.ts';
import { readHeld } from './materials.ts';
import { packsOf, partKey, type ShopPack } from './packs.ts';
import { firstCoatMs, type Held, partSupplies } from './partSupply.ts';
import { type Short, smallOf } from './smallNeeds.ts';
import { type YardNeed, yardNeed } from './yardNeed.ts';

const DAY_MS = 24 * HOUR_MS;

/** With more suppliers or packs than this not even a glance is taken in the thread that answers everybody. */
const FEW_SUPPLIERS = 2;
const FEW_PACKS = 60;

/** A purchase that is searched for: the answer so far, and the view of an answer. */
interface Searched {
  bought: CheapestPurchase;
  view: (bought: CheapestPurchase) => BuyingView;
  shop: Shop;
}

type Shop = Parameters<typeof cheapestPurchase>[0];

/** Questions of the last hour with what was found so far. */
const kept = remembering<Promise<Searched>>(20);
/** The running search for a proof: one at a time, since it uses a thread for a quarter of a minute. */
let proving: Searched | null = null;
/** Searches that ended without a proof are not begun again. */
const tried = new WeakSet<Searched>();

/**
 * What to buy where for what the yard, or a boat, still takes; the same question within the hour is answered once. Where the
 * answer is not proven to be the cheapest within a second, the search goes on beside, and whoever asks again has what it found.
 */
export async function buyingView(context: Context, query: { boatId?: string }): Promise<BuyingView> {
  const now = context.now();
  const held = await readHeld(context, now);
  const question = [Math.floor(now / HOUR_MS), query.boatId];
  const searched = await kept(held.known.snapshot, question, () => search(held, query, context));
  const mayProve = !searched.bought.proven && !tried.has(searched);
  if (mayProve && proving === null) void prove(searched, context);
  return { ...searched.view(searched.bought), now: new Date(now).toISOString(), proving: mayProve };
}

async function search(
  held: ReadHeld,
  asked: { boatId?: string },
  { jobs }: Pick<Context, 'jobs'>,
): Promise<Searched> {
  const { shop, view } = shopOf(held, asked);
  const selling = new Set(shop.packs.flatMap(({ supplierId }) => supplierId ?? []));
  if (selling.size <= FEW_SUPPLIERS && shop.packs.length <= FEW_PACKS) {
    const bought = cheapestPurchase({ ...shop, effort: 'glance' });
    if (bought.proven) return { bought, view, shop };
  }
  return { bought: await jobs.run('purchase', { ...shop, effort: 'quick' }), view, shop };
}

async function prove(searched: Searched, { jobs, log }: Pick<Context, 'jobs' | 'log'>): Promise<void> {
  proving = searched;
  try {
    const found = await jobs.run('purchase', { ...searched.shop, effort: 'thorough' });
    if (found.proven || found.total < searched.bought.total || found.atLeast > searched.bought.atLeast)
      searched.bought = found;
  } catch (error) {
    log.warn({ err: error }, 'the cheapest purchase could not be proven');
  } finally {
    tried.add(searched);
    proving = null;
  }
}

type ReadHeld = Awaited<ReturnType<typeof readHeld>>;

/** Needs and offers, and the view of a purchase for them. */
function shopOf(held: ReadHeld, query: { boatId?: string }): Omit<Searched, 'bought'> {
  const { trade, catalogue, now } = held;
  const { currency } = trade.settings;
  const needed = yardNeed(held.known, query, trade.settings.useLearned);
  const shorts = [...partSupplies(needed, held)].flatMap(([part, supply]): Short[] => {
    const product = catalogue.latest.get(part.productId);
    return product && supply.short > 0 ? [{ product, supply, amount: supply.short }] : [];
  });
  const products = [...new Set(shorts.map(({ product }) => product))];
  const small = products.flatMap((product) => smallOf(product, shorts, query.boatId, held));
  const packs = products.flatMap((product) => packsOf(product, coloursOf(product, needed), trade));
  const wanted = shorts.filter(({ amount }) => amount > 1e-6);
  const shop = {
    need: wanted.map(({ product, supply, amount }) => ({
      part: partKey(product.id, supply.part, supply.colour),
      litres: amount,
    })),
    packs,
    suppliers: trade.suppliers.map(({ id, delivery, minOrder }) => ({ id, delivery, minOrder })),
  };
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
  const view = (bought: CheapestPurchase): BuyingView => ({
    now: new Date(now).toISOString(),
    currency,
    orders: ordersOf(bought, packs, needed, held),
    total: bought.total,
    proven: bought.proven,
    atLeast: Math.ceil(bought.atLeast - 1e-6),
    proving: false,
    left: bought.left.flatMap(({ part, litres }) => {
      const short = byKey.get(part);
      // What the safe need has over the likely one is as likely left as not.
      return short
        ? [
            {
              productId: short.product.id,
              ...partOf(short, litres + short.supply.safe - short.supply.likely),
              wanted: short.amount,
            },
          ]
        : [];
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
                  part: pack.part,
                  colour: pack.colour,
                  litres: pack.litres,
                  unit: unitOf(pack, product),
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
    extras: extrasOf(needed, held),
    tooEarly: products.flatMap((product) => {
      const used = firstCoatMs(product.id, needed, held);
      const { shelfMonths } = product.sheet;
      return used !== null && shelfMonths !== null && used > monthsLater(now, shelfMonths)
        ? [{ productName: product.name, usedAt: new Date(used).toISOString(), shelfMonths }]
        : [];
    }),
  });
  return { shop, view };
}

/** A kit is measured by its mixed litres, a part alone as its tins are. */
const unitOf = (pack: ShopPack, { sheet }: KnownProduct): 'l' | 'kg' =>
  pack.part === null ? 'l' : perLitreOfPaint(sheet.parts, sheet.ratioBy).unit;

const sum = (parts: readonly { litres: number }[]) => parts.reduce((all, { litres }) => all + litres, 0);

/** Colours of a product that the need names. */
const coloursOf = (product: KnownProduct, { need }: YardNeed): string[] =>
  need.colours.flatMap(({ productId, colour }) => (productId === product.id ? [colour] : []));

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
        return {
          productId: pack.productId,
          productName: product.name,
          part: pack.part,
          colour: pack.colour,
          litres: pack.litres,
          unit: unitOf(pack, product),
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

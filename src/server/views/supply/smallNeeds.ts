import type { BuyingView, PartSupply } from '../../../contract/index.ts';
import { perLitreOfPaint, type SmallWay, smallNeed, toMinor } from '../../../core/supply/index.ts';
import { needLinesOf } from '../../memory/needLines.ts';
import { ageOf } from '../../memory/stockReading.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import type { KnownProduct } from '../../rows/products.ts';
import { packsOf } from './packs.ts';
import type { Held } from './partSupply.ts';

/** The shortage of a part, with its product. */
export interface Short {
  product: KnownProduct;
  supply: PartSupply;
  amount: number;
}

/**
 * Needs of a product that no pack is bought for: taken off what is short, with what would do instead. What is small in one
 * colour takes its share of the hardener with it.
 */
export function smallOf(
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
      alternatives: soldSmaller(product, held),
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
  const lots = (held.stock.byProduct.get(product.id) ?? []).filter(
    (each) => ageOf(each, held.catalogue, held.now).usable,
  );
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
function soldSmaller(
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

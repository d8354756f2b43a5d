import { kitContents, type OfferedPack, toMinor } from '../../../core/supply/index.ts';
import { MOST_MONEY } from '../../../core/units/index.ts';
import type { TradeReading } from '../../memory/stockReading.ts';
import type { KnownProduct } from '../../rows/products.ts';

/** A pack on offer, with its contents. */
export interface ShopPack extends OfferedPack {
  productId: string;
  part: string | null;
  colour: string | null;
  litres: number;
}

/** One part of a product in one colour, as the purchase names it. */
export const partKey = (productId: string, part: string, colour: string | null): string =>
  `${productId}|${part}|${colour ?? ''}`;

/** Packs of a product in the needed colours: from its prices, otherwise from its data sheet. */
export function packsOf(product: KnownProduct, colours: readonly string[], trade: TradeReading): ShopPack[] {
  const { sheet } = product;
  // A price from before there was a limit is no price to reckon with: its pack counts as not priced.
  const own = trade.offers.filter(({ productId, price }) => productId === product.id && price <= MOST_MONEY);
  const offers =
    own.length > 0
      ? own
      : sheet.packs.flatMap(({ litres, price }) =>
          price === null
            ? []
            : [
                {
                  id: `${product.id} ${litres}`,
                  part: null,
                  colour: null,
                  litres,
                  price: toMinor(price, trade.settings.currency),
                  supplierId: null,
                  discounts: [],
                },
              ],
        );
  const suppliers = new Set(trade.suppliers.map(({ id }) => id));
  return offers.flatMap((offer): ShopPack[] => {
    const { part, litres, price, discounts } = offer;
    const kit = kitContents(sheet.parts, sheet.ratioBy, litres);
    // A deleted supplier no longer sells; the price is still known.
    const supplierId = offer.supplierId !== null && suppliers.has(offer.supplierId) ? offer.supplierId : null;
    const coloured = part === null || part === sheet.parts[0]?.name;
    const inColours = coloured ? (offer.colour === null ? colours : colours.filter((each) => each === offer.colour)) : [null]; // biome-ignore format: one line
    return inColours.map((colour) => ({
      id: `${offer.id}|${colour ?? ''}`,
      productId: product.id,
      part,
      colour,
      litres,
      price,
      supplierId,
      discounts,
      contents: Object.fromEntries(
        part === null
          ? sheet.parts.map(({ name }, i) => [
              partKey(product.id, name, i === 0 ? colour : null),
              kit.amounts[i] as number,
            ])
          : [[partKey(product.id, part, colour), litres]],
      ),
    }));
  });
}

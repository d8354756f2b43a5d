import type { PurchaseRecord } from '../../contract/index.ts';
import { kitContents, type PartAmount } from '../../core/supply/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { ageOf, type KeptLot, type StockReading, type TradeReading } from './stockReading.ts';

/** The stock of one part of a product in one colour. */
export interface InStock {
  there: number;
  unusable: number;
  kept: number;
  /** By patch. */
  keptBy: Map<string, number>;
  ordered: number;
  lots: KeptLot[];
}

type Part = Pick<PartAmount, 'productId' | 'part' | 'colour' | 'unit'>;

/** An amount in the other unit; null: no density tells. */
export function amountIn(
  amount: number,
  from: 'l' | 'kg',
  to: 'l' | 'kg',
  densityKgPerL: number | null,
): number | null {
  if (from === to) return amount;
  if (densityKgPerL === null) return null;
  return to === 'kg' ? amount * densityKgPerL : amount / densityKgPerL;
}

/** Whether a tin of some colour serves; one without a colour does where the product has but one. */
export const colourFits = (lot: string | null, wanted: string | null, sheet: ProductSheet): boolean =>
  wanted === null || lot === wanted || (lot === null && sheet.colours.length <= 1);

/** The lots of a part in a colour. */
export function lotsOf(stock: StockReading, part: Part, sheet: ProductSheet): KeptLot[] {
  return (stock.byProduct.get(part.productId) ?? []).filter(
    ({ lot }) => lot.part === part.part && colourFits(lot.colour, part.colour, sheet),
  );
}

/** What an open order holds of a part, in the part's unit. */
function orderedOf(purchase: PurchaseRecord, part: Part, sheet: ProductSheet): number {
  if (purchase.receivedAt !== null) return 0;
  const i = sheet.parts.findIndex(({ name }) => name === part.part);
  const ofOne = kitContents(sheet.parts, sheet.ratioBy, 1).amounts[i] ?? 0;
  return purchase.lines.reduce((sum, line) => {
    if (line.productId !== part.productId || !colourFits(line.colour, part.colour, sheet)) return sum;
    if (line.part !== null) return sum + (line.part === part.part ? line.count * line.litres : 0);
    return sum + line.count * line.litres * ofOne;
  }, 0);
}

/** What open orders hold of a part, in its unit, with the day each is due; null: nobody said. */
export function ordersOf(
  part: Part,
  { trade, catalogue }: { trade: TradeReading; catalogue: ProductCatalogue },
): { dueOn: string | null; amount: number }[] {
  const sheet = catalogue.latest.get(part.productId)?.sheet;
  if (!sheet) return [];
  return trade.purchases
    .map((purchase) => ({ dueOn: purchase.dueOn, amount: orderedOf(purchase, part, sheet) }))
    .filter(({ amount }) => amount > 0);
}

export function inStock(
  part: Part,
  from: { stock: StockReading; trade: TradeReading; catalogue: ProductCatalogue; now: number },
): InStock {
  const none = { there: 0, unusable: 0, kept: 0, keptBy: new Map<string, number>(), ordered: 0, lots: [] };
  const sheet = from.catalogue.latest.get(part.productId)?.sheet;
  if (!sheet) return none;
  const density = sheet.parts.find(({ name }) => name === part.part)?.densityKgPerL ?? null;
  const found: InStock = { ...none, lots: lotsOf(from.stock, part, sheet) };
  for (const each of found.lots) {
    const inUnit = (amount: number) => amountIn(amount, each.lot.unit, part.unit, density);
    const here = inUnit(Math.max(0, each.stock.inTin));
    // Without a density the amount can’t be converted to the unit asked for, so it counts as unusable.
    if (here === null || !ageOf(each, from.catalogue, from.now).usable) found.unusable += here ?? 0;
    else found.there += here;
    for (const [areaId, amount] of each.keptBy) {
      const kept = inUnit(amount) ?? 0;
      found.kept += kept;
      found.keptBy.set(areaId, (found.keptBy.get(areaId) ?? 0) + kept);
    }
  }
  found.ordered = from.trade.purchases.reduce((sum, each) => sum + orderedOf(each, part, sheet), 0);
  return found;
}

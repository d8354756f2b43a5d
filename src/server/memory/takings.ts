import type { BatchBody, CoatBody } from '../../contract/index.ts';
import { perLitreOfPaint, takeFrom } from '../../core/supply/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { amountIn, lotsOf } from './inStock.ts';
import { ageOf, type KeptLot, type StockReading } from './stockReading.ts';

/** The amount poured of a part. */
export interface Poured {
  part: string;
  unit: 'l' | 'kg';
  amount: number;
}

/** What a batch took of each part, as poured. */
export const poursOf = (body: Pick<BatchBody, 'pours'>, sheet: Pick<ProductSheet, 'parts'>): Poured[] =>
  body.pours.flatMap(({ name, amount, unit }) =>
    sheet.parts.some((part) => part.name === name)
      ? [{ part: name, unit: unit === 'g' ? ('kg' as const) : ('l' as const), amount: amount / 1000 }]
      : [],
  );

/** What a coat that was logged without its batches took of each part, by the ratio of its sheet. */
export function poursOfCoat(body: Pick<CoatBody, 'litres'>, sheet: ProductSheet): Poured[] {
  const { unit, perLitre } = perLitreOfPaint(sheet.parts, sheet.ratioBy);
  return sheet.parts.map(({ name }, i) => ({
    part: name,
    unit,
    amount: body.litres * (perLitre[i] as number),
  }));
}

/** Amounts taken from each lot; from the paint kept back if it is for that patch. */
export interface Taken {
  lotId: string;
  kind: 'used' | 'kept-used' | 'opened';
  amount: number;
}

/** Lots of a part that something was poured from: those confirmed at the tins, else every one. */
function lotsMeant(
  part: Parameters<typeof lotsOf>[1],
  { sheet, confirmed = [] }: { sheet: ProductSheet; confirmed?: readonly string[] },
  stock: StockReading,
): KeptLot[] {
  const lots = lotsOf(stock, part, sheet);
  const named = lots.filter(({ lot }) => confirmed.includes(lot.id));
  return named.length > 0 ? named : lots;
}

/**
 * Which lots something poured came from: what is kept back for the area first, then tins by {@link takeFrom}. A product of
 * which the stock keeps nothing takes from nowhere.
 */
export function takingsOf(
  poured: readonly Poured[],
  of: {
    productId: string;
    colour: string | null;
    areaId: string;
    sheet: ProductSheet;
    /** Lots confirmed at the tins; of a part with one of these it came from no other. */
    confirmed?: readonly string[];
  },
  from: { stock: StockReading; catalogue: ProductCatalogue; now: number },
): Taken[] {
  return poured.flatMap(({ part, unit, amount }): Taken[] => {
    const i = of.sheet.parts.findIndex(({ name }) => name === part);
    const density = of.sheet.parts[i]?.densityKgPerL ?? null;
    const colour = i === 0 ? of.colour : null;
    const lots = lotsMeant({ productId: of.productId, part, colour, unit }, of, from.stock);
    const measured = lots.filter(({ lot }) => amountIn(amount, unit, lot.unit, density) !== null);
    if (measured.length === 0 || !(amount > 0)) return [];
    const taken: Taken[] = [];
    let left = amount;
    for (const each of measured) {
      const kept = amountIn(each.keptBy.get(of.areaId) ?? 0, each.lot.unit, unit, density) ?? 0;
      const own = Math.min(left, kept);
      if (own <= 1e-6) continue;
      left -= own;
      taken.push({
        lotId: each.lot.id,
        kind: 'kept-used',
        amount: amountIn(own, unit, each.lot.unit, density) ?? 0,
      });
    }
    if (left <= 1e-6) return taken;
    const open = measured.map((each) => {
      const { usable, endsMs } = ageOf(each, from.catalogue, from.now);
      const inTin = amountIn(each.stock.inTin, each.lot.unit, unit, density) ?? 0;
      return { id: each.lot.id, inTin, openedMs: each.stock.openedMs, endsMs, usable };
    });
    for (const { lotId, amount: here } of takeFrom(open, left)) {
      const kept = measured.find(({ lot }) => lot.id === lotId);
      if (!kept) continue;
      if (kept.stock.openedMs === null) taken.push({ lotId, kind: 'opened', amount: 0 });
      taken.push({ lotId, kind: 'used', amount: amountIn(here, unit, kept.lot.unit, density) ?? 0 });
    }
    return taken;
  });
}

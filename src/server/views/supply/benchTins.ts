import type { BenchTins, Step } from '../../../contract/index.ts';
import { atOwnRatio } from '../../../core/mix/index.ts';
import { inOrderOfUse, perLitreOfPaint } from '../../../core/supply/index.ts';
import { QuantityError } from '../../../core/units/index.ts';
import { t } from '../../../words.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import { colourFits, inStock } from '../../memory/inStock.ts';
import { ageOf, type StockReading, type TradeReading } from '../../memory/stockReading.ts';
import type { KnownProduct, ProductCatalogue } from '../../rows/products.ts';

/** A shortage below what a scale shows, in l or kg. */
const TRIFLE = 1e-3;

/**
 * What one litre of paint takes of each part, at the step's own ratio where it has one; null: a sheet that has changed since, or
 * leaves something out, no longer says.
 */
function mixOf({ ownRatio }: Step, { parts, ratioBy }: KnownProduct['sheet']) {
  try {
    return perLitreOfPaint(ownRatio ? atOwnRatio(parts, ownRatio.parts) : parts, ratioBy);
  } catch (error) {
    if (!(error instanceof QuantityError)) throw error;
    return null;
  }
}

/** Every tin of the product, in the order in which they are to be used. */
function lotsAtHand(
  { product, colour }: { product: KnownProduct; colour: string },
  { stock, catalogue, now }: { stock: StockReading; catalogue: ProductCatalogue; now: number },
): BenchTins['lots'] {
  const { sheet } = product;
  const all = (stock.byProduct.get(product.id) ?? []).map((each) => ({ each, age: ageOf(each, catalogue, now) })); // biome-ignore format: one line
  const [first] = sheet.parts;
  const order = inOrderOfUse(
    all.map(({ each, age }) => ({ ...each.stock, id: each.lot.id, endsMs: age.endsMs, usable: age.usable })),
  );
  return order.flatMap(({ id }) => {
    const found = all.find(({ each }) => each.lot.id === id);
    if (!found) return [];
    const { lot, stock: held } = found.each;
    const { endsMs, notes } = found.age;
    return {
      lotId: lot.id,
      part: lot.part,
      code: lot.code,
      colour: lot.colour,
      unit: lot.unit,
      inTin: held.inTin,
      isOpened: held.openedMs !== null,
      endsOn: endsMs === null ? null : new Date(endsMs).toISOString(),
      keptOut: notes.filter(({ keepsOut }) => keepsOut).map(({ text }) => text),
      otherColour: lot.part === first?.name && !colourFits(lot.colour, colour, sheet),
    };
  });
}

/**
 * What the tins give for the coat in hand, and how far it reaches; null: the stock keeps nothing of this product, or what it is
 * mixed of cannot be said.
 */
export function benchTins(
  of: {
    state: AreaSnapshot;
    step: Step;
    product: KnownProduct;
    colour: string;
    litres: number;
    areaM2: number;
  },
  from: { stock: StockReading; trade: TradeReading; catalogue: ProductCatalogue; now: number },
  names: ReadonlyMap<string, string>,
): BenchTins | null {
  const { state, step, product, colour, litres } = of;
  const { sheet } = product;
  if ((from.stock.byProduct.get(product.id) ?? []).length === 0) return null;
  const mix = mixOf(step, sheet);
  if (mix === null) return null;
  const { unit, perLitre } = mix;
  const keptElsewhere: BenchTins['keptElsewhere'] = [];
  const parts = sheet.parts.map(({ name }, i) => {
    const part = { productId: product.id, part: name, colour: i === 0 ? colour : null, unit };
    const { there, keptBy } = inStock(part, from);
    for (const [areaId, amount] of keptBy)
      if (areaId !== state.area.id)
        keptElsewhere.push({
          areaName: names.get(areaId) ?? t`another area`,
          part: name,
          amount,
          unit,
        });
    return {
      part: name,
      unit,
      there,
      keptHere: keptBy.get(state.area.id) ?? 0,
      wanted: litres * (perLitre[i] as number),
    };
  });
  const reach = parts.map(({ there, keptHere }, i) => (there + keptHere) / (perLitre[i] as number));
  const reachLitres = Math.min(...reach);
  const scarce = parts[reach.indexOf(reachLitres)];
  const short = parts.some(({ there, keptHere, wanted }) => wanted - there - keptHere > TRIFLE);
  return {
    parts,
    lots: lotsAtHand(of, from),
    reachLitres,
    reachM2: litres > 0 ? Math.min(of.areaM2, (of.areaM2 * reachLitres) / litres) : 0,
    limitedBy: short && parts.length > 1 ? (scarce?.part ?? null) : null,
    keptElsewhere,
  };
}

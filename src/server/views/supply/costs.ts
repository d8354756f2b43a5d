import type { CostLine, CostsView, SundryView, TradeSettings } from '../../../contract/index.ts';
import {
  billOf,
  cheapestPurchase,
  type Need,
  need,
  shareOut,
  timesRate,
} from '../../../core/supply/index.ts';
import { t } from '../../../words.ts';
import type { Context } from '../../context.ts';
import { plannedLinesOf, type YardLine } from '../../memory/needLines.ts';
import { batchesByCoat } from '../../rows/batchUses.ts';
import { theBoat } from '../../rows/boats.ts';
import { quoteOf } from '../../rows/trade.ts';
import { doneOf, ofBoat, shareDone } from './costParts.ts';
import { hoursOf, labourLine, putAwayHours, putAwayLines, yardLines } from './handsAndDays.ts';
import { readHeld } from './materials.ts';
import { packsOf, partKey } from './packs.ts';
import { costOfCoats, type PaintPaid, paintPaid } from './paid.ts';
import type { Held } from './partSupply.ts';
import { sundryViews } from './sundryWork.ts';
import { hullsOf } from './yardNeed.ts';

/** What a litre of each product comes to, and what is bought beyond the plan. */
interface ProductPrice {
  perLitre: number;
  /** What the whole set of packs costs, and the litres they hold beyond what is likely used. */
  set: number;
  beyond: number;
}

/** Each product of a plan bought by itself in the cheapest packs for its safe need; null: no pack or no price. */
function priceOf(productId: string, planned: Need, held: Held): ProductPrice | null {
  const product = held.catalogue.latest.get(productId);
  if (!product) return null;
  const colours = planned.colours.filter((each) => each.productId === productId);
  const parts = planned.parts.filter((each) => each.productId === productId);
  const packs = packsOf(
    product,
    colours.map(({ colour }) => colour),
    held.trade,
  );
  const bought = cheapestPurchase({
    need: parts.map(({ part, colour, safe }) => ({ part: partKey(productId, part, colour), litres: safe })),
    packs: packs.map((pack) => ({ ...pack, supplierId: null })),
    suppliers: [],
    effort: 'glance',
  });
  if (bought.uncovered.length > 0 || bought.buy.length === 0) return null;
  const litres = bought.buy.reduce((sum, { id, count }) => {
    const pack = packs.find((each) => each.id === id);
    return sum + (pack && pack.part === null ? pack.litres * count : 0);
  }, 0);
  const likely = colours.reduce((sum, each) => sum + each.likely, 0);
  const whole = Math.max(litres, likely);
  return { perLitre: bought.cost / whole, set: Math.round(bought.cost), beyond: whole - likely };
}

/** What a boat costs: planned, so far, and as it will have come to. @throws {Missing} */
export async function costsView(context: Context, boatId: string): Promise<CostsView> {
  const boat = await theBoat(context.db, boatId);
  const now = context.now();
  const held = await readHeld(context, now);
  const { settings } = held.trade;
  const quote = await quoteOf(context.db, boatId);
  const states = held.known.states.filter((state) => state.boat.id === boatId);
  const lines = states.flatMap((state) => plannedLinesOf(state, held.catalogue).lines);
  const planned = need({ lines: lines.map(({ line }) => line) });
  const paid = paintPaid(held.stock, states, await batchesByCoat(context.db, boatId));
  const prices = new Map(
    [...new Set(lines.map(({ line }) => line.productId))].map((id) => [id, priceOf(id, planned, held)]),
  );
  const paint = [...prices].flatMap(([id, price]) =>
    price ? paintLines(id, price, { lines, planned, held, paid }) : [],
  );
  const hulls = hullsOf(held.known);
  const labour = lines.map((each) => labourLine(each, settings, hulls));
  const share = shareDone(lines);
  const costs = [
    ...paint,
    ...thinnerLines(planned, settings, share),
    ...sundryLines(sundryViews({ lines, need: planned, hulls }, settings), share),
    ...labour,
    ...putAwayLines(lines, planned, settings, share),
    ...yardLines(states, quote.yardDays, settings, now),
  ].filter(({ planned: p, soFar, forecast }) => p !== 0 || soFar !== 0 || forecast !== 0);
  const total = (of: 'planned' | 'soFar' | 'forecast') => costs.reduce((sum, line) => sum + line[of], 0);
  return {
    boatId,
    boatName: boat.name,
    settings,
    quote,
    lines: costs,
    total: { planned: total('planned'), soFar: total('soFar'), forecast: total('forecast') },
    bill: billOf({
      lines: costs.map((line) => asked(line, settings)),
      taxRate: settings.taxRate,
      step: settings.roundingStep,
      currency: settings.currency,
    }),
    unpriced: [...prices].flatMap(([id, price]) =>
      price ? [] : [held.catalogue.latest.get(id)?.name ?? t`unknown product`],
    ),
    hours:
      lines.reduce((sum, each) => sum + hoursOf(each, settings, hulls), 0) + putAwayHours(lines, planned),
  };
}

/** What a customer is asked for a line: paint, thinner and sundries with the markup, the rest as it is. */
export function asked(line: CostLine, { markup, currency }: TradeSettings): number {
  const goods = line.kind !== 'labour' && line.kind !== 'yard';
  return goods ? timesRate(line.planned, 1 + markup, currency) : line.planned;
}

function paintLines(
  productId: string,
  { perLitre, set, beyond }: ProductPrice,
  of: { lines: readonly YardLine[]; planned: Need; held: Held; paid: PaintPaid },
): CostLine[] {
  const { lines, planned, held, paid } = of;
  const { currency } = held.trade.settings;
  const own = lines.filter(({ line }) => line.productId === productId);
  const name = held.catalogue.latest.get(productId)?.name ?? t`unknown product`;
  const litresOf = new Map(planned.colours.flatMap((each) => each.lines).map(({ lineId }) => [lineId, 0]));
  for (const { lines: all } of planned.colours)
    for (const { lineId, litres } of all) litresOf.set(lineId, (litresOf.get(lineId) ?? 0) + litres);
  const shares = shareOut(set, [...own.map(({ line }) => litresOf.get(line.id) ?? 0), beyond], currency);
  const made = own.map(({ line, state, step }, i): CostLine => {
    const done = doneOf(state, step.id);
    const soFar = costOfCoats(done, paid, perLitre);
    const whole = line.coats.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    const covered = Math.min(
      whole,
      done.reduce((sum, { areaM2 }) => sum + areaM2, 0),
    );
    const left = whole > 0 ? (litresOf.get(line.id) ?? 0) * (1 - covered / whole) : 0;
    return {
      areaId: state.area.id,
      areaName: state.area.name,
      stepId: step.id,
      what: name,
      kind: 'paint',
      planned: shares[i] as number,
      soFar: Math.round(soFar),
      forecast: Math.round(soFar + left * perLitre),
    };
  });
  const waste = shares.at(-1) as number;
  return [
    ...made,
    {
      areaId: null,
      areaName: '',
      stepId: null,
      what: t`${name}, leftover`,
      kind: 'waste',
      planned: waste,
      soFar: 0,
      forecast: waste,
    },
  ];
}

function thinnerLines(planned: Need, settings: TradeSettings, share: number): CostLine[] {
  const price = settings.thinnerPerLitre;
  if (price === null) return [];
  const litres = planned.liquids.reduce((sum, { likely }) => sum + likely, 0);
  return [ofBoat(t`Thinner and cleaning`, 'thinner', Math.round(litres * price), share)];
}

const sundryLines = (views: readonly SundryView[], share: number): CostLine[] =>
  views.flatMap(({ name, cost }) => (cost === null ? [] : [ofBoat(name, 'sundries', cost, share)]));

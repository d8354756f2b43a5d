import type { CostLine, CostsView, SundryView, TradeSettings } from '../../../contract/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import {
  billOf,
  cheapestPurchase,
  labourHours,
  type Need,
  need,
  shareOut,
  type TimedWork,
  timesRate,
} from '../../../core/supply/index.ts';
import { sandedBefore } from '../../../core/system/index.ts';
import type { Context } from '../../context.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import { plannedLinesOf, type YardLine } from '../../memory/needLines.ts';
import { theBoat } from '../../rows/boats.ts';
import { quoteOf } from '../../rows/trade.ts';
import { readHeld } from './materials.ts';
import { packsOf, partKey } from './packs.ts';
import type { Held } from './partSupply.ts';
import { sundryViews } from './sundryWork.ts';

const DAY_MS = 24 * HOUR_MS;

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

/** Hours of hands that a step takes on an area. */
function hoursOf({ line, step }: YardLine): number {
  const work: TimedWork[] = step.before.flatMap(({ kind }) => (kind === 'wait' ? [] : [kind]));
  const areaM2 = Math.max(0, ...line.coats.map((coat) => coat.areaM2));
  const between = line.coats.filter(({ no }) => sandedBefore(step, no) !== null).map((): TimedWork => 'sand');
  // Putting away is of a session, and several areas share one.
  return labourHours({
    areaM2,
    coats: line.coats.length,
    method: step.method,
    work: [...work, ...between],
    sessions: 0,
  });
}

const doneOf = (state: AreaSnapshot, stepId: string) => state.coats.filter((coat) => coat.stepId === stepId);

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
  const prices = new Map(
    [...new Set(lines.map(({ line }) => line.productId))].map((id) => [id, priceOf(id, planned, held)]),
  );
  const paint = [...prices].flatMap(([id, price]) =>
    price ? paintLines(id, price, { lines, planned, held }) : [],
  );
  const labour = lines.map((each) => labourLine(each, settings));
  const share = shareDone(lines);
  const costs = [
    ...paint,
    ...thinnerLines(planned, settings, share),
    ...sundryLines(sundryViews({ lines, need: planned }, settings), share),
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
      price ? [] : [held.catalogue.latest.get(id)?.name ?? 'unknown product'],
    ),
    hours: lines.reduce((sum, each) => sum + hoursOf(each), 0) + putAwayHours(lines, planned),
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
  of: { lines: readonly YardLine[]; planned: Need; held: Held },
): CostLine[] {
  const { lines, planned, held } = of;
  const { currency } = held.trade.settings;
  const own = lines.filter(({ line }) => line.productId === productId);
  const name = held.catalogue.latest.get(productId)?.name ?? 'unknown product';
  const litresOf = new Map(planned.colours.flatMap((each) => each.lines).map(({ lineId }) => [lineId, 0]));
  for (const { lines: all } of planned.colours)
    for (const { lineId, litres } of all) litresOf.set(lineId, (litresOf.get(lineId) ?? 0) + litres);
  const shares = shareOut(set, [...own.map(({ line }) => litresOf.get(line.id) ?? 0), beyond], currency);
  const made = own.map(({ line, state, step }, i): CostLine => {
    const done = doneOf(state, step.id);
    const used = done.reduce((sum, { body }) => sum + body.litres, 0);
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
      soFar: Math.round(used * perLitre),
      forecast: Math.round((used + left) * perLitre),
    };
  });
  const waste = shares.at(-1) as number;
  return [
    ...made,
    {
      areaId: null,
      areaName: '',
      stepId: null,
      what: `${name}, left over`,
      kind: 'waste',
      planned: waste,
      soFar: 0,
      forecast: waste,
    },
  ];
}

/** Share of the coats that are on, by area. */
function shareDone(lines: readonly YardLine[]): number {
  let [done, all] = [0, 0];
  for (const { line, state, step } of lines) {
    const whole = line.coats.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    all += whole;
    done += Math.min(
      whole,
      doneOf(state, step.id).reduce((sum, { areaM2 }) => sum + areaM2, 0),
    );
  }
  return all > 0 ? done / all : 0;
}

const ofBoat = (what: string, kind: CostLine['kind'], planned: number, share: number): CostLine => ({
  areaId: null,
  areaName: '',
  stepId: null,
  what,
  kind,
  planned,
  soFar: Math.round(planned * share),
  forecast: planned,
});

function thinnerLines(planned: Need, settings: TradeSettings, share: number): CostLine[] {
  const price = settings.thinnerPerLitre;
  if (price === null) return [];
  const litres = planned.liquids.reduce((sum, { likely }) => sum + likely, 0);
  return [ofBoat('Thinner and cleaning', 'thinner', Math.round(litres * price), share)];
}

const sundryLines = (views: readonly SundryView[], share: number): CostLine[] =>
  views.flatMap(({ name, cost }) => (cost === null ? [] : [ofBoat(name, 'sundries', cost, share)]));

function labourLine(each: YardLine, { labourPerHour }: TradeSettings): CostLine {
  const { state, step, line } = each;
  const planned = Math.round(hoursOf(each) * labourPerHour);
  const whole = line.coats.reduce((sum, { areaM2 }) => sum + areaM2, 0);
  const done = Math.min(
    whole,
    doneOf(state, step.id).reduce((sum, { areaM2 }) => sum + areaM2, 0),
  );
  return {
    areaId: state.area.id,
    areaName: state.area.name,
    stepId: step.id,
    what: 'Work',
    kind: 'labour',
    planned,
    soFar: whole > 0 ? Math.round((planned * done) / whole) : 0,
    forecast: planned,
  };
}

/** Setting up, washing out and putting away, once a session whatever the areas. */
function putAwayHours(lines: readonly YardLine[], planned: Need): number {
  return planned.sessions.reduce((sum, { productId, sessions }) => {
    const method = lines.find(({ line }) => line.productId === productId)?.step.method ?? 'brush';
    const one = labourHours({ areaM2: 1, coats: 0, method, work: [], sessions: 1 });
    return sum + one * sessions;
  }, 0);
}

const putAwayLines = (
  lines: readonly YardLine[],
  planned: Need,
  { labourPerHour }: TradeSettings,
  share: number,
): CostLine[] => [
  ofBoat(
    'Setting up and putting away',
    'labour',
    Math.round(putAwayHours(lines, planned) * labourPerHour),
    share,
  ),
];

/** Days in the yard: as planned, those since her first coat, and the more of the two. */
function yardLines(
  states: readonly AreaSnapshot[],
  days: number,
  { yardDay }: TradeSettings,
  now: number,
): CostLine[] {
  const first = Math.min(...states.flatMap(({ coats }) => coats.map(({ fromMs }) => fromMs)));
  const gone = Number.isFinite(first) ? Math.ceil((now - first) / DAY_MS) : 0;
  const planned = Math.round(days * yardDay);
  // Without a plan of her days nobody knows which of those gone by are to be paid.
  const soFar = days > 0 ? Math.round(Math.min(gone, 3650) * yardDay) : 0;
  return [{ ...ofBoat('Days in the yard', 'yard', planned, 0), soFar, forecast: Math.max(planned, soFar) }];
}

import type { AreaClock, PartSupply, StoppedCoat } from '../../../contract/index.ts';
import { atOwnRatio } from '../../../core/mix/index.ts';
import {
  type NeedLine,
  type NeedSheet,
  type PartAmount,
  perLitreOfPaint,
} from '../../../core/supply/index.ts';
import { memoised, remembering } from '../../../core/units/index.ts';
import { inStock } from '../../memory/inStock.ts';
import { A_COAT_MS, coatAtMs, type YardLine } from '../../memory/needLines.ts';
import type { StockReading, TradeReading } from '../../memory/stockReading.ts';
import type { ProductCatalogue } from '../../rows/products.ts';
import type { YardNeed } from './yardNeed.ts';

/** One coat that takes of a part, and when. */
export interface Taking {
  of: YardLine;
  no: number;
  atMs: number | null;
  amount: number;
}

/** What a need is held against. */
export interface Held {
  stock: StockReading;
  trade: TradeReading;
  catalogue: ProductCatalogue;
  clocks: ReadonlyMap<string, AreaClock>;
  now: number;
  /** The snapshot that the values belong to. */
  snapshot: object;
}

/** Less than this short is no shortage: a scale shows no less, in l or kg. */
export const TRIFLE = 1e-4;

const perLitreOfSheet = memoised(
  (sheet: NeedSheet): readonly number[] => perLitreOfPaint(sheet.parts, sheet.ratioBy).perLitre,
);

/** Of each part what a litre of the paint takes; by the sheet worked out once, by an own ratio for its line. */
const perLitreOf = ({ sheet, ownParts }: NeedLine): readonly number[] =>
  ownParts
    ? perLitreOfPaint(atOwnRatio(sheet.parts, ownParts), sheet.ratioBy).perLitre
    : perLitreOfSheet(sheet);

/** The coats of one line that take of a part, one after another. */
export function takingsOf(part: PartAmount, of: YardLine, { own }: YardNeed, held: Held): Taking[] {
  const { line, state } = of;
  const i = line.sheet.parts.findIndex(({ name }) => name === part.part);
  const share = perLitreOf(line)[i] ?? 0;
  const scale = part.likely > 0 ? part.safe / part.likely : 1;
  const first = coatAtMs(held.clocks.get(state.area.id), of.coatsBefore, held.now);
  return (own.get(line.id)?.coats ?? []).flatMap((coat, k) =>
    part.colour === null || coat.colour === part.colour
      ? [
          {
            of,
            no: coat.no,
            atMs: first === null ? null : first + k * A_COAT_MS,
            amount: coat.litres * share * scale,
          },
        ]
      : [],
  );
}

export const timeOf = ({ atMs }: Taking) => atMs ?? Number.MAX_VALUE;

/** The coat at which so much of a part gives out, in the order in which coats could go on; a patch's own is its own. */
function firstStopped(
  takings: readonly Taking[],
  free: number,
  keptBy: ReadonlyMap<string, number>,
): Taking | null {
  const keptLeft = new Map(keptBy);
  let left = free;
  for (const taking of [...takings].sort((a, b) => timeOf(a) - timeOf(b))) {
    const { id } = taking.of.state.area;
    const kept = Math.min(taking.amount, keptLeft.get(id) ?? 0);
    if (kept > 0) keptLeft.set(id, (keptLeft.get(id) ?? 0) - kept);
    left -= taking.amount - kept;
    if (left < -TRIFLE) return taking;
  }
  return null;
}

const stopped = ({ of: { state, step }, no, atMs }: Taking): StoppedCoat => ({
  boatId: state.boat.id,
  boatName: state.boat.name,
  areaId: state.area.id,
  areaName: state.area.name,
  stepId: step.id,
  coat: no + 1,
  at: atMs === null ? null : new Date(atMs).toISOString(),
});

/** Within so long what is asked for one after another is answered from one reckoning. */
const SAME_FOR_MS = 60_000;
const kept = remembering<ReadonlyMap<PartAmount, PartSupply>>();

/** Every part of a need held against the stock. */
export const partSupplies = (needed: YardNeed, held: Held): ReadonlyMap<PartAmount, PartSupply> =>
  kept(
    needed,
    [held.snapshot, Math.floor(held.now / SAME_FOR_MS)],
    () => new Map(needed.need.parts.map((part) => [part, partSupply(part, needed, held)])),
  );

/** A part of the need held against the stock: what is short, and which coat that stops first. */
function partSupply(part: PartAmount, needed: YardNeed, held: Held): PartSupply {
  const { productId, ...asked } = part;
  const { keptBy, lots: _l, ...stock } = inStock(part, held);
  const lines = needed.byProduct.get(productId) ?? [];
  // A keep-back serves its own patch and no other, and no more than the patch takes.
  const keptForThese = [...keptBy].reduce((sum, [areaId, kept]) => {
    const own = lines.filter(({ state }) => state.area.id === areaId);
    const taken = own.flatMap((of) => takingsOf(part, of, needed, held));
    return (
      sum +
      Math.min(
        kept,
        taken.reduce((all, { amount }) => all + amount, 0),
      )
    );
  }, 0);
  const missing = (wanted: number) => {
    const short = wanted - stock.there - stock.ordered - keptForThese;
    return short > TRIFLE ? short : 0;
  };
  const short = missing(part.safe);
  const first =
    short > 0
      ? firstStopped(
          lines.flatMap((of) => takingsOf(part, of, needed, held)),
          stock.there + stock.ordered,
          keptBy,
        )
      : null;
  return {
    ...asked,
    ...stock,
    keptForThese,
    short,
    shortLikely: missing(part.likely),
    stops: first ? stopped(first) : null,
  };
}

/** When the first coat of a product could go on; null: nobody knows. */
export function firstCoatMs(productId: string, { byProduct }: YardNeed, held: Held): number | null {
  const times = (byProduct.get(productId) ?? []).flatMap(({ state, coatsBefore }) => {
    const at = coatAtMs(held.clocks.get(state.area.id), coatsBefore, held.now);
    return at === null ? [] : [at];
  });
  return times.length > 0 ? Math.min(...times) : null;
}

import type { AreaClock, PartSupply, StoppedCoat } from '../../../contract/index.ts';
import { atOwnRatio } from '../../../core/mix/index.ts';
import { type PartAmount, perLitreOfPaint } from '../../../core/supply/index.ts';
import { inStore } from '../../memory/inStore.ts';
import { coatAtMs, type YardLine } from '../../memory/needLines.ts';
import type { StoreReading, TradeReading } from '../../memory/storeReading.ts';
import type { ProductCatalogue } from '../../rows/products.ts';
import type { YardNeed } from './yardNeed.ts';

/** One coat that takes of a part, and when. */
interface Taking {
  of: YardLine;
  no: number;
  atMs: number | null;
  amount: number;
}

/** What a need is held against. */
export interface Held {
  store: StoreReading;
  trade: TradeReading;
  catalogue: ProductCatalogue;
  clocks: ReadonlyMap<string, AreaClock>;
  now: number;
}

/** Less than this short is no shortage: a scale shows no less, in l or kg. */
const TRIFLE = 1e-4;

/** The coats that take of a part, in the order in which they could go on. */
function takings(part: PartAmount, { byProduct, own }: YardNeed, held: Held): Taking[] {
  const scale = part.likely > 0 ? part.safe / part.likely : 1;
  const all = (byProduct.get(part.productId) ?? []).flatMap((of): Taking[] => {
    const { line, state } = of;
    const i = line.sheet.parts.findIndex(({ name }) => name === part.part);
    const mix = line.ownParts ? atOwnRatio(line.sheet.parts, line.ownParts) : line.sheet.parts;
    const share = perLitreOfPaint(mix, line.sheet.ratioBy).perLitre[i] ?? 0;
    const clock = held.clocks.get(state.area.id);
    return (own.get(line.id)?.coats ?? []).flatMap((coat, k) =>
      part.colour === null || coat.colour === part.colour
        ? [
            {
              of,
              no: coat.no,
              atMs: coatAtMs(clock, of.coatsBefore + k, held.now),
              amount: coat.litres * share * scale,
            },
          ]
        : [],
    );
  });
  const time = ({ atMs }: Taking) => atMs ?? Number.MAX_VALUE;
  return all.sort((a, b) => time(a) - time(b));
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

/** A part of the need held against the store: what is short, and which coat that stops first. */
export function partSupply(part: PartAmount, needed: YardNeed, held: Held): PartSupply {
  const { productId: _, ...asked } = part;
  const { keptBy, lots: _l, ...store } = inStore(part, held);
  const all = takings(part, needed, held);
  // A keep-back serves its own patch and no other, and no more than the patch takes.
  const keptLeft = new Map(keptBy);
  let [free, keptForThese] = [store.there + store.ordered, 0];
  let first: Taking | null = null;
  for (const taking of all) {
    const { id } = taking.of.state.area;
    const kept = Math.min(taking.amount, keptLeft.get(id) ?? 0);
    keptLeft.set(id, (keptLeft.get(id) ?? 0) - kept);
    keptForThese += kept;
    free -= taking.amount - kept;
    if (free < -TRIFLE) first ??= taking;
  }
  const missing = (wanted: number) => {
    const short = wanted - store.there - store.ordered - keptForThese;
    return short > TRIFLE ? short : 0;
  };
  const short = missing(part.safe);
  return {
    ...asked,
    ...store,
    keptForThese,
    short,
    shortLikely: missing(part.likely),
    stops: first && short > 0 ? stopped(first) : null,
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

import type {
  MaterialsQuery,
  MaterialsView,
  NeedLineView,
  PartSupply,
  ProductSupply,
} from '../../../contract/index.ts';
import { remembering } from '../../../core/units/index.ts';
import { t } from '../../../words.ts';
import type { Context } from '../../context.ts';
import type { TradeReading } from '../../memory/stockReading.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { firstCoatMs, type Held, partSupplies } from './partSupply.ts';
import { sundryViews } from './sundryWork.ts';
import { type YardNeed, yardNeed } from './yardNeed.ts';

/** Sums of a whole yard are given without their lines; of a boat, an area or a product with so many. */
const MOST_LINES = 200;

/** Everything the need is held against. */
export async function readHeld(
  { memory }: Pick<Context, 'memory'>,
  now: number,
): Promise<Held & { known: YardReading; trade: TradeReading }> {
  const known = await memory.at(now);
  const { stock, trade, catalogue } = known;
  const clocks = new Map(known.clocks.map((clock) => [clock.areaId, clock]));
  return { known, stock, trade, catalogue, clocks, now, snapshot: known.snapshot };
}

/** Answers to the same question within a minute are one. */
const SAME_FOR_MS = 60_000;
const kept = remembering<MaterialsView>(20);

/** Needs against stock, of the yard or a part of it. */
export async function materialsView(context: Context, query: MaterialsQuery): Promise<MaterialsView> {
  const now = context.now();
  const held = await readHeld(context, now);
  const question = [Math.floor(now / SAME_FOR_MS), query.boatId, query.areaId, query.productId];
  return kept(held.known.snapshot, question, () => materialsOf(held, query, now));
}

function materialsOf(
  held: Awaited<ReturnType<typeof readHeld>>,
  asked: MaterialsQuery,
  now: number,
): MaterialsView {
  const { settings } = held.trade;
  const needed = yardNeed(held.known, asked, settings.useLearned);
  const detailed = Object.keys(asked).length > 0;
  const products = [...needed.byProduct.keys()];
  return {
    now: new Date(now).toISOString(),
    currency: settings.currency,
    usesLearned: settings.useLearned,
    products: products
      .map((productId) => productSupply(productId, needed, held, detailed))
      .sort((a, b) => a.name.localeCompare(b.name)),
    sundries: sundryViews(needed, settings),
    unknown: needed.unknown.slice(0, MOST_LINES).map(({ state, productId, reason }) => ({
      areaId: state.area.id,
      areaName: state.area.name,
      boatId: state.boat.id,
      boatName: state.boat.name,
      productName: held.catalogue.latest.get(productId)?.name ?? t`unknown product`,
      reason,
    })),
  };
}

function productSupply(productId: string, needed: YardNeed, held: Held, detailed: boolean): ProductSupply {
  const of = <T extends { productId: string }>(all: readonly T[]) =>
    all.filter((each) => each.productId === productId);
  const supplies = partSupplies(needed, held);
  const bySheet = of(needed.bySheet.colours);
  const session = of(needed.need.sessions)[0];
  const liquid = of(needed.need.liquids)[0];
  const lines = needed.byProduct.get(productId) ?? [];
  const first = firstCoatMs(productId, needed, held);
  return {
    productId,
    name: held.catalogue.latest.get(productId)?.name ?? t`unknown product`,
    parts: of(needed.need.parts).map((part) => supplies.get(part) as PartSupply),
    colours: of(needed.need.colours).map(({ productId: _p, lines: _l, ...colour }) => {
      const plain = bySheet.find((each) => each.colour === colour.colour);
      return {
        ...colour,
        likelyBySheet: plain?.likely ?? colour.likely,
        safeBySheet: plain?.safe ?? colour.safe,
      };
    }),
    sessions: session?.sessions ?? 0,
    leftInTools: session?.leftInTools ?? 0,
    thinner: liquid ? { name: liquid.name, thin: liquid.thin, clean: liquid.clean } : null,
    additives: of(needed.need.additives).map(({ productId: _, ...additive }) => additive),
    learned: [...needed.learned.values()].flatMap(({ key, ...rate }) => {
      const [id, method = '', surface = ''] = key.split(' ');
      return id === productId ? [{ ...rate, method, surface }] : [];
    }),
    firstAt: first === null ? null : new Date(first).toISOString(),
    lines: detailed ? lines.slice(0, MOST_LINES).map((each) => lineView(each, needed)) : [],
    moreLines: detailed ? Math.max(0, lines.length - MOST_LINES) : lines.length,
  };
}

function lineView(
  { line, state, step, way }: YardNeed['lines'][number],
  { own: all, factors }: YardNeed,
): NeedLineView {
  const own = all.get(line.id);
  const { area, boat } = state;
  return {
    id: line.id,
    boatId: boat.id,
    boatName: boat.name,
    areaId: area.id,
    areaName: area.name,
    stepId: step.id,
    method: line.method,
    route: own?.route ?? 'film',
    dryMicronsPerCoat: line.dryMicronsPerCoat,
    volumeSolids: line.sheet.volumeSolids,
    coverageM2PerL: line.sheet.coverageM2PerL,
    areaM2: Math.max(0, ...line.coats.map(({ areaM2 }) => areaM2)),
    spread: line.spread,
    way,
    lossLikely: own?.loss.likely ?? 0,
    lossUpper: own?.loss.upper ?? 0,
    litres: own?.litres ?? 0,
    coats: own?.coats ?? [],
    ownRatio: step.ownRatio,
    learned: factors.get(line.id) ?? null,
  };
}

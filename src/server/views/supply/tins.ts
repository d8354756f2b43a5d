import type { TinsView } from '../../../contract/index.ts';
import type { Context } from '../../context.ts';
import { lotsOf } from '../../memory/inStock.ts';
import type { KeptLot } from '../../memory/stockReading.ts';
import { poursOf } from '../../memory/takings.ts';
import { batchesOfProduct } from '../../rows/log.ts';
import { theProduct } from '../../rows/products.ts';
import { readHeld } from './materials.ts';
import { yardNeed } from './yardNeed.ts';

/**
 * What a lot would hold had the batches in question not been mixed from it since a moment. What others took stays taken: a
 * coat logged by itself, a batch in another colour that shares the hardener.
 */
function withoutBatches({ movements }: KeptLot, sinceMs: number, batchIds: ReadonlySet<string>): number {
  const sorted = [...movements].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
  let amount = 0;
  for (const { kind, amount: moved, atMs, entryId } of sorted) {
    const byOthers = entryId !== null && !batchIds.has(entryId);
    if (kind === 'counted' && atMs <= sinceMs) amount = moved;
    else if (kind === 'received' || kind === 'returned' || kind === 'released') amount += moved;
    else if (kind === 'used' && (atMs <= sinceMs || byOthers)) amount -= moved;
    else if (['lent', 'spilt', 'discarded', 'kept-back'].includes(kind)) amount -= moved;
  }
  return amount;
}

/** The last moment at which every part was counted; null: some part never was. */
function lastCountMs(parts: readonly (readonly KeptLot[])[]): number | null {
  const counts = parts.map((lots) =>
    Math.max(
      0,
      ...lots.flatMap(({ movements }) =>
        movements.filter(({ kind }) => kind === 'counted').map(({ atMs }) => atMs),
      ),
    ),
  );
  return counts.every((at) => at > 0) ? Math.min(...counts) : null;
}

/** What the tins of a product in one colour held and what the log took, to be held against what is left. @throws {Missing} */
export async function tinsView(context: Context, productId: string, colour?: string): Promise<TinsView> {
  const product = await theProduct(context.db, productId);
  const now = context.now();
  const held = await readHeld(context, now);
  const { sheet } = product;
  const needed = yardNeed(held.known, { productId }, held.trade.settings.useLearned);
  const wanted = colour ?? needed.need.colours[0]?.colour ?? sheet.colours[0]?.name ?? '';
  const lots = sheet.parts.map(({ name }, i) =>
    lotsOf(held.stock, { productId, part: name, colour: i === 0 ? wanted : null, unit: 'l' }, sheet),
  );
  const sinceMs = lastCountMs(lots);
  const units = lots.map((own) => own[0]?.lot.unit ?? 'l');
  const states = new Map(held.known.states.map((state) => [state.area.id, state]));
  // Only what was poured from these tins: a kit in another colour shares no base with them.
  // Paint mixed from a patch’s cups was never in these tins.
  const ids = new Set(
    lots[0]?.flatMap(({ movements }) =>
      movements.flatMap(({ kind, entryId }) => (kind === 'used' && entryId ? [entryId] : [])),
    ),
  );
  const batches = (await batchesOfProduct(context.db, productId)).filter(
    ({ id, at }) => ids.has(id) && at.getTime() > (sinceMs ?? 0),
  );
  const batchIds = new Set(batches.map(({ id }) => id));
  const need = needed.need.colours.find((each) => each.colour === wanted);
  const firsts = lots.flat().flatMap(({ receivedMs }) => receivedMs ?? []);
  const since = sinceMs ?? (firsts.length > 0 ? Math.min(...firsts) : null);
  const own = needed.lines.find(
    ({ line, step }) => line.coats.some((coat) => coat.colour === wanted) && step.ownRatio,
  );
  return {
    productId,
    productName: product.name,
    colour: wanted,
    sheetVersion: product.version,
    parts: sheet.parts.map(({ name }, i) => {
      const own = (lots[i] ?? []).filter(({ lot }) => lot.unit === units[i]);
      return {
        name,
        unit: units[i] as 'l' | 'kg',
        start: own.reduce((sum, each) => sum + withoutBatches(each, sinceMs ?? 0, batchIds), 0),
        inTin: own.reduce((sum, { stock }) => sum + stock.inTin, 0),
        lots: own.map(({ lot, stock }) => ({ id: lot.id, inTin: stock.inTin })),
      };
    }),
    since: since === null ? null : new Date(since).toISOString(),
    batches: batches.map(({ id, at, areaId, body }) => {
      const state = states.get(areaId);
      const poured = poursOf(body, sheet);
      return {
        id,
        at: at.toISOString(),
        areaName: state?.area.name ?? '',
        boatName: state?.boat.name ?? '',
        poured: sheet.parts.map(({ name, densityKgPerL }, i) => {
          const pour = poured.find((each) => each.part === name);
          if (!pour) return 0;
          if (pour.unit === units[i] || densityKgPerL === null) return pour.amount;
          return units[i] === 'kg' ? pour.amount * densityKgPerL : pour.amount / densityKgPerL;
        }),
      };
    }),
    ownRatio: own?.step.ownRatio ?? batches.at(-1)?.body.ownRatio ?? null,
    ahead: { likely: need?.likely ?? 0, safe: need?.safe ?? 0 },
  };
}

import { v7 as uuidv7 } from 'uuid';
import type { ChangeSet, EntryInput } from '../../contract/index.ts';
import { colourOf } from '../../core/system/index.ts';
import type { Tx } from '../db/open.ts';
import { theArea } from '../rows/areas.ts';
import { insertMovement, productsTaken } from '../rows/lots.ts';
import { loadCatalogue } from '../rows/products.ts';
import { stepsByArea } from '../rows/stacks.ts';
import { readStock } from './stockReading.ts';
import { poursOf, poursOfCoat, takingsOf } from './takings.ts';

/** The colour that a coat of a step has; null: the step is gone, and any tin serves. */
async function colourFor(tx: Tx, areaId: string, stepId: string, coatNo: number): Promise<string | null> {
  const area = await theArea(tx, areaId);
  const stackOf = area.part?.sharesSystem ? area.part.areaId : area.id;
  const step = (await stepsByArea(tx, [stackOf])).get(stackOf)?.find(({ id }) => id === stepId);
  return step ? colourOf(step, coatNo) : null;
}

/**
 * Takes from the stock what a batch was poured from, or a coat that names no batch. To be called once the entry stands, so
 * that what the one it corrects had taken counts no more.
 */
export async function takeFromStock(tx: Tx, entry: EntryInput, now: number): Promise<ChangeSet> {
  const undone = entry.corrects === null ? [] : await productsTaken(tx, entry.corrects);
  const changes: ChangeSet = undone.map((productId) => ({ of: 'stock', productId }));
  const takes = entry.kind === 'batch' || (entry.kind === 'coat' && entry.body.batchIds.length === 0);
  if (!takes) return changes;
  const { productId, sheetVersion, stepId, coatNo } = entry.body;
  const stock = await readStock(tx, productId);
  if (stock.lots.length === 0) return changes;
  const catalogue = await loadCatalogue(tx);
  const sheet = catalogue.sheetOf(productId, sheetVersion);
  if (!sheet) return changes;
  const colour =
    entry.kind === 'coat' ? entry.body.colour : await colourFor(tx, entry.areaId, stepId, coatNo);
  const poured = entry.kind === 'batch' ? poursOf(entry.body, sheet) : poursOfCoat(entry.body, sheet);
  const confirmed = entry.kind === 'batch' ? (entry.body.lots ?? []).map(({ lotId }) => lotId) : [];
  const taken = takingsOf(
    poured,
    { productId, colour, areaId: entry.areaId, sheet, confirmed },
    { stock, catalogue, now },
  );
  for (const { lotId, kind, amount } of taken)
    await insertMovement(tx, {
      id: uuidv7(),
      lotId,
      kind,
      amount,
      at: entry.at,
      areaId: kind === 'kept-used' ? entry.areaId : null,
      note: '',
      corrects: null,
      recordedAt: new Date(now),
      entryId: entry.id,
      togetherId: null,
    });
  return taken.length > 0 ? [...changes, { of: 'stock', productId }] : changes;
}

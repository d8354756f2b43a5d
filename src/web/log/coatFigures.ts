import type { Area, CoatBody, Entry, LogView } from '../../contract/index.ts';
import { dryMicronsFromLitres } from '../../core/film/index.ts';
import { lossOf } from '../../core/system/index.ts';

/** Entries of one area, newest first. */
export function entriesOf(view: LogView, area: Area): Entry[] {
  return view.entries.filter((entry) => entry.areaId === area.id);
}

/** The mean dry film that the litres of a logged coat make, µm; null when the product is not known any more. */
export function filmByLitres(body: CoatBody, view: LogView): number | null {
  const product = view.products[body.productId];
  if (!product) return null;
  const { litres, areaM2, method } = body;
  return dryMicronsFromLitres({ litres, areaM2, volumeSolids: product.volumeSolids, loss: lossOf(method) });
}

/** Entries that count: neither corrected nor a strike. */
export const counts = (entry: Entry) => entry.correctedBy === null && entry.kind !== 'strike';

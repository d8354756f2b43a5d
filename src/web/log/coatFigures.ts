import type { Area, CoatBody, Entry, LogView } from '../../contract/index.ts';
import { dryMicronsFromLitres } from '../../core/film/index.ts';
import { lossOf } from '../../core/system/index.ts';

/** Entries of one area, newest first. */
export function entriesOf(view: LogView, area: Area): Entry[] {
  return view.entries.filter((entry) => entry.areaId === area.id);
}

/** Entries in which a word is said: of a product, a colour, a note, a kind of work. */
export function entriesWith(view: LogView, word: string): Entry[] {
  const wanted = word.trim().toLowerCase();
  return view.entries.filter((entry) => {
    const product = 'productId' in entry.body ? (view.products[entry.body.productId]?.name ?? '') : '';
    const said = [
      entry.kind,
      product,
      ...Object.values(entry.body).filter((each) => typeof each === 'string'),
    ];
    return said.join(' ').toLowerCase().includes(wanted);
  });
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

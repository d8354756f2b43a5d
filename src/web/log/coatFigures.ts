import type { Area, Entry, LogView } from '../../contract/index.ts';

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

/** Entries that count: neither corrected nor a strike. */
export const counts = (entry: Entry) => entry.correctedBy === null && entry.kind !== 'strike';

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
    const texts = [
      entry.kind,
      product,
      ...Object.values(entry.body).filter((each) => typeof each === 'string'),
    ];
    return texts.join(' ').toLowerCase().includes(wanted);
  });
}

/** Entries that count: neither corrected nor a strike. */
export const counts = (entry: Entry) => entry.correctedBy === null && entry.kind !== 'strike';

/** Coats on an area by the litres used: their number, litres, and the mean dry film, µm. */
export interface OnArea {
  coats: number;
  litres: number;
  microns: number;
}

/**
 * What the log says is on an area; what was taken off again is not. A coat logged in sessions is one coat. Its film is that of what it covered when it was
 * applied: cutting the area up later makes no film thicker. What a coat has not covered yet counts as nothing.
 *
 * @param areaM2 the area as it is now; null: not known, and every coat counts as whole
 */
export function onArea(
  entries: readonly Entry[],
  { films, removedAt }: Pick<LogView, 'films' | 'removedAt'>,
  areaM2: number | null,
): OnArea {
  const coats = new Map<string, { coveredM2: number; volume: number; litres: number }>();
  for (const entry of entries) {
    if (entry.kind !== 'coat' || !counts(entry) || removedAt[entry.id]) continue;
    const { stepId, coatNo, litres, areaM2: coveredM2 } = entry.body;
    const key = `${stepId} ${coatNo}`;
    const coat = coats.get(key) ?? { coveredM2: 0, volume: 0, litres: 0 };
    coats.set(key, {
      coveredM2: coat.coveredM2 + coveredM2,
      volume: coat.volume + (films[entry.id] ?? 0) * coveredM2,
      litres: coat.litres + litres,
    });
  }
  const all = [...coats.values()].filter(({ coveredM2 }) => coveredM2 > 0);
  return {
    coats: all.length,
    litres: all.reduce((sum, { litres }) => sum + litres, 0),
    microns: all.reduce(
      (sum, { coveredM2, volume }) =>
        sum + (volume / coveredM2) * (areaM2 === null ? 1 : Math.min(1, coveredM2 / areaM2)),
      0,
    ),
  };
}

/** Notes made while applying that are of no use once the coat is logged. A comb reading stays: it is evidence of the film. */
const isPassing = ({ kind, body }: Entry): boolean =>
  kind === 'session' || (kind === 'progress' && body.comb === null);

/** Entries in their order; notes without a reading that follow each other are one group. */
export function withNotesTogether(entries: readonly Entry[]): [Entry, ...Entry[]][] {
  const groups: [Entry, ...Entry[]][] = [];
  for (const entry of entries) {
    const last = groups.at(-1);
    if (last && isPassing(last[0]) && isPassing(entry)) last.push(entry);
    else groups.push([entry]);
  }
  return groups;
}

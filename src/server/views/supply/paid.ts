import type { StockReading } from '../../memory/stockReading.ts';

/** What a tin cost, by each entry of the log that took of it; null: of one of its tins nobody recorded what it cost. */
type Paid = ReadonlyMap<string, number | null>;

/** What each entry took of the stock, at what its tins were bought for; minor units, not rounded. */
function paidByEntry({ lots }: Pick<StockReading, 'lots'>): Paid {
  const paid = new Map<string, number | null>();
  for (const { lot, movements } of lots) {
    const received = movements.reduce((sum, { kind, amount }) => sum + (kind === 'received' ? amount : 0), 0);
    const each = lot.cost === null || received <= 0 ? null : lot.cost / received;
    for (const { entryId, amount } of movements) {
      if (entryId === null) continue;
      const before = paid.get(entryId);
      paid.set(entryId, before === null || each === null ? null : (before ?? 0) + amount * each);
    }
  }
  return paid;
}

interface UsedCoat {
  entryId: string;
  body: { litres: number };
}

/** What the stock knows of the coats of a boat. */
export interface PaintPaid {
  paid: Paid;
  /** The batches a coat was applied from. */
  batches: ReadonlyMap<string, readonly string[]>;
  /** Litres of all the coats applied from a batch: several may share one. */
  litres: ReadonlyMap<string, number>;
}

export function paintPaid(
  stock: Pick<StockReading, 'lots'>,
  states: readonly { coats: readonly UsedCoat[] }[],
  batches: ReadonlyMap<string, readonly string[]>,
): PaintPaid {
  const litres = new Map<string, number>();
  for (const { coats } of states)
    for (const { entryId, body } of coats)
      for (const id of batches.get(entryId) ?? []) litres.set(id, (litres.get(id) ?? 0) + body.litres);
  return { paid: paidByEntry(stock), batches, litres };
}

/**
 * What the paint of coats cost: by what their tins were bought for, or at a price a litre where the stock does not know.
 * A batch that several coats were applied from is shared between them by their litres.
 */
export function costOfCoats(coats: readonly UsedCoat[], of: PaintPaid, perLitre: number): number {
  return coats.reduce((sum, { entryId, body }) => {
    const own = of.paid.get(entryId);
    const known = (of.batches.get(entryId) ?? []).flatMap((id) => {
      const cost = of.paid.get(id);
      if (cost === undefined) return [];
      return [cost === null ? null : (cost * body.litres) / (of.litres.get(id) || body.litres)];
    });
    if (own !== undefined) known.push(own);
    const isPriced = known.length > 0 && known.every((cost) => cost !== null);
    return (
      sum + (isPriced ? known.reduce<number>((all, cost) => all + (cost ?? 0), 0) : body.litres * perLitre)
    );
  }, 0);
}

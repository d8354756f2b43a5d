import { moment, positive, within } from '../units/index.ts';

/** A lot that may be taken from. */
export interface OpenLot {
  id: string;
  inTin: number;
  openedMs: number | null;
  /** When its life ends; null: not stated. */
  endsMs: number | null;
  usable: boolean;
}

/** Nothing less is worth an entry of its own: a millionth of a litre. */
const TRIFLE = 1e-6;

/**
 * Lots in the order in which they are to be used: usable ones before others, opened before closed, and of these the one that ends
 * soonest.
 *
 * @throws {QuantityError} on a moment that cannot be
 */
export function inOrderOfUse<T extends Omit<OpenLot, 'inTin'>>(lots: readonly T[]): T[] {
  for (const { openedMs, endsMs } of lots) {
    if (openedMs !== null) moment('Date opened', openedMs);
    if (endsMs !== null) moment('end of shelf life', endsMs);
  }
  return [...lots].sort(
    (a, b) =>
      Number(b.usable) - Number(a.usable) ||
      Number(b.openedMs !== null) - Number(a.openedMs !== null) ||
      (a.endsMs ?? Number.MAX_VALUE) - (b.endsMs ?? Number.MAX_VALUE),
  );
}

/**
 * Which lots an amount was taken from, by {@link inOrderOfUse}. What no lot holds is taken from the last one all the same, so that its book goes below nothing and
 * shows that something was not logged.
 *
 * 1.2 from an opened tin of 0.5 and a closed one of 2: 0.5 and 0.7.
 *
 * @throws {QuantityError} on an amount that cannot be
 */
export function takeFrom(lots: readonly OpenLot[], amount: number): { lotId: string; amount: number }[] {
  let wanted = positive('Amount used', amount, 1e6);
  for (const { id, inTin } of lots) within(`stock of lot ${id}`, inTin, -1e6, 1e6);
  const order = inOrderOfUse(lots);
  const taken: { lotId: string; amount: number }[] = [];
  for (const { id, inTin } of order) {
    const here = Math.min(wanted, Math.max(0, inTin));
    if (here > TRIFLE) taken.push({ lotId: id, amount: here });
    wanted -= here;
    if (wanted <= TRIFLE) return taken;
  }
  const last = taken.at(-1) ?? (order[0] && { lotId: order[0].id, amount: 0 });
  if (!last) return [];
  return [...taken.filter((each) => each !== last), { lotId: last.lotId, amount: last.amount + wanted }];
}

/**
 * One figure read for several tins, shared tin by tin: the fullest keep what their book says, what is missing is missing from
 * the emptiest, and what is too much stands in the fullest.
 *
 * 2.3 read for tins of 2 and 0.5 in the book: 2 and 0.3.
 *
 * @throws {QuantityError} on an amount that cannot be
 */
export function sharedOut(
  tins: readonly { id: string; inTin: number }[],
  amount: number,
): { id: string; amount: number }[] {
  let left = within('Amount counted', amount, 0, 1e6);
  const shared = [...tins]
    .sort((a, b) => b.inTin - a.inTin)
    .map(({ id, inTin }) => {
      const here = Math.min(left, Math.max(0, within(`book of lot ${id}`, inTin, -1e6, 1e6)));
      left -= here;
      return { id, amount: here };
    });
  const [fullest] = shared;
  if (fullest) fullest.amount += left;
  return shared;
}

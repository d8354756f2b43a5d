import { moment, QuantityError, within } from '../units/index.ts';

/** Types of movement of a lot. Amounts are in the lot’s own unit, l or kg. */
export type MovementKind =
  | 'received'
  | 'opened'
  | 'used'
  /** The amount found in the tin, even if it differs from the expected amount. */
  | 'counted'
  /** Set apart unmixed in closed cups, for a patch that comes later. */
  | 'kept-back'
  /** Mixed from what was kept back. */
  | 'kept-used'
  /** Back into the tin: no longer kept for the patch. */
  | 'released'
  | 'lent'
  | 'returned'
  | 'spilt'
  | 'discarded';

export interface Movement {
  id: string;
  kind: MovementKind;
  /** 0 or more; of a count what was found, of an opening nothing. */
  amount: number;
  atMs: number;
}

/** What each kind does to the tin and to the cups that are kept back. */
const EFFECT: Record<Exclude<MovementKind, 'counted'>, { tin: number; kept: number }> = {
  received: { tin: 1, kept: 0 },
  returned: { tin: 1, kept: 0 },
  opened: { tin: 0, kept: 0 },
  used: { tin: -1, kept: 0 },
  lent: { tin: -1, kept: 0 },
  spilt: { tin: -1, kept: 0 },
  discarded: { tin: -1, kept: 0 },
  'kept-back': { tin: -1, kept: 1 },
  'kept-used': { tin: 0, kept: -1 },
  released: { tin: 1, kept: -1 },
};
export const MOVEMENT_KINDS = [...Object.keys(EFFECT), 'counted'] as MovementKind[];

/** How a lot stands. */
export interface Stock {
  /** In the tin, free to be used. Below nothing: something was not logged. */
  inTin: number;
  /** In closed cups for a patch. */
  kept: number;
  openedMs: number | null;
  /** Counts that found another amount than the book had, oldest first. */
  differences: { movementId: string; atMs: number; expected: number; found: number }[];
  /** Since when the book has less than nothing in the tin; null: it has not. */
  belowNothingSinceMs: number | null;
}

/** What a scale or a dipstick cannot tell apart, in the lot's unit. */
const ALIKE = 1e-6;

/**
 * How a lot stands: the sum of its movements in the order in which they happened, independent of the order in which they were
 * told. A count puts in the book what was found, and the difference is kept in sight.
 *
 * Received 2.5, used 0.6, counted 1.7, used 0.2 → 1.5 in the tin; the count found 0.2 less than the book's 1.9.
 *
 * @throws {QuantityError} on an amount or a moment that cannot be
 */
export function stockOf(movements: readonly Movement[]): Stock {
  for (const each of movements) check(each);
  return moved({ inTin: 0, kept: 0, openedMs: null, differences: [], belowNothingSinceMs: null }, movements);
}

/**
 * How a lot stands once more has happened to it than the stock knows of: {@link stockOf}, going on from there.
 *
 * 1.5 in the tin, then counted 1.2 → 1.2, and a difference of 0.3.
 *
 * @throws {QuantityError} on an amount or a moment that cannot be
 */
export function stockAfter(stock: Stock, movements: readonly Movement[]): Stock {
  within('Stock', stock.inTin, -1e6, 1e6);
  within('kept back', stock.kept, -1e6, 1e6);
  for (const each of movements) check(each);
  return moved({ ...stock, differences: [...stock.differences] }, movements);
}

function check({ id, kind, amount, atMs }: Movement): void {
  if (!MOVEMENT_KINDS.includes(kind))
    throw new QuantityError('movement type', kind, `one of ${MOVEMENT_KINDS.join(', ')}`);
  within(`amount of movement ${id}`, amount, 0, 1e6);
  moment(`time of movement ${id}`, atMs);
}

/** Changes the stock given. */
function moved(stock: Stock, movements: readonly Movement[]): Stock {
  for (const { id, kind, amount, atMs } of [...movements].sort(inTime)) {
    if (kind === 'opened') stock.openedMs ??= atMs;
    if (kind === 'counted') {
      if (Math.abs(amount - stock.inTin) > ALIKE)
        stock.differences.push({ movementId: id, atMs, expected: stock.inTin, found: amount });
      stock.inTin = amount;
    } else {
      stock.inTin += amount * EFFECT[kind].tin;
      stock.kept += amount * EFFECT[kind].kept;
    }
    if (stock.inTin >= -ALIKE) stock.belowNothingSinceMs = null;
    else stock.belowNothingSinceMs ??= atMs;
  }
  return stock;
}

const inTime = (a: Movement, b: Movement) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1);

/** A spoonful that a coat misses is none, l [M]. */
const SPOONFUL_L = 0.005;

/**
 * Whether the stock runs out before a coat is finished: 4.2 l in stock, 4.3 l still needed → true.
 *
 * @param reachLitres mixed paint that the tins give, l
 * @param wantedLitres mixed paint that the coat still takes, l
 * @throws {QuantityError} on an amount that cannot be
 */
export const endsBeforeCoat = (input: { reachLitres: number; wantedLitres: number }): boolean =>
  within('mixed paint in the tins (l)', input.reachLitres, -1e6, 1e6) <
  within('mixed paint still wanted (l)', input.wantedLitres, 0, 1e6) - SPOONFUL_L;

import { useQuery } from '@tanstack/react-query';
import type { LotView, MovementInput, MovementsInput, StockView } from '../../contract/index.ts';
import { type Movement, type Stock, stockAfter } from '../../core/supply/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import { api } from '../api/client.ts';
import { useOverlaid } from '../api/overlaid.ts';
import type { Waiting } from '../api/queue.ts';

/** The stock, with what waits on this device included: a tin counted here stands as counted here. */
export const useStock = () =>
  useOverlaid(
    useQuery({ queryKey: ['stock'], queryFn: () => api<StockView>('GET', '/lots') }),
    stockWithWaiting,
  );

/** Movements waitingMovements here that have not arrived yet. */
function movementsIn(waiting: readonly Waiting[]): MovementInput[] {
  return waiting.flatMap(({ refused, method, path, body }) => {
    if (refused !== null || method !== 'POST') return [];
    if (path === '/movements') return [body as MovementInput];
    return path === '/movements/together' ? (body as MovementsInput).movements : [];
  });
}

export function stockWithWaiting(view: StockView, waiting: readonly Waiting[]): StockView {
  const waitingMovements = movementsIn(waiting);
  return waitingMovements.length === 0
    ? view
    : { ...view, lots: view.lots.map((lot) => lotAfter(lot, waitingMovements)) };
}

const ms = (at: string | null) => (at === null ? null : Date.parse(at));
const iso = (at: number | null) => (at === null ? null : new Date(at).toISOString());

function lotAfter(lot: LotView, waitingMovements: readonly MovementInput[]): LotView {
  // One that takes another back is left to the server, which alone knows what that one was.
  const own = waitingMovements.flatMap(({ lotId, kind, corrects, id, amount, at }): Movement[] =>
    lotId === lot.id && kind !== 'void' && corrects === null
      ? [{ id, kind, amount, atMs: Date.parse(at) }]
      : [],
  );
  if (own.length === 0) return lot;
  const { openedAt, belowNothingSince, ...amounts } = lot.stock;
  const before: Stock = { ...amounts, openedMs: ms(openedAt), belowNothingSinceMs: ms(belowNothingSince), differences: [] }; // biome-ignore format: one line
  let after: Stock;
  try {
    after = stockAfter(before, own);
  } catch (error) {
    // What the server is about to refuse is not shown done.
    if (error instanceof QuantityError) return lot;
    throw error;
  }
  const found = after.differences.at(-1);
  return {
    ...lot,
    stock: {
      inTin: after.inTin,
      kept: after.kept,
      openedAt: iso(after.openedMs),
      belowNothingSince: iso(after.belowNothingSinceMs),
    },
    difference: found
      ? { at: new Date(found.atMs).toISOString(), expected: found.expected, found: found.found }
      : lot.difference,
  };
}

import { expect, it } from 'vitest';
import type { StockView } from '../../contract/index.ts';
import type { Waiting } from '../api/queue.ts';
import { stockWithWaiting } from './useStock.ts';

const AT = '2026-05-14T12:00:00.000Z';
const view = {
  now: AT,
  solventStore: null,
  lots: ['a', 'b'].map((id) => ({
    id,
    stock: { inTin: 1.9, kept: 0.1, openedAt: null, belowNothingSince: null },
    difference: null,
  })),
} as unknown as StockView;
const movement = (kind: string, amount: number, over: object = {}) => ({
  id: kind,
  lotId: 'a',
  kind,
  amount,
  at: AT,
  areaId: null,
  note: '',
  corrects: null,
  ...over,
});
const waiting = (path: string, body: object, refused: string | null = null) =>
  ({ seq: 1, method: 'POST', path, what: '', body, refused }) as unknown as Waiting;

it('a count made without a connection stands at its tin, what was refused or takes back does not', () => {
  const [a, b] = stockWithWaiting(view, [
    waiting('/movements/together', { id: 't', movements: [movement('counted', 1.7)] }),
    waiting('/movements', movement('spilt', 0.2, { at: '2026-05-14T12:05:00.000Z' })),
    waiting('/movements', movement('lent', 1), 'the lot was put away'),
    waiting('/movements', movement('void', 0, { corrects: 'x' })),
    waiting('/movements', movement('used', -1, { lotId: 'b' })),
  ]).lots;
  expect(a?.stock.inTin).toBeCloseTo(1.5, 9);
  expect(a?.difference).toEqual({ at: AT, expected: 1.9, found: 1.7 });
  expect(b).toBe(view.lots[1]);
});

import { expect, it } from 'vitest';
import { aProduct } from '../../../test/examples.ts';
import type { BenchView, Product } from '../../contract/index.ts';
import { againstIt } from './coatAgainst.ts';

const NOW = '2026-11-30T15:52:00.000Z';
const product: Product = { ...aProduct(), version: 1, archived: false };
const against = (code: string) =>
  againstIt(
    {
      view: {
        now: NOW,
        area: { surroundings: { kind: 'open' } },
        outlook: { failures: [{ at: '2026-11-30T16:15:00.000Z', code, value: 0, limit: 0 }] },
      } as unknown as BenchView,
      product,
      method: 'roller',
      typed: null,
      check: undefined,
      isNow: true,
    },
    'UTC',
    (value) => String(value),
  );

it('a coat finished before dark has nothing against it because the next one would not be; rain to come counts', () => {
  expect(against('too-dark')).toBeNull();
  expect(against('not-known')).toBeNull();
  expect(against('rain')).toMatch(/^16:15: /);
});

import fc from 'fast-check';
import { expect, it } from 'vitest';
import { overfull } from './index.ts';

it('says of every hour who is too many, as if each boat were put on its place by hand', () => {
  const stay = fc.record({
    id: fc.constantFrom('a', 'b', 'c', 'd'),
    fromMs: fc.nat(20),
    hours: fc.integer({ min: 1, max: 12 }),
  });
  fc.assert(
    fc.property(fc.array(stay, { maxLength: 8 }), fc.integer({ min: 0, max: 3 }), (made, places) => {
      const stays = made.map(({ hours, ...each }) => ({ ...each, untilMs: each.fromMs + hours }));
      const found = overfull({ stays, places });
      for (let hour = 0; hour < 34; hour++) {
        const there = [
          ...new Set(stays.filter((s) => s.fromMs <= hour && hour < s.untilMs).map(({ id }) => id)),
        ].sort();
        const crowds = found.filter(({ fromMs, untilMs }) => fromMs <= hour && hour < untilMs);
        expect(crowds.map(({ ids }) => ids)).toEqual(there.length > places ? [there] : []);
      }
    }),
  );
});

it('a boat that leaves makes room at that moment; one without a date stays for good', () => {
  const stays = [
    { id: 'leaves', fromMs: 0, untilMs: 5 },
    { id: 'comes', fromMs: 5, untilMs: Number.POSITIVE_INFINITY },
  ];
  expect(overfull({ stays, places: 1 })).toEqual([]);
  expect(overfull({ stays, places: 0 }).at(-1)).toEqual({
    fromMs: 5,
    untilMs: Number.POSITIVE_INFINITY,
    ids: ['comes'],
  });
  expect(() => overfull({ stays, places: -1 })).toThrow(
    'Number of places must be between 0 and 1000, but is -1',
  );
});

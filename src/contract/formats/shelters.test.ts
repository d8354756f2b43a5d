import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { Surroundings } from '../../core/air/index.ts';
import { type EarlierShelter, MOST_EARLIER_SHELTERS, shelteredSince } from './shelters.ts';

const iso = (minute: number) => new Date(Date.parse('2026-05-01T00:00Z') + minute * 60_000).toISOString();
const shelter = fc.constantFrom<Surroundings>(
  { kind: 'open' },
  { kind: 'shed' },
  { kind: 'heated', setPointC: 18 },
  { kind: 'heated', setPointC: 22 },
);

it('whatever is recorded in whatever order, at each minute stands what was recorded last for it', () => {
  fc.assert(
    fc.property(shelter, fc.array(fc.tuple(fc.nat(60), shelter), { maxLength: 12 }), (first, moves) => {
      // The world: one shelter a minute, each record laid over all minutes from its own on.
      const world = Array.from({ length: 62 }, () => first);
      let area = { surroundings: first, earlierShelters: [] as EarlierShelter[] };
      for (const [minute, to] of moves) {
        world.fill(to, minute);
        area = shelteredSince(area, iso(minute), to);
      }
      const recorded = world.map(
        (_, minute) =>
          area.earlierShelters.find(({ until }) => iso(minute) < until)?.surroundings ?? area.surroundings,
      );
      expect(recorded).toEqual(world);
      const ends = area.earlierShelters.map(({ until }) => until);
      expect(ends).toEqual([...new Set(ends)].sort());
    }),
  );
});

it('keeps the latest, as many as are taken back', () => {
  let area = { surroundings: { kind: 'open' } as Surroundings, earlierShelters: [] as EarlierShelter[] };
  for (let i = 1; i <= 60; i++) area = shelteredSince(area, iso(i), { kind: i % 2 ? 'shed' : 'open' });
  expect(area.earlierShelters).toHaveLength(MOST_EARLIER_SHELTERS);
  expect(area.earlierShelters.at(-1)?.until).toBe(iso(60));
});

import { expect, it } from 'vitest';
import { plannedInOneGo } from './index.ts';

const HOUR = 3_600_000;
const coat = (id: string, startH: number, hours: number) => ({
  id,
  startMs: startH * HOUR,
  applyMs: hours * HOUR,
});

it('coats that follow each other, or are applied side by side, are one go; a pause ends it', () => {
  const day = [coat('hull', 9, 1), coat('keel', 10, 0.4), coat('rudder', 9.5, 2.5), coat('deck', 12.5, 1)];
  // The rudder is done at 12:00: the deck begins half an hour after it.
  expect(plannedInOneGo(day, 'keel')).toEqual(['hull', 'rudder']);
  expect(plannedInOneGo(day, 'deck')).toEqual([]);
  // A plan begins what follows on its next half hour: 10:24 is 10:30.
  expect(plannedInOneGo([coat('keel', 10, 0.4), coat('deck', 10.5, 1)], 'deck')).toEqual(['keel']);
  expect(plannedInOneGo(day, 'mast')).toEqual([]);
  expect(() => plannedInOneGo([coat('hull', Number.NaN, 1)], 'hull')).toThrow(
    /Planned start must be a valid time/,
  );
});

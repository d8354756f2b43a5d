import { expect, it } from 'vitest';
import { SHED_FROM, shedHours, shedYard } from '../../../test/weatherYards.ts';
import { YardInWeather } from './yardInWeather.ts';

const HOUR = 3_600_000;
const SLOTS = 14 * 48;
/** Thursday, 07:00: the boat leaves its shed. */
const LEAVES = SHED_FROM + 72 * HOUR;

/** A barrier coat of 1½ h that bears dew after half of its 4 h at 20 °C, twice as long at 10 °C. */
function startsIn(kinds: ('shed' | 'open')[], rainsFromMs: number): number[] {
  const of = shedYard();
  const [surface] = of.surfaces;
  if (!surface) return [];
  const [first, last] = [kinds[0] ?? 'shed', kinds.at(-1) ?? 'shed'];
  const before = kinds.length > 1 ? { before: [{ surroundings: { kind: first }, untilMs: LEAVES }] } : {};
  const yard = { ...of, surfaces: [{ ...surface, surroundings: { kind: last }, ...before }] };
  const hours = shedHours(20).map((hour) => ({ ...hour, rainMm: hour.at >= rainsFromMs ? 2 : 0 }));
  const weather = new YardInWeather(yard, SLOTS).in(hours);
  const [area] = yard.yard.areas;
  const [coat] = area?.coats ?? [];
  if (!area || !coat) return [];
  return Array.from({ length: SLOTS }, (_, slot) => SHED_FROM + (slot * HOUR) / 2).filter((ms) =>
    weather.passes({ areaId: area.id, coat }, ms),
  );
}

it('a boat that leaves its shed into the rain gets no coat outside, and none in the shed that the rain would reach', () => {
  const always = startsIn(['shed'], LEAVES);
  const leaving = startsIn(['shed', 'open'], LEAVES);
  expect(leaving.length).toBeGreaterThan(20);
  expect(always).toEqual(expect.arrayContaining(leaving));
  // 1½ h to apply and, at the 2 to 12 °C of these days, at least 3½ h until it bears rain.
  expect(Math.max(...leaving)).toBeLessThanOrEqual(LEAVES - 5 * HOUR);
  expect(Math.max(...always)).toBeGreaterThan(LEAVES);
  // Two days before it leaves nothing is otherwise.
  const early = (all: number[]) => all.filter((ms) => ms < LEAVES - 48 * HOUR);
  expect(early(leaving)).toEqual(early(always));
});

it('a day after it has left in dry weather its hours are those of a boat that always stood outside, rain before it none of its', () => {
  const later = (all: number[]) => all.filter((ms) => ms > LEAVES + 24 * HOUR);
  const never = Number.POSITIVE_INFINITY;
  expect(later(startsIn(['shed', 'open'], never))).toEqual(later(startsIn(['open'], never)));
  expect(later(startsIn(['shed', 'open'], never)).length).toBeGreaterThan(20);
  // Into the shed from the rain: once dry, there are hours that the open never has.
  expect(startsIn(['open'], SHED_FROM)).toEqual([]);
  expect(startsIn(['open', 'shed'], SHED_FROM).length).toBeGreaterThan(20);
});

import { describe, expect, it } from 'vitest';
import { aClock } from '../../../test/aClock.ts';
import type { AreaClock } from '../../contract/index.ts';
import { dueNotices, isQuiet } from './windowNotices.ts';

const NOW = Date.parse('2026-05-14T10:00:00Z');
const clock = (state: AreaClock['state'], minutes: number, over: Partial<AreaClock> = {}) =>
  aClock({
    areaId: `${state} ${minutes}`,
    state,
    until: new Date(NOW + minutes * 60_000).toISOString(),
    ...over,
  });

describe('what is told before a window opens or closes', () => {
  it('what is near enough, by what happens; nothing that is past, far off or stands still', () => {
    const clocks = [
      clock('too-soon', 20),
      clock('open', 29),
      clock('thumb', 5),
      clock('open', 31),
      clock('too-soon', -1),
      clock('key-first', 10),
      clock('bare', 15, { primeBy: new Date(NOW + 15 * 60_000).toISOString() }),
    ];
    expect(dueNotices(clocks, NOW, 30).map(({ areaId, says }) => `${areaId} ${says}`)).toEqual([
      'too-soon 20 opens',
      'open 29 closes',
      'thumb 5 closes',
      'bare 15 closes',
    ]);
  });
  it('a forecast that moves it by minutes is no other notice; another day is', () => {
    const key = (minutes: number) =>
      dueNotices([{ ...clock('open', minutes), areaId: 'a' }], NOW, 6000)[0]?.key;
    expect(key(122)).toBe(key(125));
    expect(key(122)).not.toBe(key(122 + 24 * 60));
  });
  it('quiet hours may run over midnight; from and to alike there are none', () => {
    const night = { quietFrom: 21, quietTo: 7 };
    expect([20, 21, 23, 0, 6, 7].map((hour) => isQuiet(hour, night))).toEqual([
      false,
      true,
      true,
      true,
      true,
      false,
    ]);
    expect([11, 12, 13, 14].map((hour) => isQuiet(hour, { quietFrom: 12, quietTo: 14 }))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(isQuiet(3, { quietFrom: 3, quietTo: 3 })).toBe(false);
  });
});

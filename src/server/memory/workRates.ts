import { HOUR_MS } from '../../core/cure/index.ts';
import { type CoatTime, learnWorkRates, type WorkRate } from '../../core/film/index.ts';
import { memoised } from '../../core/units/index.ts';
import type { AreaSnapshot } from './areaStates.ts';

/** Longer than a working day on end: its end was not noted when it ended. */
const LONGEST_H = 16;

/** A coat on one area, with a key that it shares with those applied in one go with it. */
interface TimedCoat extends CoatTime {
  key: string;
}

/** How long the coats of an area took, where that is known; what was taken off again counts too. */
const timesOf = memoised(({ boat, coats, removed }: AreaSnapshot): TimedCoat[] =>
  [...coats, ...removed.map(({ coat }) => coat)].flatMap(({ body, fromMs }): TimedCoat[] => {
    const { method, areaM2, endedAt } = body;
    const hours = (Date.parse(endedAt) - fromMs) / HOUR_MS;
    if (!(hours > 0 && hours <= LONGEST_H && areaM2 > 0)) return [];
    return [{ key: [boat.id, body.productId, method, fromMs, endedAt].join(' '), method, areaM2, hours }];
  }),
);

/** How fast this yard applies coats, by method. Areas covered in one go, in the same hours, are one coat. */
export const workRatesIn: (states: readonly AreaSnapshot[]) => WorkRate[] = memoised(
  (states: readonly AreaSnapshot[]) => {
    const times = new Map<string, CoatTime>();
    for (const { key, ...coat } of states.flatMap((state) => timesOf(state)))
      times.set(key, { ...coat, areaM2: coat.areaM2 + (times.get(key)?.areaM2 ?? 0) });
    return learnWorkRates([...times.values()].filter(({ areaM2 }) => areaM2 <= 100_000));
  },
);

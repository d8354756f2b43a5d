import { HOUR_MS } from '../../core/cure/index.ts';
import { type CoatTime, learnWorkRates, type WorkRate } from '../../core/film/index.ts';
import { memoised } from '../../core/units/index.ts';
import type { AreaSnapshot } from './areaStates.ts';

/** Longer than a working day on end: its end was not noted when it ended. */
const LONGEST_H = 16;

/** How long the coats of an area took, where that is told; what was taken off again counts too. */
const timesOf = memoised(({ coats, removed }: AreaSnapshot): CoatTime[] =>
  [...coats, ...removed.map(({ coat }) => coat)].flatMap(({ body, fromMs }): CoatTime[] => {
    const hours = (Date.parse(body.endedAt) - fromMs) / HOUR_MS;
    if (!(hours > 0 && hours <= LONGEST_H && body.areaM2 > 0)) return [];
    return [{ method: body.method, areaM2: body.areaM2, hours }];
  }),
);

/** How fast this yard applies coats, by method; worked out once for as long as nothing changes. */
export const workRatesIn: (states: readonly AreaSnapshot[]) => WorkRate[] = memoised(
  (states: readonly AreaSnapshot[]) => learnWorkRates(states.flatMap((state) => timesOf(state))),
);

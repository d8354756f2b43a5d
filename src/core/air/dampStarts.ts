import { type BestStarts, bestStarts, passing } from './bestStarts.ts';
import { coatAir } from './coatAir.ts';

/** How far above the sheet's humidity a start may be, and by when it must have fallen to it [M]. */
export const DAMP = { overRh: 0.05, fallsWithinMs: 3_600_000 } as const;

/**
 * Starts while it is still damp but drying: humidity a little above the sheet's limit and falling, at it within the hour and
 * below it from then on, everything else as the sheet has it. A school of its own [T: one remedy seen to work for a gloss
 * that goes pebbly: it flows before it sets; handbook part 9], against the sheet, so never offered unasked.
 *
 * @throws {QuantityError} as {@link bestStarts}
 */
export function dampStarts(input: Parameters<typeof bestStarts>[0]): BestStarts {
  const { limits, fits } = input;
  const { rhMax } = limits;
  if (rhMax === null || rhMax === undefined) return { stretches: [], best: null };
  const air = coatAir(input);
  // By the sheet's own limits, each reading judged once for all starts.
  const { applies, becomesSafe } = passing(air);
  return bestStarts({
    ...input,
    limits: { ...limits, rhMax: Math.min(1, rhMax + DAMP.overRh) },
    fits: (coat) => {
      const dryMs = Math.min(coat.startMs + DAMP.fallsWithinMs, coat.safeMs);
      const [now, then] = [air.at(coat.startMs), air.at(dryMs)];
      if (!now || !then || now.rh <= rhMax || then.rh >= now.rh) return false;
      const endMs = Math.max(coat.endMs, dryMs);
      return applies(dryMs, endMs) && becomesSafe(endMs, coat.safeMs) && (fits?.(coat) ?? true);
    },
  });
}

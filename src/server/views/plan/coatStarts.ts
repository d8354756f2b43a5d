import type { AirConditionCode } from '../../../core/air/index.ts';
import type { CoatSpan } from '../../../core/cure/index.ts';
import type { Air } from '../../air/surfaces.ts';
import { coatUnder } from '../coatUnder.ts';
import type { StartsAsked } from './planCoats.ts';

/** When coats can begin by the air, over all the days of a plan: worked out in a thread of its own. */

/** What the thread is given: coats that are not alike, and the air over the yard. */
export interface StartsJob {
  air: Air;
  asked: readonly StartsAsked[];
  now: number;
  aheadMs: number;
}

/** A stretch in which a coat can begin, and what nobody gave of its weather. */
export interface PlanStart extends CoatSpan {
  conditions: readonly AirConditionCode[];
}

/** Of each coat the stretches in which it can begin; what was applied below it is not looked at. */
export const startsOfCoats = ({ air, asked, now, aheadMs }: StartsJob): PlanStart[][] =>
  asked.map(({ method, sheet, areaM2, pace, place }) => {
    const spans = [{ fromMs: now, toMs: Number.POSITIVE_INFINITY }];
    const coat = { step: { method }, sheet, areaM2, air, now, safeHours: null, pace, spans, aheadMs };
    const { stretches } = coatUnder(coat, place).starts();
    return stretches.map(({ fromMs, toMs, conditions }) => ({ fromMs, toMs, conditions }));
  });

import type { AirConditionCode, Surroundings } from '../../../core/air/index.ts';
import type { CoatSpan } from '../../../core/cure/index.ts';
import type { Air } from '../../air/surfaces.ts';
import { coatUnder } from '../coatUnder.ts';
import type { StartsRequest } from './planCoats.ts';

/** When coats can begin by the air, over all the days of a plan: worked out in a thread of its own. */

/** What the thread is given: coats that are not alike, and the air over the yard. */
export interface StartsJob {
  air: Air;
  requests: readonly StartsRequest[];
  now: number;
  aheadMs: number;
}

/** A stretch in which a coat can begin, and what nobody gave of its weather. */
export interface PlanStart extends CoatSpan {
  conditions: readonly AirConditionCode[];
}

const MINUTE_MS = 60_000;

/** The last start of a stretch after which a coat is safe from dew and rain by a moment; null: none. Later starts are never safe sooner. */
function lastSafe(
  { fromMs, toMs }: CoatSpan,
  safeAfter: (startMs: number) => number | null,
  byMs: number,
): number | null {
  const holds = (startMs: number) => (safeAfter(startMs) ?? Number.POSITIVE_INFINITY) <= byMs;
  if (!holds(fromMs)) return null;
  if (holds(toMs)) return toMs;
  let [low, high] = [0, Math.ceil((toMs - fromMs) / MINUTE_MS)];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (holds(fromMs + middle * MINUTE_MS)) low = middle;
    else high = middle;
  }
  return fromMs + low * MINUTE_MS;
}

/** Starts of a coat while its surface stands as it does between two moments: safe before it changes. */
function startsWhile(
  { air, now, aheadMs }: StartsJob,
  asked: StartsRequest,
  stage: { fromMs: number; untilMs: number; surroundings: Surroundings },
): PlanStart[] {
  const { method, sheet, areaM2, rateM2PerH, pace, place } = asked;
  const { fromMs, untilMs, surroundings } = stage;
  const spans = [{ fromMs, toMs: untilMs }];
  const coat = coatUnder(
    { step: { method }, sheet, areaM2, rateM2PerH, air, now, safeHours: null, pace, spans, aheadMs },
    { ...place, surroundings },
  );
  const { applyMs, safeAfter } = coat;
  return coat.starts().stretches.flatMap(({ fromMs: first, toMs, conditions }) => {
    if (untilMs === Number.POSITIVE_INFINITY) return [{ fromMs: first, toMs, conditions }];
    const last = lastSafe({ fromMs: first, toMs }, (startMs) => safeAfter(startMs + applyMs), untilMs);
    return last === null ? [] : [{ fromMs: first, toMs: last, conditions }];
  });
}

/** Of each coat the stretches in which it can begin; what was applied below it is not looked at. */
export const startsOfCoats = (job: StartsJob): PlanStart[][] =>
  job.requests.map((request) => {
    const { surroundings, before = [] } = request.place;
    const stages = [...before, { surroundings, untilMs: Number.POSITIVE_INFINITY }];
    return stages.flatMap(
      ({ untilMs, ...stage }, i) =>
      untilMs <= job.now ? [] : startsWhile(job, request, { ...stage, untilMs, fromMs: Math.max(job.now, stages[i - 1]?.untilMs ?? job.now) }), // biome-ignore format: one line
    );
  });

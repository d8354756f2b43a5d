import type { CoatOutlook, FailureView, StartView } from '../../contract/index.ts';
import { type BestStarts, judgeCoat, type StartStretch, wellClear } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import type { SurfacePlace } from '../air/surfaces.ts';
import { failureView } from './coatAirRecord.ts';
import { isIn } from './coatSpans.ts';
import { type CoatToApply, coatUnder } from './coatUnder.ts';
import { type AboutCoat, type Inside, otherPlacesFor, otherPlaceView } from './otherPlaceView.ts';

const at = (ms: number) => new Date(ms).toISOString();
const iso = (ms: number | null) => (ms === null ? null : at(ms));
export const bestView = ({ startMs, safeMs, tightest }: StartStretch['best']): StartView['best'] => ({
  start: at(startMs),
  safe: at(safeMs),
  tightest: tightest && { ...tightest, at: at(tightest.at) },
});

/**
 * Whether the coat, begun now, passes hour by hour until its last corner and on until it is safe from dew and rain; when it
 * may be started otherwise; and, where it does not pass now, what a cover or a heater would change.
 *
 * @param inside what a cover would hold: a heater, and what is wet in there
 * @param about the film below in other surroundings, and what comes after the coat
 * @returns null without weather data
 */
export function coatOutlook(
  coat: CoatToApply,
  place: SurfacePlace,
  inside: Inside,
  about: AboutCoat,
): CoatOutlook | null {
  const { now } = coat;
  if (coat.air.hours.length === 0) return null;
  const under = coatUnder(coat, place);
  const { applyMs, safeAfter, safeBy, airUntil, starts } = under;
  const endMs = now + applyMs;
  const safeMs = safeAfter(endMs);
  // Where it is never safe, as far as is known, every known hour is looked at.
  const untilMs = safeBy === null ? endMs : (safeMs ?? Number.POSITIVE_INFINITY);
  const verdict = judgeCoat({
    startMs: now,
    endMs,
    safeMs: safeBy === null ? endMs : safeMs,
    ...airUntil(untilMs + HOUR_MS),
  });
  const { stretches } = starts();
  const best = nearBest(stretches, { now, ...about }, starts);
  const ok = verdict.ok && safeBy !== null && isIn(coat.spans, now);
  // Of each reason its first moment now and its first to come: what is measured at the boat answers for now only.
  const first = new Map(
    verdict.failures.toReversed().map((failure) => [`${failure.code} ${failure.at === now}`, failure]),
  );
  return {
    start: at(now),
    end: at(endMs),
    safe: safeBy === null ? null : iso(safeMs),
    safeBy,
    ok,
    starts: stretches.map(({ fromMs, toMs, best: each, conditions }) => ({
      from: at(fromMs),
      to: at(toMs),
      // Of the nearest only: nobody reads why the starts of next week end.
      after: toMs - now < NEAR_MS ? metFirst(under, toMs + JUST_AFTER_MS) : null,
      conditions,
      best: bestView(each),
    })),
    best: best && bestView(best),
    otherPlaces:
      ok || safeBy === null
        ? []
        : otherPlacesFor(place.surroundings, inside).map((other) =>
            otherPlaceView(coat, place, other, inside, about),
          ),
    conditions: verdict.conditions.map(({ code, at: sinceMs, surface = null }) => ({
      code,
      at: at(sinceMs),
      surface,
    })),
    failures: [...first.values()].sort((a, b) => a.at - b.at).map(failureView),
  };
}

/**
 * The best start of the first day that has any: before the film below wants sanding where one passes by then, and the first with a
 * good margin on every limit before a later one with a wider margin.
 */
function nearBest(
  stretches: readonly StartStretch[],
  { now, freshUntilMs }: { now: number; freshUntilMs: number | null },
  starts: (toMs: number) => BestStarts,
): StartStretch['best'] | null {
  const [first] = stretches;
  if (!first) return null;
  const untilMs = Math.max(now, first.fromMs) + DAY_MS;
  const isAhead = freshUntilMs !== null && freshUntilMs > now && freshUntilMs < untilMs;
  const fresh = isAhead ? starts(freshUntilMs) : null;
  const { stretches: near, best } = fresh?.best ? fresh : starts(untilMs);
  const clear = near.find(({ best: { tightest } }) => tightest === null || wellClear(tightest));
  return clear?.best ?? best;
}

/** Ends of start periods are accurate to five minutes. */
const JUST_AFTER_MS = 360_000;
const NEAR_MS = 36 * HOUR_MS;
const DAY_MS = 24 * HOUR_MS;

/** What a coat begun then meets first; null: nothing, or what is not known. */
function metFirst(
  { applyMs, safeAfter, airUntil }: ReturnType<typeof coatUnder>,
  startMs: number,
): FailureView | null {
  const endMs = startMs + applyMs;
  const safeMs = safeAfter(endMs);
  const { failures } = judgeCoat({
    startMs,
    endMs,
    safeMs,
    ...airUntil((safeMs ?? Number.POSITIVE_INFINITY) + HOUR_MS),
  });
  const first = failures[0];
  return first && first.code !== 'not-known' ? failureView(first) : null;
}

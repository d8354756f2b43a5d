import type { CoatOutlook, FailureView, InsteadView, StartView } from '../../contract/index.ts';
import { type CoatFailure, judgeCoat, type StartStretch, type Surroundings } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import type { SurfacePlace } from '../air/surfaces.ts';
import { type CoatToApply, coatUnder } from './coatUnder.ts';

/** What a tent or a heated room would hold. */
export interface Inside {
  /** Set point of the heater, °C. */
  heatC: number;
  /** Water given off by washing, wet blasting or what dries after them, and the air it goes into. */
  litresPerH: number;
  roomM3: number;
}

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
 * @param inside what a cover would hold: a heater's set point, and what is wet in there
 * @returns null where no air is known
 */
export function coatOutlook(coat: CoatToApply, place: SurfacePlace, inside: Inside): CoatOutlook | null {
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
  const { stretches, best } = starts();
  const ok = verdict.ok && safeBy !== null;
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
    instead:
      ok || safeBy === null
        ? []
        : insteadOf(place.surroundings, inside.heatC).map((other) =>
            insteadView({ ...coat, inside }, { ...place, surroundings: other }),
          ),
    conditions: verdict.conditions.map(({ code, at: sinceMs }) => ({ code, at: at(sinceMs) })),
    failures: [...first.values()].sort((a, b) => a.at - b.at).map(failureView),
  };
}

const failureView = ({ at: failsMs, ...failure }: CoatFailure): FailureView => ({
  ...failure,
  at: at(failsMs),
});

/** Starts end to within five minutes: a little after them no start passes. */
const JUST_AFTER_MS = 360_000;
const NEAR_MS = 36 * HOUR_MS;

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

/** What could be done about the surroundings: a cover over what stands in the open, a heater under or without one. */
const insteadOf = (surroundings: Surroundings, heatC: number): Surroundings[] => [
  ...(surroundings.kind === 'open' || surroundings.kind === 'shaded' ? [{ kind: 'tent' } as const] : []),
  { kind: 'heated', setPointC: heatC },
];

/** From when the coat would pass there, and when it would be safe. */
function insteadView(coat: CoatToApply, place: SurfacePlace): InsteadView {
  const { surroundings } = place;
  const { applyMs, safeAfter, starts } = coatUnder(coat, place);
  const first = starts().stretches[0];
  if (!first) return { surroundings, start: null, safe: null };
  return { surroundings, start: at(first.fromMs), safe: iso(safeAfter(first.fromMs + applyMs)) };
}

import type { CoatOutlook, Step } from '../../contract/index.ts';
import { airAround, isUnderCover, judgeCoat, surfaceTemps } from '../../core/air/index.ts';
import { eventTime, HOUR_MS, type SplicedHour, safeEvent } from '../../core/cure/index.ts';
import { applyHours } from '../../core/film/index.ts';
import { limitsOf, type ProductSheet } from '../../core/system/index.ts';
import { tempsFor } from '../air/yardAir.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';

/** Air before the coat that says whether its surface is wet. */
const BEFORE_MS = 24 * HOUR_MS;

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());

/**
 * Whether the coat, begun now, passes hour by hour until its last corner and on until it is safe from dew and rain.
 *
 * @param safeHours hours until it is safe, told by hand where the sheet states none
 * @returns null where no air is known
 */
export function coatOutlook(input: {
  state: AreaSnapshot;
  step: Step;
  sheet: ProductSheet;
  areaM2: number;
  hours: readonly SplicedHour[];
  now: number;
  safeHours: number | null;
}): CoatOutlook | null {
  const { sheet, now, state, step } = input;
  const { surroundings } = state.area;
  if (input.hours.length === 0) return null;
  const endMs = now + applyHours(input.areaM2, step.method) * HOUR_MS;
  const stated = safeEvent(sheet.cure);
  const byHand = input.safeHours !== null && !stated ? endMs + input.safeHours * HOUR_MS : null;
  const safeMs = stated
    ? eventTime({
        curve: { points: stated.points, stopC: sheet.cure.stopC },
        temps: tempsFor(input.hours, surroundings),
        laidAt: endMs,
      }).at
    : byHand;
  const by = stated?.event ?? (byHand === null ? null : 'told');
  const temps = surfaceTemps(input.hours, surroundings);
  // Where it is never safe, as far as is known, every known hour is looked at.
  const untilMs = by === null ? endMs : (safeMs ?? Number.POSITIVE_INFINITY);
  const judged = input.hours.flatMap((hour, i) =>
    hour.at >= now - BEFORE_MS && hour.at <= untilMs + HOUR_MS
      ? [{ ...hour, ...airAround(hour, surroundings), surfaceC: temps[i] as number }]
      : [],
  );
  const verdict = judgeCoat({
    startMs: now,
    endMs,
    safeMs: by === null ? endMs : safeMs,
    hours: judged,
    surface: judged.map(({ at, surfaceC }) => ({ at, surfaceC, lowC: surfaceC, highC: surfaceC })),
    limits: limitsOf(sheet),
    underCover: isUnderCover(surroundings),
  });
  // Of each reason its first moment now and its first to come: what is measured at the boat answers for now only.
  const first = new Map(
    verdict.failures.toReversed().map((failure) => [`${failure.code} ${failure.at === now}`, failure]),
  );
  return {
    start: new Date(now).toISOString(),
    end: new Date(endMs).toISOString(),
    safe: by === null ? null : iso(safeMs),
    safeBy: by,
    ok: verdict.ok && by !== null,
    failures: [...first.values()]
      .sort((a, b) => a.at - b.at)
      .map(({ at, ...failure }) => ({ ...failure, at: new Date(at).toISOString() })),
  };
}

import type { CoatOutlook, StartView, Step } from '../../contract/index.ts';
import {
  airAround,
  bestStarts,
  isUnderCover,
  judgeCoat,
  type StartStretch,
  surfaceTemps,
} from '../../core/air/index.ts';
import { eventTime, HOUR_MS, type SplicedHour, safeEvent } from '../../core/cure/index.ts';
import { applyHours } from '../../core/film/index.ts';
import { limitsOf, type ProductSheet } from '../../core/system/index.ts';
import { tempsFor } from '../air/yardAir.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';

/** Air before the coat that says whether its surface is wet. */
const BEFORE_MS = 24 * HOUR_MS;

/** Days of forecast that starts are sought in. */
const AHEAD_MS = 10 * 24 * HOUR_MS;

const at = (ms: number) => new Date(ms).toISOString();
const bestView = ({ startMs, safeMs, tightest }: StartStretch['best']): StartView['best'] => ({
  start: at(startMs),
  safe: at(safeMs),
  tightest: tightest && { ...tightest, at: at(tightest.at) },
});
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
  const applyMs = applyHours(input.areaM2, step.method) * HOUR_MS;
  const endMs = now + applyMs;
  const stated = safeEvent(sheet.cure);
  const byHandMs = input.safeHours !== null && !stated ? input.safeHours * HOUR_MS : null;
  const temperatures = tempsFor(input.hours, surroundings);
  /** When a coat finished then is safe from dew and rain; null: not within what is known, or nobody said. */
  const safeAfter = (finishedMs: number): number | null => {
    if (!stated) return byHandMs === null ? null : finishedMs + byHandMs;
    const curve = { points: stated.points, stopC: sheet.cure.stopC };
    return eventTime({ curve, temps: temperatures, laidAt: finishedMs }).at;
  };
  const safeMs = safeAfter(endMs);
  const by = stated?.event ?? (byHandMs === null ? null : 'told');
  const temps = surfaceTemps(input.hours, surroundings);
  // Where it is never safe, as far as is known, every known hour is looked at.
  const untilMs = by === null ? endMs : (safeMs ?? Number.POSITIVE_INFINITY);
  const about = input.hours.flatMap((hour, i) =>
    hour.at >= now - BEFORE_MS && hour.at <= now + AHEAD_MS
      ? [{ ...hour, ...airAround(hour, surroundings), surfaceC: temps[i] as number }]
      : [],
  );
  const airFor = (hours: typeof about) => ({
    hours,
    surface: hours.map(({ at, surfaceC }) => ({ at, surfaceC, lowC: surfaceC, highC: surfaceC })),
    limits: limitsOf(sheet),
    underCover: isUnderCover(surroundings),
  });
  const verdict = judgeCoat({
    startMs: now,
    endMs,
    safeMs: by === null ? endMs : safeMs,
    ...airFor(about.filter(({ at }) => at <= untilMs + HOUR_MS)),
  });
  const starts =
    by === null
      ? { stretches: [], best: null }
      : bestStarts({ ...airFor(about), applyMs, safeAfter, fromMs: now, toMs: now + AHEAD_MS });
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
    starts: starts.stretches.map(({ fromMs, toMs, best }) => ({
      from: at(fromMs),
      to: at(toMs),
      best: bestView(best),
    })),
    best: starts.best && bestView(starts.best),
    failures: [...first.values()]
      .sort((a, b) => a.at - b.at)
      .map(({ at: failsMs, ...failure }) => ({ ...failure, at: at(failsMs) })),
  };
}

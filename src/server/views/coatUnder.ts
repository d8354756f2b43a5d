import type { Step } from '../../contract/index.ts';
import {
  airAround,
  type BestStarts,
  bestStarts,
  isUnderCover,
  type Surroundings,
  surfaceTemps,
} from '../../core/air/index.ts';
import { eventTime, HOUR_MS, type SplicedHour, safeEvent } from '../../core/cure/index.ts';
import { applyHours } from '../../core/film/index.ts';
import { limitsOf, type ProductSheet } from '../../core/system/index.ts';
import { tempsFor } from '../air/yardAir.ts';

/** Air before the coat that says whether its surface is wet. */
const BEFORE_MS = 24 * HOUR_MS;
/** Days of forecast that starts are sought in. */
const AHEAD_MS = 10 * 24 * HOUR_MS;

/** A coat still to be applied, and the air it is to be applied in. */
export interface CoatToApply {
  step: Pick<Step, 'method'>;
  sheet: ProductSheet;
  areaM2: number;
  hours: readonly SplicedHour[];
  now: number;
  /** Hours until it is safe from dew and rain, told by hand where the sheet states none. */
  safeHours: number | null;
}

/** The coat as it would be applied in these surroundings: how long it takes, when it is safe, the air about it. */
export function coatUnder(coat: CoatToApply, surroundings: Surroundings) {
  const { sheet, now, hours } = coat;
  const applyMs = applyHours(coat.areaM2, coat.step.method) * HOUR_MS;
  const stated = safeEvent(sheet.cure);
  const byHandMs = coat.safeHours !== null && !stated ? coat.safeHours * HOUR_MS : null;
  const filmTemps = tempsFor(hours, surroundings);
  /** When a coat finished then is safe from dew and rain; null: not within what is known, or nobody said. */
  const safeAfter = (finishedMs: number): number | null => {
    if (!stated) return byHandMs === null ? null : finishedMs + byHandMs;
    const curve = { points: stated.points, stopC: sheet.cure.stopC };
    return eventTime({ curve, temps: filmTemps, laidAt: finishedMs }).at;
  };
  const safeBy = stated?.event ?? (byHandMs === null ? null : ('told' as const));
  const surfaceC = surfaceTemps(hours, surroundings);
  const about = hours.flatMap((hour, i) =>
    hour.at >= now - BEFORE_MS && hour.at <= now + AHEAD_MS
      ? [{ ...hour, ...airAround(hour, surroundings), surfaceC: surfaceC[i] as number }]
      : [],
  );
  const airUntil = (untilMs: number) => {
    const known = about.filter(({ at }) => at <= untilMs);
    return {
      hours: known,
      surface: known.map(({ at, surfaceC: c }) => ({ at, surfaceC: c, lowC: c, highC: c })),
      limits: limitsOf(sheet),
      underCover: isUnderCover(surroundings),
    };
  };
  const starts = (): BestStarts =>
    safeBy === null
      ? { stretches: [], best: null }
      : bestStarts({ ...airUntil(now + AHEAD_MS), applyMs, safeAfter, fromMs: now, toMs: now + AHEAD_MS });
  return { applyMs, safeAfter, safeBy, airUntil, starts };
}

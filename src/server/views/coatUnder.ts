import type { Step } from '../../contract/index.ts';
import { airAbout, type BestStarts, bestStarts, isUnderCover, rhWithMoisture } from '../../core/air/index.ts';
import { byLearnedPace, type CoatSpan, eventTime, HOUR_MS, safeEvent } from '../../core/cure/index.ts';
import { hoursAt } from '../../core/film/index.ts';
import { coatLimitsOf, type ProductSheet } from '../../core/system/index.ts';
import { type Air, bandFor, darkOver, type SurfacePlace, tempsFor } from '../air/surfaces.ts';
import { isIn } from './coatSpans.ts';

/** Air before the coat that says whether its surface is wet. */
const BEFORE_MS = 24 * HOUR_MS;
/** Days of forecast that starts are sought in. */
const AHEAD_MS = 10 * 24 * HOUR_MS;

/** The longest that a coat is judged over. No weather is known so far ahead: a longer one has no suitable start either. */
const LONGEST_MS = 30 * 24 * HOUR_MS;

/** A planned coat, and the weather data for it. */
export interface CoatToApply {
  step: Pick<Step, 'method'>;
  sheet: ProductSheet;
  areaM2: number;
  air: Air;
  now: number;
  /** Hours until it is safe from dew and rain, told by hand where the sheet states none. */
  safeHours: number | null;
  /** How fast it is applied, m²/h. */
  rateM2PerH: number;
  /** Times as fast as its sheet it cures here by its method, as taken over from hand tests; 1: as its sheet. */
  pace: number;
  /** When the film below and the tasks before it allow the coat, independent of weather. */
  spans: readonly CoatSpan[];
  /** How far ahead starts are sought, ms; left out: ten days. */
  aheadMs?: number;
  /** Something wet in a tent or a heated space; left out: nothing. */
  inside?: { litresPerH: number; roomM3: number; airChangesPerH: number };
}

/** The coat as it would be applied in these surroundings: how long it takes, when it is safe, the air about it. */
export function coatUnder(coat: CoatToApply, place: SurfacePlace) {
  const { sheet, now, air } = coat;
  const aheadMs = coat.aheadMs ?? AHEAD_MS;
  const { surroundings } = place;
  const underCover = isUnderCover(surroundings);
  const limits = coatLimitsOf(sheet, coat.step.method);
  // Under a cover and below deck there are lamps.
  const nights = underCover || place.indoors ? [] : darkOver(air, now, aheadMs);
  const applyMs = Math.min(LONGEST_MS, hoursAt(coat.areaM2, coat.rateM2PerH) * HOUR_MS);
  const stated = safeEvent(sheet.cure);
  const { factor } = byLearnedPace(coat.pace);
  const points = stated?.points.map(({ tempC, minutes }) => ({ tempC, minutes: minutes / factor })) ?? [];
  const byHandMs = coat.safeHours !== null && !stated ? coat.safeHours * HOUR_MS : null;
  const filmTemps = tempsFor(air, place);
  /** When a coat finished then is safe from dew and rain; null: not within what is known, or nobody said. */
  const safeAfter = (finishedMs: number): number | null => {
    if (!stated) return byHandMs === null ? null : finishedMs + byHandMs;
    const curve = { points, stopC: sheet.cure.stopC };
    return eventTime({ curve, temps: filmTemps, laidAt: finishedMs }).at;
  };
  const safeBy = stated?.event ?? (byHandMs === null ? null : ('entered' as const));
  const shown = ({ at }: { at: number }) => at >= now - BEFORE_MS && at <= now + aheadMs;
  const surface = bandFor(air, place).filter(shown);
  const around = airAbout(air.hours.filter(shown), place);
  const { inside } = coat;
  const about = around.about.map((hour, i) => ({
    ...hour,
    ...(underCover && inside && inside.litresPerH > 0 && { rh: rhWithMoisture({ ...hour, ...inside }) }),
    surfaceC: surface[i]?.surfaceC,
  }));
  const airUntil = (untilMs: number) => {
    const within = ({ at }: { at: number }) => at <= untilMs;
    return {
      hours: about.filter(within),
      surface: surface.filter(within),
      limits,
      underCover: around.underCover,
      nights,
    };
  };
  const readyMs = coat.spans[0]?.fromMs ?? null;
  /** Starts are sought from the moment the film below is ready. */
  const startsInput = (toMs = now + aheadMs) => {
    const lastMs = Math.min(now + aheadMs, Math.max(now, toMs));
    return {
      ...airUntil(now + aheadMs),
      applyMs,
      safeAfter,
      fromMs: Math.min(lastMs, Math.max(now, readyMs ?? lastMs)),
      toMs: lastMs,
      fits: ({ startMs }: { startMs: number }) => isIn(coat.spans, startMs),
    };
  };
  const starts = (toMs?: number): BestStarts =>
    safeBy === null || readyMs === null ? { stretches: [], best: null } : bestStarts(startsInput(toMs));
  return { applyMs, safeAfter, safeBy, airUntil, starts, startsInput };
}

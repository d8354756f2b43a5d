import { type AirLimits, type AirReason, judgeConditions } from './judge.ts';
import { type AirHour, type Surroundings, surfaceTempC } from './surface.ts';

export interface JudgedHour {
  at: number;
  ok: boolean;
  reasons: AirReason[];
  surfaceC: number;
  dewPointC: number;
  marginC: number;
}

/** Surroundings that keep rain off. */
export function isUnderCover(surroundings: Surroundings): boolean {
  return surroundings.kind !== 'open' && surroundings.kind !== 'shaded';
}

/** Every hour judged by {@link judgeConditions}, with the surface as the surroundings make it. */
export function judgeHours(input: {
  hours: readonly AirHour[];
  limits: AirLimits;
  surroundings: Surroundings;
}): JudgedHour[] {
  const underCover = isUnderCover(input.surroundings);
  return input.hours.map((hour) => {
    const surfaceC = surfaceTempC(hour, input.surroundings);
    const conditions = { airC: hour.airC, rh: hour.rh, surfaceC, rainMm: hour.rainMm };
    const verdict = judgeConditions({ conditions, limits: input.limits, underCover });
    return { at: hour.at, surfaceC, ...verdict };
  });
}

/** The unbroken runs of hours that pass, each at least `minHours` long: from the first hour's start to the last one's end. */
export function startWindows(input: {
  judged: readonly JudgedHour[];
  minHours: number;
}): { from: number; to: number }[] {
  const HOUR = 3_600_000;
  const runs: { from: number; to: number }[] = [];
  for (const hour of input.judged) {
    if (!hour.ok) continue;
    const last = runs.at(-1);
    if (last && last.to === hour.at) last.to = hour.at + HOUR;
    else runs.push({ from: hour.at, to: hour.at + HOUR });
  }
  return runs.filter((run) => run.to - run.from >= input.minHours * HOUR);
}

import { moment, QuantityError } from '../units/index.ts';
import { type CoatCondition, type CoatPhase, coatAir, type SurfaceReading } from './coatAir.ts';
import type { AirHour } from './hour.ts';
import type { AirLimits, AirReasonCode } from './judge.ts';
import { type Dark, darkBeforeEnd } from './light.ts';

export type CoatFailureCode = AirReasonCode | 'too-dark' | 'not-known';

/** A moment of a coat that does not pass: when, why, the figure found and the limit it breaks. */
export interface CoatFailure {
  at: number;
  code: CoatFailureCode;
  value: number;
  limit: number;
  /** While it is applied, or on the way to safe from dew and rain. */
  phase: CoatPhase;
}

export interface CoatVerdict {
  /** Whether nothing that is known speaks against it: a plain yes only where there are no conditions either. */
  ok: boolean;
  /** In the order of time. */
  failures: CoatFailure[];
  /** What nobody gave of its air, and somebody at the boat has to see to. */
  conditions: CoatCondition[];
}

/**
 * Whether a whole coat passes: every hour of its application, and on until it is safe from dew and rain.
 *
 * `judgeCoat` of a coat rolled from 14:00 to 16:00 and dew-safe at 22:00 under a clear sky names the evening hour at
 * which the margin over the dew point closes [T: handbook part 9].
 *
 * Readings stand at their time and are joined by straight lines; rain has fallen in the hour that begins at its reading.
 * Each reading within the coat's time is judged, and its start, end and safe moment between readings. The surface is
 * judged at the cold end of its band; heat that speaks against it at the hot end alone is a condition, `depends-on-sun`,
 * with both ends. An hour the series does not reach is `not-known`, with the moment asked as value and the end of what is known as limit.
 * Rain or wind that nobody gave is no failure and no plain yes: it stands in `conditions`. A coat begun in daylight
 * that the dark finds unfinished is `too-dark`, with the moment of dark as value and the last corner's as limit.
 *
 * @param startMs, endMs first and last moment of application, ms
 * @param safeMs the moment it is safe from dew and rain, ms; null: not reached in what is known
 * @param hours the air about the surface, in order
 * @param surface the surface at the same hours or others, in order
 * @param nights when it is dark where it is applied without lamps; left out: light enough at any hour
 * @throws {QuantityError} on times out of their order, or an impossible figure
 */
export function judgeCoat(input: {
  startMs: number;
  endMs: number;
  safeMs: number | null;
  hours: readonly AirHour[];
  surface: readonly SurfaceReading[];
  limits: AirLimits;
  underCover: boolean;
  nights?: readonly Dark[] | undefined;
}): CoatVerdict {
  const { hours } = input;
  const startMs = moment('start of application', input.startMs);
  const endMs = moment('end of application', input.endMs);
  if (endMs < startMs)
    throw new QuantityError('end of application', endMs, `at or after its start (${startMs})`);
  const safeMs = input.safeMs === null ? null : moment('time safe from dew and rain', input.safeMs);
  if (safeMs !== null && safeMs < endMs)
    throw new QuantityError(
      'time safe from dew and rain',
      safeMs,
      `at or after the end of application (${endMs})`,
    );
  const air = coatAir(input);
  const phaseAt = (at: number): CoatPhase => (at <= endMs ? 'applying' : 'until-safe');
  const until = Math.max(safeMs ?? hours.at(-1)?.at ?? endMs, endMs);
  const failures: CoatFailure[] = [];
  const inside = air.moments.filter((at) => at > startMs && at < until);
  for (const at of [...new Set([startMs, endMs, until, ...inside])].sort((a, b) => a - b)) {
    const phase = phaseAt(at);
    const reasons = air.reasonsAt(at, phase, at !== safeMs);
    if (!reasons) {
      failures.push({ at, code: 'not-known', value: at, limit: air.knownUntilMs, phase });
      break;
    }
    for (const reason of reasons) failures.push({ at, ...reason, phase });
  }
  if (safeMs === null && !failures.some(({ code }) => code === 'not-known')) {
    const known = air.knownUntilMs;
    failures.push({ at: known, code: 'not-known', value: known, limit: known, phase: 'until-safe' });
  }
  const darkMs = darkBeforeEnd({ startMs, endMs, nights: input.nights ?? [] });
  if (darkMs !== null) {
    failures.push({ at: darkMs, code: 'too-dark', value: darkMs, limit: endMs, phase: 'applying' });
    failures.sort((a, b) => a.at - b.at);
  }
  const conditions = air.conditionsOf({ startMs, endMs, safeMs: Math.max(until, endMs) });
  return { ok: failures.length === 0, failures, conditions };
}

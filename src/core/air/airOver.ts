import { moment, QuantityError } from '../units/index.ts';
import { type CoatAir, coatAir } from './coatAir.ts';

/** Smallest and largest value over some hours. */
export interface Range {
  min: number;
  max: number;
}

/**
 * The air and the surface over the hours in which a coat was applied: what the record says of them.
 *
 * 12 °C at 10:00 and 16 °C at 12:00, applied from 10:30 to 11:00: air 13 to 14 °C.
 *
 * @param input.startMs, input.endMs first and last moment of application, ms
 * @returns °C, humidity as a fraction; the surface from the cold end of its band to the hot end; null where the readings do
 *   not reach
 * @throws {QuantityError} on times out of their order, or an impossible figure
 */
export function airOver(
  input: Parameters<typeof coatAir>[0] & { startMs: number; endMs: number },
): { airC: Range; rh: Range; surfaceC: Range } | null {
  const startMs = moment('start of application', input.startMs);
  const endMs = moment('end of application', input.endMs);
  if (endMs < startMs)
    throw new QuantityError('end of application', endMs, `at or after its start (${startMs})`);
  const air = coatAir(input);
  if (startMs < air.knownFromMs || endMs > air.knownUntilMs) return null;
  const moments = [startMs, ...air.moments.filter((at) => at > startMs && at < endMs), endMs];
  const found = moments
    .map(air.at)
    .filter((each): each is NonNullable<ReturnType<CoatAir['at']>> => each !== null);
  const range = (low: number[], high = low): Range => ({ min: Math.min(...low), max: Math.max(...high) });
  return {
    airC: range(found.map(({ airC }) => airC)),
    rh: range(found.map(({ rh }) => rh)),
    surfaceC: range(
      found.map(({ lowC }) => lowC),
      found.map(({ highC }) => highC),
    ),
  };
}

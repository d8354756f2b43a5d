import { moment, QuantityError, within } from '../units/index.ts';
import type { AirHour } from './hour.ts';
import { rhWhenWarmed } from './warmed.ts';

const HOUR_MS = 3_600_000;
/** Hours of the day at which the air is usually coldest and warmest [T]. */
const COLDEST_H = 6;
const WARMEST_H = 15;

/**
 * A forecast told in a sentence ("from tomorrow 08:00 for 7 days: −7 to 2 °C, RH 80 %, dry") as air hour by hour: each
 * day swings between its two temperatures, coldest about six and warmest about three in the afternoon, and the moisture
 * of the air stays what it is at their mean, so that the humidity falls by day and rises at night [T].
 *
 * `typedForecast({ fromMs, days: 1, lowC: 0, highC: 10, rh: 0.8, rainMm: 0, utcOffsetH: 0 })` is 5 °C at its mean, and
 * there at 80 %.
 *
 * @param rainMm fallen in every hour; 0: dry
 * @param utcOffsetH of the yard's clock, so that nights are cold
 * @throws {QuantityError} on a high below its low, or an impossible figure
 */
export function typedForecast(input: {
  fromMs: number;
  days: number;
  lowC: number;
  highC: number;
  rh: number;
  rainMm: number;
  utcOffsetH: number;
}): AirHour[] {
  const fromMs = Math.ceil(moment('Start of the forecast', input.fromMs) / HOUR_MS) * HOUR_MS;
  const hours = Math.round(within('Duration (days)', input.days, 1 / 24, 30) * 24);
  const lowC = within('Lowest temperature', input.lowC, -40, 60);
  const highC = within('highest air temperature', input.highC, -40, 60);
  if (highC < lowC) throw new QuantityError('highest temperature', highC, `at least the lowest (${lowC} °C)`);
  const rh = within('relative humidity', input.rh, 0.01, 1);
  const rainMm = within('rain', input.rainMm, 0, 100);
  const offset = within('UTC offset (h)', input.utcOffsetH, -14, 14);
  const meanC = (lowC + highC) / 2;
  return Array.from({ length: hours + 1 }, (_, i) => {
    const at = fromMs + i * HOUR_MS;
    const hour = (((at / HOUR_MS + offset) % 24) + 24) % 24;
    const airC = meanC + ((highC - lowC) / 2) * swing(hour);
    const warmed = rhWhenWarmed({ airC: meanC, rh, toC: airC });
    // What would be over 100 % has left as dew or fog.
    return { at, airC: Number(airC.toFixed(2)), rh: Math.max(0.01, Math.min(1, warmed)), rainMm };
  });
}

/** From −1 at the coldest hour to 1 at the warmest: two half waves of their own lengths. */
function swing(hour: number): number {
  const rising = WARMEST_H - COLDEST_H;
  const since = (hour - COLDEST_H + 24) % 24;
  return since <= rising
    ? -Math.cos((Math.PI * since) / rising)
    : Math.cos((Math.PI * (since - rising)) / (24 - rising));
}

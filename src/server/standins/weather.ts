import type { SeriesHour } from '../rows/weather.ts';

const HOUR_MS = 3_600_000;
const DAY_H = 24;

/** A reproducible number in 0–1 for a seed and a whole number (mulberry32 over a mixed key). */
function noise(seed: number, n: number): number {
  let t = (seed ^ Math.imul(n + 0x9e3779b9, 0x85ebca6b)) >>> 0;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}

/** Noise at every `period` hours, joined smoothly: −1…1. */
function smooth(seed: number, hour: number, period: number): number {
  const n = Math.floor(hour / period);
  const u = hour / period - n;
  const ease = u * u * (3 - 2 * u);
  const a = noise(seed, n) * 2 - 1;
  const b = noise(seed, n + 1) * 2 - 1;
  return a + (b - a) * ease;
}

/**
 * A stand-in for a weather station and a forecast service: an invented, mild coastal climate with fronts every
 * few days, a daily course of temperature, and dew in the small hours. The same seed gives the same air for the
 * same hour, whenever it is asked. Always marked simulated.
 *
 * @param utcOffsetHours of the yard, so that afternoons are warm where the yard is
 */
export function standInWeather(input: {
  seed: number;
  from: number;
  to: number;
  utcOffsetHours: number;
}): SeriesHour[] {
  const { seed } = input;
  const hours: SeriesHour[] = [];
  const first = Math.floor(input.from / HOUR_MS);
  const last = Math.floor(input.to / HOUR_MS);
  for (let h = first; h < last; h++) {
    const clock = (((h + input.utcOffsetHours) % DAY_H) + DAY_H) % DAY_H;
    const front = Math.max(0, smooth(seed + 1, h, 38));
    const clear = 1 - Math.min(1, front * 1.6);
    const airMass = 13.5 + 3 * smooth(seed + 2, h, 70);
    const daily = (2.2 + 2.8 * clear) * Math.cos(((clock - 15) / DAY_H) * 2 * Math.PI);
    const airC = airMass + daily - 1.2 * front + 0.4 * smooth(seed + 3, h, 3);
    // Water in the air changes slowly: humidity falls as the day warms and rises at night.
    const dewC = airMass - 4.6 + 3.4 * front + 1.2 * smooth(seed + 4, h, 30);
    const rh = Math.exp((17.625 * dewC) / (243.04 + dewC) - (17.625 * airC) / (243.04 + airC));
    const rain = front > 0.5 && noise(seed + 5, h) < front ? (front - 0.4) * 3 * noise(seed + 6, h) : 0;
    const wind =
      2.4 +
      4 * front +
      1.4 * Math.max(0, Math.cos(((clock - 14) / DAY_H) * 2 * Math.PI)) +
      1.6 * smooth(seed + 7, h, 9);
    hours.push({
      at: h * HOUR_MS,
      airC: round(airC, 1),
      rh: round(Math.min(0.99, Math.max(0.35, rh)), 2),
      windMs: round(Math.max(0, wind), 1),
      rainMm: round(rain, 1),
      surfaceC: null,
      cloudTenths: round(Math.min(10, Math.max(0, 10 * (1 - clear) + 2.5 + 2.5 * smooth(seed + 8, h, 7))), 0),
    });
  }
  return hours;
}

const round = (value: number, digits: number) => Number(value.toFixed(digits));

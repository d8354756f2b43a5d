import type { SeriesHour } from '../rows/weather.ts';

/** Readings of one hour as one: their mean, the rain added up. */
export function oneHour(rows: readonly SeriesHour[]): SeriesHour {
  const first = rows[0] as SeriesHour;
  if (rows.length === 1) return first;
  const known = (pick: (row: SeriesHour) => number | null) =>
    rows.map(pick).filter((value): value is number => value !== null);
  const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);
  const mean = (values: number[]) => (values.length ? sum(values) / values.length : null);
  const rain = known((row) => row.rainMm);
  return {
    at: first.at,
    airC: mean(known((row) => row.airC)) as number,
    rh: mean(known((row) => row.rh)) as number,
    windMs: mean(known((row) => row.windMs)),
    rainMm: rain.length ? sum(rain) : null,
    surfaceC: mean(known((row) => row.surfaceC)),
    cloudTenths: mean(known((row) => row.cloudTenths)),
  };
}

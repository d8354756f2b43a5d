import type { BadReadingView, PostedReadings, ReadingsTaken, Station } from '../../contract/index.ts';
import { type BadReading, type StationReading, soundReadings } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import type { Writing, Wrote } from '../http/endpoint.ts';
import { recordShifts } from '../memory/shifts.ts';
import { noteStation } from '../rows/stations.ts';
import { insertSeries, type SeriesHour } from '../rows/weather.ts';

const given = (value: number | null | undefined) => value ?? undefined;

const toReading = (each: PostedReadings['readings'][number]): StationReading => ({
  at: Date.parse(each.at),
  airC: each.airC,
  rh: each.rhPercent / 100,
  windMs: given(each.windMs),
  rainMm: given(each.rainMm),
  surfaceC: given(each.surfaceC),
  cloudTenths: given(each.cloudTenths),
});

const toHour = (reading: StationReading): SeriesHour => ({
  at: Math.floor(reading.at / HOUR_MS) * HOUR_MS,
  airC: reading.airC,
  rh: reading.rh,
  windMs: reading.windMs ?? null,
  rainMm: reading.rainMm ?? null,
  surfaceC: reading.surfaceC ?? null,
  cloudTenths: reading.cloudTenths ?? null,
});

/** Readings within one hour are one: their mean, the rain added up. */
function byHour(sound: readonly StationReading[]): SeriesHour[] {
  const hours = new Map<number, SeriesHour[]>();
  for (const hour of sound.map(toHour)) hours.set(hour.at, [...(hours.get(hour.at) ?? []), hour]);
  return [...hours.values()].map((rows) => {
    const first = rows[0] as SeriesHour;
    const known = (key: Exclude<keyof SeriesHour, 'at'>) =>
      rows.map((row) => row[key]).filter((value): value is number => value !== null);
    const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
    const mean = (key: Exclude<keyof SeriesHour, 'at'>) => {
      const values = known(key);
      return values.length > 0 ? sum(values) / values.length : null;
    };
    const rain = known('rainMm');
    return {
      at: first.at,
      airC: mean('airC') as number,
      rh: mean('rh') as number,
      windMs: mean('windMs'),
      rainMm: rain.length > 0 ? sum(rain) : null,
      surfaceC: mean('surfaceC'),
      cloudTenths: mean('cloudTenths'),
    };
  });
}

const FAULTS: Record<BadReading['fault'], string> = {
  'out-of-range': 'cannot be',
  'dead-sensor': 'is what a dead sensor says',
  stuck: 'has not changed for half a day',
  double: 'was given twice for one moment; the later stands',
  'too-far': 'is measured later than now',
};
const FIGURES: Record<string, (value: number) => string> = {
  airC: (value) => `air ${value} °C`,
  rh: (value) => `RH ${Math.round(value * 1000) / 10} %`,
  windMs: (value) => `wind ${value} m/s`,
  rainMm: (value) => `rain ${value} mm`,
  surfaceC: (value) => `surface ${value} °C`,
  cloudTenths: (value) => `cloud ${value} tenths`,
  at: (value) => new Date(value).toISOString(),
};

/** The faults of one giving in a sentence; null: none. */
function sayFaults(bad: readonly BadReading[]): string | null {
  const [first] = bad;
  if (!first) return null;
  const what = FIGURES[first.figure]?.(first.value) ?? String(first.value);
  const more = bad.length > 1 ? `; and ${bad.length - 1} more` : '';
  return `${bad.length === 1 ? '1 reading' : `${bad.length} readings`} left out: ${what} ${FAULTS[first.fault]}${more}`;
}

const badView = ({ at, ...rest }: BadReading): BadReadingView => ({
  at: new Date(at).toISOString(),
  ...rest,
});

/**
 * Takes in what a station gave: what can be used goes into the yard's air, what cannot is named, and what it moved is kept.
 *
 * @param writing within a transaction begun with the clocks of the yard as they stood
 */
export async function takeReadings(
  station: Station,
  { readings }: PostedReadings,
  { tx, now, before }: Writing,
): Promise<Wrote<ReadingsTaken>> {
  const measured = station.gives === 'measured';
  const { sound, bad } = soundReadings({
    readings: readings.map(toReading),
    measuredBy: measured ? now : null,
  });
  const hours = byHour(sound);
  await insertSeries(tx, {
    source: station.name,
    kind: station.gives,
    issuedAt: now,
    hours,
    stationId: station.id,
  });
  await noteStation(tx, station.id, {
    ...(hours.length > 0 && { lastAt: new Date(now), lastHours: hours.length }),
    fault: sayFaults(bad),
  });
  const reply = { hours: hours.length, bad: bad.map(badView) };
  if (hours.length === 0 || !before) return { reply, changes: [{ of: 'stations' }] };
  const cause = `${station.name} gave ${hours.length} ${hours.length === 1 ? 'hour' : 'hours'}`;
  const { after } = await recordShifts(tx, { before, now, cause, touched: 'air' });
  return { reply, changes: [{ of: 'weather' }, { of: 'stations' }], warm: after };
}

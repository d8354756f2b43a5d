import type { BadReadingView, PostedReadings, ReadingsTaken, Station } from '../../contract/index.ts';
import { type BadReading, type StationReading, soundReadings } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import type { Writing, Wrote } from '../http/endpoint.ts';
import { recordShifts } from '../memory/shifts.ts';
import { hoursOfStation, insertReadings, type Reading, readingsOfStation } from '../rows/readings.ts';
import { noteStation } from '../rows/stations.ts';

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

const toRow = (reading: StationReading): Reading => ({
  at: reading.at,
  airC: reading.airC,
  rh: reading.rh,
  windMs: reading.windMs ?? null,
  rainMm: reading.rainMm ?? null,
  surfaceC: reading.surfaceC ?? null,
  cloudTenths: reading.cloudTenths ?? null,
});

/** Days of its own readings that a new one is looked at beside: a sensor that is stuck gives the same one by one. */
const BESIDE_MS = 14 * 24 * HOUR_MS;
/** Of these the last ones reading by reading, the others by the hour. */
const CLOSE_MS = 13 * HOUR_MS;

/** What can be used of the readings, and what cannot, seen beside what the station measured before. */
async function sorted(station: Station, posted: PostedReadings, { tx, now }: Writing) {
  const readings = posted.readings.map(toReading);
  if (station.gives === 'forecast') return soundReadings({ readings, measuredBy: null });
  const moments = new Set(readings.map(({ at }) => at));
  const first = Math.min(...moments);
  const closeFrom = Math.floor((first - CLOSE_MS) / HOUR_MS) * HOUR_MS;
  const before = [
    ...(await hoursOfStation(tx, station.id, { from: first - BESIDE_MS, to: closeFrom })),
    ...(await readingsOfStation(tx, station.id, { from: closeFrom, to: first })),
  ].filter(({ at }) => !moments.has(at));
  const { sound, bad } = soundReadings({ readings: [...before, ...readings], measuredBy: now });
  return { sound: sound.filter(({ at }) => moments.has(at)), bad: bad.filter(({ at }) => moments.has(at)) };
}

const FAULTS: Record<BadReading['fault'], string> = {
  'out-of-range': t`is impossible`,
  'dead-sensor': t`is typical of a failed sensor`,
  stuck: t`hasn’t changed for 12 hours`,
  double: t`was sent twice for the same time (the later value is used)`,
  'too-far': t`is in the future`,
};
const FIGURES: Record<string, (value: number) => string> = {
  airC: (value) => t`air ${value} °C`,
  rh: (value) => `RH ${Math.round(value * 1000) / 10} %`,
  windMs: (value) => t`wind ${value} m/s`,
  rainMm: (value) => t`rain ${value} mm`,
  surfaceC: (value) => t`surface ${value} °C`,
  cloudTenths: (value) => t`cloud cover ${value}/10`,
  at: (value) => new Date(value).toISOString(),
};

/** The faults of one giving in a sentence; null: none. */
function sayFaults(bad: readonly BadReading[]): string | null {
  const [first] = bad;
  if (!first) return null;
  const what = FIGURES[first.figure]?.(first.value) ?? String(first.value);
  const more = bad.length > 1 ? t`; and ${bad.length - 1} more` : '';
  return t`${bad.length === 1 ? '1 reading' : t`${bad.length} readings`} ignored: ${what} ${FAULTS[first.fault]}${more}`;
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
  posted: PostedReadings,
  writing: Writing,
): Promise<Wrote<ReadingsTaken>> {
  const { tx, now, before } = writing;
  const { sound, bad } = await sorted(station, posted, writing);
  const hours = new Set(sound.map(({ at }) => Math.floor(at / HOUR_MS))).size;
  await insertReadings(tx, {
    source: station.name,
    kind: station.gives,
    issuedAt: now,
    rainInterval: station.rainInterval,
    readings: sound.map(toRow),
    stationId: station.id,
  });
  await noteStation(tx, station.id, {
    ...(hours > 0 && { lastAt: new Date(now), lastHours: hours }),
    fault: sayFaults(bad),
  });
  const reply = { hours, bad: bad.map(badView) };
  if (hours === 0 || !before) return { reply, changes: [{ of: 'stations' }] };
  const cause = t`${hours} ${hours === 1 ? 'hour' : 'hours'} of data from ${station.name}`;
  const { after } = await recordShifts(tx, { before, now, cause, touched: 'air' });
  return { reply, changes: [{ of: 'weather' }, { of: 'stations' }], air: after.air };
}

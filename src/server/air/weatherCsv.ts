import { DateTime } from 'luxon';
import Papa from 'papaparse';
import type { BadRow, ColumnMapping, WeatherColumn } from '../../contract/index.ts';
import { toCanonical } from '../../core/units/index.ts';
import type { Reading } from '../rows/readings.ts';

type Column = WeatherColumn;

/** How headers are recognised: first fit wins, in this order. */
const HEADERS: [Column, RegExp][] = [
  ['time', /^(time|date|datetime|timestamp|hour)\b/i],
  ['surface', /^(surface|steel|hull|plate)/i],
  ['rh', /^(rh|relative humidity|humidity)/i],
  ['wind', /^wind/i],
  ['rain', /^(rain|precip)/i],
  ['cloud', /^(cloud|okta)/i],
  ['air', /^(air|temp)/i],
];

const LIMITS: Record<Exclude<Column, 'time'>, { name: string; min: number; max: number; unit: string }> = {
  air: { name: 'air temperature', min: -40, max: 60, unit: '°C' },
  surface: { name: 'surface temperature', min: -40, max: 90, unit: '°C' },
  rh: { name: 'relative humidity', min: 1, max: 100, unit: '%' },
  wind: { name: 'wind', min: 0, max: 90, unit: 'm/s' },
  rain: { name: 'rain', min: 0, max: 300, unit: 'mm' },
  cloud: { name: 'cloud', min: 0, max: 10, unit: 'tenths' },
};

/** A header may name its unit, or somebody by hand: "air °F", "wind kn", "rain in". */
function toLimitUnit(column: Exclude<Column, 'time'>, header: string, value: number): number {
  if ((column === 'air' || column === 'surface') && /°?\bF\b|fahrenheit/i.test(header.replace('°', ' ')))
    return toCanonical(value, 'degF');
  if (column === 'wind' && /\b(kn|kt|knots?)\b/i.test(header)) return toCanonical(value, 'kn');
  if (column === 'wind' && /km\/?h/i.test(header)) return value / 3.6;
  if (column === 'rain' && /\b(in|inch(es)?)\b/i.test(header)) return toCanonical(value, 'inRain');
  if (column === 'cloud' && /%|percent/i.test(header)) return value / 10;
  if (column === 'cloud' && /okta/i.test(header)) return value * 1.25;
  if (column === 'rh' && /\bfraction\b/i.test(header)) return value * 100;
  return value;
}

/** Rows that a file may have: minutes of two months, hours of a decade. */
const MOST_ROWS = 100_000;
/** Rows told one by one that could not be read; and how many of them make the whole file unreadable. */
const TOLD = 200;
const TOO_MANY_BAD = 5000;

/** A time with its offset, which needs no calendar. */
const WITH_OFFSET = /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/;

function readTime(text: string, zone: string): number {
  const fault = () =>
    new RangeError(`Time “${text.slice(0, 60)}” isn’t a valid date and time, for example 2026-05-14 06:00`);
  if (!/^\d{1,4}[-./]?\d/.test(text) || text.length > 40) throw fault();
  if (WITH_OFFSET.test(text)) {
    const at = Date.parse(text.replace(' ', 'T'));
    if (Number.isNaN(at)) throw fault();
    return at;
  }
  for (const parsed of [
    DateTime.fromISO(text, { zone }),
    DateTime.fromSQL(text, { zone }),
    DateTime.fromFormat(text, 'yyyy-MM-dd H:mm', { zone }),
    DateTime.fromFormat(text, 'dd.MM.yyyy HH:mm', { zone }),
  ]) {
    if (parsed.isValid) return parsed.toMillis();
  }
  throw fault();
}

function readNumber(column: Exclude<Column, 'time'>, header: string, text: string): number {
  const limit = LIMITS[column];
  const value = Number(text.replace(',', '.'));
  if (text === '' || !Number.isFinite(value))
    throw new RangeError(`${limit.name} “${text.slice(0, 60)}” isn’t a number`);
  const canonical = toLimitUnit(column, header, value);
  if (canonical < limit.min || canonical > limit.max) {
    throw new RangeError(
      `${limit.name} must be between ${limit.min} and ${limit.max} ${limit.unit}, but is ${text}`,
    );
  }
  return canonical;
}

/** Whether a header says that rain fell before or after its timestamp. */
const intervalOf = (header: string): WeatherFile['rainInterval'] =>
  /\b(after|following|from)\b/i.test(header)
    ? 'after'
    : /\b(before|past|previous|last)\b/i.test(header)
      ? 'before'
      : null;

/** What a weather file says. */
export interface WeatherFile {
  /** In order, each moment once: of one given twice the later row stands. */
  readings: Reading[];
  /** How many hours they are of. */
  hours: number;
  /** What the header says of the rain: whether it fell before the timestamp or after it; null: nothing. */
  rainInterval: 'before' | 'after' | null;
  /** The first rows that could not be read, and how many more there are. */
  badRows: BadRow[];
  moreBadRows: number;
  columns: Record<string, string>;
}

/** Which column each quantity stands in: as named by hand, else by the headers. @throws {RangeError} on a column that is none */
function columnsOf(header: readonly string[], mapping: ColumnMapping): Map<Column, number> {
  const columns = new Map<Column, number>();
  for (const [column, choice] of Object.entries(mapping) as [Column, ColumnMapping[Column]][]) {
    if (!choice) continue;
    if (choice.index >= header.length)
      throw new RangeError(
        `Column ${choice.index + 1} was chosen for ${column}, but the file has only ${header.length} columns`,
      );
    columns.set(column, choice.index);
  }
  const taken = new Set(columns.values());
  header.forEach((name, index) => {
    const found = HEADERS.find(([key, form]) => !columns.has(key) && form.test(name.trim()))?.[0];
    if (found && !taken.has(index) && mapping[found] === undefined) columns.set(found, index);
  });
  return columns;
}

/**
 * Reads weather data, by the hour or closer, from CSV (RFC 4180; comma, semicolon or tab). Columns are found by their headers:
 * time, air, RH (%), and where present wind (m/s, or kn, km/h by header), rain (mm), surface temperature and cloud (tenths,
 * or oktas, % by header);
 * air and surface may be °F by header, and rain may say "before" or "after" its timestamp. Times without an offset are in the
 * yard's zone. Every row is kept as it stands. One that cannot be read is reported by its line and left out.
 *
 * @param mapping columns named by hand, with their units; they go before what the headers say
 * @throws {RangeError} when a needed column is missing or no row can be read
 */
export function readWeatherCsv(csv: string, zone: string, mapping: ColumnMapping = {}): WeatherFile {
  const text = csv.replace(/^\uFEFF/, '');
  const parsed = Papa.parse<string[]>(text, { skipEmptyLines: false });
  const [header = [], ...rows] = parsed.data;
  const columns = columnsOf(header, mapping);
  for (const needed of ['time', 'air', 'rh'] as const) {
    if (!columns.has(needed)) {
      const name = { time: 'time', air: 'air temperature', rh: 'RH' }[needed];
      throw new RangeError(`No column for ${name} found in the header “${header.join(', ')}”`);
    }
  }
  if (rows.length > MOST_ROWS) {
    throw new RangeError(`The file has ${rows.length} rows; the maximum is ${MOST_ROWS}`);
  }
  const badRows: BadRow[] = [];
  let bad = 0;
  const byMoment = new Map<number, Reading>();
  rows.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const cell = (column: Column) => cells[columns.get(column) ?? -1]?.trim() ?? '';
    const name = (column: Column) => mapping[column]?.unit ?? header[columns.get(column) ?? -1] ?? '';
    const number = (column: Exclude<Column, 'time'>) => readNumber(column, name(column), cell(column));
    const maybe = (column: Exclude<Column, 'time'>) =>
      columns.has(column) && cell(column) !== '' ? number(column) : null;
    try {
      const row: Reading = {
        at: readTime(cell('time'), zone),
        airC: number('air'),
        rh: number('rh') / 100,
        windMs: maybe('wind'),
        rainMm: maybe('rain'),
        surfaceC: maybe('surface'),
        cloudTenths: maybe('cloud'),
      };
      byMoment.set(row.at, row);
    } catch (error) {
      const message = (error as Error).message;
      if (++bad <= TOLD) badRows.push({ line: index + 2, message });
      if (bad > TOO_MANY_BAD) {
        throw new RangeError(`More than ${TOO_MANY_BAD} rows can’t be read. Line ${index + 2}: ${message}`);
      }
    }
  });
  if (byMoment.size === 0) {
    const first = badRows[0];
    throw new RangeError(
      first ? `No rows could be read. Line ${first.line}: ${first.message}` : 'The file has no rows',
    );
  }
  const readings = [...byMoment.values()].sort((a, b) => a.at - b.at);
  refuseDaily(readings);
  return {
    readings,
    hours: new Set(readings.map(({ at }) => Math.floor(at / 3_600_000))).size,
    rainInterval: intervalOf(header[columns.get('rain') ?? -1] ?? ''),
    badRows,
    moreBadRows: bad - badRows.length,
    columns: Object.fromEntries([...columns].map(([key, index]) => [key, header[index]?.trim() ?? ''])),
  };
}

/** Rows further apart than this, hours, leave a night out: a clock over them would run as if there were none. */
const WIDEST_H = 6;

/** A table of days is no series of hours. @throws {RangeError} saying how far its rows stand apart */
function refuseDaily(readings: readonly Reading[]): void {
  if (readings.length < 3) return;
  const gaps = readings.slice(1).map(({ at }, i) => (at - (readings[i] as Reading).at) / 3_600_000);
  const usual = gaps.sort((a, b) => a - b)[gaps.length >> 1] as number;
  if (usual > WIDEST_H)
    throw new RangeError(
      `The rows are ${usual} h apart, so nights are missing. Cure times need a row at least every ${WIDEST_H} h`,
    );
}

import Joi from 'joi';
import { t } from '../words.ts';
import { objectOf, text } from './joi.ts';
import { type ColumnMapping, WEATHER_COLUMNS, type WeatherColumn } from './weatherColumns.ts';

export interface WeatherHour {
  at: string;
  airC: number;
  /** Fraction 0–1. */
  rh: number;
  windMs: number | null;
  rainMm: number | null;
  surfaceC: number | null;
  /** Cloud, tenths 0–10. */
  cloudTenths: number | null;
  source: 'measured' | 'forecast' | 'filled';
  simulated: boolean;
}

/** A row of a weather CSV that could not be read. Lines count from 1, the header being line 1. */
export interface BadRow {
  line: number;
  message: string;
}

export interface WeatherReading {
  hours: number;
  from: string | null;
  to: string | null;
  /** The first of them. */
  badRows: BadRow[];
  /** How many more could not be read. */
  moreBadRows: number;
  /** Which column of the file each quantity was read from. */
  columns: Record<string, string>;
}

/** How far an edge of an area's window moved, and what moved it. */
export interface Shift {
  areaId: string;
  areaName: string;
  boatName: string;
  edge: string;
  beforeAt: string | null;
  afterAt: string | null;
  at: string;
  cause: string;
  /** Hours that changed within the time looked at, and their mean change in film temperature, °C. */
  changedHours: number;
  meanChangeC: number;
}

export interface WeatherImported extends WeatherReading {
  /** What the file's rain was taken for: fallen before each timestamp, or after it. */
  rainInterval: 'before' | 'after';
  shifts: Shift[];
}

export interface WeatherImport {
  csv: string;
  /** Columns named by hand; one that is left out is found by its header. */
  mapping?: ColumnMapping;
  /** `check` reads and reports, `import` keeps the good rows. */
  mode: 'check' | 'import';
  /** Typed in by hand rather than read from a file; left out: a file. */
  source?: 'typed';
  /** Whether rain fell before its timestamp or after it; left out: as the header says, else before, as most loggers write. */
  rainInterval?: 'before' | 'after';
}

const choice = (column: WeatherColumn) =>
  Joi.object({
    index: Joi.number().integer().min(0).max(500).label(t`column of ${column}`).required(),
    unit: Joi.valid(...WEATHER_COLUMNS[column])
      .label(t`unit of ${column}`)
      .optional(),
  }).allow(null);

export const weatherImport = objectOf<WeatherImport>({
  mapping: objectOf<ColumnMapping>({
    time: choice('time'),
    air: choice('air'),
    rh: choice('rh'),
    wind: choice('wind'),
    rain: choice('rain'),
    surface: choice('surface'),
    cloud: choice('cloud'),
  })
    .label(t`Column assignment`)
    .optional(),
  csv: text(4_000_000).label(t`CSV`).required(),
  mode: Joi.valid('check', 'import').label(t`mode`).required(),
  source: Joi.valid('typed').label(t`source`).optional(),
  rainInterval: Joi.valid('before', 'after').label(t`rain interval`).optional(),
});

/** How many days of air to give, back from now and ahead of it; digits, since a query is text. */
export interface WeatherQuery {
  back?: string;
  ahead?: string;
}

const days = (label: string) =>
  Joi.string()
    .pattern(/^(\d|[1-9]\d|[1-3]\d\d|400)$/)
    .label(label)
    .messages({ 'string.pattern.base': t`{#label} must be 0–400 days, but is {#value}` });

export const weatherQuery = objectOf<WeatherQuery>({ back: days('back'), ahead: days('ahead') });

export const standInRequest = objectOf<{ days: number }>({
  days: Joi.number().integer().min(1).max(16).label(t`days`).required(),
});

/** What a weather file may tell, each with the units it may tell it in; the first is taken where nobody says otherwise. */
export const WEATHER_COLUMNS = {
  time: [],
  air: ['°C', '°F'],
  rh: ['%', 'fraction'],
  wind: ['m/s', 'km/h', 'kn'],
  rain: ['mm', 'in'],
  surface: ['°C', '°F'],
  cloud: ['tenths', 'oktas', '%'],
} as const satisfies Record<string, readonly string[]>;
export type WeatherColumn = keyof typeof WEATHER_COLUMNS;

/** Which column of a file holds a quantity, counted from 0, and in which unit; null: the file does not tell it. */
export interface ColumnChoice {
  index: number;
  unit?: string;
}
export type ColumnMapping = Partial<Record<WeatherColumn, ColumnChoice | null>>;

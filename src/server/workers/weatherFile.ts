import type { ColumnMapping } from '../../contract/index.ts';
import { readWeatherCsv, type WeatherFile } from '../air/weatherCsv.ts';
import { JobRefused } from './jobRefused.ts';

/** Reads a weather file. @throws {JobRefused} */
export function readWeatherFile(csv: string, zone: string, mapping: ColumnMapping = {}): WeatherFile {
  try {
    return readWeatherCsv(csv, zone, mapping);
  } catch (error) {
    if (error instanceof RangeError) throw new JobRefused('csv', error.message);
    throw error;
  }
}

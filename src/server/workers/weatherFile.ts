import { readWeatherCsv, type WeatherFile } from '../air/weatherCsv.ts';
import { JobRefused } from './jobRefused.ts';

/** Reads a weather file. @throws {JobRefused} */
export function readWeatherFile(csv: string, zone: string): WeatherFile {
  try {
    return readWeatherCsv(csv, zone);
  } catch (error) {
    if (error instanceof RangeError) throw new JobRefused('csv', error.message);
    throw error;
  }
}

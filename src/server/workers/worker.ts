import { placesOf, rehearse } from '../../core/plan/index.ts';
import { cheapestPurchase } from '../../core/supply/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import { startsOfCoats } from '../views/plan/coatStarts.ts';
import { oddsJob } from '../views/plan/oddsJob.ts';
import { planJob } from '../views/plan/planJob.ts';
import { JobRefused } from './jobRefused.ts';
import { readReadings } from './readings.ts';
import { readSheetsFile } from './sheetsFile.ts';
import { readWeatherFile } from './weatherFile.ts';

/** The threads for heavy work: each function here is a job by its name. */

/** What a job came to. An error of its own kind does not survive the way between threads: it is told in words. */
export type JobAnswer<Result> =
  | { done: Result }
  | { refused: { path: string; message: string } }
  | { impossible: { what: string; value: unknown; limit: string } };

const answered =
  <Args extends unknown[], Result>(work: (...args: Args) => Result) =>
  (args: Args): JobAnswer<Result> => {
    try {
      return { done: work(...args) };
    } catch (error) {
      if (error instanceof JobRefused) return { refused: { path: error.path, message: error.message } };
      if (error instanceof QuantityError) {
        const { quantity, value, limit } = error;
        return { impossible: { what: quantity, value, limit } };
      }
      throw error;
    }
  };

export const weather = answered(readWeatherFile);
export const sheets = answered(readSheetsFile);
export const plan = answered(planJob);
export const odds = answered(oddsJob);
export const rehearsal = answered(rehearse);
export const places = answered(placesOf);
export const starts = answered(startsOfCoats);
export const purchase = answered(cheapestPurchase);
export const readings = answered(readReadings);

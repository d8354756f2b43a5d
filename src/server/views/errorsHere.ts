import { type LeadError, learnedErrors, type SplicedHour } from '../../core/cure/index.ts';
import type { Context } from '../context.ts';
import { forecastRecords } from '../rows/forecastRecords.ts';

const learned = new WeakMap<readonly SplicedHour[], Promise<readonly LeadError[]>>();

/** How wrong forecasts have been here: looked up once for each reading of the air. */
export function errorsHere(
  db: Context['db'],
  hours: readonly SplicedHour[],
  now: number,
): Promise<readonly LeadError[]> {
  const known = learned.get(hours) ?? forecastRecords(db, now).then(learnedErrors);
  learned.set(hours, known);
  // What failed once is looked up again.
  known.catch(() => learned.delete(hours));
  return known;
}

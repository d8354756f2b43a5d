import { QuantityError, within } from '../units/index.ts';
import { FORECAST_ERROR, forecastSdC, type LeadError } from './howSure.ts';

/** How forecasts of one lead time came out: how many hours were compared, and the sum of their squared errors, K². */
export interface LeadRecord {
  leadH: number;
  hours: number;
  squaresK2: number;
}

/** The handbook's figure counts as so many hours compared: neighbouring hours err together, so a day says little [M]. */
const PRIOR_HOURS = 120;

/**
 * The yard's own forecast error by lead time, drawn to the handbook's while little has been compared:
 * sd² = (Σe² + n₀·sd₀²) / (n + n₀) [S: any text of statistics, a scaled inverse χ² prior; n₀ = 120 from memory].
 *
 * With nothing compared it is the handbook's table; with thousands of hours it is what they came to.
 *
 * @throws {QuantityError} on counts or sums that cannot be
 */
export function learnedErrors(records: readonly LeadRecord[]): (LeadError & { hours: number })[] {
  return FORECAST_ERROR.map(({ leadH }) => {
    const own = records.filter(
      (record) => nearest(within('lead time (h)', record.leadH, 0, 24 * 366)) === leadH,
    );
    let [hours, squares] = [0, 0];
    for (const each of own) {
      hours += within('hours compared', each.hours, 0, 1e7);
      squares += within('sum of squared errors (K²)', each.squaresK2, 0, 1e10);
      if (each.hours === 0 && each.squaresK2 > 0)
        throw new QuantityError('sum of squared errors (K²)', each.squaresK2, '0 where no hour was compared');
    }
    const priorSd = forecastSdC(leadH);
    const sdC = Math.sqrt((squares + PRIOR_HOURS * priorSd ** 2) / (hours + PRIOR_HOURS));
    return { leadH, sdC: within('forecast error (K)', sdC, 0, 1e5), hours };
  });
}

/** The lead of the table a lead time is counted to. */
function nearest(leadH: number): number {
  let best = FORECAST_ERROR[0] as LeadError;
  for (const each of FORECAST_ERROR)
    if (Math.abs(each.leadH - leadH) < Math.abs(best.leadH - leadH)) best = each;
  return best.leadH;
}

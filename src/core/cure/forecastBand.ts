import { QuantityError, within } from '../units/index.ts';
import { FORECAST_ERROR, forecastSdC, type LeadError, NINE_OF_TEN } from './howSure.ts';

/** How wrong a forecast of the dew point is by lead time: one standard deviation, K [M, handbook part 18]. */
export const DEW_FORECAST_ERROR: readonly LeadError[] = [
  { leadH: 0, sdC: 0.7 },
  { leadH: 24, sdC: 1.5 },
  { leadH: 72, sdC: 2.2 },
  { leadH: 120, sdC: 2.8 },
  { leadH: 240, sdC: 3.5 },
];

/** How far the air may be from its forecast so far ahead, K either way, nine times of ten. @throws {QuantityError} as {@link forecastSdC} */
export const forecastBandC = (leadH: number, errors: readonly LeadError[] = FORECAST_ERROR): number =>
  NINE_OF_TEN * forecastSdC(leadH, errors);

/** Between which temperatures a quantity lies, °C. */
export interface BandC {
  lowC: number;
  highC: number;
}

/**
 * Air, dew point and surface of one hour with their bands of doubt, nine times of ten: what the forecast may be wrong by,
 * for the surface beside what cloud and heading leave open, independent of each other. The dew point's band ends at the
 * air's [T: handbook part 18].
 *
 * A forecast of 10 °C with a dew point of 6 °C, 24 h ahead: air 7.7 to 12.3 °C, dew point 3.5 to 8.5 °C.
 *
 * @param leadH how far ahead of now the hour lies, h; 0 or less, or measured: nothing is left open by a forecast
 * @param errors of the air, as learned; left out: the handbook's
 * @throws {QuantityError} on a dew point above the air, or a band that does not hold its surface
 */
export function hourBands(input: {
  airC: number;
  dewC: number;
  surface: { surfaceC: number } & BandC;
  leadH: number;
  errors?: readonly LeadError[];
}): { air: BandC; dew: BandC; surface: BandC } {
  const airC = within('air temperature', input.airC, -40, 60);
  const dewC = within('dew point (°C)', input.dewC, -90, 60);
  if (dewC > airC + 1e-6)
    throw new QuantityError('dew point (°C)', dewC, `at or below the air temperature (${airC} °C)`);
  const surfaceC = within('surface temperature', input.surface.surfaceC, -60, 120);
  const below = surfaceC - within('lower end of the surface temperature', input.surface.lowC, -60, surfaceC);
  const above = within('upper end of the surface temperature', input.surface.highC, surfaceC, 120) - surfaceC;
  const leadH = Math.max(0, within('lead time (h)', input.leadH, -24 * 400, 24 * 366));
  const by = (errors?: readonly LeadError[]) => (leadH > 0 ? forecastBandC(leadH, errors) : 0);
  const [airBy, dewBy] = [by(input.errors), by(DEW_FORECAST_ERROR)];
  const airHigh = airC + airBy;
  return {
    air: { lowC: airC - airBy, highC: airHigh },
    dew: { lowC: dewC - dewBy, highC: Math.min(airHigh, dewC + dewBy) },
    surface: { lowC: surfaceC - Math.hypot(below, airBy), highC: surfaceC + Math.hypot(above, airBy) },
  };
}

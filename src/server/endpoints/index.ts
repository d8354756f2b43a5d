import type { Endpoint } from '../http/endpoint.ts';
import { areaEndpoints } from './areas.ts';
import { boatEndpoints } from './boats.ts';
import { calendarEndpoints } from './calendars.ts';
import { hullFormEndpoints } from './hullForm.ts';
import { logEndpoints } from './log.ts';
import { lotEndpoints } from './lots.ts';
import { movementEndpoints } from './movements.ts';
import { offerEndpoints } from './offers.ts';
import { paceEndpoints } from './paces.ts';
import { photoEndpoints } from './photos.ts';
import { planEndpoints } from './plan.ts';
import { productEndpoints } from './products.ts';
import { scaleEndpoints } from './scales.ts';
import { stackEndpoints } from './stacks.ts';
import { standEndpoints } from './stands.ts';
import { stationEndpoints } from './stations.ts';
import { supplyEndpoints } from './supply.ts';
import { surveyEndpoints } from './survey.ts';
import { templateEndpoints } from './templates.ts';
import { tradeEndpoints } from './trade.ts';
import { waterlineEndpoints } from './waterline.ts';
import { weatherEndpoints } from './weather.ts';
import { yardEndpoints } from './yard.ts';

/** Every endpoint of the API. */
export const ENDPOINTS: readonly Endpoint[] = [
  ...yardEndpoints,
  ...boatEndpoints,
  ...areaEndpoints,
  ...stackEndpoints,
  ...templateEndpoints,
  ...standEndpoints,
  ...surveyEndpoints,
  ...photoEndpoints,
  ...hullFormEndpoints,
  ...waterlineEndpoints,
  ...productEndpoints,
  ...paceEndpoints,
  ...lotEndpoints,
  ...movementEndpoints,
  ...scaleEndpoints,
  ...offerEndpoints,
  ...tradeEndpoints,
  ...supplyEndpoints,
  ...logEndpoints,
  ...planEndpoints,
  ...weatherEndpoints,
  ...stationEndpoints,
  ...calendarEndpoints,
];

import { HOUR_MS, learnedErrors } from '../../core/cure/index.ts';
import { memoised } from '../../core/units/index.ts';
import type { Air } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import { forecastRecords } from '../rows/forecastRecords.ts';

type LearnedErrors = ReturnType<typeof learnedErrors>;

const learned = memoised(
  async (_air: Air, db: Context['db'], hour: number): Promise<LearnedErrors> =>
    learnedErrors(await forecastRecords(db, hour * HOUR_MS)),
);

/** How far off forecasts have been here: looked up once for each reading of the weather and hour. */
export const errorsHere = (air: Air, db: Context['db'], now: number): Promise<LearnedErrors> =>
  learned(air, db, Math.ceil(now / HOUR_MS));

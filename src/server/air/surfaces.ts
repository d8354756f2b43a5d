import {
  type Dark,
  nightsBetween,
  type Site,
  type Standing,
  type SurfaceBody,
  type SurfaceReading,
  surfaceSeries,
} from '../../core/air/index.ts';
import { HOUR_MS, type SplicedHour, type TempSeries } from '../../core/cure/index.ts';
import { memoised, memoisedByKey } from '../../core/units/index.ts';

/** The weather data of a yard and the place on earth it is of: what the sun does there hangs on it. Never changed once made. */
export interface Air {
  readonly hours: readonly SplicedHour[];
  readonly site: Site;
}

/** No weather data: nothing is worked out over it. */
export const NO_AIR: Air = { hours: [], site: { latitude: 0, longitude: 0 } };

/** Where a surface stands and stood, and what kind of store of heat it is. */
export interface SurfacePlace extends Standing {
  /** Inside the boat: there is artificial light at any hour. */
  indoors: boolean;
  body: SurfaceBody;
}

const DAY_MS = 24 * HOUR_MS;
const nightsAbout = memoised(
  (air: Air, dayMs: number, aheadMs: number): readonly Dark[] =>
    // Two days further than a start is sought: its coat ends later.
    nightsBetween(dayMs - DAY_MS, dayMs + aheadMs + 2 * DAY_MS, air.site),
  2,
);

/** When it is dark over the boats whose air this is, from about now on. */
export const darkOver = (air: Air, now: number, aheadMs = 10 * DAY_MS): readonly Dark[] =>
  nightsAbout(air, Math.floor(now / DAY_MS) * DAY_MS, aheadMs);

const series = ({ hours, site }: Air, { surroundings, before = [], body }: SurfacePlace, band: boolean) =>
  surfaceSeries({ hours, surface: body, site, surroundings, before, band });

const keyOf = ({ surroundings, before = [], body }: SurfacePlace) =>
  JSON.stringify([surroundings, body, before]);

/** The film temperatures of a surface in this air: one series for all surfaces alike, so their clocks can share it. */
export const tempsFor: (air: Air, place: SurfacePlace) => TempSeries = memoisedByKey(
  (air: Air, place: SurfacePlace): TempSeries => {
    const readings = series(air, place, false);
    return { startMs: readings[0]?.at ?? 0, valuesC: readings.map(({ surfaceC }) => surfaceC) };
  },
  keyOf,
);

/** The surface hour by hour with the band it may lie in, where cloud or heading is not known. */
export const bandFor: (air: Air, place: SurfacePlace) => readonly SurfaceReading[] = memoisedByKey(
  (air: Air, place: SurfacePlace) => series(air, place, true),
  keyOf,
);

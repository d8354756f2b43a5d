import {
  type Dark,
  nightsBetween,
  type Site,
  type SurfaceBody,
  type SurfaceReading,
  type Surroundings,
  surfaceSeries,
} from '../../core/air/index.ts';
import { HOUR_MS, type SplicedHour, type TempSeries } from '../../core/cure/index.ts';

/** Where a surface stands, and what kind of store of heat it is. */
export interface SurfacePlace {
  surroundings: Surroundings;
  body: SurfaceBody;
}

/** Where the boats stand whose air this is. */
const sites = new WeakMap<readonly SplicedHour[], Site>();

/** Tells where on earth a series of air is of: what the sun does there hangs on it. */
export function atSite<T extends readonly SplicedHour[]>(hours: T, site: Site): T {
  sites.set(hours, { latitude: site.latitude, longitude: site.longitude });
  return hours;
}

/** Nobody said where: the sun of the middle latitudes, where most boats stand. */
const SOMEWHERE: Site = { latitude: 50, longitude: 0 };

const nights = new WeakMap<readonly SplicedHour[], { dayMs: number; dark: readonly Dark[] }>();
const DAY_MS = 24 * HOUR_MS;
/** Nights are found this far ahead: further than any start is sought. */
const NIGHTS_AHEAD_MS = 12 * DAY_MS;

/** When it is dark over the boats whose air this is, about now; none where nobody said where they stand. */
export function darkOver(hours: readonly SplicedHour[], now: number): readonly Dark[] {
  const site = sites.get(hours);
  if (!site) return [];
  const dayMs = Math.floor(now / DAY_MS) * DAY_MS;
  const known = nights.get(hours);
  if (known?.dayMs === dayMs) return known.dark;
  const dark = nightsBetween(dayMs - DAY_MS, dayMs + NIGHTS_AHEAD_MS, site);
  nights.set(hours, { dayMs, dark });
  return dark;
}

interface Kept {
  place: SurfacePlace;
  temps?: TempSeries;
  band?: readonly SurfaceReading[];
}

const kept = new WeakMap<readonly SplicedHour[], Map<string, Kept>>();

function keptFor(hours: readonly SplicedHour[], place: SurfacePlace): Kept {
  const known = kept.get(hours) ?? new Map<string, Kept>();
  kept.set(hours, known);
  const key = JSON.stringify(place);
  const one = known.get(key) ?? { place };
  known.set(key, one);
  return one;
}

function series(hours: readonly SplicedHour[], { surroundings, body }: SurfacePlace, band: boolean) {
  const site = sites.get(hours) ?? SOMEWHERE;
  return surfaceSeries({ hours, surface: body, site, surroundings, band });
}

function tempsOf(hours: readonly SplicedHour[], place: SurfacePlace): TempSeries {
  const readings = series(hours, place, false);
  return { startMs: readings[0]?.at ?? 0, valuesC: readings.map(({ surfaceC }) => surfaceC) };
}

/** The film temperatures of a surface in this air: one series for all surfaces alike, so their clocks can share it. */
export function tempsFor(hours: readonly SplicedHour[], place: SurfacePlace): TempSeries {
  const one = keptFor(hours, place);
  one.temps ??= tempsOf(hours, place);
  return one.temps;
}

/** The surface hour by hour with the band it may lie in, where cloud or heading is not known. */
export function bandFor(hours: readonly SplicedHour[], place: SurfacePlace): readonly SurfaceReading[] {
  const one = keptFor(hours, place);
  one.band ??= series(hours, place, true);
  return one.band;
}

const sameSeries = (a: TempSeries, b: TempSeries) =>
  a.startMs === b.startMs &&
  a.valuesC.length === b.valuesC.length &&
  a.valuesC.every((value, i) => value === b.valuesC[i]);

/** Air read again gives the same series where nothing in it changed: what was worked out over it still holds. */
export function carryTemps(from: readonly SplicedHour[], to: readonly SplicedHour[]): void {
  if (to.length === 0) return;
  const carried = new Map<string, Kept>();
  for (const [key, { place, temps }] of kept.get(from) ?? []) {
    if (!temps) continue;
    const fresh = tempsOf(to, place);
    carried.set(key, { place, temps: sameSeries(temps, fresh) ? temps : fresh });
  }
  kept.set(to, carried);
}

import { getPosition } from 'suncalc';
import { memoised, moment, within } from '../units/index.ts';
import { dewPointC } from './dewPoint.ts';
import type { AirHour } from './hour.ts';
import { calmIfUnknown, dryIfUnknown } from './unknownAir.ts';

/** Where the boat stands, degrees. */
export interface Site {
  latitude: number;
  longitude: number;
}

export const KELVIN = 273.15;
const STEP_MS = 1_800_000;
/** Steps while the sun rises or sets, when its beam changes from minute to minute. */
const FINE_STEP_MS = 600_000;
const NEAR_HORIZON = 0.2;
/** Wind beyond which the formula for the outside is not known, m/s. */
const MOST_WIND = 7;

/** Emissivity of the sky by dew point and cloud in tenths [S: Clark & Allen 1978; Walton 1983]. */
const skyEmissivity = (dewC: number, n: number) =>
  (0.787 + 0.764 * Math.log((dewC + KELVIN) / 273)) * (1 + 0.0224 * n - 0.0035 * n * n + 0.00028 * n * n * n);

/** Sun on the level under cloud in tenths, W/m² [S: Haurwitz 1945; Kasten & Czeplak 1980]. */
function levelSun(cosZenith: number, n: number): number {
  if (cosZenith <= 0) return 0;
  return 1098 * cosZenith * Math.exp(-0.057 / cosZenith) * (1 - 0.75 * (n / 10) ** 3.4);
}

/** The sun's place: cosine of its zenith angle, and its azimuth clockwise from north, radians. */
export interface SunPlace {
  cosZenith: number;
  azimuth: number;
}

/** @throws {QuantityError} on a place that is none */
export function sunPlace(atMs: number, site: Site): SunPlace {
  within('latitude', site.latitude, -90, 90);
  within('longitude', site.longitude, -180, 180);
  const { altitude, azimuth } = getPosition(new Date(moment('moment', atMs)), site.latitude, site.longitude);
  const radians = Math.PI / 180;
  return { cosZenith: Math.sin(altitude * radians), azimuth: azimuth * radians };
}

/** The air, sky and sun at the end of each small step, the same for every face of the yard: worked out once. */
export interface Steps {
  /** Steps of each hour after the first, and their length, s. */
  count: readonly number[];
  seconds: readonly number[];
  airC: Float64Array;
  windMs: Float64Array;
  skyEmissivity: Float64Array;
  /** Sun on the level, and the diffuse part of it, W/m². */
  level: Float64Array;
  diffuse: Float64Array;
  /** Beam straight at the sun, W/m². */
  beam: Float64Array;
  /** The sun's direction: up, north, east. */
  up: Float64Array;
  north: Float64Array;
  east: Float64Array;
}

/** Clear, half covered and overcast, of one site. */
const READINGS_OF_THE_SKY = 3;

const stepsAt = memoised(
  (hours: readonly AirHour[], latitude: number, longitude: number, unknown: number, inRain: number): Steps =>
    makeSteps(hours, { latitude, longitude }, { unknown, inRain }),
  READINGS_OF_THE_SKY,
);

/**
 * @param unknown cloud taken where an hour does not state it, tenths
 * @param inRain cloud taken before the sun in such an hour if it rains, tenths
 */
export const stepsOf = (hours: readonly AirHour[], site: Site, unknown: number, inRain = unknown): Steps =>
  stepsAt(hours, site.latitude, site.longitude, unknown, inRain);

/** Sun places that are remembered: those of the same hours are asked for again with every forecast of them. */
const MOST_SUNS = 100_000;
const suns = new Map<string, Map<number, SunPlace>>();

/** Where the sun stands at a moment, remembered. */
function sunOver(site: Site): (ms: number) => SunPlace {
  const key = `${site.latitude} ${site.longitude}`;
  const known = suns.get(key) ?? new Map<number, SunPlace>();
  if (known.size > MOST_SUNS) known.clear();
  if (suns.size > 8) suns.clear();
  suns.set(key, known);
  return (ms) => {
    const had = known.get(ms);
    if (had) return had;
    const made = sunPlace(ms, site);
    known.set(ms, made);
    return made;
  };
}

function makeSteps(
  hours: readonly AirHour[],
  site: Site,
  { unknown, inRain }: { unknown: number; inRain: number },
): Steps {
  const sunAt = sunOver(site);
  const cloud = hours.map(
    ({ cloudTenths, rainMm }) => cloudTenths ?? (dryIfUnknown(rainMm) > 0 ? inRain : unknown),
  );
  const sky = hours.map((hour) => skyEmissivity(dewPointC(hour), hour.cloudTenths ?? unknown));
  const upAt = hours.map(({ at }) => sunAt(at).cosZenith);
  const count = hours.map((hour, i) => {
    const before = hours[i - 1];
    if (!before) return 1;
    const low = Math.min(Math.abs(upAt[i - 1] as number), Math.abs(upAt[i] as number)) < NEAR_HORIZON;
    return Math.min(500, Math.max(1, Math.ceil((hour.at - before.at) / (low ? FINE_STEP_MS : STEP_MS))));
  });
  const total = count.reduce((sum, each) => sum + each, 0);
  const made = {
    count,
    seconds: hours.map((hour, i) =>
      i === 0 ? 0 : (hour.at - (hours[i - 1] as AirHour).at) / (count[i] as number) / 1000,
    ),
    airC: new Float64Array(total),
    windMs: new Float64Array(total),
    skyEmissivity: new Float64Array(total),
    level: new Float64Array(total),
    diffuse: new Float64Array(total),
    beam: new Float64Array(total),
    up: new Float64Array(total),
    north: new Float64Array(total),
    east: new Float64Array(total),
  };
  let k = 0;
  hours.forEach((b, i) => {
    const a = hours[i - 1] ?? b;
    for (let s = 0; s < (count[i] as number); s++) {
      const x = (s + 1) / (count[i] as number);
      const between = (from: number, to: number) => from + x * (to - from);
      const n = between(cloud[Math.max(0, i - 1)] as number, cloud[i] as number);
      const sun = sunAt(between(a.at, b.at));
      made.airC[k] = between(a.airC, b.airC);
      made.windMs[k] = Math.min(MOST_WIND, between(calmIfUnknown(a.windMs), calmIfUnknown(b.windMs)));
      made.skyEmissivity[k] = between(sky[Math.max(0, i - 1)] as number, sky[i] as number);
      const level = levelSun(sun.cosZenith, n);
      const diffuse = level * (0.3 + 0.7 * (n / 10) ** 2);
      const sinZenith = Math.sqrt(Math.max(0, 1 - sun.cosZenith ** 2));
      made.level[k] = level;
      made.diffuse[k] = diffuse;
      // Near the horizon a beam on an upright face is kept to what the sun can give.
      made.beam[k] = (level - diffuse) / Math.max(sun.cosZenith, 0.05);
      made.up[k] = sun.cosZenith;
      made.north[k] = sinZenith * Math.cos(sun.azimuth);
      made.east[k] = sinZenith * Math.sin(sun.azimuth);
      k++;
    }
  });
  return made;
}

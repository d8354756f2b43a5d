import { getPosition } from 'suncalc';
import { finite, moment, positive, QuantityError, within } from '../units/index.ts';
import type { SurfaceReading } from './coatAir.ts';
import { dewPointC } from './dewPoint.ts';
import { type AirHour, checkHours } from './hour.ts';
import type { Surroundings } from './surface.ts';

/** A surface as a thin store of heat. */
export interface SurfaceBody {
  /** Tilt of the outward normal from straight up, degrees: deck 0, topsides 90, bottom 120–180. */
  tiltDeg: number;
  /** Compass direction it looks to, clockwise from north, degrees; null: not known, or all round. */
  headingDeg: number | null;
  /** Share of the sun it takes up: white 0.25, dark blue 0.9 [M]. */
  absorptance: number;
  /** Long-wave emissivity: paint, timber, GRP 0.9 [M]. */
  emissivity: number;
  /** Heat stored, J/m²K: GRP of 6 mm 10 000, a keel casting 300 000 and more [M]. */
  heatCapacityJPerM2K: number;
  /** To the air inside, W/m²K: 3–8 of a thin skin, 0 of a deck over insulation or a casting [M]. */
  insideWPerM2K: number;
}

/** Where the boat stands, degrees. */
export interface Site {
  latitude: number;
  longitude: number;
}

const KELVIN = 273.15;
/** Stefan–Boltzmann constant, W/m²K⁴ [S: CODATA]. */
const SIGMA = 5.670374e-8;
const HOUR_MS = 3_600_000;
const STEP_MS = 1_800_000;
/** Steps while the sun rises or sets, when its beam changes from minute to minute. */
const FINE_STEP_MS = 600_000;
const NEAR_HORIZON = 0.2;
/** Air about a covered surface moves little, m/s [T]; a translucent tent lets this much of the sun through [T]. */
const COVERED_WIND = 0.3;
const TENT_SUN = 0.6;
/** A measured surface's difference from the model fades with this, hours [M]. */
const MEASURED_FADES_H = 6;
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

/** What the surroundings leave of sky, sun and wind, and what they do to the air. */
function under(surroundings: Surroundings) {
  const covered =
    surroundings.kind === 'tent' || surroundings.kind === 'shed' || surroundings.kind === 'heated';
  return {
    covered,
    sun: surroundings.kind === 'tent' ? TENT_SUN : covered ? 0 : surroundings.kind === 'shaded' ? 0.2 : 1,
    sky: covered ? 0 : surroundings.kind === 'shaded' ? 0.5 : 1,
    leastC: surroundings.kind === 'heated' ? surroundings.setPointC : Number.NEGATIVE_INFINITY,
  };
}

function checkBody(body: SurfaceBody): void {
  within('tilt (°)', body.tiltDeg, 0, 180);
  if (body.headingDeg !== null) within('heading (°)', body.headingDeg, -360, 360);
  within('absorptance', body.absorptance, 0, 1);
  within('emissivity', body.emissivity, 0, 1);
  within('heat capacity (J/m²K)', positive('heat capacity (J/m²K)', body.heatCapacityJPerM2K), 100, 1e7);
  within('heat to the inside (W/m²K)', body.insideWPerM2K, 0, 100);
}

/** How the beam meets a face whose heading nobody said: away from it, the mean of all headings, straight at it. */
type Beam = 'heading' | 'away' | 'mean' | 'facing';

/** Mean over all headings of the cosine of the beam's incidence, never below 0, from its level and its upright part. */
function meanIncidence(level: number, upright: number): number {
  if (upright <= Math.abs(level)) return Math.max(0, level);
  const lit = Math.acos(-level / upright);
  return (level * lit + upright * Math.sin(lit)) / Math.PI;
}

/** The air, sky and sun at the end of each small step, the same for every face of the yard: worked out once. */
interface Steps {
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

const stepsKept = new WeakMap<readonly AirHour[], Map<string, Steps>>();

/** @param unknown cloud taken where an hour does not state it, tenths */
function stepsOf(hours: readonly AirHour[], site: Site, unknown: number): Steps {
  const known = stepsKept.get(hours) ?? new Map<string, Steps>();
  stepsKept.set(hours, known);
  const key = `${site.latitude} ${site.longitude} ${unknown}`;
  const made = known.get(key) ?? makeSteps(hours, site, unknown);
  known.set(key, made);
  return made;
}

function makeSteps(hours: readonly AirHour[], site: Site, unknown: number): Steps {
  const cloud = hours.map(({ cloudTenths }) => cloudTenths ?? unknown);
  const sky = hours.map((hour, i) => skyEmissivity(dewPointC(hour), cloud[i] as number));
  const upAt = hours.map(({ at }) => sunPlace(at, site).cosZenith);
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
      const sun = sunPlace(between(a.at, b.at), site);
      made.airC[k] = between(a.airC, b.airC);
      made.windMs[k] = Math.min(MOST_WIND, between(a.windMs ?? 0, b.windMs ?? 0));
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

/** One run of the balance under one reading of the cloud and one of the beam: °C at each hour. */
function run(steps: Steps, body: SurfaceBody, around: ReturnType<typeof under>, met: Beam): number[] {
  const tilt = (body.tiltDeg * Math.PI) / 180;
  const heading = ((body.headingDeg ?? 0) * Math.PI) / 180;
  const [cosTilt, sinTilt] = [Math.cos(tilt), Math.sin(tilt)];
  const [toNorth, toEast] = [sinTilt * Math.cos(heading), sinTilt * Math.sin(heading)];
  const seesSky = (1 + cosTilt) / 2;
  const seesGround = (0.2 * (1 - cosTilt)) / 2;
  const view = seesSky * around.sky;
  const { emissivity, insideWPerM2K: inside, heatCapacityJPerM2K: store } = body;
  const sunShare = body.absorptance * around.sun;
  const { airC, windMs, skyEmissivity: sky, level, diffuse, beam, up, north, east } = steps;
  /** Beam by its incidence, diffuse and ground by what the face sees, W/m² [S: Liu & Jordan 1963]. */
  const sunOn = (k: number): number => {
    const onLevel = level[k] as number;
    if (onLevel <= 0) return 0;
    const flat = (up[k] as number) * cosTilt;
    const upright = Math.sqrt(Math.max(0, 1 - (up[k] as number) ** 2)) * sinTilt;
    let incidence = 0;
    if (met === 'heading') incidence = flat + toNorth * (north[k] as number) + toEast * (east[k] as number);
    else if (met === 'mean') incidence = meanIncidence(flat, upright);
    else incidence = met === 'facing' ? flat + upright : flat - upright;
    return (
      sunShare *
      ((beam[k] as number) * Math.max(0, incidence) + (diffuse[k] as number) * seesSky + onLevel * seesGround)
    );
  };
  /** Heat that reaches the skin at a moment, whatever its own temperature, W/m², and what it exchanges with the air. */
  const reaches = new Float64Array(airC.length);
  const exchanges = new Float64Array(airC.length);
  for (let k = 0; k < airC.length; k++) {
    const airK = Math.max(airC[k] as number, around.leastC) + KELVIN;
    const air2 = airK * airK;
    const long = (view * (sky[k] as number) + (1 - view)) * SIGMA * air2 * air2;
    const exchange = 2.8 + 3 * (around.covered ? COVERED_WIND : (windMs[k] as number)) + inside;
    exchanges[k] = exchange;
    reaches[k] = (sunShare === 0 ? 0 : sunOn(k)) + emissivity * long + exchange * airK;
  }
  /** Where the skin would come to rest, its radiation taken as straight about its temperature; and how fast it goes there. */
  const rest = (k: number, slope: number, skin: number) =>
    ((reaches[k] as number) + 0.75 * slope * skin) / (slope + (exchanges[k] as number));
  // It begins as if the first hour had lasted for ever.
  let skin = (airC[0] as number) + KELVIN;
  for (let i = 0; i < 20; i++) skin = rest(0, 4 * emissivity * SIGMA * skin ** 3, skin);
  const found = [skin - KELVIN];
  let k = 1;
  for (let i = 1; i < steps.count.length; i++) {
    const seconds = steps.seconds[i] as number;
    for (let s = steps.count[i] as number; s > 0; s--, k++) {
      const slope = 4 * emissivity * SIGMA * skin * skin * skin;
      const times =
        ((slope + ((exchanges[k - 1] as number) + (exchanges[k] as number)) / 2) * seconds) / store;
      const kept = Math.exp(-times);
      const [from, to] = [rest(k - 1, slope, skin), rest(k, slope, skin)];
      // Exact where what drives it runs on a straight line over the step, however light the skin.
      skin = to - ((to - from) * (1 - kept)) / times + (skin - from) * kept;
    }
    found.push(finite('surface temperature', skin - KELVIN));
  }
  return found;
}

/**
 * The temperature of a surface hour by hour, by the balance of sun, sky, wind and what is behind it:
 * C·dT/dt = α·G + ε·(L − σ·T⁴) + h·(T_a − T) + h_i·(T_i − T) [S: any heat-transfer text; handbook part 17 for the terms].
 *
 * Where an hour does not state its cloud the band runs from clear to overcast; where nobody said which way the face looks,
 * from the side away from the sun to the one facing it. A measured surface wins in its hour, and
 * its difference from the model fades with six hours [M].
 *
 * @param hours the air, each reading at its time, in order
 * @param band whether the band is worked out too; `false`: low and high are the middle
 * @param surroundings open to the sky where left out
 * @returns °C at each hour, with the band it may lie in
 * @throws {QuantityError} on an impossible figure, or hours out of their order
 */
export function surfaceSeries(input: {
  hours: readonly AirHour[];
  surface: SurfaceBody;
  site: Site;
  surroundings?: Surroundings;
  band?: boolean;
}): SurfaceReading[] {
  const { hours, surface, site } = input;
  checkHours(hours);
  checkBody(surface);
  sunPlace(0, site);
  if (hours.length === 0) throw new QuantityError('hours', 0, '1 or more');
  const around = under(input.surroundings ?? { kind: 'open' });
  const stated = hours.every(({ cloudTenths }) => cloudTenths !== undefined);
  const turned = surface.headingDeg !== null || surface.absorptance === 0 || around.sun === 0;
  const runWith = (cloud: number, beam: Beam) =>
    run(stepsOf(hours, site, stated ? 0 : cloud), surface, around, turned ? 'heading' : beam);
  const middle = runWith(5, 'mean');
  const ends =
    input.band === false
      ? []
      : [
          ...(stated && turned ? [] : [runWith(0, 'away'), ...(turned ? [] : [runWith(0, 'facing')])]),
          ...(stated ? [] : [runWith(10, 'mean')]),
        ];
  let off = 0;
  let offAt = hours[0]?.at ?? 0;
  return hours.map((hour, i) => {
    const modelC = middle[i] as number;
    if (hour.surfaceC !== undefined) {
      off = hour.surfaceC - modelC;
      offAt = hour.at;
      return { at: hour.at, surfaceC: hour.surfaceC, lowC: hour.surfaceC, highC: hour.surfaceC };
    }
    const kept = off * Math.exp(-(hour.at - offAt) / HOUR_MS / MEASURED_FADES_H);
    let [low, high] = [modelC, modelC];
    for (const each of ends) {
      low = Math.min(low, each[i] as number);
      high = Math.max(high, each[i] as number);
    }
    return { at: hour.at, surfaceC: modelC + kept, lowC: low + kept, highC: high + kept };
  });
}

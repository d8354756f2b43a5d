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
  /** Compass direction it looks to, clockwise from north, degrees. */
  headingDeg: number;
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
const STEP_MS = 600_000;
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

/** Sun on a tilted face, W/m²: beam by its incidence, diffuse and ground by what the face sees [S: Liu & Jordan 1963]. */
function tiltedSun(sun: SunPlace, n: number, tilt: number, heading: number): number {
  const level = levelSun(sun.cosZenith, n);
  if (level <= 0) return 0;
  const diffuse = level * (0.3 + 0.7 * (n / 10) ** 2);
  const sinZenith = Math.sqrt(Math.max(0, 1 - sun.cosZenith ** 2));
  const incidence =
    sun.cosZenith * Math.cos(tilt) + sinZenith * Math.sin(tilt) * Math.cos(sun.azimuth - heading);
  // Near the horizon a beam on an upright face is kept to what the sun can give.
  const beam = ((level - diffuse) * Math.max(0, incidence)) / Math.max(sun.cosZenith, 0.05);
  return beam + (diffuse * (1 + Math.cos(tilt))) / 2 + (level * 0.2 * (1 - Math.cos(tilt))) / 2;
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
  within('heading (°)', body.headingDeg, -360, 360);
  within('absorptance', body.absorptance, 0, 1);
  within('emissivity', body.emissivity, 0, 1);
  within('heat capacity (J/m²K)', positive('heat capacity (J/m²K)', body.heatCapacityJPerM2K), 100, 1e7);
  within('heat to the inside (W/m²K)', body.insideWPerM2K, 0, 100);
}

/** One run of the balance under one reading of the cloud: °C at each hour. */
function run(
  hours: readonly AirHour[],
  body: SurfaceBody,
  site: Site,
  around: ReturnType<typeof under>,
  cloudOf: (hour: AirHour) => number,
): number[] {
  const tilt = (body.tiltDeg * Math.PI) / 180;
  const heading = (body.headingDeg * Math.PI) / 180;
  const view = ((1 + Math.cos(tilt)) / 2) * around.sky;
  const { emissivity, insideWPerM2K: inside, heatCapacityJPerM2K: store } = body;
  /** Heat gained at a temperature of 0 K slope apart: constant part and slope of the linearised balance. */
  const balance = (hour: AirHour, sunWPerM2: number, skinK: number) => {
    const airK = Math.max(hour.airC, around.leastC) + KELVIN;
    const windMs = around.covered ? COVERED_WIND : Math.min(hour.windMs ?? 0, MOST_WIND);
    const h = 2.8 + 3 * windMs;
    const sky = skyEmissivity(dewPointC(hour), cloudOf(hour));
    const long = (view * sky + (1 - view)) * SIGMA * airK ** 4;
    const radiated = emissivity * SIGMA * skinK ** 4;
    const slope = 4 * emissivity * SIGMA * skinK ** 3;
    const gain = body.absorptance * sunWPerM2 + emissivity * long - radiated + slope * skinK;
    return { gain: gain + (h + inside) * airK, loss: slope + h + inside };
  };
  const sunAt = (ms: number, n: number) =>
    around.sun === 0 ? 0 : around.sun * tiltedSun(sunPlace(ms, site), n, tilt, heading);
  const between = (a: AirHour, b: AirHour, x: number): AirHour => ({
    at: a.at + x * (b.at - a.at),
    airC: a.airC + x * (b.airC - a.airC),
    rh: a.rh + x * (b.rh - a.rh),
    windMs: (a.windMs ?? 0) + x * ((b.windMs ?? 0) - (a.windMs ?? 0)),
    cloudTenths: cloudOf(a) + x * (cloudOf(b) - cloudOf(a)),
  });
  const first = hours[0] as AirHour;
  // It begins as if the first hour had lasted for ever.
  let skin = first.airC + KELVIN;
  for (let i = 0; i < 20; i++) {
    const { gain, loss } = balance(first, sunAt(first.at, cloudOf(first)), skin);
    skin = gain / loss;
  }
  const found = [skin - KELVIN];
  for (let i = 1; i < hours.length; i++) {
    const [a, b] = [hours[i - 1] as AirHour, hours[i] as AirHour];
    const steps = Math.min(500, Math.max(1, Math.ceil((b.at - a.at) / STEP_MS)));
    const seconds = (b.at - a.at) / steps / 1000;
    for (let s = 0; s < steps; s++) {
      const air = between(a, b, (s + 0.5) / steps);
      const { gain, loss } = balance(air, sunAt(air.at, air.cloudTenths ?? 0), skin);
      // Exact for a balance that is straight over the step: stable however light the skin.
      const rest = gain / loss;
      skin = rest + (skin - rest) * Math.exp((-loss * seconds) / store);
    }
    found.push(finite('surface temperature', skin - KELVIN));
  }
  return found;
}

/**
 * The temperature of a surface hour by hour, by the balance of sun, sky, wind and what is behind it:
 * C·dT/dt = α·G + ε·(L − σ·T⁴) + h·(T_a − T) + h_i·(T_i − T) [S: any heat-transfer text; handbook part 17 for the terms].
 *
 * Where an hour does not state its cloud the band runs from clear to overcast. A measured surface wins in its hour, and
 * its difference from the model fades with six hours [M].
 *
 * @param hours the air, each reading at its time, in order
 * @param surroundings open to the sky where left out
 * @returns °C at each hour, with the band it may lie in
 * @throws {QuantityError} on an impossible figure, or hours out of their order
 */
export function surfaceSeries(input: {
  hours: readonly AirHour[];
  surface: SurfaceBody;
  site: Site;
  surroundings?: Surroundings;
}): SurfaceReading[] {
  const { hours, surface, site } = input;
  checkHours(hours);
  checkBody(surface);
  sunPlace(0, site);
  if (hours.length === 0) throw new QuantityError('hours', 0, '1 or more');
  const around = under(input.surroundings ?? { kind: 'open' });
  const stated = hours.every(({ cloudTenths }) => cloudTenths !== undefined);
  const runWith = (unknown: number) =>
    run(hours, surface, site, around, (hour) => hour.cloudTenths ?? unknown);
  const middle = runWith(5);
  const [clear, overcast] = stated ? [middle, middle] : [runWith(0), runWith(10)];
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
    const all = [modelC, clear[i] as number, overcast[i] as number];
    return {
      at: hour.at,
      surfaceC: modelC + kept,
      lowC: Math.min(...all) + kept,
      highC: Math.max(...all) + kept,
    };
  });
}

import { finite, positive, QuantityError, within } from '../units/index.ts';
import type { SurfaceReading } from './coatAir.ts';
import { type AirHour, checkHours } from './hour.ts';
import { KELVIN, type Site, type Steps, stepsOf, sunPlace } from './skyAndSun.ts';
import { checkStanding, type Standing } from './standing.ts';
import { heatedAirC, type Surroundings } from './surface.ts';

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

/** Stefan–Boltzmann constant, W/m²K⁴ [S: CODATA]. */
const SIGMA = 5.670374e-8;
const HOUR_MS = 3_600_000;
/** Air about a covered surface moves little, m/s [T]; a translucent tent lets this much of the sun through [T]. */
const COVERED_WIND = 0.3;
const TENT_SUN = 0.6;
/** Share of the sun that the ground gives back [S: Liu & Jordan 1963]. */
const GROUND_ALBEDO = 0.2;
/** A measured surface's difference from the model fades with this, hours [M]. */
const MEASURED_FADES_H = 6;

/** What the surroundings leave of sky, sun and wind, and what they do to the air. */
function under(surroundings: Surroundings) {
  const covered =
    surroundings.kind === 'tent' || surroundings.kind === 'shed' || surroundings.kind === 'heated';
  return {
    covered,
    sun: surroundings.kind === 'tent' ? TENT_SUN : covered ? 0 : surroundings.kind === 'shaded' ? 0.2 : 1,
    sky: covered ? 0 : surroundings.kind === 'shaded' ? 0.5 : 1,
    airInsideC: (airC: number) => (surroundings.kind === 'heated' ? heatedAirC(airC, surroundings) : airC),
  };
}

function checkBody(body: SurfaceBody): void {
  within('Tilt (°)', body.tiltDeg, 0, 180);
  if (body.headingDeg !== null) within('Heading (°)', body.headingDeg, -360, 360);
  within('absorptance', body.absorptance, 0, 1);
  within('emissivity', body.emissivity, 0, 1);
  within('Heat capacity (J/m²K)', positive('Heat capacity (J/m²K)', body.heatCapacityJPerM2K), 100, 1e7);
  within('Heat transfer to the inside (W/m²K)', body.insideWPerM2K, 0, 100);
}

/** How the beam meets a face whose heading nobody said: away from it, the mean of all headings, straight at it. */
type Beam = 'heading' | 'away' | 'mean' | 'facing';

/** Mean over all headings of the cosine of the beam's incidence, never below 0, from its level and its upright part. */
function meanIncidence(level: number, upright: number): number {
  if (upright <= Math.abs(level)) return Math.max(0, level);
  const lit = Math.acos(-level / upright);
  return (level * lit + upright * Math.sin(lit)) / Math.PI;
}

/** What the surroundings leave, by step. */
type Around = (k: number) => ReturnType<typeof under>;

/** What the surroundings leave of sky, sun and wind at each step of the balance. */
function aroundOver(
  hours: readonly AirHour[],
  steps: Steps,
  { surroundings, before = [] }: Standing,
): Around {
  const last = under(surroundings);
  const stages = before.map((each) => ({ ...under(each.surroundings), untilMs: each.untilMs }));
  if (!stages.some(({ untilMs }) => untilMs > (hours[0]?.at ?? 0))) return () => last;
  const each = hours.flatMap(({ at }, i) => {
    const [count, seconds] = [steps.count[i] as number, steps.seconds[i] as number];
    return Array.from({ length: count }, (_, s) => {
      const ms = at - (count - 1 - s) * seconds * 1000;
      return stages.find(({ untilMs }) => ms < untilMs) ?? last;
    });
  });
  return (k) => each[k] ?? last;
}

/** One run of the balance under one reading of the cloud and one of the beam: °C at each hour. */
function run(steps: Steps, body: SurfaceBody, aroundAt: Around, met: Beam): number[] {
  const tilt = (body.tiltDeg * Math.PI) / 180;
  const heading = ((body.headingDeg ?? 0) * Math.PI) / 180;
  const [cosTilt, sinTilt] = [Math.cos(tilt), Math.sin(tilt)];
  const [toNorth, toEast] = [sinTilt * Math.cos(heading), sinTilt * Math.sin(heading)];
  const seesSky = (1 + cosTilt) / 2;
  const seesGround = (GROUND_ALBEDO * (1 - cosTilt)) / 2;
  const { emissivity, insideWPerM2K: inside, heatCapacityJPerM2K: store } = body;
  const { airC, windMs, skyEmissivity: sky, level, diffuse, beam, up, north, east } = steps;
  /** Beam by its incidence, diffuse and ground by what the face sees, W/m² [S: Liu & Jordan 1963]. */
  const sunOn = (k: number, sunShare: number): number => {
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
  /** Heat that reaches the skin at a moment, independent of its own temperature, W/m², and its exchange with the air. */
  const reaches = new Float64Array(airC.length);
  const exchanges = new Float64Array(airC.length);
  for (let k = 0; k < airC.length; k++) {
    const around = aroundAt(k);
    const view = seesSky * around.sky;
    const sunShare = body.absorptance * around.sun;
    const airK = around.airInsideC(airC[k] as number) + KELVIN;
    const air2 = airK * airK;
    const long = (view * (sky[k] as number) + (1 - view)) * SIGMA * air2 * air2;
    const exchange = 2.8 + 3 * (around.covered ? COVERED_WIND : (windMs[k] as number)) + inside;
    exchanges[k] = exchange;
    reaches[k] = (sunShare === 0 ? 0 : sunOn(k, sunShare)) + emissivity * long + exchange * airK;
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
 * T_i, the air behind a thin skin, is taken as the outside air, since inside air is near it unless heated; in a heated room both are at
 * the set point or above.
 *
 * Where an hour does not state its cloud the band runs from clear to overcast, and its middle is half covered; in an hour of rain no
 * more sun is taken for the middle than comes through an overcast sky [T: rain comes with cloud]. Where nobody said which way the face
 * looks, the band runs from the side away from the sun to the one facing it. A measured surface wins in its hour, and
 * its difference from the model fades with six hours [M].
 *
 * @param hours the air, each reading at its time, in order
 * @param band whether the band is worked out too; `false`: low and high are the middle
 * @param surroundings open to the sky where left out
 * @param before where it stood before, each until its moment: what it stores of their heat it takes along
 * @returns °C at each hour, with the band it may lie in
 * @throws {QuantityError} on an impossible figure, or hours out of their order
 */
export function surfaceSeries(input: {
  hours: readonly AirHour[];
  surface: SurfaceBody;
  site: Site;
  surroundings?: Surroundings;
  before?: Standing['before'];
  band?: boolean;
}): SurfaceReading[] {
  const { hours, surface, site } = input;
  checkHours(hours);
  checkBody(surface);
  sunPlace(0, site);
  if (hours.length === 0) throw new QuantityError('number of hours', 0, '1 or more');
  const standing: Standing = {
    surroundings: input.surroundings ?? { kind: 'open' },
    ...(input.before && { before: input.before }),
  };
  checkStanding(standing);
  const stated = hours.every(({ cloudTenths }) => cloudTenths !== undefined);
  const shaded = [standing, ...(input.before ?? [])].every((each) => under(each.surroundings).sun === 0);
  const turned = surface.headingDeg !== null || surface.absorptance === 0 || shaded;
  const runWith = (cloud: number, beam: Beam, inRain = cloud) => {
    const steps = stated ? stepsOf(hours, site, 0) : stepsOf(hours, site, cloud, inRain);
    return run(steps, surface, aroundOver(hours, steps, standing), turned ? 'heading' : beam);
  };
  const middle = runWith(5, 'mean', 10);
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

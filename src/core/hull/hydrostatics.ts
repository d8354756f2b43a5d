import { positive, QuantityError } from '../units/index.ts';
import { areaFromOffsets, checkOffsets, hullsOf, keelHeightM, type OffsetTable } from './offsets.ts';

export interface Hydrostatics {
  volumeM3: number;
  displacementKg: number;
  waterplaneM2: number;
  wettedM2: number;
  lwlM: number;
  /** Of one hull. */
  bwlM: number;
  draughtM: number;
  /** Block coefficient ∇ / (L × B × T) and waterplane coefficient A_wp / (L × B). */
  cb: number;
  cwp: number;
  /** Weight that sinks her by 1 cm, kg. */
  kgPerCm: number;
}

/** Density of sea water, kg/m³ [S: any naval-architecture text]. */
export const SEA_WATER = 1025;

const trapezoidal = (xs: readonly number[], ys: readonly number[]) =>
  xs
    .slice(1)
    .reduce(
      (sum, x, i) => sum + ((x - (xs[i] as number)) * ((ys[i] as number) + (ys[i + 1] as number))) / 2,
      0,
    );

/**
 * What a hull of offsets displaces at its designed waterline (z = 0), by the trapezoid rule over stations and
 * waterlines.
 *
 * @throws {QuantityError} when nothing of the table is under water
 */
export function hydrostatics(input: { table: OffsetTable; densityKgM3?: number }): Hydrostatics {
  const { table } = input;
  checkOffsets(table);
  const density = positive('density of the water', input.densityKgM3 ?? SEA_WATER, 1100);
  const wet = table.waterlinesM.filter((z) => z < 0);
  const draughtM = wet.length ? Math.max(0, -keelHeightM(table)) : 0;
  if (draughtM <= 0) throw new QuantityError('lowest waterline', `${table.waterlinesM[0]} m`, 'below 0 m');
  const zs = [...wet.filter((z) => z >= -draughtM), 0];
  const breadthAt = (s: number, z: number): number => {
    const upper = table.waterlinesM.findIndex((each) => each >= z);
    const y = (w: number) => table.halfBreadthsM[s]?.[w] ?? 0;
    if (upper <= 0) return upper === 0 ? y(0) : y(table.waterlinesM.length - 1);
    const [z0, z1] = [table.waterlinesM[upper - 1] as number, table.waterlinesM[upper] as number];
    return y(upper - 1) + ((z - z0) / (z1 - z0)) * (y(upper) - y(upper - 1));
  };
  const atWater = table.stationsM.map((_, s) => breadthAt(s, 0));
  const sections = table.stationsM.map(
    (_, s) =>
      2 *
      trapezoidal(
        zs,
        zs.map((z) => breadthAt(s, z)),
      ),
  );
  const hulls = hullsOf(table);
  const volumeM3 = hulls * trapezoidal(table.stationsM, sections);
  const waterplaneM2 = 2 * hulls * trapezoidal(table.stationsM, atWater);
  const first = atWater.findIndex((y) => y > 0);
  const last = atWater.findLastIndex((y) => y > 0);
  const end = (s: number) => table.stationsM[Math.min(Math.max(s, 0), table.stationsM.length - 1)] as number;
  const lwlM = end(last + 1) - end(first - 1);
  const bwlM = 2 * Math.max(...atWater);
  return {
    volumeM3,
    displacementKg: volumeM3 * density,
    waterplaneM2,
    wettedM2: areaFromOffsets({ table, fromZ: Number.NEGATIVE_INFINITY, toZ: 0 }),
    lwlM,
    bwlM,
    draughtM,
    cb: volumeM3 / (hulls * lwlM * bwlM * draughtM),
    cwp: waterplaneM2 / (hulls * lwlM * bwlM),
    kgPerCm: (waterplaneM2 * density) / 100,
  };
}

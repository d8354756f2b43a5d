import { positive, within } from '../units/index.ts';

/**
 * How much deeper a boat floats for weight added, mm: Δz = Δm / (ρ · A_wp) [S: any naval-architecture text].
 *
 * @example sinkageMm({ addedKg: 200, waterplaneM2: 19.5, densityKgM3: 1025 }) // 10.0
 */
export function sinkageMm(input: { addedKg: number; waterplaneM2: number; densityKgM3?: number }): number {
  const added = within('added weight (kg)', input.addedKg, -1e6, 1e6);
  const area = positive('waterplane area (m²)', input.waterplaneM2, 10_000);
  return (1000 * added) / (positive('density of the water (kg/m³)', input.densityKgM3 ?? 1025, 1100) * area);
}

/** Waterplane area from main dimensions, m²: C_wp · LWL · BWL; C_wp 0.65–0.75 for yachts [T], 0.7 taken. */
export function waterplaneByRule(input: { lwlM: number; beamM: number; cwp?: number }): number {
  const cwp = within('waterplane coefficient', input.cwp ?? 0.7, 0.4, 1);
  return cwp * positive('waterline length (m)', input.lwlM, 200) * positive('beam (m)', input.beamM, 60);
}

/** Antifouling is carried this far above the true line, mm [T]: more shows, less grows weed on the gloss. */
export const SLOP_MM: readonly [least: number, most: number] = [25, 75];

/**
 * Along the skin, for a vertical rise, where the flare from the vertical is known and the section is not: rise / cos(flare).
 *
 * @example alongSkinByFlare({ riseMm: 80, flareDeg: 66.4 }) // 200: eight centimetres are twenty on a counter stern
 */
export function alongSkinByFlare(input: { riseMm: number; flareDeg: number }): number {
  return (
    within('rise (mm)', input.riseMm, -10_000, 10_000) /
    Math.cos((within('flare (°)', input.flareDeg, -85, 85) * Math.PI) / 180)
  );
}

import type { Boat, FormSource, FormView, MeshRecord } from '../../contract/index.ts';
import {
  areasFromOffsets,
  formFromDimensions,
  type Hull,
  type Hydrostatics,
  hullsOf,
  hydrostatics,
  MESH_SPREAD,
  mumfordM2,
  type OffsetTable,
  ofItsHulls,
  RULE_SPREAD,
  startingAreas,
  type Zone,
} from '../../core/hull/index.ts';

/** The form of a boat that is a hull of known dimensions. */
export type HullFormView = FormView & { boat: Hull<Boat> };

/** The figures of one source of the hull form: m² by part of the boat (both sides), and hydrostatics. */
export interface SourceFigures {
  source: FormSource;
  areas: Partial<Record<Zone, { portM2: number; starboardM2: number }>>;
  spread: number;
  floats: Hydrostatics | null;
  /** Wetted surface by Mumford's formula from the same displacement: a check. */
  mumfordM2: number | null;
}

/** Heights at which areas are divided, m above the waterline. */
export interface Levels {
  topOfPaintM: number;
  stripe: { lowerM: number; upperM: number } | null;
}

const halves = (m2: number) => ({ portM2: m2 / 2, starboardM2: m2 / 2 });

/** @param form whose floating it is: the formula is for one hull, with its own share of the volume */
function withCheck(figures: Omit<SourceFigures, 'mumfordM2'>, form: OffsetTable): SourceFigures {
  const { floats } = figures;
  const hulls = hullsOf(form);
  const check = floats && hulls * mumfordM2({ ...floats, volumeM3: floats.volumeM3 / hulls });
  return { ...figures, mumfordM2: check };
}

function tryFloat(table: OffsetTable): Hydrostatics | null {
  try {
    return hydrostatics({ table });
  } catch {
    return null;
  }
}

export function figuresByDimensions({ boat }: Pick<HullFormView, 'boat'>): SourceFigures {
  const areas: SourceFigures['areas'] = {};
  for (const { zone, areaM2 } of startingAreas(boat)) {
    const known = areas[zone] ?? halves(0);
    areas[zone] = halves(known.portM2 + known.starboardM2 + areaM2);
  }
  const form = formFromDimensions(boat);
  return withCheck({ source: 'dimensions', areas, spread: RULE_SPREAD, floats: tryFloat(form) }, form);
}

/** @throws {QuantityError} on a table that cannot be measured */
export function figuresByOffsets(
  offsets: OffsetTable,
  levels: Levels,
  boat: HullFormView['boat'],
): SourceFigures {
  const table = ofItsHulls(offsets, boat);
  const found = areasFromOffsets({ table, ...levels });
  const areas = Object.fromEntries(found.map(({ zone, areaM2 }) => [zone, halves(areaM2)]));
  return withCheck(
    { source: 'offsets', areas, spread: found[0]?.spread ?? 0, floats: tryFloat(table) },
    table,
  );
}

/** Of a mesh that is one hull of a catamaran, twice the measured figure, since each side is a hull. */
export function figuresByMesh(
  mesh: Pick<MeshRecord, 'zones' | 'hydrostatics' | 'table'>,
  boat: HullFormView['boat'],
): SourceFigures {
  const form = ofItsHulls(mesh.table, boat);
  const twice = hullsOf(form) > hullsOf(mesh.table);
  const areas: SourceFigures['areas'] = {};
  for (const { zone, portM2, starboardM2 } of mesh.zones) {
    const known = areas[zone] ?? halves(0);
    const more = twice ? halves(2 * (portM2 + starboardM2)) : { portM2, starboardM2 };
    areas[zone] = { portM2: known.portM2 + more.portM2, starboardM2: known.starboardM2 + more.starboardM2 };
  }
  const floats = mesh.hydrostatics && (twice ? ofBoth(mesh.hydrostatics) : mesh.hydrostatics);
  return withCheck({ source: 'mesh', areas, spread: MESH_SPREAD, floats }, form);
}

/** Two hulls of which one floats so: lengths and coefficients stay those of one. */
const ofBoth = (one: Hydrostatics): Hydrostatics => ({
  ...one,
  volumeM3: 2 * one.volumeM3,
  displacementKg: 2 * one.displacementKg,
  waterplaneM2: 2 * one.waterplaneM2,
  wettedM2: 2 * one.wettedM2,
  kgPerCm: 2 * one.kgPerCm,
});

/** What a source gives for one area of the boat; null where it does not tell that part apart. */
export function m2For(
  figures: SourceFigures,
  area: { zone: Zone; side: 'port' | 'starboard' | 'both' | 'centre' },
): number | null {
  const found = figures.areas[area.zone];
  if (!found) return null;
  if (area.side === 'port') return found.portM2;
  if (area.side === 'starboard') return found.starboardM2;
  return found.portM2 + found.starboardM2;
}

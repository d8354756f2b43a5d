import type { Boat, FormSource, FormView, MeshRecord } from '../../contract/index.ts';
import {
  areasFromOffsets,
  formFromDimensions,
  type Hull,
  type Hydrostatics,
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

/** What one source of her shape says: m² by part of the boat (both sides), and how she floats. */
export interface SourceFigures {
  source: FormSource;
  areas: Partial<Record<Zone, { portM2: number; starboardM2: number }>>;
  spread: number;
  floats: Hydrostatics | null;
  /** Wetted surface by Mumford's formula from the same displacement: a check. */
  mumfordM2: number | null;
}

/** Heights at which areas are told apart, m above the waterline. */
export interface Levels {
  topOfPaintM: number;
  stripe: { lowerM: number; upperM: number } | null;
}

const halves = (m2: number) => ({ portM2: m2 / 2, starboardM2: m2 / 2 });

function withCheck(figures: Omit<SourceFigures, 'mumfordM2'>): SourceFigures {
  const { floats } = figures;
  return { ...figures, mumfordM2: floats ? mumfordM2(floats) : null };
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
  return withCheck({
    source: 'dimensions',
    areas,
    spread: RULE_SPREAD,
    floats: tryFloat(formFromDimensions(boat)),
  });
}

/** @throws {QuantityError} on a table that cannot be measured */
export function figuresByOffsets(
  offsets: OffsetTable,
  levels: Levels,
  boat: HullFormView['boat'],
): SourceFigures {
  const table = ofItsHulls(offsets, boat);
  const found = areasFromOffsets({ table, ...levels });
  return withCheck({
    source: 'offsets',
    areas: Object.fromEntries(found.map(({ zone, areaM2 }) => [zone, halves(areaM2)])),
    spread: found[0]?.spread ?? 0,
    floats: tryFloat(table),
  });
}

export function figuresByMesh(mesh: Pick<MeshRecord, 'zones' | 'hydrostatics'>): SourceFigures {
  const areas: SourceFigures['areas'] = {};
  for (const { zone, portM2, starboardM2 } of mesh.zones) {
    const known = areas[zone] ?? halves(0);
    areas[zone] = { portM2: known.portM2 + portM2, starboardM2: known.starboardM2 + starboardM2 };
  }
  return withCheck({ source: 'mesh', areas, spread: MESH_SPREAD, floats: mesh.hydrostatics });
}

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

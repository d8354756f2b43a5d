import type { Area, AreaInput, BareItem, Boat, Entry, Finding, Stand, Step } from '../../contract/index.ts';
import { judgeFinding } from '../../core/inspect/index.ts';
import type * as schema from './schema.ts';

/** Rows of the tables as the contract's records. */

export function toBoat(row: typeof schema.boat.$inferSelect): Boat {
  const { loaM, lwlM, beamM, draughtM, freeboardM, ...rest } = row;
  return { ...rest, dimensions: { loaM, lwlM, beamM, draughtM, freeboardM } };
}

export function toArea(row: typeof schema.area.$inferSelect): Area {
  const { stackVersion: _, partOf, part, ...rest } = row;
  return { ...rest, part: partOf && part ? { areaId: partOf, ...part } : null };
}

/** An area as it goes into its table. */
export function areaColumns({ part, ...rest }: AreaInput) {
  const { areaId = null, ...how } = part ?? {};
  return { ...rest, partOf: areaId, part: part ? (how as Omit<typeof part, 'areaId'>) : null };
}

export function toStand(row: typeof schema.stand.$inferSelect): Stand {
  return { ...row, shiftedAt: row.shiftedAt?.toISOString() ?? null };
}

export const toBareItem = (row: typeof schema.bareItem.$inferSelect): BareItem => row;

export function toFinding(row: typeof schema.finding.$inferSelect): Finding {
  const { kind, value, grade, limit } = row;
  return { ...row, at: row.at.toISOString(), ...judgeFinding({ kind, value, grade, limit }) };
}

export function toStep(row: typeof schema.step.$inferSelect): Step {
  const { areaId: _a, position: _p, method, ...rest } = row;
  return { ...rest, method: method as Step['method'] };
}

export function toEntry(row: typeof schema.logEntry.$inferSelect, correctedBy: string | null): Entry {
  return {
    id: row.id,
    boatId: row.boatId,
    areaId: row.areaId,
    at: row.at.toISOString(),
    recordedAt: row.recordedAt.toISOString(),
    corrects: row.corrects,
    correctedBy,
    kind: row.kind,
    body: row.body,
  } as Entry;
}

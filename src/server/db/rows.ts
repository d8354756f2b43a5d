import type { Area, Boat, Entry, Step } from '../../contract/index.ts';
import type * as schema from './schema.ts';

/** Rows of the tables as the contract's records. */

export function toBoat(row: typeof schema.boat.$inferSelect): Boat {
  const { loaM, lwlM, beamM, draughtM, freeboardM, ...rest } = row;
  return { ...rest, dimensions: { loaM, lwlM, beamM, draughtM, freeboardM } };
}

export function toArea(row: typeof schema.area.$inferSelect): Area {
  const { stackVersion: _, ...rest } = row;
  return rest;
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

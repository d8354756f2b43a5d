import { and, asc, eq, inArray } from 'drizzle-orm';
import type { Step } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { area, step } from '../db/schema.ts';
import { written } from './missing.ts';

export function toStep(row: typeof step.$inferSelect): Step {
  const { areaId: _a, position: _p, method, ...rest } = row;
  return { ...rest, method: method as Step['method'] };
}

/** The steps of areas in the order of their stacks, by area; of all areas where none are named. */
export async function stepsByArea(
  db: Queries,
  areaIds: readonly string[] | null,
): Promise<Map<string, Step[]>> {
  const rows = await db
    .select()
    .from(step)
    .where(areaIds === null ? undefined : inArray(step.areaId, [...areaIds]))
    .orderBy(asc(step.position));
  const byArea = new Map<string, Step[]>();
  for (const row of rows) {
    const list = byArea.get(row.areaId) ?? [];
    list.push(toStep(row));
    byArea.set(row.areaId, list);
  }
  return byArea;
}

/** Which of these ids are steps of other areas. */
export async function stepsElsewhere(
  db: Queries,
  areaId: string,
  ids: readonly string[],
): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const rows = await db
    .select({ id: step.id, areaId: step.areaId })
    .from(step)
    .where(inArray(step.id, [...ids]));
  return new Set(rows.filter((row) => row.areaId !== areaId).map((row) => row.id));
}

/** Puts a stack in the place of the one an area has. @param version one more than that one's */
export async function replaceSteps(
  db: Queries,
  areaId: string,
  steps: readonly Step[],
  version: number,
): Promise<void> {
  await db.delete(step).where(eq(step.areaId, areaId));
  if (steps.length > 0) {
    await db.insert(step).values(steps.map((each, position) => ({ ...each, areaId, position })));
  }
  written(
    await db
      .update(area)
      .set({ stackVersion: version })
      .where(and(eq(area.id, areaId), eq(area.stackVersion, version - 1)))
      .returning({ id: area.id }),
    'system',
  );
}

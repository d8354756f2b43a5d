import { and, asc, eq, isNull, or } from 'drizzle-orm';
import type { Area, AreaClock, BareTick, NextView, TapeBody } from '../../contract/index.ts';
import { type AreaState, stillCounts } from '../clock/load.ts';
import type { Queries } from '../db/open.ts';
import { bareItem, logEntry, waterline } from '../db/schema.ts';

/** What must stay bare on an area, each with its latest tick for the coat in hand. */
export async function bareTicks(db: Queries, area: Area, next: NextView | null): Promise<BareTick[]> {
  const items = await db
    .select()
    .from(bareItem)
    .where(
      and(
        eq(bareItem.boatId, area.boatId),
        eq(bareItem.archived, false),
        or(eq(bareItem.areaId, area.id), isNull(bareItem.areaId)),
      ),
    )
    .orderBy(asc(bareItem.name));
  if (items.length === 0) return [];
  const rows = await db
    .select()
    .from(logEntry)
    .where(and(eq(logEntry.areaId, area.id), eq(logEntry.kind, 'tape'), stillCounts))
    .orderBy(asc(logEntry.at));
  const ticks = rows.map((row) => row.body as TapeBody);
  return items.map((item) => {
    const last = ticks.findLast(
      (tick) =>
        tick.itemId === item.id &&
        tick.stepId === (next?.stepId ?? null) &&
        tick.coatNo === (next?.coatNo ?? null),
    );
    return { id: item.id, kind: item.kind, name: item.name, taped: last?.on ?? null };
  });
}

/** Parts of the boat across which the waterline runs. */
const CROSSED: readonly Area['zone'][] = ['bottom', 'topsides', 'boot-stripe', 'transom'];

/** Before the first coat hides the old line, it is asked whether the line was saved. */
export async function oldLineAsked(db: Queries, state: AreaState, clock: AreaClock): Promise<boolean> {
  if (!CROSSED.includes(state.area.zone) || state.coats.length > 0 || !clock.next) return false;
  const [row] = await db.select().from(waterline).where(eq(waterline.boatId, state.boat.id));
  return (row?.plan.oldLine ?? 'unknown') === 'unknown';
}

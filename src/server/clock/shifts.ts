import { desc, eq } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { AreaClock, Shift } from '../../contract/index.ts';
import { filmTemps, HOUR_MS, type SplicedHour } from '../../core/cure/index.ts';
import type { Queries, Tx } from '../db/open.ts';
import { shift } from '../db/schema.ts';
import { areaClock } from './areaClock.ts';
import { loadAreaStates, loadShelf } from './load.ts';
import { airFor, type YardClocks } from './yardClocks.ts';

/** A move of less than this is not worth a person's attention. */
const LEAST_MOVE_MS = 60_000;

/** How the film temperatures of an area changed between two readings of the air, from laying to the later edge. */
function changeOfAir(
  before: YardClocks,
  after: YardClocks,
  clock: AreaClock,
  untilMs: number,
): { changedHours: number; meanChangeC: number } {
  const surroundings = after.states.find((s) => s.area.id === clock.areaId)?.area.surroundings;
  const fromMs = Date.parse(clock.film?.laidFrom ?? '');
  if (!surroundings || before.hours.length === 0 || after.hours.length === 0) {
    return { changedHours: 0, meanChangeC: 0 };
  }
  const surroundingsBefore =
    before.states.find((s) => s.area.id === clock.areaId)?.area.surroundings ?? surroundings;
  const byHour = (hours: readonly SplicedHour[], around: typeof surroundings) => {
    const temps = filmTemps(hours, around);
    return new Map(temps.valuesC.map((value, i) => [temps.startMs + i * HOUR_MS, value]));
  };
  const old = byHour(before.hours, surroundingsBefore);
  const changes: number[] = [];
  for (const [at, value] of byHour(after.hours, surroundings)) {
    if (at < fromMs - HOUR_MS || at > untilMs) continue;
    const was = old.get(at);
    if (was !== undefined && Math.abs(value - was) > 0.05) changes.push(value - was);
  }
  const sum = changes.reduce((total, change) => total + change, 0);
  return { changedHours: changes.length, meanChangeC: changes.length ? sum / changes.length : 0 };
}

function shiftsBetween(before: YardClocks, after: YardClocks, now: number, cause: string): Shift[] {
  const shifts: Shift[] = [];
  const earlier = new Map(before.clocks.map((clock) => [clock.areaId, clock]));
  for (const clock of after.clocks) {
    const was = earlier.get(clock.areaId);
    const sameFilm = was?.film && clock.film && was.film.entryIds.join() === clock.film.entryIds.join();
    if (!was || !sameFilm) continue;
    for (const edge of clock.edges) {
      const old = was.edges.find((e) => e.edge === edge.edge);
      if (!old) continue;
      const beforeMs = old.at === null ? Number.POSITIVE_INFINITY : Date.parse(old.at);
      const afterMs = edge.at === null ? Number.POSITIVE_INFINITY : Date.parse(edge.at);
      if (beforeMs === afterMs || Math.abs(afterMs - beforeMs) < LEAST_MOVE_MS) continue;
      shifts.push({
        areaId: clock.areaId,
        areaName: clock.areaName,
        boatName: clock.boatName,
        edge: edge.edge,
        beforeAt: old.at,
        afterAt: edge.at,
        at: new Date(now).toISOString(),
        cause,
        ...changeOfAir(before, after, clock, Math.min(Math.max(beforeMs, afterMs), now + 30 * 24 * HOUR_MS)),
      });
    }
  }
  return shifts;
}

/** What a change can touch: one area, the air, or every sheet. */
export type Touched = { areaId: string } | 'air' | 'sheets';

/** The clocks again, after the change, reading anew only what it touched. */
async function clocksAfter(tx: Tx, before: YardClocks, now: number, touched: Touched): Promise<YardClocks> {
  const states = typeof touched === 'object' ? await loadAreaStates(tx, touched) : before.states;
  const shelf = touched === 'sheets' ? await loadShelf(tx) : before.shelf;
  const hours = touched === 'air' ? await airFor(tx, states, now) : before.hours;
  return { states, shelf, hours, clocks: states.map((state) => areaClock(state, { hours, now, shelf })) };
}

/**
 * Keeps what a change inside the transaction moved: every window edge of every film that now lies elsewhere, from
 * when to when, and the change in temperature behind it.
 *
 * @param before the clocks as they stood before the transaction was opened
 */
export async function recordShifts(
  tx: Tx,
  input: { before: YardClocks; now: number; cause: string; touched: Touched },
): Promise<Shift[]> {
  const { before, now, cause, touched } = input;
  const after = await clocksAfter(tx, before, now, touched);
  const shifts = shiftsBetween(before, after, now, cause);
  if (shifts.length > 0) {
    await tx
      .insert(shift)
      .values(shifts.map((body) => ({ id: uuidv7(), areaId: body.areaId, at: new Date(now), body })));
  }
  return shifts;
}

/** The latest moves of one area's windows, newest first. */
export async function shiftsOf(db: Queries, areaId: string): Promise<Shift[]> {
  const rows = await db
    .select()
    .from(shift)
    .where(eq(shift.areaId, areaId))
    .orderBy(desc(shift.at))
    .limit(12);
  return rows.map((row) => row.body);
}

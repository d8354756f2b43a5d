import type { AreaClock, Shift } from '../../contract/index.ts';
import { HOUR_MS, type TempSeries } from '../../core/cure/index.ts';
import { tempsFor } from '../air/surfaces.ts';
import type { Tx } from '../db/open.ts';
import { loadCatalogue } from '../rows/products.ts';
import { insertShifts } from '../rows/shifts.ts';
import { loadAreaStates } from './areaStates.ts';
import { clockOf } from './clockOf.ts';
import { inSlices } from './slices.ts';
import { surfaceOf } from './surfaceOf.ts';
import { airAround, type YardClocks } from './yardSnapshots.ts';

/** A move of less than this is not worth a person's attention. */
const LEAST_MOVE_MS = 60_000;
/** Air further ahead than this is not compared. */
const LOOKED_AT_MS = 30 * 24 * HOUR_MS;

/** How the film temperatures of an area changed between two readings of the air, from application to the later edge. */
function changeOfAir(
  old: TempSeries,
  fresh: TempSeries,
  stretch: { fromMs: number; untilMs: number },
): { changedHours: number; meanChangeC: number } {
  const first = Math.max(0, Math.ceil((stretch.fromMs - HOUR_MS - fresh.startMs) / HOUR_MS));
  const last = Math.min(fresh.valuesC.length - 1, Math.floor((stretch.untilMs - fresh.startMs) / HOUR_MS));
  const ahead = (fresh.startMs - old.startMs) / HOUR_MS;
  let [changedHours, sum] = [0, 0];
  for (let i = first; i <= last; i++) {
    const change = (fresh.valuesC[i] as number) - (old.valuesC[i + ahead] ?? Number.NaN);
    if (!(Math.abs(change) > 0.05)) continue;
    changedHours++;
    sum += change;
  }
  return { changedHours, meanChangeC: changedHours ? sum / changedHours : 0 };
}

async function shiftsBetween(
  before: YardClocks,
  after: YardClocks,
  now: number,
  cause: string,
): Promise<Shift[]> {
  const earlier = new Map(before.clocks.map((clock) => [clock.areaId, clock]));
  const around = ({ states, catalogue }: YardClocks) =>
    new Map(states.map((state) => [state.area.id, surfaceOf(state, catalogue)]));
  const [stood, stands] = [around(before), around(after)];
  const airOf = (clock: AreaClock, untilMs: number) => {
    const now = stands.get(clock.areaId);
    if (!now || !clock.film || before.air.hours.length === 0 || after.air.hours.length === 0) {
      return { changedHours: 0, meanChangeC: 0 };
    }
    const was = stood.get(clock.areaId) ?? now;
    const fromMs = Date.parse(clock.film.appliedFrom);
    return changeOfAir(tempsFor(before.air, was), tempsFor(after.air, now), { fromMs, untilMs });
  };
  const lists = await inSlices(after.clocks, (clock) => {
    const shifts: Shift[] = [];
    const was = earlier.get(clock.areaId);
    const sameFilm = was?.film && clock.film && was.film.entryIds.join() === clock.film.entryIds.join();
    if (!was || !sameFilm) return shifts;
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
        ...airOf(clock, Math.min(Math.max(beforeMs, afterMs), now + LOOKED_AT_MS)),
      });
    }
    return shifts;
  });
  return lists.flat();
}

/** What a change can touch: the areas of one boat, the air, or every sheet. */
export type Touched = { boatId: string } | 'air' | 'sheets';

/** The clocks after the change; only changed data is read again. */
async function clocksAfter(tx: Tx, before: YardClocks, now: number, touched: Touched): Promise<YardClocks> {
  const states = typeof touched === 'object' ? await loadAreaStates(tx, touched.boatId) : before.states;
  const catalogue = touched === 'sheets' ? await loadCatalogue(tx) : before.catalogue;
  const air = touched === 'air' ? await airAround(tx, now) : before.air;
  const clocks = await inSlices(states, (state) => clockOf(state, { air, now, catalogue }));
  return { states, catalogue, air, hours: air.hours, clocks };
}

/**
 * Keeps what a change inside the transaction moved: every window edge of every film that now lies elsewhere, from
 * when to when, and the change in temperature behind it.
 *
 * @param before the clocks as they stood before the transaction was opened
 * @returns what moved, and the clocks as they now stand
 */
export async function recordShifts(
  tx: Tx,
  input: { before: YardClocks; now: number; cause: string; touched: Touched },
): Promise<{ shifts: Shift[]; after: YardClocks }> {
  const { before, now, cause, touched } = input;
  const after = await clocksAfter(tx, before, now, touched);
  const shifts = await shiftsBetween(before, after, now, cause);
  await insertShifts(tx, shifts, new Date(now));
  return { shifts, after };
}

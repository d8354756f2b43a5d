import type { AreaClock, PotView } from '../../contract/index.ts';
import { HOUR_MS, type SplicedHour } from '../../core/cure/index.ts';
import type { Queries } from '../db/open.ts';
import { yardAir } from './air.ts';
import { areaClock } from './areaClock.ts';
import { type AreaState, loadAreaStates, loadOpenPots, loadShelf, type Shelf, type Which } from './load.ts';

/** Air is looked at this far back for a film and this far ahead for its windows. */
const LOOK_BACK_MS = 120 * 24 * HOUR_MS;
const LOOK_AHEAD_MS = 16 * 24 * HOUR_MS;

export interface YardClocks {
  states: AreaState[];
  clocks: AreaClock[];
  hours: SplicedHour[];
  shelf: Shelf;
}

/** The clocks of every area asked for, at `now`, over the air that is known. */
export async function yardClocks(db: Queries, now: number, which: Which = {}): Promise<YardClocks> {
  const shelf = await loadShelf(db);
  const states = await loadAreaStates(db, which);
  const laid = states.flatMap((state) => state.coats.map((coat) => coat.fromMs));
  const from = Math.max(now - LOOK_BACK_MS, Math.min(now, ...laid) - HOUR_MS);
  const hours = await yardAir(db, now, { from, to: now + LOOK_AHEAD_MS });
  const clocks = states.map((state) => areaClock(state, { hours, now, shelf }));
  return { states, clocks, hours, shelf };
}

/** Pots standing mixed, with the ends of their induction and pot life. */
export async function openPots(
  db: Queries,
  known: Pick<YardClocks, 'states' | 'shelf'>,
  now: number,
  which: Which = {},
): Promise<PotView[]> {
  const pots = await loadOpenPots(db, now, which);
  const at = (base: Date, minutes: number) => new Date(base.getTime() + minutes * 60_000).toISOString();
  return pots.flatMap((pot) => {
    const state = known.states.find((s) => s.area.id === pot.areaId);
    if (!state) return [];
    return [
      {
        entryId: pot.entryId,
        areaId: pot.areaId,
        areaName: state.area.name,
        boatId: state.boat.id,
        boatName: state.boat.name,
        productName: known.shelf.latest.get(pot.body.productId)?.name ?? 'unknown product',
        mixedAt: pot.at.toISOString(),
        inductionEnds: at(pot.at, pot.body.inductionMin),
        potEnds: pot.body.potLifeMin === null ? null : at(pot.at, pot.body.potLifeMin),
        batch: pot.body,
      },
    ];
  });
}

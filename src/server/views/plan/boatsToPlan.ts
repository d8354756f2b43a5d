import { DateTime } from 'luxon';
import type { AreaClock, PlanBoatView, PlanSetup, PlanSupply, Shelter } from '../../../contract/index.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { coatSupplies } from '../supply/coatSupply.ts';
import { yardNeed } from '../supply/yardNeed.ts';

/** What a plan takes from the yard beside its coats: which boats, where they stand, supports that are moved, paint that is delivered. */

/** Boats planned where nobody said which. */
const USUAL_BOATS = 4;

export type BoatToLaunch = Pick<PlanBoatView, 'boatId' | 'boatName' | 'wanted' | 'shelters' | 'supportMoves'>;

export const hasWork = ({ next, state }: AreaClock) => next !== null && state !== 'no-system';

const SHELTERS: readonly Shelter[] = ['tent', 'shed', 'heated'];
/** Where the areas of a boat stand under cover. */
export const sheltersOf = ({ states }: YardReading, boatId: string): Shelter[] =>
  SHELTERS.filter((kind) =>
    states.some(({ boat, area }) => boat.id === boatId && area.surroundings.kind === kind),
  );

/** Where a boat is moved to, in order. */
export const changesOf = ({ placeChanges = [] }: PlanSetup, boatId: string) =>
  placeChanges
    .filter((each) => each.boatId === boatId)
    .map(({ at, surroundings }) => ({ atMs: Date.parse(at), surroundings }))
    .sort((a, b) => a.atMs - b.atMs);

const NOON_H = 12;
/** From when on an area that a support covers is free: noon of the day on which the yard moves it; null: no day is set, or none covers it. */
export const uncoveredAt = ({ hiddenBy }: AreaClock, zone: string): number | null =>
  hiddenBy?.shiftOn ? DateTime.fromISO(hiddenBy.shiftOn, { zone }).set({ hour: NOON_H }).toMillis() : null;

/** Supports of a boat that cover an area to be painted, with the day on which each is moved. */
function supportMovesOf(
  { clocks }: Pick<YardReading, 'clocks'>,
  boatId: string,
): PlanBoatView['supportMoves'] {
  const moves = clocks.flatMap((clock) =>
    clock.boatId === boatId && clock.hiddenBy?.shiftOn
      ? [[clock.hiddenBy.standId, { name: clock.hiddenBy.name, on: clock.hiddenBy.shiftOn }] as const]
      : [],
  );
  return [...new Map(moves).values()].sort((a, b) => a.on.localeCompare(b.on));
}

/** Coats whose paint isn't in stock; of a yard that keeps no stock nothing is known. */
export function suppliesOf(known: YardReading, now: number, zone: string): ReadonlyMap<string, PlanSupply> {
  const { stock, trade, catalogue, snapshot } = known;
  if (stock.byProduct.size === 0 && trade.purchases.length === 0) return new Map();
  const clocks = new Map(known.clocks.map((clock) => [clock.areaId, clock]));
  const today = DateTime.fromMillis(now, { zone }).toISODate() ?? '';
  const needed = yardNeed(known, {}, trade.settings.useLearned);
  return coatSupplies(needed, { stock, trade, catalogue, clocks, now, snapshot }, today);
}

/** Boats that are planned: those chosen, or the first few that have work left. */
export function boatsOf(
  known: YardReading,
  setup: PlanSetup,
): { boats: BoatToLaunch[]; otherBoats: { boatId: string; boatName: string }[] } {
  const working = known.boats
    .filter(({ boat }) => known.clocks.some((clock) => clock.boatId === boat.id && hasWork(clock)))
    .map(({ boat }) => ({ boatId: boat.id, boatName: boat.name }));
  const wanted = new Map(setup.boats.map((each) => [each.boatId, each.wanted]));
  const chosen =
    wanted.size > 0 ? working.filter(({ boatId }) => wanted.has(boatId)) : working.slice(0, USUAL_BOATS);
  const ids = new Set(chosen.map(({ boatId }) => boatId));
  return {
    boats: chosen.map((boat) => ({
      ...boat,
      wanted: wanted.get(boat.boatId) ?? null,
      shelters: sheltersOf(known, boat.boatId),
      supportMoves: supportMovesOf(known, boat.boatId),
    })),
    otherBoats: working.filter(({ boatId }) => !ids.has(boatId)),
  };
}

/** What areas under supports are alike in that are painted in one go. */
const alike = ({ boat, area, steps, profileMicrons }: AreaSnapshot, shiftOn: string): string =>
  JSON.stringify([
    boat.id,
    shiftOn,
    [area.zone, area.side, area.substrate, area.service, area.surroundings],
    [area.oldCoating, area.highWear, profileMicrons],
    steps.map(({ id: _, before, ...step }) => [step, before?.map(({ id: _id, ...task }) => task)]),
  ]);

/** Nothing is on record of it: an area with a film or work of its own keeps times of its own. */
const isUntouched = ({ coats, removed, work, rounds, handTests, blast }: AreaSnapshot) =>
  [coats, removed, work, rounds, handTests].every((each) => each.length === 0) && blast === null;

/**
 * Untouched areas under supports that are moved on one day and get the same system: painted in one go, as tasks of
 * the first of them.
 */
export function patchesTogether(
  states: readonly AreaSnapshot[],
  clockOf: ReadonlyMap<string, AreaClock>,
): ReadonlyMap<string, readonly AreaSnapshot[]> {
  const groups = new Map<string, AreaSnapshot[]>();
  for (const state of states) {
    const clock = clockOf.get(state.area.id);
    const shiftOn = clock?.hiddenBy?.shiftOn;
    if (!clock || !shiftOn || clock.failed !== null || !hasWork(clock) || !isUntouched(state)) continue;
    const key = alike(state, shiftOn);
    groups.set(key, [...(groups.get(key) ?? []), state]);
  }
  return new Map([...groups.values()].map((group) => [(group[0] as AreaSnapshot).area.id, group]));
}

import { isDeepStrictEqual } from 'node:util';
import type { Boat } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { allBoats, boatById } from '../rows/boats.ts';
import { NO_SHAPE, type Shape, shapesByBoat } from '../rows/forms.ts';
import { type OpenPot, openPotsSince } from '../rows/openPots.ts';
import {
  type AreaSnapshot,
  areaStates,
  type Ground,
  type Logged,
  loadGround,
  loadLogged,
} from './areaStates.ts';
import { grouped } from './grouped.ts';
import { othersTurn } from './slices.ts';

/** A pot older than this is long hard: it no longer stands on any screen, though its entry stays in the log. */
const POT_SHOWN_MS = 14 * 24 * 3_600_000;

/** All that is known of one boat at once. */
export interface BoatMemory {
  boat: Boat;
  states: readonly AreaSnapshot[];
  /** What the states were made of, so that an entry need not have the ground read again. */
  ground: Ground;
  logged: Logged;
  pots: readonly OpenPot[];
  shape: Shape;
}

const potsFrom = (now: number) => new Date(now - POT_SHOWN_MS);

/** Of the log of a whole yard, what was logged on the areas of one boat and on those they were cut out of. */
function ownLogged(ground: Ground, logged: Logged): Logged {
  return new Map(
    idsOf(ground).flatMap((id) => (logged.has(id) ? [[id, logged.get(id) ?? []] as const] : [])),
  );
}

const boatMemory = (
  boat: Boat,
  ground: Ground,
  logged: Logged,
  pots: readonly OpenPot[],
  shape: Shape,
): BoatMemory => ({ boat, states: areaStates(ground, logged), ground, logged, pots, shape });

/** Logs are read of so many boats at a time, so that a large yard does not hold up who asks for something else. */
const AT_ONCE = 25;

/** Every boat that is not archived. */
export async function readAllBoats(db: Queries, now: number): Promise<BoatMemory[]> {
  const boats = (await allBoats(db)).filter(({ archived }) => !archived);
  const ground = await loadGround(db, null);
  const running = grouped(ground.running, ({ boat }) => boat.id);
  const pots = grouped(await openPotsSince(db, potsFrom(now), null), (pot) => pot.boatId);
  const shapes = await shapesByBoat(db, null);
  const read: BoatMemory[] = [];
  for (let i = 0; i < boats.length; i += AT_ONCE) {
    const some = boats.slice(i, i + AT_ONCE);
    const ids = some.map(({ id }) => id);
    const logged = await loadLogged(db, ids);
    await othersTurn();
    for (const boat of some) {
      const own = { ...ground, running: running.get(boat.id) ?? [] };
      const shape = shapes.get(boat.id) ?? NO_SHAPE;
      read.push(boatMemory(boat, own, ownLogged(own, logged), pots.get(boat.id) ?? [], shape));
    }
  }
  return read;
}

/** Areas with nothing new on them stay the objects they were, so that what is derived of them need not be derived again. */
function withAreasKept(fresh: BoatMemory, kept: BoatMemory | undefined): BoatMemory {
  if (!kept) return fresh;
  const before = new Map(kept.states.map((state) => [state.area.id, state]));
  const states = fresh.states.map((state) => {
    const had = before.get(state.area.id);
    return had && isDeepStrictEqual(had, state) ? had : state;
  });
  return { ...fresh, states };
}

const idsOf = ({ running }: Ground): string[] =>
  running.flatMap(({ area }) => [area.id, ...(area.part ? [area.part.areaId] : [])]);

/** Whether the log of every area is in memory: that of a restored area isn’t. */
function isLogKept(kept: BoatMemory, ground: Ground): boolean {
  const known = new Set(idsOf(kept.ground));
  return idsOf(ground).every((id) => known.has(id));
}

/**
 * Reads some boats again; the others stay as they are, and so does one whose log says nothing new of any coat or pot (a note, a tick
 * of masking).
 *
 * @param stale by id, what was changed of each: its log, its areas, its form …
 */
export async function readSomeBoats(
  db: Queries,
  now: number,
  known: ReadonlyMap<string, BoatMemory>,
  stale: ReadonlyMap<string, ReadonlySet<string>>,
): Promise<BoatMemory[]> {
  const boats = [...known.values()].filter(({ boat }) => !stale.has(boat.id));
  for (const [boatId, changed] of stale) {
    const kept = known.get(boatId);
    const more = [...changed].some((of) => of !== 'log');
    const boat = kept && !more ? kept.boat : await boatById(db, boatId);
    if (!boat || boat.archived) continue;
    const profiles = changed.has('survey') ? undefined : kept?.ground.profileBy;
    const ground = kept && !more ? kept.ground : await loadGround(db, boatId, profiles);
    const shape =
      kept && !changed.has('form') ? kept.shape : ((await shapesByBoat(db, boatId)).get(boatId) ?? NO_SHAPE);
    const isKept = kept && !changed.has('log') && isLogKept(kept, ground);
    const logged = ownLogged(ground, isKept ? kept.logged : await loadLogged(db, [boatId]));
    const pots = isKept ? kept.pots : await openPotsSince(db, potsFrom(now), boatId);
    const same =
      kept && !more && isDeepStrictEqual(logged, kept.logged) && isDeepStrictEqual(pots, kept.pots);
    boats.push(same ? kept : withAreasKept(boatMemory(boat, ground, logged, pots, shape), kept));
  }
  return boats;
}

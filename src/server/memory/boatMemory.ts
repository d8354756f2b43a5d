import type { Boat } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { allBoats, boatById } from '../rows/boats.ts';
import { NO_SHAPE, type Shape, shapesByBoat } from '../rows/forms.ts';
import { type OpenPot, openPotsSince } from '../rows/log.ts';
import {
  type AreaSnapshot,
  areaStates,
  type Ground,
  type Logged,
  loadGround,
  loadLogged,
} from './areaStates.ts';
import { grouped } from './grouped.ts';

/** A pot older than this is long hard: it no longer stands on any screen, though its entry stays in the log. */
const POT_SHOWN_MS = 14 * 24 * 3_600_000;

/** All that is known of one boat at once. */
export interface BoatMemory {
  boat: Boat;
  states: readonly AreaSnapshot[];
  /** What the states were made of, so that a write need have only half of it read again. */
  ground: Ground;
  logged: Logged;
  pots: readonly OpenPot[];
  shape: Shape;
}

/** Which half of a boat is to be read again. */
export interface Stale {
  ground: boolean;
  logged: boolean;
}

const potsFrom = (now: number) => new Date(now - POT_SHOWN_MS);

/** Of the log of a whole yard, what was logged on the areas of one boat and on those they were cut out of. */
function ownLogged({ running }: Ground, logged: Logged): Logged {
  const ids = running.flatMap(({ area }) => [area.id, ...(area.part ? [area.part.areaId] : [])]);
  return new Map(ids.flatMap((id) => (logged.has(id) ? [[id, logged.get(id) ?? []] as const] : [])));
}

const boatMemory = (
  boat: Boat,
  ground: Ground,
  logged: Logged,
  pots: readonly OpenPot[],
  shape: Shape,
): BoatMemory => ({ boat, states: areaStates(ground, logged), ground, logged, pots, shape });

/** Every boat that is not archived. */
export async function readAllBoats(db: Queries, now: number): Promise<BoatMemory[]> {
  const boats = (await allBoats(db)).filter(({ archived }) => !archived);
  const ground = await loadGround(db, null);
  const logged = await loadLogged(db, null);
  const running = grouped(ground.running, ({ boat }) => boat.id);
  const pots = grouped(await openPotsSince(db, potsFrom(now), null), (pot) => pot.boatId);
  const shapes = await shapesByBoat(db, null);
  return boats.map((boat) => {
    const own = { ...ground, running: running.get(boat.id) ?? [] };
    const shape = shapes.get(boat.id) ?? NO_SHAPE;
    return boatMemory(boat, own, ownLogged(own, logged), pots.get(boat.id) ?? [], shape);
  });
}

/** Reads again what a change touched of some boats; the others stay as they are. */
export async function readSomeBoats(
  db: Queries,
  now: number,
  known: ReadonlyMap<string, BoatMemory>,
  stale: ReadonlyMap<string, Stale>,
): Promise<BoatMemory[]> {
  const boats = [...known.values()].filter(({ boat }) => !stale.has(boat.id));
  for (const [boatId, what] of stale) {
    const kept = known.get(boatId);
    const boat = kept && !what.ground ? kept.boat : await boatById(db, boatId);
    if (!boat || boat.archived) continue;
    const fresh = !kept || what.ground;
    const ground = fresh ? await loadGround(db, boatId) : kept.ground;
    const shape = fresh ? ((await shapesByBoat(db, boatId)).get(boatId) ?? NO_SHAPE) : kept.shape;
    const readLog = !kept || what.logged;
    const logged = readLog ? await loadLogged(db, boatId) : kept.logged;
    const pots = readLog ? await openPotsSince(db, potsFrom(now), boatId) : kept.pots;
    boats.push(boatMemory(boat, ground, logged, pots, shape));
  }
  return boats;
}

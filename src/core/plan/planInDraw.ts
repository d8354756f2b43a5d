import { type BuiltProblem, buildProblem, launchId } from './buildProblem.ts';
import type { Done } from './doneInDraw.ts';
import type { LaterTables } from './laterTables.ts';
import { type Replanned, replan } from './replan.ts';
import { SLOT_MS } from './slots.ts';
import type { WeatherYard, YardWeather } from './yardInWeather.ts';
import type { AreaToPlan, CoatToPlan, YardToPlan } from './yardToPlan.ts';

/** Plans of the mornings of a draw: each near to the plan of the day before. */

const DAY_SLOTS = 48;
const WEEK_SLOTS = 7 * DAY_SLOTS;
/** Each morning a coat is looked for so much sooner and later than the plan of the day before has it; only where that fails, on all days. */
const SOONER_SLOTS = 2 * DAY_SLOTS;
const LATER_SLOTS = 4 * DAY_SLOTS;
/** Each morning the coats of these days are worked out by the new forecast; what comes after them by the first one. */
export const ANEW_SLOTS = 3 * DAY_SLOTS;

/** The yard, its plan and its days: the same for all draws. */
export interface DrawSetup {
  of: WeatherYard;
  slots: number;
  /** Slot of the first morning after the plan's start: then, and every day after, it is planned again. */
  morning: number;
  /** Start slots of the plan as it stands, by task. */
  before: ReadonlyMap<string, number>;
  /** Areas that this plan leaves out. */
  leftOut: ReadonlySet<string>;
  /** Lists tried each morning. */
  tries: number;
}

/** A yard on its way through a draw. */
export interface StateInDraw {
  setup: DrawSetup;
  areas: readonly AreaToPlan[];
  done: ReadonlyMap<string, Done>;
  /** Tasks that are not to begin before a slot. */
  held: ReadonlyMap<string, number>;
  /** Start slots of the plan of the day before, by task. */
  before: ReadonlyMap<string, number>;
}

const msAt = ({ setup }: StateInDraw, slot: number): number => setup.of.yard.fromMs + slot * SLOT_MS;

/** The yard in a weather, as it stands at a slot; `near`: with the times between these slots at which coats can begin. */
export function yardInDraw(
  state: StateInDraw,
  weather: YardWeather,
  now: number,
  near: ((coat: CoatToPlan) => readonly [number, number]) | null,
): YardToPlan {
  const { setup, done, held } = state;
  const { yard } = setup.of;
  const ms = (slot: number) => msAt(state, slot);
  const nowMs = ms(now);
  const isAshore = (boatId: string) => !done.has(launchId(boatId));
  const areas = state.areas
    .filter(({ boatId }) => isAshore(boatId))
    .map((area) =>
      weather.area(area, nowMs, (coat) =>
        near && !done.has(coat.sessions === 1 ? coat.id : `${coat.id}#${coat.sessions}`) ? near(coat) : null,
      ),
    );
  const busyMs = new Map<string, number>();
  for (const { crew, end } of done.values())
    for (const who of crew) busyMs.set(who, Math.max(busyMs.get(who) ?? 0, ms(end)));
  const people = yard.people.map(({ id, free }) => {
    const from = Math.max(nowMs, busyMs.get(id) ?? nowMs);
    return { id, free: free.flatMap((each) => (each.toMs <= from ? [] : [{ ...each, fromMs: Math.max(each.fromMs, from) }])) }; // biome-ignore format: one line
  });
  const pinned = Object.fromEntries(
    Object.entries(yard.pinned ?? {}).filter(
      ([id, at]) => at >= nowMs && !done.has(id) && at >= ms(held.get(id) ?? 0),
    ),
  );
  return {
    ...yard,
    boats: yard.boats.filter(({ id }) => isAshore(id)),
    areas,
    people,
    done: Object.fromEntries([...done].map(([id, { start }]) => [id, ms(start)])),
    pinned,
    nowMs,
  };
}

/** A problem without the times at which a task is held. */
function withHolds(built: BuiltProblem, held: StateInDraw['held']): BuiltProblem {
  if (held.size === 0) return built;
  const { problem } = built;
  const tasks = problem.tasks.map((task) => {
    const least = held.get(task.id);
    if (least === undefined || task.pinned !== undefined) return task;
    const starts = (task.starts ?? [[0, problem.slots]]).flatMap(([from, to]) =>
      to <= least ? [] : [[Math.max(from, least), to] as const],
    );
    return { ...task, starts };
  });
  return { ...built, problem: { ...problem, tasks } };
}

/** Start of the last session of a coat, in the plan of the day before. */
function lastOf(before: StateInDraw['before'], id: string): number | undefined {
  let last = before.get(id);
  for (let session = 1; before.has(`${id}#${session}`); session++) last = before.get(`${id}#${session}`);
  return last;
}

type Near = (coatId: string) => readonly [number, number] | null;
interface Planned {
  tasks: Map<string, Replanned>;
  /** Every task has a time. */
  whole: boolean;
  built: BuiltProblem;
}

/**
 * A plan of a morning by what is known then: near the plan of the day before, or where that is not whole, over all days.
 *
 * @returns null: a task that is given has nobody to do it
 */
export function planInDraw(
  state: StateInDraw,
  known: YardWeather,
  of: { now: number; seed: number; later: LaterTables },
): Planned | null {
  const { before, setup } = state;
  const { now } = of;
  const near: Near = (id) => {
    const [first, last] = [before.get(id) ?? before.get(`${id}#1`), lastOf(before, id)];
    if (first === undefined || last === undefined) return null;
    return [Math.max(now, first - SOONER_SLOTS), last + LATER_SLOTS];
  };
  const needed = Math.max(0, ...before.values()) + LATER_SLOTS + DAY_SLOTS;
  // In whole weeks: tables of the same length are made once.
  const horizon = Math.min(setup.slots, Math.ceil(needed / WEEK_SLOTS) * WEEK_SLOTS);
  const first = planned(state, known, { ...of, between: near, slots: horizon });
  return first?.whole ? first : planned(state, known, { ...of, between: () => null, slots: setup.slots });
}

function planned(
  state: StateInDraw,
  known: YardWeather,
  of: { now: number; seed: number; later: LaterTables; between: Near; slots: number },
): Planned | null {
  const { now, seed, later, between, slots } = of;
  const { tries, leftOut } = state.setup;
  const asked = yardInDraw(state, known, now, () => [now, now + ANEW_SLOTS]);
  later.fromSlot = now + ANEW_SLOTS;
  const how = { between, later, films: known.films };
  let built = buildProblem(asked, slots, how);
  // A boat of which an area has no date by this forecast has none; the rest of the yard goes on.
  const stuck = new Set(
    built.unplanned.flatMap(({ areaId }) => {
      const area = state.areas.find(({ id }) => id === areaId);
      return area && !leftOut.has(areaId) ? [area.boatId] : [];
    }),
  );
  if (stuck.size > 0)
    built = buildProblem({ ...asked, boats: asked.boats.filter(({ id }) => !stuck.has(id)) }, slots, how);
  built = withHolds(built, state.held);
  const found = replan(built.problem, { seed, tries, before: state.before });
  return found && { ...found, whole: found.whole && stuck.size === 0, built };
}

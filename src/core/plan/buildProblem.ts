import { HOUR_MS } from '../cure/index.ts';
import { moment, positive, QuantityError, within } from '../units/index.ts';
import { AreaTasks, NotPlanned, type OwnTask } from './areaTasks.ts';
import { PLAN_ASSUMES } from './assumptions.ts';
import { FilmTables, type Horizon } from './coatTables.ts';
import type { PlanLag, PlanProblem, PlanTask } from './problem.ts';
import { joined, SLOT_MS, slotAfter, slotBefore, startSpans } from './slots.ts';
import { type AreaToPlan, type BoatToPlan, type CoatToPlan, MOST_SESSIONS, type PlannedTask, type Unplanned, type YardToPlan } from './yardToPlan.ts'; // biome-ignore format: one line

export interface BuiltProblem {
  problem: PlanProblem;
  /** What each task of the problem is, in its order. */
  tasks: PlannedTask[];
  unplanned: Unplanned[];
}

/** Units of cost to the smallest unit of money: so fine that of two plans at one price the earlier is the cheaper. */
export const COST_UNITS = 1000;
/** A slot in the yard costs this at least, and a slot late, in those units. */
const LEAST = { inYard: 1, late: 20 } as const;
const LAUNCH_SLOTS = Math.ceil((PLAN_ASSUMES.launchH * HOUR_MS) / SLOT_MS);
/** A yard has one crane, hoist or slipway: it takes one boat at a time. */
const CRANE = 'crane';
const DAY_SLOTS = 48;

/** What a plan's cost holds only so that the earlier of two plans is the cheaper: units that nobody pays. */
export function unpaid(yard: YardToPlan, slots: number, endOf: (task: string) => number | undefined): number {
  return yard.boats.reduce((sum, boat) => {
    const end = endOf(launchId(boat.id));
    if (end === undefined) return sum;
    const inYard = Math.max(0, LEAST.inYard - perSlot(boat.costPerDay, DAY_SLOTS));
    const late = Math.max(0, LEAST.late - perSlot(boat.latePerDay, DAY_SLOTS));
    const by = dueSlot(boat, yard.fromMs, slots);
    return sum + inYard * end + (by === null ? 0 : late * Math.max(0, end - by));
  }, 0);
}

/** The task of a boat's launch. */
export const launchId = (boat: string) => `launch ${boat}`;
const dueSlot = ({ wantedMs }: BoatToPlan, fromMs: number, slots: number): number | null =>
  wantedMs === null ? null : Math.max(0, Math.min(slots, slotBefore(wantedMs, fromMs)));

const perSlot = (money: number, slots: number) => Math.round((money * COST_UNITS) / slots);

/** The longest that anybody works in one go, ms. */
function longestStretch({ people }: YardToPlan): number {
  const lengths = people.flatMap(({ free }) => joined(free).map(({ fromMs, toMs }) => toMs - fromMs));
  return Math.max(SLOT_MS, ...lengths);
}

const LONGEST_MS = 400 * 86_400_000;
const length = (quantity: string, ms: number) => within(quantity, ms, 0, LONGEST_MS);

/** Stretches of time; the end of one may be open. */
function checkStretches(of: string, stretches: readonly { fromMs: number; toMs: number }[]): void {
  for (const { fromMs, toMs } of stretches) {
    moment(`start of ${of}`, fromMs);
    if (toMs === Number.POSITIVE_INFINITY) continue;
    if (moment(`end of ${of}`, toMs) < fromMs)
      throw new QuantityError(`end of ${of}`, toMs, `at or after its start (${fromMs})`);
  }
}

function checkCoat(coat: CoatToPlan): void {
  positive('time to apply (ms)', coat.applyMs, LONGEST_MS);
  length('time to get ready (ms)', coat.getReadyMs);
  length('time to clean up (ms)', coat.cleanUpMs);
  length('time to sand (ms)', coat.sandMs);
  for (const [quantity, count] of [
    ['sessions', coat.sessions],
    ['people', coat.people],
  ] as const)
    if (!Number.isInteger(within(quantity, count, 1, MOST_SESSIONS)))
      throw new QuantityError(quantity, count, 'a whole number');
  if (coat.notBeforeMs !== undefined) moment('time of delivery', coat.notBeforeMs);
  checkStretches('a coat by its air', coat.starts);
  for (const { ms, bareForMs, holdsMs } of coat.work) {
    length('time of work (ms)', ms);
    if (holdsMs !== undefined) length('time that tape holds (ms)', holdsMs);
    if (bareForMs !== undefined) positive('time that steel is bare (ms)', bareForMs, LONGEST_MS);
  }
}

function checkArea({ film, primeByMs, notBeforeMs, coats }: AreaToPlan): void {
  if (notBeforeMs !== undefined) moment('time at which a support is moved', notBeforeMs);
  if (film) length('time the film took to apply (ms)', film.appliedInMs);
  if (primeByMs !== null) moment('time to prime by', primeByMs);
  for (const { fromMs, toMs } of film?.segments ?? []) {
    moment('start of a window', fromMs);
    if (toMs !== null) moment('end of a window', toMs);
  }
  for (const at of [film?.sandableMs, film?.wetUntilMs, film?.softUntilMs])
    if (at != null) moment('time of a film', at);
  for (const coat of coats) checkCoat(coat);
}

function checkYard({ fromMs, people, boats, areas }: YardToPlan): void {
  moment('start of the plan', fromMs);
  for (const area of areas) checkArea(area);
  for (const { free } of people) {
    checkStretches('work', free);
    for (const { costPerHour } of free) within('cost of an hour', costPerHour, 0, 2e7);
  }
  for (const { costPerDay, latePerDay, wantedMs, launches } of boats) {
    checkStretches('launching', launches);
    within('cost of a day in the yard', costPerDay, 0, 1e7);
    within('cost of a day late', latePerDay, 0, 1e7);
    if (wantedMs !== null) moment('launch wanted', wantedMs);
  }
}

/** The launch of a boat: an hour, within the launching times. */
function launchOf(boat: BoatToPlan, { fromMs, slots }: Horizon, nowMs: number): OwnTask {
  const id = launchId(boat.id);
  const by = dueSlot(boat, fromMs, slots);
  const costPerSlot = Math.max(LEAST.late, perSlot(boat.latePerDay, DAY_SLOTS));
  const blank = { areaId: null, coatId: null, workId: null, session: [0, 1] as const };
  return {
    id,
    slots: LAUNCH_SLOTS,
    people: 0,
    equipment: [CRANE],
    air: id,
    dusty: false,
    starts: startSpans(fromNow(boat.launches, nowMs), { fromMs, slots, aheadMs: 0 }),
    ...(by !== null && { due: { slot: by, costPerSlot } }),
    is: { ...blank, id, kind: 'launch', boatId: boat.id, getReadyMs: 0, cleanUpMs: 0 },
  };
}

/** Stretches of time cut to the part from now on. */
const fromNow = <T extends { fromMs: number; toMs: number }>(stretches: readonly T[], nowMs: number): T[] =>
  stretches.flatMap((each) => (each.toMs < nowMs ? [] : [{ ...each, fromMs: Math.max(each.fromMs, nowMs) }]));

/** Working time in whole slots, in order. */
function freeSlots(
  free: YardToPlan['people'][number]['free'],
  { fromMs, slots }: Pick<Horizon, 'fromMs' | 'slots'>,
): PlanProblem['people'][number]['free'] {
  return free.flatMap(({ fromMs: from, toMs, costPerHour }) => {
    const [first, last] = [Math.max(0, slotAfter(from, fromMs)), Math.min(slots, slotBefore(toMs, fromMs))];
    return last > first ? [{ from: first, to: last, costPerSlot: perSlot(costPerHour, 2) }] : [];
  });
}

/** The starts at which so many of these people can work so many slots on end. */
function workableFor(people: PlanProblem['people']): Horizon['workable'] {
  const stretches = people.map(({ free }) =>
    joined(free.map(({ from, to }) => ({ fromMs: from, toMs: to }))),
  );
  return (starts, length, count) =>
    starts.flatMap(([from, to]) => {
      const found: number[] = [];
      for (let start = from; start < to; start++) {
        const free = stretches.filter((own) =>
          own.some(({ fromMs, toMs }) => fromMs <= start && start + length <= toMs),
        );
        if (free.length >= count) found.push(start);
      }
      return found;
    });
}

/** Start slots of tasks that are done or placed by hand; starts before the plan are dropped. */
const pinsOf = ({ pinned, done, fromMs }: YardToPlan): Map<string, number> =>
  new Map(
    [...Object.entries(pinned ?? {}), ...Object.entries(done ?? {})]
      .map(([id, ms]) => [id, slotBefore(moment('start of a task placed by hand', ms), fromMs)] as const)
      .filter(([, slot]) => slot >= 0),
  );

/** A task that is done or that somebody placed. What lies beyond the plan has no start in it. */
function pinnedTo(task: PlanTask, { pinned: pins, slots }: Horizon, done: YardToPlan['done']): PlanTask {
  const pinned = pins.get(task.id);
  if (pinned === undefined || task.pinned !== undefined) return task;
  if (pinned > slots - task.slots) return { ...task, starts: [] };
  return { ...task, pinned, ...(done?.[task.id] !== undefined && { people: 0 }) };
}

/** The tasks of an area and what its boat waits for; or why it cannot be planned: then only the film that is on counts. */
function areaOf(area: AreaToPlan, horizon: Horizon) {
  try {
    const made = new AreaTasks(area, horizon);
    return { made, ready: made.ready(), why: null };
  } catch (error) {
    if (!(error instanceof NotPlanned)) throw error;
    const made = new AreaTasks({ ...area, coats: [], primeByMs: null, ready: 'tack-free' }, horizon);
    return { made, ready: made.ready(), why: error.why };
  }
}

/**
 * The abstract problem of a yard: films and work as tasks, with tables of when each may and must follow another.
 *
 * "May" counts from the last strip of a coat and is rounded late, "must" from its first strip and is rounded early. A window that
 * has closed is opened by sanding, hours of the same people; where nothing mends it, the limit is hard. Areas whose sheets do not
 * say what the plan needs are left out and named; a boat's launch waits for those that are planned.
 *
 * @param slots the horizon
 * @param between slots between which a coat is thought to start: for a plan near to an earlier one
 * @param later tables of ends far ahead, from another weather
 * @param films what films do in this weather, shared by problems with the same start
 * @param onlyPinned tables are right only for coats whose start is given: to look at what has been done
 * @throws {QuantityError} on a figure, moment or table that cannot be
 */
export function buildProblem(
  yard: YardToPlan,
  slots: number,
  { onlyPinned = false, between, later, films = new FilmTables() }: Partial<Pick<Horizon, 'onlyPinned' | 'between' | 'later' | 'films'>> = {}, // biome-ignore format: one line
): BuiltProblem {
  checkYard(yard);
  within('horizon (slots)', slots, 1, 10_000);
  const { fromMs } = yard;
  const nowMs = Math.max(fromMs, moment('now', yard.nowMs ?? fromMs));
  const people = yard.people.map(({ id, free }) => ({
    id,
    skills: [],
    free: freeSlots(fromNow(free, nowMs), { fromMs, slots }),
  }));
  const horizon: Horizon = {
    fromMs,
    slots,
    longestMs: longestStretch(yard),
    workable: workableFor(people),
    pinned: pinsOf(yard),
    onlyPinned,
    between,
    later,
    films,
  };
  const areas = yard.areas.map((area) => ({ area, ...areaOf(area, horizon) }));
  const tasks = areas.flatMap(({ made }) => made.tasks);
  const lags: PlanLag[] = areas.flatMap(({ made }) => made.lags);
  const ends: PlanProblem['ends'][number][] = [];
  for (const boat of yard.boats) {
    const own = areas.filter(({ area }) => area.boatId === boat.id);
    // A boat of which nothing is planned has no date.
    const isPlanned = own.some(
      ({ area, why }) => why === null && (area.coats.length > 0 || area.ready === 'immersion'),
    );
    if (!isPlanned) continue;
    const launch = launchOf(boat, horizon, nowMs);
    tasks.push(launch);
    for (const { id: before, lag } of own.flatMap(({ ready }) => ready))
      lags.push({ before, after: launch.id, ...lag });
    const costPerSlot = Math.max(LEAST.inYard, perSlot(boat.costPerDay, DAY_SLOTS));
    ends.push({ tasks: [launch.id], costPerSlot });
  }
  const problem: PlanProblem = {
    slots,
    tasks: tasks.map(({ is: _, ...task }) => pinnedTo(task, horizon, yard.done)),
    lags,
    people,
    equipment: [{ id: CRANE, free: [[0, slots]] }],
    ends,
  };
  return {
    problem,
    tasks: tasks.map(({ is }) => is),
    unplanned: areas.flatMap(({ why }) => (why ? [why] : [])),
  };
}

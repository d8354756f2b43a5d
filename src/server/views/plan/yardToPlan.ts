import { DateTime } from 'luxon';
import type { AreaClock, LeverCode, PlanSetup, UnplannedCode } from '../../../contract/index.ts';
import { type AirHour, type Surroundings, typicalHours } from '../../../core/air/index.ts';
import { HOUR_MS, type SplicedHour } from '../../../core/cure/index.ts';
import {
  type AreaToPlan,
  type FilmOn,
  PLAN_ASSUMES,
  SLOT_MS,
  type YardToPlan,
} from '../../../core/plan/index.ts';
import { memoised } from '../../../core/units/index.ts';
import { type Air, tempsFor } from '../../air/surfaces.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import { inSlices } from '../../memory/slices.ts';
import { surfaceOf } from '../../memory/surfaceOf.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import type { Jobs } from '../../workers/jobs.ts';
import type { PlanStart } from './coatStarts.ts';
import { AreaLeft, type CoatNamed, coatsToPlan, type StartsAsked } from './planCoats.ts';
import { startsByKey } from './startsAsked.ts';

/** The yard as the planner takes it: its boats, the air over them, who works when. */

const DAY_MS = 24 * HOUR_MS;
/** How far ahead anything is planned. */
export const AHEAD_MS = 56 * DAY_MS;
/** Boats planned where nobody said which. */
const USUAL_BOATS = 4;

/** An area that is left out, and why. */
export interface LeftOut {
  areaId: string;
  areaName: string;
  boatId: string;
  boatName: string;
  productName: string | null;
  code: UnplannedCode;
}

export interface GivenYard {
  yard: YardToPlan;
  /** What each coat is called. */
  named: Map<string, CoatNamed>;
  /** When each coat can begin by the air. */
  startsOf: (coatId: string) => readonly PlanStart[];
  leftOut: LeftOut[];
  boats: { boatId: string; boatName: string; wanted: string | null }[];
  otherBoats: { boatId: string; boatName: string }[];
  forecastUntilMs: number;
}

/** The known air, and after it a typical day again and again. */
const airAhead = memoised((air: Air, untilMs: number): Air => {
  const typical = typicalHours(air.hours, untilMs).map(
    (hour: AirHour): SplicedHour => ({ ...hour, source: 'filled', simulated: false, sunUp: true }),
  );
  return { ...air, hours: [...air.hours, ...typical] };
});

/** Hours of the day on days of the week, as stretches of time. */
export function hoursOn(
  { days, fromHour, toHour }: { days: readonly number[]; fromHour: number; toHour: number },
  zone: string,
  fromMs: number,
): { fromMs: number; toMs: number }[] {
  const stretches: { fromMs: number; toMs: number }[] = [];
  const first = DateTime.fromMillis(fromMs, { zone }).startOf('day');
  for (let i = 0; i * DAY_MS <= AHEAD_MS; i++) {
    const day = first.plus({ days: i });
    if (!days.includes(day.weekday)) continue;
    const at = (hour: number) => day.set({ hour: Math.floor(hour), minute: (hour % 1) * 60 }).toMillis();
    const to = toHour === 24 ? day.plus({ days: 1 }).toMillis() : at(toHour);
    const from = Math.max(fromMs, at(fromHour));
    if (to > from) stretches.push({ fromMs: from, toMs: to });
  }
  return stretches;
}

/** Which air an area shares: a shed with all in it, a tent or a heated room with the other areas of its boat, the open with no other boat. */
const airOf = ({ boat }: AreaSnapshot, { kind }: Surroundings, indoors: boolean): string =>
  kind === 'shed' && !indoors ? 'shed' : `${indoors ? 'inside' : kind} ${boat.id}`;

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/**
 * Until when dust harms a film, ms; null: no longer. A film whose sheet does not say when it is dry is taken to be harmed for a day [M],
 * one that never dries as far as is known for all of the plan. One that does not cure has to come off: nobody waits for it.
 */
function wetUntil(clock: AreaClock, now: number): number | null {
  if (clock.film === null || clock.hand?.notCuring) return null;
  const by = (event: string) => clock.events.find((each) => each.event === event);
  const stated = by('tack-free') ?? by('dew-safe');
  const dryMs = stated ? (ms(stated.at) ?? now + AHEAD_MS) : Date.parse(clock.film.laidTo) + DAY_MS;
  return dryMs > now ? dryMs : null;
}

function filmOn(clock: AreaClock, now: number): FilmOn | null {
  const { film, segments, events } = clock;
  if (!film) return null;
  return {
    appliedInMs: Math.max(0, Date.parse(film.laidTo) - Date.parse(film.laidFrom)),
    segments: segments.map(({ state, from, to }) => ({ state, fromMs: Date.parse(from), toMs: ms(to) })),
    sandableMs: ms(events.find(({ event }) => event === 'sandable')?.at ?? null),
    wetUntilMs: wetUntil(clock, now),
  };
}

/** An area of which only the film that is on counts: dust harms it, and the boat is not launched before it is dry. */
export const filmOnly = (film: FilmOn) =>
  ({
    film: { ...film, segments: [] },
    primeByMs: null,
    coats: [],
    ready: 'tack-free',
  }) satisfies Partial<AreaToPlan>;

/** Why nothing can be said of an area, before any of its coats is looked at; null: it can be planned. */
function leftOutBy(clock: AreaClock): UnplannedCode | null {
  if (clock.failed !== null) return 'failed';
  if (clock.hiddenBy) return 'behind-support';
  if (clock.state === 'no-weather') return 'no-weather';
  return clock.hand?.notCuring ? 'not-curing' : null;
}

const hasWork = ({ next, state }: AreaClock) => next !== null && state !== 'no-system';

/** Surroundings that a change of the premises brings: a tent over what stands open, heat under a cover. */
function surroundingsWith(own: Surroundings, lever: LeverCode | null): Surroundings {
  const isOpen = own.kind === 'open' || own.kind === 'shaded';
  if (lever === 'tent' && isOpen) return { kind: 'tent' };
  if (lever === 'heated' && own.kind !== 'heated')
    return { kind: 'heated', setPointC: PLAN_ASSUMES.heatedToC };
  return own;
}
/** Boats that are planned: those chosen, or the first few that have work left. */
function boatsOf(known: YardReading, setup: PlanSetup) {
  const working = known.boats
    .filter(({ boat }) => known.clocks.some((clock) => clock.boatId === boat.id && hasWork(clock)))
    .map(({ boat }) => ({ boatId: boat.id, boatName: boat.name }));
  const wanted = new Map(setup.boats.map((each) => [each.boatId, each.wanted]));
  const chosen =
    wanted.size > 0 ? working.filter(({ boatId }) => wanted.has(boatId)) : working.slice(0, USUAL_BOATS);
  const ids = new Set(chosen.map(({ boatId }) => boatId));
  return {
    boats: chosen.map((boat) => ({ ...boat, wanted: wanted.get(boat.boatId) ?? null })),
    otherBoats: working.filter(({ boatId }) => !ids.has(boatId)),
  };
}

/**
 * The yard as it now stands, as the planner takes it.
 *
 * @param lever a change of its premises that is tried; null: as it is
 */
export async function yardToPlan(
  known: YardReading & { yard: { zone: string } },
  setup: PlanSetup,
  now: number,
  jobs: Jobs,
  lever: LeverCode | null = null,
): Promise<GivenYard> {
  const fromMs = Math.ceil(now / SLOT_MS) * SLOT_MS;
  const { zone } = known.yard;
  const { yardDay, labourPerHour } = known.trade.settings;
  const people = setup.people.map(({ id, ...week }) => ({
    id,
    free: hoursOn(week, zone, fromMs).map((stretch) => ({ ...stretch, costPerHour: labourPerHour })),
  }));
  const { boats, otherBoats } = boatsOf(known, setup);
  const ids = new Set(boats.map(({ boatId }) => boatId));
  const air = airAhead(known.air, fromMs + AHEAD_MS);
  const longestMs = Math.max(
    SLOT_MS,
    ...people.flatMap(({ free }) => free.map(({ fromMs: from, toMs }) => toMs - from)),
  );
  const named: GivenYard['named'] = new Map();
  const leftOut: LeftOut[] = [];
  const asked = new Map<string, StartsAsked>();
  const clockOf = new Map(known.clocks.map((clock) => [clock.areaId, clock]));
  const isWet = (clock: AreaClock | undefined) => clock && filmOn(clock, fromMs)?.wetUntilMs != null;
  // Beside the boats planned: wet films of others in the same shed, which dust would land on.
  const states = known.states.filter(
    ({ boat, area }) =>
      ids.has(boat.id) || (area.surroundings.kind === 'shed' && isWet(clockOf.get(area.id))),
  );
  const areas = await inSlices(states, (state): AreaToPlan | null => {
    const clock = clockOf.get(state.area.id);
    if (!clock) return null;
    const own = surfaceOf(state, known.catalogue);
    const surroundings = own.indoors ? own.surroundings : surroundingsWith(own.surroundings, lever);
    const place = { ...own, surroundings };
    const film = filmOn(clock, fromMs);
    const area = {
      id: state.area.id,
      boatId: state.boat.id,
      air: airOf(state, surroundings, own.indoors),
      temps: tempsFor(air, place),
    };
    /** Nothing is planned on it; while its film is wet there is no dust beside it, and no launch. */
    const asItIs = film?.wetUntilMs == null ? null : { ...area, ...filmOnly(film) };
    const leave = (code: UnplannedCode, productName: string | null) => {
      const { areaId, areaName, boatId, boatName } = clock;
      leftOut.push({ areaId, areaName, boatId, boatName, productName, code });
      return asItIs;
    };
    const why = leftOutBy(clock);
    const isDue = hasWork(clock) || clock.nextIsWater || why !== null;
    if (!ids.has(state.boat.id) || !isDue) return asItIs;
    if (why) return leave(why, clock.next?.productName ?? null);
    try {
      const hands = setup.people.length;
      const planned = coatsToPlan({ state, clock, catalogue: known.catalogue, place, now: fromMs, hands, longestMs }); // biome-ignore format: one line
      for (const [id, coat] of planned.named) named.set(id, coat);
      for (const [id, each] of planned.asked) asked.set(id, each);
      const ready = state.area.service === 'immersed' ? 'immersion' : 'tack-free';
      return { ...area, film, primeByMs: ms(clock.primeBy), coats: planned.coats, ready };
    } catch (error) {
      if (!(error instanceof AreaLeft)) throw error;
      return leave(error.code, error.productName);
    }
  });
  const starts = await startsByKey(jobs, { air, asked: [...asked.values()], now: fromMs, aheadMs: AHEAD_MS });
  const startsOf = (coatId: string) => starts.get(asked.get(coatId)?.key ?? '') ?? [];
  const withStarts = areas.flatMap((area): AreaToPlan[] => {
    if (!area) return [];
    const coats = area.coats.map((coat) => ({ ...coat, starts: startsOf(coat.id) }));
    const shut = coats.find((coat) => coat.starts.length === 0);
    if (!shut) return [{ ...area, coats }];
    const clock = clockOf.get(area.id);
    const { areaName = '', boatName = '' } = clock ?? {};
    const productName = named.get(shut.id)?.productName ?? null;
    leftOut.push({
      areaId: area.id,
      areaName,
      boatId: area.boatId,
      boatName,
      productName,
      code: 'no-hour-passes',
    });
    return area.film?.wetUntilMs == null ? [] : [{ ...area, ...filmOnly(area.film) }];
  });
  const launches = hoursOn(
    { days: setup.launchDays, fromHour: setup.launchFromHour, toHour: setup.launchToHour },
    zone,
    fromMs,
  );
  return {
    yard: {
      fromMs,
      areas: withStarts,
      boats: boats.map(({ boatId, wanted }) => ({
        id: boatId,
        launches,
        wantedMs: ms(wanted),
        costPerDay: yardDay,
        latePerDay: setup.latePerDay,
      })),
      people,
      pinned: Object.fromEntries(setup.pins.map(({ taskId, start }) => [taskId, Date.parse(start)])),
    },
    named,
    startsOf,
    leftOut,
    boats,
    otherBoats,
    forecastUntilMs: known.hours.at(-1)?.at ?? fromMs,
  };
}

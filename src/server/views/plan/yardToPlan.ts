import { DateTime } from 'luxon';
import type { AreaClock, LeverCode, PlanSetup, Service, UnplannedCode } from '../../../contract/index.ts';
import { type AirHour, type AirLimits, typicalHours } from '../../../core/air/index.ts';
import { HOUR_MS, launchEvent, type SplicedHour } from '../../../core/cure/index.ts';
import { workRates } from '../../../core/film/index.ts';
import {
  type AreaToPlan,
  type FilmGiven,
  joined,
  PLAN_ASSUMES,
  type PlanSurface,
  SLOT_MS,
  type WeatherYard,
  type YardToPlan,
} from '../../../core/plan/index.ts';
import { coatLimitsOf } from '../../../core/system/index.ts';
import { memoised } from '../../../core/units/index.ts';
import type { Air } from '../../air/surfaces.ts';
import { inSlices } from '../../memory/slices.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import type { EdgeTape } from '../../rows/log.ts';
import type { Jobs } from '../../workers/jobs.ts';
import { filmOn, sharedSurfaces, standingOf, wetFilmOnly } from './areaStanding.ts';
import {
  type BoatToLaunch,
  boatsOf,
  changesOf,
  hasWork,
  patchesTogether,
  suppliesOf,
  uncoveredAt,
} from './boatsToPlan.ts';
import type { PlanStart } from './coatStarts.ts';
import { maskingOf } from './masking.ts';
import { AreaLeft, type CoatNamed, coatsToPlan, type StartsRequest } from './planCoats.ts';
import { PLAN_SPAN_MS } from './planSpan.ts';
import { launchGraceMs, peopleWith, present, WEEK } from './premises.ts';
import { startsByKey } from './startsAsked.ts';

/** The yard as the planner takes it: its boats, the air over them, who works when. */

const DAY_MS = 24 * HOUR_MS;

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
  /** What its times hang on: it can be planned again in other weather. */
  weather: Omit<WeatherYard, 'yard'> & { hours: readonly AirHour[] };
  /** What each coat is called. */
  named: Map<string, CoatNamed>;
  /** When each coat can begin by the air. */
  startsOf: (coatId: string) => readonly PlanStart[];
  /** Names of areas that are painted in one go, by the one whose tasks stand for all. */
  together: ReadonlyMap<string, string>;
  leftOut: LeftOut[];
  boats: BoatToLaunch[];
  otherBoats: { boatId: string; boatName: string }[];
  forecastUntilMs: number;
}

/** The known air, and after it a typical day again and again. */
const comingAir = memoised((air: Air, untilMs: number): Air => {
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
  for (let i = 0; i * DAY_MS <= PLAN_SPAN_MS; i++) {
    const day = first.plus({ days: i });
    if (!days.includes(day.weekday)) continue;
    const at = (hour: number) => day.set({ hour: Math.floor(hour), minute: (hour % 1) * 60 }).toMillis();
    const to = toHour === 24 ? day.plus({ days: 1 }).toMillis() : at(toHour);
    const from = Math.max(fromMs, at(fromHour));
    if (to > from) stretches.push({ fromMs: from, toMs: to });
  }
  return stretches;
}

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Days ahead whose mean temperature tells which product is overcoated sooner. */
const COMPARED_DAYS = 7;
export function meanComingC(
  { hours }: Pick<Air, 'hours'>,
  fromMs: number,
  levers: readonly LeverCode[],
): number {
  const ahead = hours.filter(({ at }) => at >= fromMs && at < fromMs + COMPARED_DAYS * DAY_MS);
  const meanC = ahead.reduce((sum, { airC }) => sum + airC, 0) / Math.max(1, ahead.length);
  const heatedC = levers.includes('heated') ? PLAN_ASSUMES.heatedToC : meanC;
  return Math.min(60, Math.max(-20, meanC, heatedC));
}

/** Why nothing can be said of an area, before any of its coats is looked at; null: it can be planned. */
function leftOutBy(clock: AreaClock, uncoveredMs: number | null, now: number): UnplannedCode | null {
  if (clock.failed !== null) return 'failed';
  // A support that should have been moved by now may still be there.
  if (clock.hiddenBy && (uncoveredMs === null || uncoveredMs < now)) return 'behind-support';
  if (clock.state === 'no-weather') return 'no-weather';
  return clock.hand?.notCuring ? 'not-curing' : null;
}

/** What makes the last film of an area ready for the launch. */
function readyBy(coats: AreaToPlan['coats'], service: Service): AreaToPlan['ready'] {
  const top = coats.at(-1)?.sheet;
  if (top) return launchEvent(top, service === 'immersed');
  return service === 'immersed' ? 'immersion' : 'tack-free';
}

/**
 * The yard as it now stands, as the planner takes it.
 *
 * @param levers changes of its premises that are tried; left out: as it is
 * @param masked the tape on the edges of each area that has any
 */
export async function yardToPlan(
  known: YardReading & { yard: { zone: string } },
  setup: PlanSetup,
  now: number,
  jobs: Jobs,
  levers: readonly LeverCode[] = [],
  masked: ReadonlyMap<string, EdgeTape> = new Map(),
): Promise<GivenYard> {
  const fromMs = Math.ceil(now / SLOT_MS) * SLOT_MS;
  const { zone } = known.yard;
  const { yardDay, labourPerHour, workRates: ownRates } = known.trade.settings;
  const rates = workRates(ownRates);
  const people = peopleWith(setup, levers, labourPerHour, (week) => hoursOn(week, zone, fromMs));
  const { boats, otherBoats } = boatsOf(known, setup);
  const ids = new Set(boats.map(({ boatId }) => boatId));
  const air = comingAir(known.air, fromMs + PLAN_SPAN_MS);
  const longestMs = Math.max(
    SLOT_MS,
    ...people.flatMap(({ free }) => joined(free).map(({ fromMs: from, toMs }) => toMs - from)),
  );
  const named: GivenYard['named'] = new Map();
  const leftOut: LeftOut[] = [];
  const requests = new Map<string, StartsRequest>();
  const surfaces: PlanSurface[] = [];
  const surfaceOfArea: Record<string, number> = {};
  const limitsOf: Record<string, AirLimits> = {};
  const films: Record<string, FilmGiven> = {};
  const clockOf = new Map(known.clocks.map((clock) => [clock.areaId, clock]));
  const isWet = (clock: AreaClock | undefined) => clock && filmOn(clock, fromMs)?.wetUntilMs != null;
  // Beside the boats planned: wet films of others in the same shed, which dust would land on.
  const states = known.states.filter(
    ({ boat, area }) =>
      ids.has(boat.id) || (area.surroundings.kind === 'shed' && isWet(clockOf.get(area.id))),
  );
  const together = patchesTogether(states, clockOf);
  const followers = new Set([...together.values()].flatMap((group) => group.slice(1).map(({ area }) => area.id))); // biome-ignore format: one line
  const namesOf = new Map([...together].map(([id, group]) => [id, group.map(({ area }) => area.name).join(', ')])); // biome-ignore format: one line
  const supplies = suppliesOf(known, now, zone);
  // What comes in the course of a day is used from the next morning on.
  const deliveredMs = (dueOn: string) => DateTime.fromISO(dueOn, { zone }).plus({ days: 1 }).toMillis();
  const compareAtC = meanComingC(air, fromMs, levers);
  const leaveOut = (
    { areaId, areaName, boatId, boatName }: AreaClock,
    code: UnplannedCode,
    productName: string | null,
  ) => {
    leftOut.push({ areaId, areaName: namesOf.get(areaId) ?? areaName, boatId, boatName, productName, code });
  };
  const areas = await inSlices(states, (state): AreaToPlan | null => {
    const clock = clockOf.get(state.area.id);
    if (!clock || followers.has(state.area.id)) return null;
    const { surface, film, filmGiven, area } = standingOf(state, clock, {
      air,
      catalogue: known.catalogue,
      fromMs,
      now,
      levers,
      changes: changesOf(setup, state.boat.id),
    });
    if (filmGiven) films[area.id] = filmGiven;
    surfaceOfArea[area.id] = surfaces.push(surface) - 1;
    const asItIs = wetFilmOnly(area, film);
    const leave = (code: UnplannedCode, productName: string | null) => {
      leaveOut(clock, code, productName);
      return asItIs;
    };
    const uncoveredMs = uncoveredAt(clock, zone);
    const why = leftOutBy(clock, uncoveredMs, fromMs);
    const isDue = hasWork(clock) || clock.nextIsWater || why !== null;
    if (!ids.has(state.boat.id) || !isDue) return asItIs;
    if (why) return leave(why, clock.next?.productName ?? null);
    try {
      const hands = people.length;
      const group = together.get(state.area.id) ?? [state];
      const extraWork = setup.extraWork.filter(({ areaId }) =>
        group.some(({ area: { id } }) => id === areaId),
      );
      const masking = maskingOf(group, known.boats, masked.get(state.area.id));
      const planned = coatsToPlan({ masking, extraWork, state, clock, catalogue: known.catalogue, place: surface, now: fromMs, hands, longestMs, rates, levers, compareAtC, supplies, deliveredMs, together: group }); // biome-ignore format: one line
      for (const [id, coat] of planned.named) named.set(id, coat);
      for (const [id, each] of planned.requests) {
        requests.set(id, each);
        limitsOf[id] = coatLimitsOf(each.sheet, each.method);
      }
      const ready = readyBy(planned.coats, state.area.service);
      const covered = clock.hiddenBy && uncoveredMs !== null && { notBeforeMs: uncoveredMs };
      return { ...area, film, primeByMs: ms(clock.primeBy), coats: planned.coats, ready, ...covered };
    } catch (error) {
      if (!(error instanceof AreaLeft)) throw error;
      return leave(error.code, error.productName);
    }
  });
  const starts = await startsByKey(jobs, {
    air,
    requests: [...requests.values()],
    now: fromMs,
    aheadMs: PLAN_SPAN_MS,
  });
  const startsOf = (coatId: string) => starts.get(requests.get(coatId)?.key ?? '') ?? [];
  const withStarts = areas.flatMap((area): AreaToPlan | AreaToPlan[] => {
    if (!area) return [];
    const coats = area.coats.map((coat) => ({ ...coat, starts: startsOf(coat.id) }));
    const shut = coats.find((coat) => coat.starts.length === 0);
    if (!shut) return { ...area, coats };
    const clock = clockOf.get(area.id);
    if (clock) leaveOut(clock, 'no-hour-passes', named.get(shut.id)?.productName ?? null);
    return wetFilmOnly(area, area.film) ?? [];
  });
  const days = levers.includes('any-launch-day') ? WEEK : setup.launchDays;
  const { launchFromHour: fromHour, launchToHour: toHour, launchStops = [] } = setup;
  // A launch ends within its hours, and before the crane stops. In hours that are too short it starts at their beginning.
  const launchMs = PLAN_ASSUMES.launchH * HOUR_MS;
  const launches = present(
    hoursOn({ days, fromHour, toHour }, zone, fromMs).map((hours) => ({
      fromMs: hours.fromMs,
      toMs: Math.max(hours.fromMs + 1, hours.toMs - launchMs),
    })),
    launchStops.map(({ from, to }) => ({
      from: new Date(Date.parse(from) - launchMs + 1).toISOString(),
      to,
    })),
  );
  return {
    yard: {
      fromMs,
      areas: withStarts,
      boats: boats.map(({ boatId, wanted }) => ({
        id: boatId,
        launches,
        wantedMs: wanted === null ? null : Date.parse(wanted) + launchGraceMs(levers),
        costPerDay: yardDay,
        latePerDay: setup.latePerDay,
      })),
      people,
      pinned: Object.fromEntries(setup.pins.map(({ taskId, start }) => [taskId, Date.parse(start)])),
    },
    weather: {
      hours: air.hours,
      site: air.site,
      ...sharedSurfaces(surfaces, surfaceOfArea),
      limitsOf,
      films,
    },
    named,
    startsOf,
    together: namesOf,
    leftOut,
    boats,
    otherBoats,
    forecastUntilMs: known.hours.at(-1)?.at ?? fromMs,
  };
}

import { DateTime } from 'luxon';
import type { AreaClock, PlanSetup, TodayCoat, TodayView } from '../../contract/index.ts';
import { type DayJob, dayOrder } from '../../core/air/index.ts';
import { HOUR_MS, urgencyMs } from '../../core/cure/index.ts';
import { workRates } from '../../core/film/index.ts';
import { remembering } from '../../core/units/index.ts';
import type { Context } from '../context.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { inSlices } from '../memory/slices.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import { planSetupOf } from '../rows/plan.ts';
import { agreedStarts } from './agreedStart.ts';
import { beforeCoat, type CoatInHand } from './beforeCoat.ts';
import { coatSpans } from './coatSpans.ts';
import { coatUnder } from './coatUnder.ts';
import { potViews } from './pots.ts';

/** Number of areas checked; one person does no more in a day. */
const MOST = 12;

/** States in which a coat can be thought of today, if its window is open before the day is over. */
const CAN = new Set<AreaClock['state']>(['open', 'thumb', 'keyed', 'key-first', 'bare', 'too-soon']);

interface Asked {
  clock: AreaClock;
  inHand: CoatInHand;
  coat: Omit<TodayCoat, keyof Awaited<ReturnType<typeof beforeCoat>>>;
  stretches: DayJob['stretches'];
}

const iso = (ms: number) => new Date(ms).toISOString();
const ms = (at: string | null) => (at === null ? null : Date.parse(at));

function askAbout(
  state: AreaSnapshot,
  clock: AreaClock,
  known: YardReading,
  now: number,
  midnight: number,
  isMixed: boolean,
): Asked | null {
  const step = state.steps.find(({ id }) => id === clock.next?.stepId);
  const product = step && known.catalogue.latest.get(step.productId);
  const spans = coatSpans(clock, now).filter(({ fromMs }) => fromMs < midnight);
  if (!step || !product || !clock.next || (spans.length === 0 && !isMixed)) return null;
  const areaM2 = Math.max(0, clock.next.areaM2 - clock.next.coveredM2);
  const coat = {
    step,
    sheet: product.sheet,
    areaM2,
    air: known.air,
    now,
    safeHours: null,
    rateM2PerH: workRates(known.trade.settings.workRates)[step.method],
    pace: known.catalogue.paceOf(step.productId, step.method),
    spans,
  };
  const { applyMs, safeBy, starts } = coatUnder(coat, surfaceOf(state, known.catalogue));
  const { stretches } = starts(midnight);
  return {
    clock,
    inHand: { state, clock, step, product, leftM2: areaM2 },
    stretches,
    coat: {
      areaId: clock.areaId,
      areaName: clock.areaName,
      boatId: clock.boatId,
      boatName: clock.boatName,
      productName: product.name,
      colour: clock.next.colour,
      applyH: applyMs / HOUR_MS,
      starts: stretches.map(({ fromMs, toMs }) => ({ from: iso(fromMs), to: iso(toMs) })),
      potEnds: null,
      placed: null,
      planned: null,
      safeNotStated: safeBy === null,
      conditions: [...new Set(stretches.flatMap(({ conditions }) => conditions))],
    },
  };
}

/** The coats possible today with their times, and the order in which the most fit for one person. */
export async function todayView({ db, memory, now }: Context): Promise<TodayView> {
  const at = now();
  const known = await memory.at(at);
  const setup = await planSetupOf(db);
  const judged = await kept(known.snapshot, [Math.floor(at / SAME_FOR_MS)], () => judgeToday(known, at));
  return todayOf(db, { ...known, setup, logOf: (boatId) => memory.logOf(boatId) }, judged);
}

/** What the air allows within half a minute is the same: nothing in it moves faster. */
const SAME_FOR_MS = 30_000;
const kept = remembering<Promise<Judged>>();
/** A coat whose area, sheet and air are the same is not asked about again because another boat was written. */
const keptAsked = remembering<Asked | null>();

/** The coats asked about, and the order in which the most fit for one person. */
interface Judged {
  at: number;
  midnight: number;
  asked: Asked[];
  order: Map<string, { i: number; start: string; end: string }>;
  mixed: ReturnType<typeof mixedPots>;
  /** Areas left out of it. */
  more: number;
}

/** The mixed pot of an area: of several, the one whose pot life ends first. A pot without a pot life isn’t urgent. */
function mixedPots(
  known: Pick<YardReading, 'boats' | 'catalogue'>,
  at: number,
): Map<string, { endMs: number; readyMs: number }> {
  const pots = new Map<string, { endMs: number; readyMs: number }>();
  for (const pot of potViews(known.boats, known.catalogue, at)) {
    const endMs = ms(pot.potEnds);
    if (endMs !== null && endMs > at && endMs < (pots.get(pot.areaId)?.endMs ?? Number.POSITIVE_INFINITY))
      pots.set(pot.areaId, { endMs, readyMs: Date.parse(pot.inductionEnds) });
  }
  return pots;
}

/** When the agreed plan has an area's next coat today; null: it has none. */
function plannedToday(
  setup: PlanSetup,
  { fromMs, toMs }: { fromMs: number; toMs: number },
): (clock: AreaClock) => string | null {
  const startOf = agreedStarts(setup);
  return ({ areaId, next }) => {
    const start = startOf(areaId, next);
    return start !== null && Date.parse(start) >= fromMs && Date.parse(start) <= toMs ? start : null;
  };
}

async function judgeToday(known: YardReading, at: number): Promise<Judged> {
  const { zone } = known.yard;
  const midnight = DateTime.fromMillis(at, { zone }).endOf('day').toMillis();
  const stateOf = new Map(known.states.map((state) => [state.area.id, state]));
  const mixed = mixedPots(known, at);
  const wanted = known.clocks
    .filter(({ state, next, areaId }) => (CAN.has(state) || mixed.has(areaId)) && next !== null)
    .sort(
      (a, b) =>
        Number(mixed.has(b.areaId)) - Number(mixed.has(a.areaId)) ||
        urgencyMs({ state: a.state, untilMs: ms(a.until) }) -
          urgencyMs({ state: b.state, untilMs: ms(b.until) }),
    );
  const asked = (
    await inSlices(known.hours.length > 0 ? wanted.slice(0, MOST) : [], (clock) => {
      const state = stateOf.get(clock.areaId);
      if (!state) return null;
      const of = [clock, known.air, known.catalogue, known.trade.settings.workRates, mixed.has(clock.areaId)];
      return keptAsked(state, [...of, Math.floor(at / SAME_FOR_MS)], () =>
        askAbout(state, clock, known, at, midnight, mixed.has(clock.areaId)),
      );
    })
  ).filter((each) => each !== null);
  const jobs = asked.map(({ coat, stretches }) => {
    const pot = mixed.get(coat.areaId);
    return {
      id: coat.areaId,
      applyMs: coat.applyH * HOUR_MS,
      stretches,
      ...(pot && { potEndsMs: pot.endMs, potReadyMs: pot.readyMs }),
    };
  });
  const { placed } = dayOrder({ jobs, nowMs: at });
  const order = new Map(
    placed.map((place, i) => [place.id, { i, start: iso(place.startMs), end: iso(place.endMs) }]),
  );
  return { at, midnight, asked, order, mixed, more: Math.max(0, wanted.length - MOST) };
}

/** As it stands in the log and the agreed plan by now. */
async function todayOf(
  db: Context['db'],
  known: YardReading & { setup: PlanSetup; logOf: (boatId: string) => object },
  { at, midnight, asked, order, mixed, more }: Judged,
): Promise<TodayView> {
  const { zone } = known.yard;
  const today = { fromMs: DateTime.fromMillis(at, { zone }).startOf('day').toMillis(), toMs: midnight };
  const plannedOf = plannedToday(known.setup, today);
  // Mixed pots first, then agreed coats at their times, then other coats that fit.
  const rank = ({ coat, clock }: Pick<Asked, 'coat' | 'clock'>): [number, string, number] => {
    const planned = plannedOf(clock);
    const group = mixed.has(coat.areaId) ? 0 : planned ? 1 : 2;
    return [group, planned ?? '', order.get(coat.areaId)?.i ?? MOST];
  };
  const inOrder = (a: Asked, b: Asked) => {
    const [[groupA, plannedA, placeA], [groupB, plannedB, placeB]] = [rank(a), rank(b)];
    return groupA - groupB || (groupA === 1 ? plannedA.localeCompare(plannedB) : 0) || placeA - placeB;
  };
  const boatOf = new Map(known.boats.map((each) => [each.boat.id, each]));
  const before = await Promise.all(
    asked.map(({ inHand }) =>
      beforeCoat(
        db,
        { ...known, boat: boatOf.get(inHand.state.boat.id), log: known.logOf(inHand.state.boat.id) },
        inHand,
        at,
      ),
    ),
  );
  return {
    now: iso(at),
    coats: asked
      .map((each, i) => ({ ...each, before: before[i] as (typeof before)[0] }))
      .sort(inOrder)
      .map(({ coat, clock, before }) => {
        const place = order.get(coat.areaId);
        const potEndsMs = mixed.get(coat.areaId)?.endMs;
        return {
          ...coat,
          ...before,
          // Mixed paint isn’t taken from stock again.
          paintEnds: before.paintEnds && potEndsMs === undefined,
          potEnds: potEndsMs === undefined ? null : iso(potEndsMs),
          planned: plannedOf(clock),
          placed: place ? { start: place.start, end: place.end } : null,
        };
      }),
    more,
  };
}

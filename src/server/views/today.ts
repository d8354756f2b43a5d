import { DateTime } from 'luxon';
import type { AreaClock, TodayCoat, TodayView, WorkView, Yard } from '../../contract/index.ts';
import { type DayJob, dayOrder, type StartStretch } from '../../core/air/index.ts';
import { HOUR_MS, urgencyMs } from '../../core/cure/index.ts';
import { taskState } from '../../core/system/index.ts';
import { remembering } from '../../core/units/index.ts';
import type { Context } from '../context.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { inSlices } from '../memory/slices.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { YardClocks } from '../memory/yardSnapshots.ts';
import { coatUnder } from './coatUnder.ts';

/** Areas asked about; a pair of hands does no more in a day. */
const MOST = 12;

/** States in which a coat can be thought of today, if its window is open before the day is over. */
const CAN = new Set<AreaClock['state']>(['open', 'thumb', 'keyed', 'key-first', 'bare', 'too-soon']);

interface Asked {
  clock: AreaClock;
  coat: TodayCoat;
  stretches: DayJob['stretches'];
}

const iso = (ms: number) => new Date(ms).toISOString();
const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Work that is to be done with the hands before the coat: neither done, nor a wait, nor asked for only later. */
function isLeft({ kind, doneAt, endsAt, fromAt }: WorkView, now: number): boolean {
  const state = taskState({ doneMs: ms(doneAt), endsMs: ms(endsAt), fromMs: ms(fromAt) }, now);
  return kind !== 'wait' && state === 'due';
}

/** Only the part of each stretch in which the film below takes the coat too. */
function within(
  stretches: readonly StartStretch[],
  fromMs: number,
  toMs: number,
): (DayJob['stretches'][number] & Pick<StartStretch, 'conditions'>)[] {
  return stretches.flatMap((each) => {
    const [from, to] = [Math.max(each.fromMs, fromMs), Math.min(each.toMs, toMs)];
    return from <= to ? [{ fromMs: from, toMs: to, conditions: each.conditions }] : [];
  });
}

/** The stretch of today in which the film below takes the next coat; null: none. */
function openToday(clock: AreaClock, now: number, midnight: number): { fromMs: number; toMs: number } | null {
  const until = ms(clock.until);
  if (clock.state === 'too-soon')
    return until !== null && until < midnight ? { fromMs: until, toMs: midnight } : null;
  const closes = clock.state === 'open' || clock.state === 'thumb' || clock.primeBy !== null;
  return { fromMs: now, toMs: closes ? Math.min(until ?? midnight, midnight) : midnight };
}

function askAbout(
  state: AreaSnapshot,
  clock: AreaClock,
  known: YardClocks,
  now: number,
  midnight: number,
): Asked | null {
  const step = state.steps.find(({ id }) => id === clock.next?.stepId);
  const product = step && known.catalogue.latest.get(step.productId);
  const open = openToday(clock, now, midnight);
  if (!step || !product || !clock.next || !open) return null;
  const areaM2 = Math.max(0, clock.next.areaM2 - clock.next.coveredM2);
  const coat = {
    step,
    sheet: product.sheet,
    areaM2,
    air: known.air,
    now,
    safeHours: null,
    pace: known.catalogue.paceOf(step.productId, step.method),
  };
  const { applyMs, safeBy, starts } = coatUnder(coat, surfaceOf(state, known.catalogue));
  const stretches = within(starts(midnight).stretches, open.fromMs, open.toMs);
  return {
    clock,
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
      placed: null,
      workLeft: clock.work.filter((task) => isLeft(task, now)).length,
      safeNotStated: safeBy === null,
      conditions: [...new Set(stretches.flatMap(({ conditions }) => conditions))],
    },
  };
}

/** Which coats could go on today, from when to when each, and in which order the most of them fit one pair of hands. */
export async function todayView({ memory, now }: Context): Promise<TodayView> {
  const at = now();
  const known = await memory.at(at);
  return kept(known.snapshot, [Math.floor(at / SAME_FOR_MS)], () => todayOf(known, at));
}

/** Answers within half a minute are one: nothing on it moves faster. */
const SAME_FOR_MS = 30_000;
const kept = remembering<Promise<TodayView>>();

async function todayOf(known: YardClocks & { yard: Yard }, at: number): Promise<TodayView> {
  const { zone } = known.yard;
  const midnight = DateTime.fromMillis(at, { zone }).endOf('day').toMillis();
  const stateOf = new Map(known.states.map((state) => [state.area.id, state]));
  const wanted = known.clocks
    .filter(({ state, next }) => CAN.has(state) && next !== null)
    .sort(
      (a, b) =>
        urgencyMs({ state: a.state, untilMs: ms(a.until) }) -
        urgencyMs({ state: b.state, untilMs: ms(b.until) }),
    );
  const asked = (
    await inSlices(known.hours.length > 0 ? wanted.slice(0, MOST) : [], (clock) => {
      const state = stateOf.get(clock.areaId);
      return state ? askAbout(state, clock, known, at, midnight) : null;
    })
  ).filter((each) => each !== null);
  const jobs = asked.map(({ coat, stretches }) => ({
    id: coat.areaId,
    applyMs: coat.applyH * HOUR_MS,
    stretches,
  }));
  const { placed } = dayOrder({ jobs, nowMs: at });
  const order = new Map(
    placed.map((place, i) => [place.id, { i, start: iso(place.startMs), end: iso(place.endMs) }]),
  );
  const rank = ({ coat }: Asked) => order.get(coat.areaId)?.i ?? MOST;
  return {
    now: iso(at),
    coats: asked
      .sort((a, b) => rank(a) - rank(b))
      .map(({ coat }) => {
        const place = order.get(coat.areaId);
        return { ...coat, placed: place ? { start: place.start, end: place.end } : null };
      }),
    more: Math.max(0, wanted.length - MOST),
  };
}

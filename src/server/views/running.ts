import type { AreaClock, RunningClock, RunningView } from '../../contract/index.ts';
import { FILM_EVENTS, HOUR_MS, holdsAggregate } from '../../core/cure/index.ts';
import type { Zone } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import type { Context } from '../context.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import { countedEntries } from '../rows/log.ts';
import { potViews } from './pots.ts';
import { tapeHoldsMs } from './ticks.ts';

/** Nobody reads further down; an area alone has fewer. */
const MOST = 40;
/** Washed or wiped and not coated by then, it is wiped again: a night of dew and dust lies on it [M]. */
const WIPE_HOLDS_MS = 24 * HOUR_MS;

/** Parts of the boat that fittings are screwed to, or that things are stowed on. */
const CARRIES: ReadonlySet<Zone> = new Set(['deck', 'cabin', 'bilge', 'other']);

/** By then any film is hard, even if its data sheet doesn’t say so [M]. */
const HARD_BY_THEN_MS = 30 * 24 * HOUR_MS;

const iso = (ms: number) => new Date(ms).toISOString();

const whereOf = ({ areaId, areaName, boatId, boatName }: AreaClock) => ({
  areaId,
  areaName,
  boatId,
  boatName,
});

/** What a film and the work before its next coat run on. */
function ofFilm(clock: AreaClock, now: number, nowText: string): RunningClock[] {
  const where = whereOf(clock);
  const { film, next } = clock;
  const base = { ...where, end: null };
  const blast: RunningClock[] = clock.primeBy
    ? [{ ...base, key: `blast ${clock.areaId}`, kind: 'blast', name: '', since: null, until: clock.primeBy }]
    : [];
  const events = (film ? clock.events : []).flatMap(({ event, at }): RunningClock[] => {
    const kind = FILM_EVENTS.find((each) => each === event);
    if (!film || !kind || at === null || at <= nowText) return [];
    return [{ ...base, key: `${event} ${clock.areaId}`, kind, name: film.productName, since: film.appliedTo, until: at }]; // biome-ignore format: one line
  });
  const tackFree = clock.events.find(({ event }) => event === 'tack-free');
  const tackFreeMs = tackFree && (tackFree.at === null ? null : Date.parse(tackFree.at));
  const work = clock.work.flatMap((task): RunningClock[] => {
    const { taskId, kind, amount, note, doneAt, endsAt, sandableAt } = task;
    const one = { ...base, name: note, since: null, key: `${taskId} ${clock.areaId}` };
    if (kind === 'wash' && doneAt !== null)
      return [{ ...one, kind: 'wiped', since: doneAt, until: iso(Date.parse(doneAt) + WIPE_HOLDS_MS) }];
    const later = task.fromAt !== null && Date.parse(task.fromAt) > now;
    if (doneAt !== null || later || !next) return [];
    const body = { stepId: next.stepId, coatNo: next.coatNo, taskId, kind, amount, note, outcome: 'done' as const }; // biome-ignore format: one line
    if (kind === 'aggregate' && film && !task.strewn) {
      const { isWet, untilMs } = holdsAggregate({ toMs: Date.parse(film.appliedTo), tackFreeMs, nowMs: now });
      const of = { kind: 'strew' as const, name: film.productName, since: film.appliedTo };
      const until = untilMs === null ? null : iso(untilMs);
      return isWet
        ? [{ ...one, ...of, until, end: { how: 'work', body: { ...body, outcome: 'strewn' } } }]
        : [];
    }
    if (kind === 'wait' && endsAt !== null && Date.parse(endsAt) > now)
      return [{ ...one, kind: 'wait', until: endsAt, end: { how: 'work', body } }];
    if (kind === 'sand' && sandableAt !== null && Date.parse(sandableAt) > now)
      return [
        { ...one, kind: 'sanding', name: amount === null ? note : t`${amount} grit`, until: sandableAt },
      ];
    return [];
  });
  const cures = clock.events.some(({ event, at }) => event === 'full-cure' && at !== null);
  const loading: RunningClock[] =
    film &&
    next === null &&
    !cures &&
    CARRIES.has(clock.zone) &&
    now - Date.parse(film.appliedTo) < HARD_BY_THEN_MS
      ? [{ ...base, key: `loading ${clock.areaId}`, kind: 'loading', name: film.productName, since: film.appliedTo, until: null }] // biome-ignore format: one line
      : [];
  return [...blast, ...work, ...events, ...loading];
}

/** Under the last coat tape is pulled while that is wet, at tack-free at the latest [T, handbook part 11]; null: not yet so. */
function wetUntil(clock: AreaClock | undefined, tapedMs: number): { until: string | null } | null {
  if (!clock?.film || clock.next !== null || Date.parse(clock.film.appliedFrom) < tapedMs) return null;
  return { until: clock.events.find(({ event }) => event === 'tack-free')?.at ?? null };
}

/** Tape that is up, each thing once, with when it is to be off. */
async function ofTape(
  db: Context['db'],
  { states, clocks }: { states: ReadonlyMap<string, AreaSnapshot>; clocks: readonly AreaClock[] },
  boatId: string | null,
): Promise<RunningClock[]> {
  const boatIds = boatId === null ? [...new Set([...states.values()].map(({ boat }) => boat.id))] : [boatId];
  const last = new Map(
    (await countedEntries(db, ['tape'], boatIds)).map((entry) => [entry.body.itemId, entry]),
  );
  const clockOf = new Map(clocks.map((clock) => [clock.areaId, clock]));
  return [...last.values()].flatMap(({ areaId, at, body }): RunningClock[] => {
    const state = states.get(areaId);
    if (!body.on || !state) return [];
    const { area, boat } = state;
    const { itemId, name } = body;
    const wet = wetUntil(clockOf.get(areaId), at.getTime());
    return [
      {
        key: `tape ${itemId}`,
        kind: wet ? 'tape-wet' : 'tape',
        areaId,
        areaName: area.name,
        boatId: boat.id,
        boatName: boat.name,
        name,
        since: at.toISOString(),
        until: wet ? wet.until : iso(at.getTime() + tapeHoldsMs(body.tape, area, at.getTime())),
        end: { how: 'tape', body: { itemId, name } },
      },
    ];
  });
}

function ofPots(known: Pick<YardReading, 'boats' | 'catalogue'>, now: number): RunningClock[] {
  return potViews(known.boats, known.catalogue, now).map((pot) => ({
    ...{ areaId: pot.areaId, areaName: pot.areaName, boatId: pot.boatId, boatName: pot.boatName },
    key: `pot ${pot.entryId}`,
    kind: 'pot' as const,
    name: pot.productName,
    since: pot.mixedAt,
    until: now < Date.parse(pot.inductionEnds) ? pot.inductionEnds : pot.potEnds,
    end: { how: 'pot' as const, entryId: pot.entryId },
  }));
}

/** Every clock that runs in the yard, or on one area, soonest first. */
export async function runningView({ db, memory, now }: Context, areaId?: string): Promise<RunningView> {
  const at = now();
  const known = await memory.at(at);
  const states = new Map(known.states.map((state) => [state.area.id, state]));
  const boatId = areaId === undefined ? null : (states.get(areaId)?.boat.id ?? null);
  const nowText = iso(at);
  const all = [
    ...ofPots(known, at),
    ...known.clocks.flatMap((clock) => ofFilm(clock, at, nowText)),
    ...(await ofTape(db, { states, clocks: known.clocks }, boatId)),
  ].filter((clock) => areaId === undefined || clock.areaId === areaId);
  // Times of one form stand in the order of their text, which is compared far faster than they are read; none comes last.
  all.sort((a, b) => (a.until === b.until ? 0 : (a.until ?? '~') < (b.until ?? '~') ? -1 : 1));
  return { now: iso(at), clocks: all.slice(0, MOST), more: Math.max(0, all.length - MOST) };
}

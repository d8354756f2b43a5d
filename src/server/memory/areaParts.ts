import type { AreaClock, AreaPart } from '../../contract/index.ts';
import {
  byLearnedPace,
  type Film,
  type Next,
  segmentAt,
  type TempSeries,
  windowsFor,
} from '../../core/cure/index.ts';
import { type CoatGroup, nextCoat } from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { type AreaSnapshot, type CoatOnArea, coatsOfSteps } from './areaStates.ts';
import { segmentViews, workedWindows } from './filmClock.ts';

type Group = CoatGroup<CoatOnArea>;

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
/** Sessions nearer to each other than this are one. */
const ONE_SESSION_MS = 15 * 60_000;

/** What follows once the coat in hand is whole: the coat after it, or the water. */
function afterNext(
  state: AreaSnapshot,
  applied: readonly number[],
  catalogue: ProductCatalogue,
  productId: string,
): Next | null {
  const wanted = coatsOfSteps(state);
  const next = nextCoat(wanted, applied);
  const done = applied.map((count, i) => count + (i === next?.step ? 1 : 0));
  const then = nextCoat(wanted, done);
  const step = then && state.steps[then.step];
  if (!step) return state.area.service === 'immersed' ? { kind: 'water' } : null;
  const family = catalogue.latest.get(step.productId)?.sheet.family ?? 'any';
  return { kind: 'coat', family, same: step.productId === productId };
}

/** The sessions in which a coat was applied, each with its own clock. */
function sessionsOf(entries: readonly CoatOnArea[]): CoatOnArea[][] {
  const sessions: CoatOnArea[][] = [];
  for (const entry of entries.toSorted((a, b) => a.fromMs - b.fromMs)) {
    const last = sessions.at(-1);
    const end = last ? Math.max(...last.map(({ toMs }) => toMs)) : Number.NEGATIVE_INFINITY;
    if (last && entry.fromMs - end <= ONE_SESSION_MS) last.push(entry);
    else sessions.push([entry]);
  }
  return sessions;
}

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** The work before the next coat as the clock carries it. */
const workDone = ({ work }: AreaClock) =>
  work.map(({ kind, doneAt, endsAt }) => ({ kind, doneMs: ms(doneAt), endsMs: ms(endsAt) }));

/** The windows of one session for what follows it; without a window where its sheet is not known. */
function sessionPart(
  session: readonly CoatOnArea[],
  what: AreaPart['what'],
  following: Next | null,
  context: { catalogue: ProductCatalogue; temps: TempSeries; now: number; clock: AreaClock },
): AreaPart {
  const [first] = session as [CoatOnArea, ...CoatOnArea[]];
  const fromMs = Math.min(...session.map((entry) => entry.fromMs));
  const toMs = Math.max(...session.map((entry) => entry.toMs));
  const part = {
    what,
    areaM2: session.reduce((sum, { areaM2 }) => sum + areaM2, 0),
    from: iso(fromMs),
    to: iso(toMs),
  };
  const sheet = context.catalogue.sheetOf(first.body.productId, first.body.sheetVersion);
  if (!sheet || !following) return { ...part, state: 'finished', until: null, segments: [] };
  // What the hand found on the coat holds for each of its sessions.
  const hand = what === 'session' ? context.clock.hand : null;
  // A test on the coat itself goes before what others taught.
  const cures: Partial<Film> = hand
    ? {
        factor: hand.factor,
        mustFactor: hand.mustFactor,
        ...(hand.stuckAt !== null && {
          stuck: { atMs: Date.parse(hand.stuckAt), notCuring: hand.notCuring },
        }),
      }
    : byLearnedPace(context.catalogue.paceOf(first.body.productId, first.body.method));
  const film: Film = { laidFromMs: fromMs, laidToMs: toMs, sheet: sheet.cure, ...cures };
  const asApplied = windowsFor({ film, next: following, temps: context.temps, now: context.now });
  // Sanding and waits apply to the whole coat, including each of its sessions.
  const windows =
    what === 'session' ? workedWindows(asApplied, workDone(context.clock), context.now) : asApplied;
  return {
    ...part,
    state: windows.state,
    until: iso(windows.until),
    segments: segmentViews(windows),
  };
}

/**
 * The parts of an area that stand differently: what of the coat in hand was applied in one session and what in another,
 * and the part that isn’t covered yet; or the sessions of the last whole coat. Empty if the area is uniform.
 */
export function areaParts(input: {
  state: AreaSnapshot;
  groups: readonly Group[];
  applied: readonly number[];
  clock: AreaClock;
  following: Next | null;
  catalogue: ProductCatalogue;
  temps: TempSeries;
  now: number;
}): AreaPart[] {
  const { state, groups, clock, applied, catalogue } = input;
  const { next } = clock;
  const begun = groups.find((g) => g.stepId === next?.stepId && g.coatNo === next.coatNo && !g.complete);
  if (begun && next) {
    const then = afterNext(state, applied, catalogue, next.productId);
    const sessions = sessionsOf(begun.entries).map((each) => sessionPart(each, 'begun', then, input));
    const rest: AreaPart = {
      what: 'rest',
      areaM2: Math.max(0, next.areaM2 - begun.coveredM2),
      from: clock.film?.appliedFrom ?? null,
      to: clock.film?.appliedTo ?? null,
      state: clock.state,
      until: clock.until,
      segments: clock.segments,
    };
    return [...sessions, rest];
  }
  const top = groups.findLast((group) => group.complete);
  const sessions = top ? sessionsOf(top.entries) : [];
  if (sessions.length < 2) return [];
  return sessions.map((each) => sessionPart(each, 'session', input.following, input));
}

/** The parts as they stand at a later moment. */
export const partsAt = (parts: readonly AreaPart[], now: number): AreaPart[] =>
  parts.map((part) => {
    const timed = part.segments.map((segment) => ({ segment, fromMs: Date.parse(segment.from) }));
    const present = segmentAt(timed, now)?.segment;
    return present ? { ...part, state: present.state, until: present.to } : part;
  });

import type { AreaClock, LeverCode } from '../../../contract/index.ts';
import type { Surroundings } from '../../../core/air/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import {
  type AreaToPlan,
  type FilmGiven,
  type FilmOn,
  filmIn,
  PLAN_ASSUMES,
  type PlanSurface,
} from '../../../core/plan/index.ts';
import { memoised } from '../../../core/units/index.ts';
import { type Air, type SurfacePlace, tempsFor } from '../../air/surfaces.ts';
import { filmOnArea } from '../../memory/areaClock.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import { surfaceOf } from '../../memory/surfaceOf.ts';
import type { ProductCatalogue } from '../../rows/products.ts';
import { PLAN_SPAN_MS } from './planSpan.ts';

/** How an area stands: its surface, the air it shares, the film that is on it; as it is, or with a change of the premises. */

const DAY_MS = 24 * HOUR_MS;
const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Which air an area shares: a shed with all in it, a tent or a heated room with the other areas of its boat, the open with no other boat. */
const airOf = ({ boat }: AreaSnapshot, { kind }: Surroundings, indoors: boolean): string =>
  kind === 'shed' && !indoors ? 'shed' : `${indoors ? 'inside' : kind} ${boat.id}`;

/**
 * Until when dust harms a film, ms; null: no longer. A film whose sheet does not say when it is dry is taken to be harmed for a day [M],
 * one that never dries by the temperatures known is taken to be harmed for the whole plan. One that does not cure has to come off: nobody waits for it.
 */
function wetUntil(clock: AreaClock, now: number): number | null {
  if (clock.film === null || clock.hand?.notCuring) return null;
  const by = (event: string) => clock.events.find((each) => each.event === event);
  const stated = by('tack-free') ?? by('dew-safe');
  const dryMs = stated ? (ms(stated.at) ?? now + PLAN_SPAN_MS) : Date.parse(clock.film.appliedTo) + DAY_MS;
  return dryMs > now ? dryMs : null;
}

/** Until when a film bears no slings and feet, ms; null: it does, or its sheet doesn’t say. */
function softUntil({ film, hand, events }: AreaClock, now: number): number | null {
  const walk = events.find(({ event }) => event === 'walk');
  if (film === null || hand?.notCuring || !walk) return null;
  const walkMs = ms(walk.at) ?? now + PLAN_SPAN_MS;
  return walkMs > now ? walkMs : null;
}

export function filmOn(clock: AreaClock, now: number): FilmOn | null {
  const { film, segments, events } = clock;
  if (!film) return null;
  return {
    appliedInMs: Math.max(0, Date.parse(film.appliedTo) - Date.parse(film.appliedFrom)),
    segments: segments.map(({ state, from, to }) => ({ state, fromMs: Date.parse(from), toMs: ms(to) })),
    sandableMs: ms(events.find(({ event }) => event === 'sandable')?.at ?? null),
    wetUntilMs: wetUntil(clock, now),
    softUntilMs: softUntil(clock, now),
  };
}

/**
 * An area of which only its wet or soft film counts: dust harms it, and the boat is not launched before it is dry and bears slings and feet.
 *
 * @returns null: nothing on it is wet or soft
 */
export const wetFilmOnly = (
  area: Omit<AreaToPlan, 'film' | 'coats' | 'ready' | 'primeByMs'>,
  film: FilmOn | null,
): AreaToPlan | null =>
  film === null || (film.wetUntilMs === null && film.softUntilMs == null)
    ? null
    : { ...area, film: { ...film, segments: [] }, primeByMs: null, coats: [], ready: 'tack-free' };

/** Surroundings that a change of the premises brings: a tent over what stands open, heat under a cover. */
function surroundingsWith(own: Surroundings, levers: readonly LeverCode[]): Surroundings {
  const isOpen = own.kind === 'open' || own.kind === 'shaded';
  // Heat without a cover warms nobody's boat: it needs the tent too.
  if (levers.includes('heated') && own.kind !== 'heated' && (!isOpen || levers.includes('tent')))
    return { kind: 'heated', setPointC: PLAN_ASSUMES.heatedToC };
  return levers.includes('tent') && isOpen ? { kind: 'tent' } : own;
}

/** Of where an area stood, so much before the plan is looked at: what rain left there, and what its surface stores. */
const PAST_MS = 48 * HOUR_MS;

/** Surroundings of a surface, each until its moment, in order; the last for good. */
type Stages = readonly { surroundings: Surroundings; untilMs: number }[];

const isSame = (a: Surroundings, b: Surroundings) => JSON.stringify(a) === JSON.stringify(b);

/** Where an area stands when: as it is, then with the changes tried, then where its boat is moved to. Of the past the record says. */
function stagesOf(
  own: SurfacePlace,
  { fromMs, levers, changes }: Pick<Premises, 'fromMs' | 'levers' | 'changes'>,
): Stages {
  const withLevers = (as: Surroundings) => (own.indoors ? as : surroundingsWith(as, levers));
  const ahead = changes.filter(({ atMs }) => atMs > fromMs);
  // A shelter that it was moved to just now counts from the beginning of the plan.
  const past = [...(own.before ?? []), { surroundings: own.surroundings, untilMs: fromMs }]
    .map((each) => ({ ...each, untilMs: Math.min(each.untilMs, fromMs) }))
    .filter(({ untilMs }, i, each) => untilMs !== each[i - 1]?.untilMs);
  const all = [
    ...past,
    { surroundings: withLevers(own.surroundings), untilMs: ahead[0]?.atMs ?? Number.POSITIVE_INFINITY },
    ...ahead.map((each, i) => ({ surroundings: withLevers(each.surroundings), untilMs: ahead[i + 1]?.atMs ?? Number.POSITIVE_INFINITY })),
  ]; // biome-ignore format: one line
  // Alike neighbours are one.
  return all.filter(
    (each, i) => !all[i + 1] || !isSame(each.surroundings, (all[i + 1] as typeof each).surroundings),
  );
}

/** Surfaces alike are one. */
export function sharedSurfaces(surfaces: readonly PlanSurface[], ofArea: Readonly<Record<string, number>>) {
  const [kinds, indexOf] = [[] as PlanSurface[], new Map<string, number>()];
  const shared = surfaces.map((surface) => {
    const key = JSON.stringify(surface);
    const known = indexOf.get(key) ?? kinds.push(surface) - 1;
    indexOf.set(key, known);
    return known;
  });
  const surfaceOf = Object.fromEntries(Object.entries(ofArea).map(([id, i]) => [id, shared[i] as number]));
  return { surfaces: kinds, surfaceOf };
}

/** An area as it stands from a moment on. */
export interface AreaStanding {
  place: SurfacePlace;
  surface: PlanSurface;
  /** The film that is on; null: none. */
  film: FilmOn | null;
  /** The same, to be worked out in other weather; null: none, or its sheet is not known. */
  filmGiven: FilmGiven | null;
  area: Pick<AreaToPlan, 'id' | 'boatId' | 'air' | 'temps'>;
}

const uncovered = memoised((state: AreaSnapshot): AreaSnapshot => ({ ...state, stand: null }));

interface Premises {
  air: Air;
  catalogue: ProductCatalogue;
  fromMs: number;
  now: number;
  /** Changes of the premises that are tried, from `fromMs` on. */
  levers: readonly LeverCode[];
  /** Where the boat of the area is moved to, in order. */
  changes: readonly { atMs: number; surroundings: Surroundings }[];
}

export function standingOf(state: AreaSnapshot, clock: AreaClock, premises: Premises): AreaStanding {
  const { air, catalogue, fromMs, now } = premises;
  // What a support covers is painted once it has been moved.
  const own = surfaceOf(clock.hiddenBy ? uncovered(state) : state, catalogue);
  const stages = stagesOf(own, premises);
  const isAhead = ({ untilMs }: Stages[number]) => untilMs >= fromMs;
  const last = stages.at(-1) as Stages[number];
  const before = stages.slice(0, -1);
  const place: SurfacePlace = { ...own, surroundings: last.surroundings, before };
  const temps = tempsFor(air, place);
  const asStands = filmOn(clock, fromMs);
  // A film that doesn’t cure has no times in any weather.
  const filmGiven =
    clock.hand?.notCuring || !asStands
      ? null
      : filmOnArea(state, clock, { catalogue, now, temps: tempsFor(air, own) });
  // Who is in the shed at any time from now on shares its air: heat doesn’t change that.
  const ahead = [own, ...before.filter(({ untilMs }) => untilMs > fromMs), last];
  const sharedWith = ahead.find(({ surroundings }) => surroundings.kind === 'shed') ?? last;
  return {
    place,
    // Only what is near the plan: of the time before it nothing is worked out in other weather.
    surface: { ...place, before: before.filter(({ untilMs }) => untilMs > fromMs - PAST_MS) },
    // Under a tent that is put up, or with heat, the film on it goes on otherwise.
    film:
      asStands && filmGiven && before.some(isAhead) ? filmIn(filmGiven, asStands, temps, fromMs) : asStands,
    filmGiven,
    area: {
      id: state.area.id,
      boatId: state.boat.id,
      air: airOf(state, sharedWith.surroundings, own.indoors),
      temps,
    },
  };
}

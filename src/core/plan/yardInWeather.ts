import {
  type AirHour,
  type AirLimits,
  type CoatAir,
  type Dark,
  isUnderCover,
  nextChange,
  nightsBetween,
  type Passing,
  type Site,
  surroundingsAt,
} from '../air/index.ts';
import { eventTime, HOUR_MS, safeEvent } from '../cure/index.ts';
import { FilmTables, timesOf } from './coatTables.ts';
import { type FilmGiven, filmIn } from './filmIn.ts';
import { joined, SLOT_MS } from './slots.ts';
import { type ComingHours, comingHours, type PlanSurface, SurfaceIn } from './surfaceIn.ts';
import type { AreaToPlan, CoatToPlan, YardToPlan } from './yardToPlan.ts';

/** A yard to plan together with what its times hang on: it can be asked what it is like in any weather. */
export interface WeatherYard {
  yard: YardToPlan;
  site: Site;
  surfaces: readonly PlanSurface[];
  /** Index of the surface, by area. */
  surfaceOf: Readonly<Record<string, number>>;
  /** Limits of the air, by coat. */
  limitsOf: Readonly<Record<string, AirLimits>>;
  /** By area; areas without one have no film, or one whose times stay as they are. */
  films: Readonly<Record<string, FilmGiven>>;
}

/** A coat and where it goes. */
export interface CoatPlace {
  coat: CoatToPlan;
  areaId: string;
}

const DAY_MS = 24 * HOUR_MS;

/**
 * A yard that can be asked what it is like in any weather: temperatures of its films, times of those that are on, and when
 * each coat can begin. Starts are looked at on the plan's slots only.
 */
export class YardInWeather {
  readonly #of: WeatherYard;
  readonly #slots: number;
  readonly #nights: readonly Dark[];
  readonly #keyOf: ReadonlyMap<string, string>;
  /** By coat; limits alike are one object. */
  readonly #limits: ReadonlyMap<string, AirLimits>;

  /** @param slots the horizon of the plans that are made of it */
  constructor(of: WeatherYard, slots: number) {
    this.#of = of;
    this.#slots = slots;
    const { fromMs, areas } = of.yard;
    this.#nights = nightsBetween(fromMs - DAY_MS, fromMs + slots * SLOT_MS + 3 * DAY_MS, of.site);
    const alike = new Map<string, AirLimits>();
    this.#limits = new Map(
      Object.entries(of.limitsOf).map(([id, limits]) => {
        const key = JSON.stringify(limits);
        const one = alike.get(key) ?? limits;
        alike.set(key, one);
        return [id, one];
      }),
    );
    this.#keyOf = new Map(
      areas.flatMap(({ id: areaId, coats }) =>
        coats.map((coat) => [coat.id, this.#alike({ coat, areaId })] as const),
      ),
    );
  }

  /** Coats that begin in the same hours have the same key. */
  #alike({ coat, areaId }: CoatPlace): string {
    const { surfaceOf, limitsOf } = this.#of;
    const { applyMs, cleanUpMs, people, factor, sheet } = coat;
    return JSON.stringify([surfaceOf[areaId], limitsOf[coat.id], applyMs, cleanUpMs, people, timesOf(coat), factor, safeEvent(sheet), sheet.stopC]); // biome-ignore format: one line
  }

  /**
   * The same yard in this weather.
   *
   * @param past a weather that agrees with it up to a moment: surfaces are worked out from there on
   */
  in(hours: readonly AirHour[], past: { weather: YardWeather; sinceMs: number } | null = null): YardWeather {
    return new YardWeather(this.#of, hours, { slots: this.#slots, nights: this.#nights, keyOf: this.#keyOf, limits: this.#limits, past }); // biome-ignore format: one line
  }
}

/** A yard in one weather. */
export class YardWeather {
  /** What films do in this weather, for problems with the yard's start. */
  readonly films = new FilmTables();
  readonly #of: WeatherYard;
  readonly #ahead: ComingHours;
  readonly #slots: number;
  readonly #nights: readonly Dark[];
  readonly #keyOf: ReadonlyMap<string, string>;
  readonly #limits: ReadonlyMap<string, AirLimits>;
  readonly #past: { weather: YardWeather; sinceMs: number } | null;
  readonly #surfaces = new Map<number, SurfaceIn>();
  readonly #passes = new Map<string, Map<number, boolean>>();

  constructor(
    of: WeatherYard,
    hours: readonly AirHour[],
    given: {
      slots: number;
      nights: readonly Dark[];
      keyOf: ReadonlyMap<string, string>;
      limits: ReadonlyMap<string, AirLimits>;
      past: { weather: YardWeather; sinceMs: number } | null;
    },
  ) {
    this.#of = of;
    this.#ahead = comingHours(hours, given.past?.sinceMs ?? null);
    this.#slots = given.slots;
    this.#nights = given.nights;
    this.#keyOf = given.keyOf;
    this.#limits = given.limits;
    this.#past = given.past;
  }

  /** The surface of an area. */
  surface(areaId: string): SurfaceIn {
    const index = this.#of.surfaceOf[areaId] as number;
    const known = this.#surfaces.get(index);
    if (known) return known;
    const made = new SurfaceIn(
      this.#of.surfaces[index] as PlanSurface,
      this.#ahead,
      this.#of.site,
      this.#past?.weather.surface(areaId) ?? null,
    );
    this.#surfaces.set(index, made);
    return made;
  }

  /**
   * An area with its film's times and its coats' starts.
   *
   * @param near slots between which a coat's starts are looked at; after them, and where it is null, they are left as they are
   */
  area(
    area: AreaToPlan,
    nowMs: number,
    near: (coat: CoatToPlan) => readonly [number, number] | null,
  ): AreaToPlan {
    const { temps } = this.surface(area.id);
    const given = this.#of.films[area.id];
    return {
      ...area,
      temps,
      film: area.film && given ? filmIn(given, area.film, temps, this.#of.yard.fromMs) : area.film,
      coats: area.coats.map((coat) => {
        const between = near(coat);
        return between
          ? { ...coat, starts: this.#startsOf({ coat, areaId: area.id }, nowMs, between) }
          : coat;
      }),
    };
  }

  /** How the air is about a coat on its area. */
  about({ coat, areaId }: CoatPlace): { air: CoatAir; passing: Passing } {
    return this.surface(areaId).under(this.#limits.get(originalOf(coat.id)) as AirLimits);
  }

  /** When a coat finished then is safe from dew and rain; null: not within the weather known. */
  safeAfter({ coat, areaId }: CoatPlace, endMs: number): number | null {
    const stated = safeEvent(coat.sheet);
    if (!stated) return null;
    const { factor = 1, sheet } = coat;
    const points =
      factor === 1
        ? stated.points
        : stated.points.map(({ tempC, minutes }) => ({ tempC, minutes: minutes / factor }));
    const { temps } = this.surface(areaId);
    return eventTime({ curve: { points, stopC: sheet.stopC }, temps, laidAt: endMs }).at;
  }

  /** Whether a coat begun then passes until it is safe. */
  passes(place: CoatPlace, startMs: number): boolean {
    const endMs = startMs + place.coat.applyMs;
    const surface = this.#of.surfaces[this.#of.surfaceOf[place.areaId] as number] as PlanSurface;
    const hasLamps = surface.indoors || isUnderCover(surroundingsAt(surface, startMs));
    if (!hasLamps && this.#nights.some(({ fromMs, toMs }) => startMs < toMs && endMs > fromMs)) return false;
    const { passing: air } = this.about(place);
    if (!air.applies(startMs, endMs)) return false;
    const safeMs = this.safeAfter(place, endMs);
    if (safeMs === null || safeMs < endMs) return false;
    // A boat is not moved, nor its cover, before the film bears dew and rain.
    return safeMs <= (nextChange(surface, startMs) ?? safeMs) && air.becomesSafe(endMs, safeMs);
  }

  #startsOf(place: CoatPlace, nowMs: number, [low, high]: readonly [number, number]): CoatToPlan['starts'] {
    const key = this.#keyOf.get(originalOf(place.coat.id)) as string;
    const known = this.#passes.get(key) ?? new Map<number, boolean>();
    this.#passes.set(key, known);
    const { yard } = this.#of;
    const { length, getReadyMs } = timesOf(place.coat);
    const found: { fromMs: number; toMs: number }[] = [];
    const seen = new Set<number>();
    for (const { free } of yard.people)
      for (const stretch of joined(free))
        for (
          let slot = Math.max(low, Math.ceil((Math.max(stretch.fromMs, nowMs) - yard.fromMs) / SLOT_MS));
          slot < high &&
          slot + length <= Math.min(this.#slots, Math.floor((stretch.toMs - yard.fromMs) / SLOT_MS));
          slot++
        )
          seen.add(slot);
    for (const slot of [...seen].sort((a, b) => a - b)) {
      const startMs = yard.fromMs + slot * SLOT_MS + getReadyMs;
      const passes = known.get(slot) ?? this.passes(place, startMs);
      known.set(slot, passes);
      if (!passes) continue;
      const last = found.at(-1);
      if (last && last.toMs === startMs - SLOT_MS) last.toMs = startMs;
      else found.push({ fromMs: startMs, toMs: startMs });
    }
    // Starts further ahead are kept.
    const laterMs = yard.fromMs + high * SLOT_MS + getReadyMs;
    const later = place.coat.starts.flatMap(({ fromMs, toMs }) =>
      toMs < laterMs ? [] : [{ fromMs: Math.max(fromMs, laterMs), toMs }],
    );
    return [...found, ...later];
  }
}

/** A coat that is applied again has a name of its own, and the limits of the first. */
const AGAIN = '~';
export const againId = (coatId: string, times: number): string => `${coatId}${AGAIN}${times}`;
const originalOf = (coatId: string): string => coatId.split(AGAIN)[0] as string;

/** The yard with the temperatures, films and starts of this weather, ready to be planned. */
export function yardInWeather(of: WeatherYard, hours: readonly AirHour[], slots: number): YardToPlan {
  const weather = new YardInWeather(of, slots).in(hours);
  return {
    ...of.yard,
    areas: of.yard.areas.map((area) => weather.area(area, of.yard.fromMs, () => [0, slots + 1])),
  };
}

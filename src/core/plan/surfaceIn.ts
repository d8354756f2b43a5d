import {
  type AirHour,
  type AirLimits,
  airAbout,
  type CoatAir,
  coatAir,
  dewPointC,
  type Passing,
  passing,
  type Site,
  type Standing,
  type SurfaceBody,
  type SurfaceReading,
  surfaceSeries,
} from '../air/index.ts';
import { HOUR_MS, type TempSeries } from '../cure/index.ts';

/** A surface of the yard in one weather: its temperatures, and the air about coats on it. */

const DAY_MS = 24 * HOUR_MS;

/** A kind of surface of the yard: areas alike share it. */
export interface PlanSurface extends Standing {
  body: SurfaceBody;
  /** Inside a boat: there are lamps at any hour. */
  indoors: boolean;
}

/** Hours from which surfaces are worked out, and how many come before them. */
export interface ComingHours {
  ahead: readonly AirHour[];
  since: number;
  settled: number;
}

/** Hours from a day before a moment on: a day is for the surface to settle. */
export function comingHours(hours: readonly AirHour[], sinceMs: number | null): ComingHours {
  const since =
    sinceMs === null
      ? 0
      : Math.max(
          0,
          hours.findIndex(({ at }) => at >= sinceMs - DAY_MS),
        );
  const ahead = since === 0 ? hours : hours.slice(since);
  return { ahead, since, settled: sinceMs === null ? 0 : ahead.filter(({ at }) => at <= sinceMs).length };
}

/** One surface in one weather. */
export class SurfaceIn {
  readonly temps: TempSeries;
  readonly #readings: readonly SurfaceReading[];
  readonly #about: readonly AirHour[];
  readonly #underCover: boolean;
  readonly #byLimits = new Map<AirLimits, { air: CoatAir; passing: Passing }>();

  /** @param settled hours of `ahead` that are only for the surface to settle: of these, and before them, `past` is kept */
  constructor(of: PlanSurface, { ahead, since, settled }: ComingHours, site: Site, past: SurfaceIn | null) {
    const { body, ...standing } = of;
    this.#readings = surfaceSeries({ hours: ahead, surface: body, site, ...standing });
    const values = this.#readings.map(({ surfaceC }) => surfaceC);
    this.temps = past
      ? { startMs: past.temps.startMs, valuesC: [...past.temps.valuesC.slice(0, since + settled), ...values.slice(settled)] } // biome-ignore format: one line
      : { startMs: ahead[0]?.at ?? 0, valuesC: values };
    const { about, underCover } = airAbout(ahead, standing);
    this.#underCover = underCover;
    this.#about = about.map((hour, i) => ({ ...hour, surfaceC: this.#readings[i]?.surfaceC }));
  }

  under(limits: AirLimits): { air: CoatAir; passing: Passing } {
    const known = this.#byLimits.get(limits);
    if (known) return known;
    const air = coatAir({ hours: this.#about, surface: this.#readings, limits, underCover: this.#underCover }); // biome-ignore format: one line
    const made = { air, passing: passing(air) };
    this.#byLimits.set(limits, made);
    return made;
  }

  /** The first moment at which rain or dew reaches a film; null: neither does. */
  wettedAt(fromMs: number, toMs: number): { at: number; by: 'rain' | 'dew' } | null {
    for (const [i, { at, rainMm, airC, rh }] of this.#about.entries()) {
      if (at + HOUR_MS <= fromMs || at >= toMs) continue;
      if (!this.#underCover && (rainMm ?? 0) > 0) return { at: Math.max(at, fromMs), by: 'rain' };
      const skin = this.#readings[i];
      if (at >= fromMs && skin && skin.lowC <= dewPointC({ airC, rh })) return { at, by: 'dew' };
    }
    return null;
  }
}

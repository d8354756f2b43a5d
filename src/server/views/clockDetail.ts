import type { AreaClock, ClockDetail, Shift } from '../../contract/index.ts';
import {
  eventSpread,
  HOUR_MS,
  type LeadError,
  type SplicedHour,
  type TempSeries,
} from '../../core/cure/index.ts';
import { memoised, remembering } from '../../core/units/index.ts';
import { type Air, bandFor, type SurfacePlace, tempsFor } from '../air/surfaces.ts';
import { toWeatherHour } from '../air/yardAir.ts';
import type { Context } from '../context.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import { Missing } from '../rows/missing.ts';
import { shiftsOf } from '../rows/shifts.ts';
import { errorsHere } from './errorsHere.ts';

/** Air before the film that is shown with it, and air shown of an area that is bare. */
const BEFORE_MS = 12 * HOUR_MS;
const BARE_HOURS = 20 * 24;

/** The air that this film has seen and will see; for a bare area that of the last days. */
function sinceApplied(hours: readonly SplicedHour[], clock: AreaClock): readonly SplicedHour[] {
  const applied = clock.film ? Date.parse(clock.film.appliedFrom) : Number.POSITIVE_INFINITY;
  const from = hours.findIndex((hour) => hour.at >= applied - BEFORE_MS);
  return from < 0 ? hours.slice(-BARE_HOURS) : hours.slice(from);
}

/** Those hours with the film's temperature in each. */
function withFilm(air: Air, clock: AreaClock, place: SurfacePlace) {
  const { hours } = air;
  if (hours.length === 0) return [];
  return filmed(tempsFor(air, place), hours, sinceApplied(hours, clock).length);
}

/** The last so many hours with a surface's temperature in each. */
const filmed = memoised(({ valuesC }: TempSeries, hours: readonly SplicedHour[], count: number) =>
  hours.slice(hours.length - count).map((hour, i) => ({
    ...toWeatherHour(hour),
    filmC: valuesC[valuesC.length - count + i] as number,
  })),
);

/** The range of each time ahead. A heated room keeps its temperature in any forecast. */
function spreadsOf(
  clock: AreaClock,
  air: Air,
  place: SurfacePlace,
  { now, errors }: { now: number; errors: readonly LeadError[] },
): ClockDetail['spreads'] {
  if (air.hours.length === 0 || place.surroundings.kind === 'heated') return [];
  const temps = tempsFor(air, place);
  const bandC = bandFor(air, place).map(({ lowC, highC }) => (highC - lowC) / 2);
  const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
  return clock.edges.flatMap(({ edge, at, points, stopC, runsOn, from }) => {
    // Of a film that sticks nobody knows when it opens, however sure the air is.
    if (at === null ? clock.hand?.stuckAt : Date.parse(at) <= now) return [];
    const curve = { points, stopC, runsOn };
    const { earlyMs, lateMs } = eventSpread({
      curve,
      temps,
      laidAt: Date.parse(from),
      nowMs: now,
      bandC,
      errors,
    });
    return earlyMs === null && lateMs === null ? [] : [{ edge, early: iso(earlyMs), late: iso(lateMs) }];
  });
}

/** A write that moves a window changes what the snapshot is made of, so what moved it is as new as the snapshot. */
const shiftRows = remembering<Promise<Shift[]>>(100);

/** The window of an area with the air it was worked out over, and what moved it. @throws {Missing} */
export async function clockDetail({ db, memory, now }: Context, areaId: string): Promise<ClockDetail> {
  const at = now();
  const { states, clocks, air, catalogue, snapshot } = await memory.some(at, { areaId });
  const [state] = states;
  const [clock] = clocks;
  if (!state || !clock) throw new Missing('area', areaId);
  const place = surfaceOf(state, catalogue);
  return {
    clock,
    now: new Date(at).toISOString(),
    hours: withFilm(air, clock, place),
    shifts: await shiftRows(snapshot, [areaId], () => shiftsOf(db, areaId)),
    spreads: spreadsOf(clock, air, place, { now: at, errors: await errorsHere(air, db, at) }),
  };
}

import { moment, QuantityError } from '../units/index.ts';
import type { AirHour } from './hour.ts';
import { windOver } from './judge.ts';
import { airAround, isUnderCover, type Surroundings } from './surface.ts';

/** Where a surface stands, and where it stood before. */
export interface Standing {
  surroundings: Surroundings;
  /** How it stood before, each until its moment (ms), in order: a tent is put up, the boat leaves its shed. */
  before?: readonly { surroundings: Surroundings; untilMs: number }[];
}

/** Makes sure that each earlier standing ends after the one before it. @throws {QuantityError} */
export function checkStanding({ before = [] }: Standing): void {
  before.forEach(({ untilMs }, i) => {
    moment('end of an earlier shelter', untilMs);
    const last = before[i - 1]?.untilMs;
    if (last !== undefined && untilMs <= last)
      throw new QuantityError(`end of earlier shelter ${i + 1}`, untilMs, `later than ${last}`);
  });
}

/** The surroundings of a surface at a moment. */
export const surroundingsAt = ({ surroundings, before = [] }: Standing, ms: number): Surroundings =>
  before.find(({ untilMs }) => ms < untilMs)?.surroundings ?? surroundings;

/** The next moment at which the surroundings of a surface change, ms; null: they stay. */
export const nextChange = ({ before = [] }: Standing, ms: number): number | null =>
  before.find(({ untilMs }) => ms < untilMs)?.untilMs ?? null;

/**
 * A surface that stands elsewhere from a moment on: until then as before. Rain that fell on it stays on it, and what it stores of heat
 * it takes along.
 *
 * Moved at 3 from the open, where it stood since 1, into a shed: `before` is the earlier standing until 1, then the open until 3.
 *
 * @throws {QuantityError} on a moment that is none
 */
export function movedTo(standing: Standing, surroundings: Surroundings, atMs: number): Required<Standing> {
  moment('moment of a move', atMs);
  const past = (standing.before ?? []).filter(({ untilMs }) => untilMs < atMs);
  return {
    surroundings,
    before: [...past, { surroundings: surroundingsAt(standing, atMs - 1), untilMs: atMs }],
  };
}

/**
 * The air about a surface hour by hour: as each hour’s surroundings make it. Where it stands under cover in only some of the hours,
 * those hours are dry and calm, and the others keep their rain and wind.
 *
 * @returns the air of each hour, and whether the surface is under cover throughout
 * @throws {QuantityError} on an impossible hour
 */
export function airAbout<T extends AirHour>(
  hours: readonly T[],
  standing: Standing,
): { about: (T & { airC: number; rh: number })[]; underCover: boolean } {
  const each = hours.map(({ at }) => surroundingsAt(standing, at));
  const underCover = hours.length > 0 ? each.every(isUnderCover) : isUnderCover(standing.surroundings);
  const about = hours.map((hour, i) => {
    const surroundings = each[i] as Surroundings;
    const covered = !underCover && isUnderCover(surroundings);
    return {
      ...hour,
      ...airAround(hour, surroundings),
      ...(covered && { rainMm: 0, windMs: windOver(undefined, true) }),
    };
  });
  return { about, underCover };
}

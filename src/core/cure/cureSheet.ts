import { moment } from '../units/index.ts';
import type { CurvePoint } from './curve.ts';

/** Events a film goes through that do not depend on what comes next. */
export type FilmEvent =
  | 'dew-safe'
  | 'tack-free'
  | 'sandable'
  | 'walk'
  | 'immersion'
  | 'latest-immersion'
  | 'full-cure';

export const FILM_EVENTS: readonly FilmEvent[] = [
  'dew-safe',
  'tack-free',
  'sandable',
  'walk',
  'immersion',
  'latest-immersion',
  'full-cure',
];

/** When the next coat may and must go on, for one kind of next coat [P]. */
export interface OvercoatRule {
  /** What goes on top: the same product, a coating family, or anything else. */
  by: 'self' | 'any' | (string & {});
  min: readonly CurvePoint[];
  /** End of the window in which the next coat bonds without sanding; null: the sheet sets none. */
  chemicalMax: readonly CurvePoint[] | null;
  /** While the film takes a thumbprint and nothing sticks. */
  thumb?: { opens: readonly CurvePoint[]; closes: readonly CurvePoint[] } | null;
  /** Grit to key with once the chemical window has closed; null: not stated. */
  keyGrit: number | null;
}

/** The part of a product's sheet that the clock needs. */
export interface CureSheet {
  /** Below this the clock stands; null: not stated. */
  stopC: number | null;
  events: Partial<Record<FilmEvent, readonly CurvePoint[]>>;
  overcoat: readonly OvercoatRule[];
}

/** What comes next on the film: a coat, told by family and whether it is the same product, or the water. */
export type Next = { kind: 'coat'; family: string; same: boolean } | { kind: 'water' };

/**
 * The event after which dew and rain no longer hurt a film: the sheet's own, else tack-free [T]; null: neither is stated,
 * and it has to be asked for.
 */
export function safeEvent(
  sheet: CureSheet,
): { event: 'dew-safe' | 'tack-free'; points: readonly CurvePoint[] } | null {
  for (const event of ['dew-safe', 'tack-free'] as const) {
    const points = sheet.events[event];
    if (points) return { event, points };
  }
  return null;
}

/** The most particular rule of the sheet for what comes next: same product, then its family, then any. */
export function ruleFor(sheet: CureSheet, next: Next): OvercoatRule | undefined {
  if (next.kind === 'water') return undefined;
  const by = (key: string) => sheet.overcoat.find((rule) => rule.by === key);
  return (next.same ? by('self') : undefined) ?? by(next.family) ?? by('any');
}

/** What says of a film that nothing sticks to it any more: its sheet's own event, else where its thumb window opens. */
export function dryPoints(sheet: CureSheet, next: Next | null): readonly CurvePoint[] | undefined {
  const thumb = next && ruleFor(sheet, next)?.thumb;
  return sheet.events['tack-free'] ?? (thumb ?? sheet.overcoat.find((each) => each.thumb)?.thumb)?.opens;
}

/**
 * What makes a last film ready for the launch: under water the time until it may be wetted. Where it stays out of it, slings and feet
 * press on it: the time until it bears them, or dry where the sheet states no such time.
 */
export const launchEvent = (sheet: CureSheet, isUnderWater: boolean): 'immersion' | 'walk' | 'tack-free' =>
  isUnderWater ? 'immersion' : sheet.events.walk ? 'walk' : 'tack-free';

/** So long after its end a film of which no tack-free time is known may still be wet [M], ms. */
const WET_FOR_MS = 2 * 3_600_000;

/**
 * Whether aggregate may still hold in a film, and until when at the latest: tack-free is too late (handbook part 5: strewn while the coat
 * is wet). Where no tack-free time is known, two hours [M], and no end is given.
 *
 * Finished at 0, tack-free at 4 h: at 3 h `{ isWet: true, untilMs: 4 h }`, at 4 h `{ isWet: false, untilMs: 4 h }`.
 *
 * @param tackFreeMs null: not within what is known of the weather; left out: not stated
 * @throws {QuantityError} on a moment that is none
 */
export function holdsAggregate({
  toMs,
  tackFreeMs,
  nowMs,
}: {
  toMs: number;
  tackFreeMs?: number | null | undefined;
  nowMs: number;
}): { isWet: boolean; untilMs: number | null } {
  moment('end of the coat', toMs);
  moment('now', nowMs);
  if (tackFreeMs === null) return { isWet: true, untilMs: null };
  if (tackFreeMs === undefined) return { isWet: nowMs < toMs + WET_FOR_MS, untilMs: null };
  return { isWet: nowMs < moment('time of tack-free', tackFreeMs), untilMs: tackFreeMs };
}

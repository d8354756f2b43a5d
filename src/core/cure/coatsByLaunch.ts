import { lastPassing, moment, positive, QuantityError } from '../units/index.ts';
import { eventTime } from './eventTime.ts';
import type { TempSeries } from './series.ts';
import { type CoatSpan, takesCoat } from './takesCoat.ts';
import { type CureSheet, type Film, filmEvents, type Next, ruleFor, windowsFor } from './windows.ts';

/** A coat that is left to apply before a launch. */
export interface CoatLeft {
  /** When the coat can start by the air, and the first coat by the film below too; in the order of time. */
  starts: readonly CoatSpan[];
  applyMs: number;
  sheet: CureSheet;
  /** As of a {@link Film}; left out: as the sheet. */
  factor?: number;
  mustFactor?: number;
  /** The coat that comes over it; null: it is the last. */
  next: Next | null;
}

export interface LaunchFit {
  /** When the last coat is ready, each begun at its first start; null: not within what is known. */
  readyMs: number | null;
  /** Last start of the next coat after which all coats are ready in time; null: it is too late. */
  lastStartMs: number | null;
  /** The sheets state each window between the coats, and when the last film is ready; else nothing can be said. */
  stated: boolean;
}

/** Starts are found to within this, ms. */
const EDGE_MS = 300_000;

/** First moment in the starts not before another; null: none. */
function firstIn(starts: readonly CoatSpan[], fromMs: number): number | null {
  const span = starts.find(({ toMs }) => toMs >= fromMs);
  return span ? Math.max(span.fromMs, fromMs) : null;
}

const overlap = (some: readonly CoatSpan[], others: readonly CoatSpan[]): CoatSpan[] =>
  some.flatMap((a) =>
    others.flatMap((b) => {
      const [fromMs, toMs] = [Math.max(a.fromMs, b.fromMs), Math.min(a.toMs, b.toMs)];
      return fromMs <= toMs ? [{ fromMs, toMs }] : [];
    }),
  );

const filmOf = ({ sheet, factor, mustFactor }: CoatLeft, startMs: number, endMs: number): Film => ({
  laidFromMs: startMs,
  laidToMs: endMs,
  sheet,
  ...(factor !== undefined && { factor }),
  ...(mustFactor !== undefined && { mustFactor }),
});

/**
 * Whether the coats that are left are on and ready by a launch, each begun as soon as its air and the film below let it, and
 * by when the next one must be begun for that. Only the outermost film meets the water: what is coated over asks for no time
 * of immersion. Work between the coats takes no time here.
 *
 * Two coats of 2 h, each overcoatable after 6 h and ready for the water 24 h after its end, from 08:00 with no limit by the
 * air: ready 18:00 on the next day; for a launch at 20:00 that day the first must be begun by 10:00.
 *
 * @param coats in their order, 1 or more
 * @param ready the event that makes the last film ready: `immersion` under water; where it stays dry `walk`, or `tack-free`
 * @throws {QuantityError} on a duration or moment that is none, an empty list, or an unusable table
 */
export function coatsByLaunch(input: {
  coats: readonly CoatLeft[];
  temps: TempSeries;
  launchMs: number;
  ready: 'immersion' | 'walk' | 'tack-free';
}): LaunchFit {
  const { coats, temps, ready } = input;
  const launchMs = moment('launch', input.launchMs);
  const [first] = coats;
  const last = coats.at(-1);
  if (!first || !last) throw new QuantityError('coats left', coats.length, '1 or more');
  for (const { applyMs, starts } of coats) {
    positive('time to apply (ms)', applyMs, 30 * 86_400_000);
    for (const { fromMs, toMs } of starts)
      if (moment('last start', toMs) < moment('first start', fromMs))
        throw new QuantityError('last start', toMs, `at or after the first one (${fromMs})`);
  }
  const points = last.sheet.events[ready];
  // A window that no sheet states is not known: nothing is taken for ready.
  const silent = coats.some(({ sheet, next }, i) => i + 1 < coats.length && next && !ruleFor(sheet, next));
  if (!points || silent) return { readyMs: null, lastStartMs: null, stated: false };
  /** When all are ready, the first one begun then; null: not within what is known. */
  const readyFrom = (startMs: number): number | null => {
    let start = startMs;
    for (const [i, coat] of coats.entries()) {
      const end = start + coat.applyMs;
      const film = filmOf(coat, start, end);
      const over = coats[i + 1];
      if (!over || !coat.next) {
        const times = film.factor ?? 1;
        const curve = {
          points: points.map(({ tempC, minutes }) => ({ tempC, minutes: minutes / times })),
          stopC: coat.sheet.stopC,
        };
        return eventTime({ curve, temps, laidAt: end }).at;
      }
      const { segments } = windowsFor({ film, next: coat.next, temps, now: end });
      const sandableMs = filmEvents({ film, temps }).find(({ event }) => event === 'sandable')?.at ?? null;
      const takes = takesCoat({ segments, now: end, sandableMs, sandFirst: false });
      const next = firstIn(overlap(over.starts, takes), end);
      if (next === null) return null;
      start = next;
    }
    return null;
  };
  const fits = (startMs: number): boolean => (readyFrom(startMs) ?? Number.POSITIVE_INFINITY) <= launchMs;
  const firstMs = first.starts[0]?.fromMs ?? null;
  const span = first.starts.findLast(({ fromMs }) => fits(fromMs));
  return {
    readyMs: firstMs === null ? null : readyFrom(firstMs),
    lastStartMs: span
      ? lastPassing({ passesMs: span.fromMs, untilMs: span.toMs, passes: fits, withinMs: EDGE_MS })
      : null,
    stated: true,
  };
}

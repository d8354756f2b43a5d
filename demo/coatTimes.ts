import { DateTime } from 'luxon';
import { HOUR_MS, type TempSeries, windowsFor } from '../src/core/cure/index.ts';
import type { ProductSheet } from '../src/core/system/index.ts';
import type { DemoArea } from './planned.ts';
import { DEMO_YARD } from './yardPlan.ts';

interface Timing {
  plan: Pick<DemoArea, 'name' | 'applied' | 'state'>;
  /** The product and sheet of every coat of the area, from the hull outwards. */
  sheets: readonly { productId: string; sheet: ProductSheet }[];
  durationMs: number;
  temps: TempSeries;
  now: number;
}

const QUARTER_MS = HOUR_MS / 4;

/** How long a coat takes two pairs of hands, ms. */
export const coatMs = (areaM2: number): number => Math.max(0.5, Math.min(2.5, areaM2 / 10)) * HOUR_MS;

/** What the window over coat `no`, ended at `end`, is at the moment `at`. */
function windowOver({ sheets, durationMs, temps }: Timing, no: number, end: number, at: number) {
  const [top, next] = [sheets[no], sheets[no + 1]];
  if (!top) throw new Error(`there is no coat ${no + 1}`);
  return windowsFor({
    film: { laidFromMs: end - durationMs, laidToMs: end, sheet: top.sheet.cure },
    next: next
      ? { kind: 'coat', family: next.sheet.family, same: next.productId === top.productId }
      : { kind: 'water' },
    temps,
    now: at,
  });
}

/** How much of the window is left at best, and where the weather allows no such hour. */
const LEFT_MS = [50 * 60_000, 10 * 60_000] as const;

/** The latest end of the last coat for which its window is in the wanted state now, with some of it left. */
function endOfLast(timing: Timing): number {
  const { plan, now } = timing;
  for (const leftMs of LEFT_MS) {
    for (let end = now - QUARTER_MS; end > now - 28 * 24 * HOUR_MS; end -= QUARTER_MS) {
      const { state, until } = windowOver(timing, plan.applied - 1, end, now);
      const left = until === null ? Number.POSITIVE_INFINITY : until - now;
      if (state === plan.state && left > leftMs) return end;
    }
  }
  throw new Error(`the demo weather offers no ${plan.state} for ${plan.name}`);
}

/** A coat below ended while somebody was at work, as late as leaves its window open when the coat over it begins. */
function endOfBelow(timing: Timing, no: number, next: number): number {
  for (let end = next - 4 * QUARTER_MS; end > next - 9 * 24 * HOUR_MS; end -= QUARTER_MS) {
    const { hour } = DateTime.fromMillis(end, { zone: DEMO_YARD.zone });
    if (hour < 8 || hour >= 19) continue;
    const { state } = windowOver(timing, no, end, next);
    if (state === 'open' || state === 'thumb') return end;
  }
  throw new Error(`no hour of work leaves ${timing.plan.name} a window open for coat ${no + 2}`);
}

/**
 * When each coat that lies ended, ms: the last so that its window is as planned now, those below each inside the window of
 * the one it carries.
 */
export function coatEnds(timing: Timing): number[] {
  const { applied } = timing.plan;
  if (applied === 0) return [];
  const ends = [endOfLast(timing)];
  for (let no = applied - 2; no >= 0; no--) {
    ends.unshift(endOfBelow(timing, no, (ends[0] as number) - timing.durationMs));
  }
  return ends;
}

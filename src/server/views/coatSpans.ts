import type { AreaClock } from '../../contract/index.ts';
import { type CoatSpan, HOUR_MS, takesCoat } from '../../core/cure/index.ts';

const ms = (at: string | null) => (at === null ? null : Date.parse(at));
const latest = (times: readonly (number | null)[]) =>
  times.reduce<number>((last, at) => Math.max(last, at ?? last), Number.NEGATIVE_INFINITY);

/**
 * When the waits before a coat are over at the earliest, ms: one whose beginning nobody has told yet, since the work before it
 * is still to do, begins now at the earliest.
 */
const waitedFrom = (left: AreaClock['work'], now: number): number =>
  left
    .filter(({ kind }) => kind === 'wait')
    .reduce(
      (over, { endsAt, amount }) =>
        endsAt === null ? Math.max(over, now) + (amount ?? 0) * HOUR_MS : Math.max(over, Date.parse(endsAt)),
      Number.NEGATIVE_INFINITY,
    );

/**
 * When an area is ready for its next coat, independent of weather: from the film below, the tasks before the coat, and the
 * hours that blasted steel may stand bare. One answer for the bench, the board and today's order.
 *
 * @returns stretches from `now` on, in order; none: not at all, or nobody knows when
 */
export function coatSpans(clock: AreaClock, now: number): CoatSpan[] {
  if (clock.hiddenBy || clock.failed !== null || clock.hand?.notCuring) return [];
  const left = clock.work.filter(({ doneAt }) => doneAt === null);
  const waitedMs = waitedFrom(left, now);
  const sanding = left.filter(({ kind }) => kind === 'sand');
  const sandable = latest(sanding.map(({ sandableAt }) => ms(sandableAt)));
  if (clock.segments.length === 0) {
    const toMs = ms(clock.primeBy) ?? Number.POSITIVE_INFINITY;
    const fromMs = Math.max(now, waitedMs);
    return fromMs <= toMs ? [{ fromMs, toMs }] : [];
  }
  const segments = clock.segments.flatMap(({ state, from, to }) =>
    state === 'earliest-not-stated' ? [] : [{ state, fromMs: Date.parse(from), toMs: ms(to) }],
  );
  return takesCoat({
    segments,
    now: Math.max(now, waitedMs),
    sandableMs: Number.isFinite(sandable) ? sandable : null,
    sandFirst: sanding.some(({ fromAt }) => fromAt === null),
  });
}

/** Until when the film below takes its next coat without sanding, ms; null: no such window, or one without an end. */
export function freshUntil({ segments }: AreaClock): number | null {
  const open = segments.filter(({ state }) => state === 'open' || state === 'thumb').at(-1);
  return ms(open?.to ?? null);
}

/** Whether a coat may be started then. */
export const isIn = (spans: readonly CoatSpan[], startMs: number): boolean =>
  spans.some(({ fromMs, toMs }) => fromMs <= startMs && startMs <= toMs);

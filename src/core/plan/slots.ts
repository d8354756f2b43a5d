import type { Span } from './problem.ts';

/** The plan's unit of time, ms: half an hour. */
export const SLOT_MS = 1_800_000;

/** A time as slots from the start of the plan, rounded so that "may" comes late. Never or unknown: Infinity. */
export const slotAfter = (ms: number | null, fromMs: number): number =>
  ms === null ? Number.POSITIVE_INFINITY : Math.ceil((ms - fromMs) / SLOT_MS);

/** A time as slots from the start of the plan, rounded so that "must" comes early. */
export const slotBefore = (ms: number, fromMs: number): number => Math.floor((ms - fromMs) / SLOT_MS);

/** A length in whole slots, rounded up; work that takes any time takes one slot or more. */
export const slotsOf = (ms: number): number => Math.max(0, Math.ceil(ms / SLOT_MS - 1e-9));

/** A table by end slot: the same at each. */
export const always = <T>(slots: number, value: T): T[] => new Array<T>(slots + 1).fill(value);

/** A table by end slot: so many slots after the end, never before it. */
export function after(slots: number, wait: number): number[] {
  const table = always(slots, 0);
  for (let end = 0; end <= slots; end++) table[end] = Math.min(slots + 1, Math.max(0, end + wait));
  return table;
}

/** Stretches that follow each other without a gap, as one: hours of another price break no work off. */
export function joined(
  stretches: readonly { fromMs: number; toMs: number }[],
): { fromMs: number; toMs: number }[] {
  const found: { fromMs: number; toMs: number }[] = [];
  for (const { fromMs, toMs } of stretches) {
    const last = found.at(-1);
    if (last && last.toMs === fromMs) last.toMs = toMs;
    else found.push({ fromMs, toMs });
  }
  return found;
}

/** Stretches of time as spans of slots at which a task can start. */
export function startSpans(
  stretches: readonly { fromMs: number; toMs: number }[],
  { fromMs, slots, aheadMs }: { fromMs: number; slots: number; aheadMs: number },
): Span[] {
  const spans: [number, number][] = [];
  for (const stretch of stretches) {
    const from = Math.max(0, slotAfter(stretch.fromMs - aheadMs, fromMs));
    const last = Number.isFinite(stretch.toMs) ? slotBefore(stretch.toMs - aheadMs, fromMs) : slots;
    const to = Math.min(slots, last) + 1;
    const before = spans.at(-1);
    if (to <= from) continue;
    if (before && from <= before[1]) before[1] = Math.max(before[1], to);
    else spans.push([from, to]);
  }
  return spans;
}

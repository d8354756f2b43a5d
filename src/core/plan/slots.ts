/** The plan's unit of time, ms: half an hour. */
export const SLOT_MS = 1_800_000;

/** A time as slots from the start of the plan, rounded so that "may" comes late. Never or unknown: Infinity. */
export const slotAfter = (ms: number | null, fromMs: number): number =>
  ms === null ? Number.POSITIVE_INFINITY : Math.ceil((ms - fromMs) / SLOT_MS);

/** A time as slots from the start of the plan, rounded so that "must" comes early. */
export const slotBefore = (ms: number, fromMs: number): number => Math.floor((ms - fromMs) / SLOT_MS);

/** A length in whole slots, rounded up; work that takes any time takes one slot or more. */
export const slotsOf = (ms: number): number => Math.max(0, Math.ceil(ms / SLOT_MS - 1e-9));

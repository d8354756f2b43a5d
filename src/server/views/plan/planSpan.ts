/** How far ahead anything is planned, ms: eight weeks. */
export const PLAN_SPAN_MS = 56 * 86_400_000;

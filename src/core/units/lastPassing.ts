/**
 * The last moment that passes, from one that does up to another, found by halving: between them it passes up to some moment and
 * not after it.
 *
 * Passing up to 10:00, from 08:00 until 12:00 within 5 min: between 09:55 and 10:00.
 *
 * @returns ms, passing, and no more than `withinMs` before the last one; `untilMs` itself where it passes
 */
export function lastPassing(input: {
  passesMs: number;
  untilMs: number;
  withinMs: number;
  passes: (at: number) => boolean;
}): number {
  const { passesMs, untilMs, withinMs, passes } = input;
  if (untilMs <= passesMs || passes(untilMs)) return Math.max(passesMs, untilMs);
  let [low, high] = [passesMs, untilMs];
  while (high - low > withinMs) {
    const middle = low + Math.floor((high - low) / 2);
    if (passes(middle)) low = middle;
    else high = middle;
  }
  return low;
}

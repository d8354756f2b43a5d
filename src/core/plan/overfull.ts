import { within } from '../units/index.ts';

/** A boat in a place that holds only so many: from a moment (ms) until another; infinite: for good. */
export interface Stay {
  id: string;
  fromMs: number;
  untilMs: number;
}

/**
 * When more boats stand in a place than it holds. A boat that leaves at a moment makes room for one that comes at it.
 *
 * @returns stretches of time in order with those who stand there, each as long as they are the same ones
 * @throws {QuantityError} on an impossible number of places
 */
export function overfull({
  stays,
  places,
}: {
  stays: readonly Stay[];
  places: number;
}): { fromMs: number; untilMs: number; ids: string[] }[] {
  within('number of places', places, 0, 1000);
  const moments = [...new Set(stays.flatMap(({ fromMs, untilMs }) => [fromMs, untilMs]))].sort(
    (a, b) => a - b,
  );
  return moments.slice(0, -1).flatMap((fromMs, i) => {
    const ids = stays.filter((stay) => stay.fromMs <= fromMs && fromMs < stay.untilMs).map(({ id }) => id);
    const there = [...new Set(ids)].sort();
    return there.length > places ? [{ fromMs, untilMs: moments[i + 1] as number, ids: there }] : [];
  });
}

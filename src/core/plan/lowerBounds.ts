import type { Model } from './model.ts';
import { type Partial, propagate } from './propagate.ts';
import { costOfSharing } from './sharedBound.ts';
import type { Statics } from './statics.ts';

/**
 * What every plan costs at least, up to a cost `upper`: the least cost for which nothing speaks against a plan, or what the
 * boats cost together if that is more.
 */
export function lowerBounds(model: Model, statics: Statics, partial: Partial): (upper: number) => number {
  const root = propagate(model, statics, partial, Number.POSITIVE_INFINITY);
  if (!root) return (upper) => upper;
  /** Found when first asked for: without a plan nobody asks. */
  let shared: number | null = null;
  return (upper) => {
    shared ??= root.bound + costOfSharing(model, statics, partial, root);
    let [low, high] = [Math.min(upper, shared), upper];
    while (low < high) {
      const middle = low + Math.floor((high - low) / 2);
      if (propagate(model, statics, partial, middle + 1)) high = middle;
      else low = middle + 1;
    }
    return low;
  };
}

import type { AlikeArea, ProgressView } from '../../contract/index.ts';
import { type CoatProgress, coatProgress } from '../../core/film/index.ts';

/** The state of a coat as all devices noted it. */
export const progressOf = (notes: readonly ProgressView[]): CoatProgress =>
  coatProgress(notes.map(({ entryId, at, ...rest }) => ({ id: entryId, atMs: Date.parse(at), ...rest })));

/** How far the coat has got on all areas painted in one go. */
export interface Covered {
  leftM2: number;
  coveredM2: number;
}

/** Whether the coat has covered all areas whole. */
export const isAllCovered = ({ leftM2, coveredM2 }: Covered): boolean =>
  leftM2 > 0 && leftM2 - coveredM2 <= 1e-9;

/**
 * How far a coat has got on its own area and on the others painted in one go.
 *
 * Half of 10 m² and nothing of 5 m²: 5 of 15 m².
 */
export const coveredOfAll = (own: Covered, others: readonly AlikeArea[]): Covered =>
  others.reduce(
    ({ leftM2, coveredM2 }, each) => ({
      leftM2: leftM2 + each.leftM2,
      coveredM2: coveredM2 + progressOf(each.progress).coveredShare * each.leftM2,
    }),
    own,
  );

import {
  applicationPractice,
  directionPractice,
  overcoatingPractice,
  thicknessPractice,
} from './ofLaying.ts';
import { antifoulingPractice, fillingPractice, packsPractice, rustPractice } from './ofProducts.ts';
import { donePractice, panelsPractice } from './ofWork.ts';
import type { Practice, SchooledStep, SchoolPlace } from './practice.ts';
import type { SchoolId } from './schools.ts';

const PRACTICES: Record<SchoolId, Practice> = {
  application: applicationPractice,
  thickness: thicknessPractice,
  overcoating: overcoatingPractice,
  packs: packsPractice,
  antifouling: antifoulingPractice,
  rust: rustPractice,
  filling: fillingPractice,
  panels: panelsPractice,
  direction: directionPractice,
  done: donePractice,
};

/** Has a stack a choice to make here, and which way does it go? null for the way: neither, or mixed. */
export function schoolInForce(
  school: SchoolId,
  steps: readonly SchooledStep[],
  place: SchoolPlace,
): { applies: boolean; way: string | null } {
  const applies = steps.length > 0 && PRACTICES[school].applies(steps, place);
  return { applies, way: applies ? PRACTICES[school].inForce(steps, place) : null };
}

/**
 * The same stack by another school: methods, coats and films, sanding, products or work changed as that school does,
 * everything else unchanged. Where a data sheet doesn’t allow the method, or the coating type has no product, the step
 * stays. The rules still have the last word: what comes out is to be judged like any stack.
 *
 * A barrier of 4 × 100 µm, `thickness` → `heavy` at most 150 µm a coat: 3 × 133 µm.
 */
export function switchSchool(
  school: SchoolId,
  way: string,
  steps: readonly SchooledStep[],
  place: SchoolPlace,
): SchooledStep[] {
  return PRACTICES[school].take(steps, way, place);
}

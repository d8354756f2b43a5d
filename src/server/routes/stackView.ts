import type { StackView } from '../../contract/index.ts';
import { coatGroups } from '../../core/system/index.ts';
import { type AreaState, netAreaOf } from '../clock/load.ts';

/** An area's stack with the coats of each step that are wholly laid. */
export function stackView(state: AreaState): StackView {
  const groups = coatGroups({ coats: state.coats, areaM2: netAreaOf(state).areaM2 });
  const laid = (stepId: string) => groups.filter((g) => g.stepId === stepId && g.complete).length;
  return {
    areaId: state.area.id,
    version: state.stackVersion,
    steps: state.steps,
    laid: Object.fromEntries(state.steps.map((step) => [step.id, laid(step.id)])),
  };
}

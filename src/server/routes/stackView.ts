import type { StackView } from '../../contract/index.ts';
import { dryMicronsFromLitres } from '../../core/film/index.ts';
import { lossOf } from '../../core/system/index.ts';
import { groupsOf } from '../clock/areaClock.ts';
import type { AreaState, Shelf } from '../clock/load.ts';

/** An area's stack with the coats of each step that are wholly laid, and how thick each came out by its litres. */
export function stackView(state: AreaState, shelf: Shelf): StackView {
  const groups = groupsOf(state);
  const whole = (stepId: string) => groups.filter((g) => g.stepId === stepId && g.complete);
  const film = (group: (typeof groups)[number]): number => {
    const microns = group.entries.map(({ body }) => {
      const volumeSolids = shelf.sheetOf(body.productId, body.sheetVersion)?.volumeSolids;
      if (volumeSolids === undefined) return 0;
      const { litres, areaM2, method } = body;
      return dryMicronsFromLitres({ litres, areaM2, volumeSolids, loss: lossOf(method) }) * areaM2;
    });
    return microns.reduce((sum, each) => sum + each, 0) / group.coveredM2;
  };
  return {
    areaId: state.area.id,
    version: state.stackVersion,
    steps: state.steps,
    laid: Object.fromEntries(state.steps.map((step) => [step.id, whole(step.id).length])),
    asLaid: Object.fromEntries(state.steps.map((step) => [step.id, whole(step.id).map(film)])),
  };
}

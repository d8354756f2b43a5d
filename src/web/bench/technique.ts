import type { Area, Step } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { wayOut } from './cautions.ts';

/** How a coat is put on, by method [T, handbook part 8]. */
const BY_METHOD: Record<Step['method'], readonly string[]> = {
  brush: [t`Finish with light strokes towards the wet edge.`],
  roller: [
    t`Roll two roller widths ahead, even the paint out, then finish with light strokes.`,
    t`Use solvent-proof foam or short nap for epoxy and polyurethane. Cheap rollers dissolve.`,
  ],
  'roll-and-tip': [
    t`One person rolls a section, the other tips it off at once with an emptied brush.`,
    t`Sections of about 1 × 1 m, each joined before its edge sets.`,
  ],
  'conventional-spray': [t`Cover what stands downwind. Overspray travels to neighbouring boats.`],
  'airless-spray': [t`Cover what stands downwind. Overspray travels to neighbouring boats.`],
  trowel: [t`Work the filler in without trapping air, then level it in one pull.`],
  aerosol: [t`Several light passes, each wet, from an even distance. Shake the can between passes.`],
};

/** What to mind while the coat goes on: by its method, and inside the way out. */
export const techniqueOf = (
  { method }: Pick<Step, 'method'>,
  { service }: Pick<Area, 'service'>,
): string[] => [...wayOut({ service }), ...BY_METHOD[method]];

/** Sprayed coats are cut in beside lines first [T, handbook part 8]. */
export const isCutIn = (method: Step['method']): boolean =>
  method === 'conventional-spray' || method === 'airless-spray';

import { isIn } from '../groups.ts';
import type { StepTask } from '../step.ts';
import { agreed, isTask, type Practice, withFirst, without } from './practice.ts';

/** Schools of how the work goes: flat or whole, done or perfect. */

const PANELS: StepTask = {
  kind: 'prepare',
  amount: null,
  school: 'panels-flat',
  note: 'paint panels flat before assembly, with joints and faces to be glued masked',
};
const FAULTS: StepTask = {
  kind: 'inspect',
  amount: null,
  school: 'faults-out',
  note: 'check in low-angle light and sand out every run and nib before the next coat',
};

export const panelsPractice: Practice = {
  applies: (steps, { substrate }) => steps.length > 0 && isIn(['timber', 'timber-epoxy'], substrate),
  inForce: (steps) => (steps[0]?.before.some(isTask(PANELS)) ? 'flat' : 'whole'),
  take: (steps, way) =>
    way === 'flat' ? withFirst(steps, PANELS) : steps.map((step) => without(step, PANELS)),
};

export const donePractice: Practice = {
  applies: (steps) => steps.length > 1,
  inForce: (steps) =>
    agreed(steps.slice(1).map((step) => (step.before.some(isTask(FAULTS)) ? 'perfect' : 'done'))),
  take: (steps, way) =>
    steps.map((step, i) => {
      const rest = without(step, FAULTS);
      return way === 'perfect' && i > 0 ? { ...rest, before: [FAULTS, ...rest.before] } : rest;
    }),
};

import type { CostLine } from '../../../contract/index.ts';
import type { AreaSnapshot } from '../../memory/areaStates.ts';
import type { YardLine } from '../../memory/needLines.ts';

/** What the lines of a cost sheet are made of. */

/** The coats of a step that are on. */
export const doneOf = (state: AreaSnapshot, stepId: string) =>
  state.coats.filter((coat) => coat.stepId === stepId);

/** Share of the coats that are on, by area. */
export function shareDone(lines: readonly YardLine[]): number {
  let [done, all] = [0, 0];
  for (const { line, state, step } of lines) {
    const whole = line.coats.reduce((sum, { areaM2 }) => sum + areaM2, 0);
    all += whole;
    done += Math.min(
      whole,
      doneOf(state, step.id).reduce((sum, { areaM2 }) => sum + areaM2, 0),
    );
  }
  return all > 0 ? done / all : 0;
}

/** A line of the whole boat, done as far as her coats are on. */
export const ofBoat = (what: string, kind: CostLine['kind'], planned: number, share: number): CostLine => ({
  areaId: null,
  areaName: '',
  stepId: null,
  what,
  kind,
  planned,
  soFar: Math.round(planned * share),
  forecast: planned,
});

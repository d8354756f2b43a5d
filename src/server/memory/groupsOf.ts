import { type CoatGroup, coatGroups, stepAreaM2 } from '../../core/system/index.ts';
import { type AreaSnapshot, type CoatOnArea, netAreaOf } from './areaStates.ts';

/** The coats of an area gathered: each whole once it covers the area, or the band its step is applied on. */
export function groupsOf(state: AreaSnapshot): CoatGroup<CoatOnArea>[] {
  const { areaM2 } = netAreaOf(state);
  const bands = new Map(
    state.steps.flatMap((step) => (step.band ? [[step.id, stepAreaM2(step, areaM2)] as const] : [])),
  );
  return coatGroups({ coats: state.coats, areaM2, bands });
}

import type { AreaClock } from '../../contract/index.ts';
import {
  BOUNDS,
  correctFromHandTest,
  type Film,
  type Next,
  type TempSeries,
  windowsFor,
} from '../../core/cure/index.ts';
import type { CoatGroup } from '../../core/system/index.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';

const iso = (ms: number) => new Date(ms).toISOString();

/**
 * What the hand found on the film on top, and how its clock goes by it; null: nothing was tested.
 *
 * @param clock the film as its sheet has it, and its air; null: no air is known, and no clock can be corrected
 */
export function handOn(input: {
  state: Pick<AreaSnapshot, 'handTests'>;
  top: CoatGroup<CoatOnArea>;
  now: number;
  clock: { film: Film; next: Next | null; temps: TempSeries } | null;
}): AreaClock['hand'] {
  const { top, now, clock } = input;
  const tests = input.state.handTests.filter(
    ({ stepId, coatNo, atMs }) =>
      stepId === top.stepId && coatNo === top.coatNo && atMs >= top.toMs && atMs <= now,
  );
  if (tests.length === 0) return null;
  const correction = clock
    ? correctFromHandTest({ ...clock, tests })
    : { factor: 1, ...BOUNDS, contradicts: false, silent: true };
  const opens = (factor: number): string | null => {
    if (!clock?.next || correction.silent) return null;
    const { film, next, temps } = clock;
    const { edges } = windowsFor({ film: { ...film, factor }, next, temps, now });
    const at = edges.find(({ edge }) => edge === 'overcoat-min' || edge === 'immersion')?.at ?? null;
    return at === null ? null : iso(at);
  };
  return {
    tests: tests.map(({ entryId, atMs, found }) => ({ entryId, at: iso(atMs), found })),
    ...correction,
    opensBySheet: opens(1),
    opensNow: opens(correction.factor),
  };
}

import type { AreaClock } from '../../contract/index.ts';
import {
  BOUNDS,
  byLearnedPace,
  correctFromHandTest,
  type Film,
  type HandTest,
  type Next,
  type TempSeries,
  windowsFor,
} from '../../core/cure/index.ts';
import type { CoatGroup } from '../../core/system/index.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';

const iso = (ms: number) => new Date(ms).toISOString();

/** What the hand found on one coat from its end on, up to a moment. */
export const testsOn = (
  { handTests }: Pick<AreaSnapshot, 'handTests'>,
  coat: Pick<CoatGroup<CoatOnArea>, 'stepId' | 'coatNo' | 'toMs'>,
  now: number,
): AreaSnapshot['handTests'] =>
  handTests.filter(
    ({ stepId, coatNo, atMs }) =>
      stepId === coat.stepId && coatNo === coat.coatNo && atMs >= coat.toMs && atMs <= now,
  );

/** A film as its sheet has it, in its air. */
export interface FilmInAir {
  film: Film;
  next: Next | null;
  temps: TempSeries;
}

/** The film by what other films of its product and method taught, and by what the hand found on itself. */
export function filmAsTested(
  { film, next, temps }: FilmInAir,
  tests: readonly HandTest[],
  pace: number,
): Film {
  const taught = byLearnedPace(pace);
  // Left whole where nothing is known: clocks of films alike share what is worked out.
  if (tests.length === 0) return pace === 1 ? film : { ...film, ...taught };
  const { factor, mustFactor, stuck } = correctFromHandTest({
    film,
    next,
    temps,
    tests,
    prior: taught.factor,
    mustPrior: taught.mustFactor,
  });
  return { ...film, factor, mustFactor, ...(stuck && { stuck }) };
}

/**
 * Hand tests of the top coat, and their effect on its cure times; null: no test.
 *
 * @param clock the film with its data sheet and weather; null: no weather data, so cure times can’t be corrected
 * @param pace what other films of its product and method taught
 */
export function handOn(input: {
  state: Pick<AreaSnapshot, 'handTests'>;
  top: CoatGroup<CoatOnArea>;
  now: number;
  clock: FilmInAir | null;
  pace: number;
}): AreaClock['hand'] {
  const { top, now, clock, pace } = input;
  const tests = testsOn(input.state, top, now);
  if (tests.length === 0) return null;
  const taught = byLearnedPace(pace);
  const { stuck, ...correction } = clock
    ? correctFromHandTest({ ...clock, tests, prior: taught.factor, mustPrior: taught.mustFactor })
    : { factor: 1, mustFactor: 1, ...BOUNDS, contradicts: false, silent: true, stuck: null };
  const opens = (more: Partial<Film>): string | null => {
    if (!clock?.next || correction.silent) return null;
    const { film, next, temps } = clock;
    const { segments } = windowsFor({ film: { ...film, ...more }, next, temps, now });
    const at = segments.find(({ state }) => state === 'thumb' || state === 'open')?.fromMs ?? null;
    return at === null ? null : iso(at);
  };
  return {
    tests: tests.map(({ entryId, atMs, found }) => ({ entryId, at: iso(atMs), found })),
    ...correction,
    stuckAt: stuck && iso(stuck.atMs),
    notCuring: stuck?.notCuring ?? false,
    opensBySheet: opens({}),
    opensNow: opens({ factor: correction.factor, ...(stuck && { stuck }) }),
  };
}

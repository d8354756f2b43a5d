import { moment, QuantityError, within } from '../units/index.ts';
import type { CurvePoint } from './curve.ts';
import type { TempSeries } from './series.ts';
import { shareDone } from './share.ts';
import { dryPoints, type Film, type Next, ruleFor } from './windows.ts';

/** Results of a hand test: a thumb pressed, a fingernail, sandpaper. */
export type HandFinding =
  /** Thumb: comes away with paint, or pulls. */
  | 'sticks'
  /** Thumb: leaves its mark, nothing sticks. */
  | 'prints'
  | 'no-print'
  /** Fingernail: leaves a dent, or none. */
  | 'dents'
  | 'hard'
  /** Paper: clogs, or the dust falls as powder. */
  | 'clogs'
  | 'powders';

export interface HandTest {
  atMs: number;
  found: HandFinding;
}

/** A film's clock set by what the hand found: it runs `factor` times as fast as its sheet says. */
export interface HandCorrection {
  factor: number;
  /** What the tests allow; a bound nobody tested is that of {@link BOUNDS}. */
  low: number;
  high: number;
  /** Two tests cannot both be true of one film: the last of them is gone by. */
  contradicts: boolean;
  /** No event of the sheet says what was found: the clock is left as it is. */
  silent: boolean;
  /** As `factor`, for what must be done by then: the fastest that the tests allow where they say that the sheet is wrong. */
  mustFactor: number;
  /** Time of the last test if something stuck; null: it didn’t, or there is no test. */
  stuck: { atMs: number; notCuring: boolean } | null;
}

/** A film that nobody tested is not told to be further from its sheet than this; one slower than that is wrong, not slow [M]. */
export const BOUNDS = { low: 0.25, high: 4 } as const;
/** Beyond this a test says no more of a film than that it was made too early or too late to tell. */
const WIDEST = { low: 0.01, high: 100 } as const;
/** A film that is not there yet is taken to be a tenth short of it, not a hair: "may" comes late [M]. */
export const SHORT_OF = 0.9;

type Bound = { low?: readonly CurvePoint[]; high?: readonly CurvePoint[] };

/** Which events a finding says have come (`low`), and which have not (`high`). */
function boundsOf(found: HandFinding, { sheet }: Pick<Film, 'sheet'>, next: Next | null): Bound {
  const { events } = sheet;
  const rule = next ? ruleFor(sheet, next) : undefined;
  const thumb = rule?.thumb ?? sheet.overcoat.find((each) => each.thumb)?.thumb ?? null;
  const dry = dryPoints(sheet, next);
  const some = (key: 'low' | 'high', points: readonly CurvePoint[] | undefined): Bound =>
    points ? { [key]: points } : {};
  switch (found) {
    case 'sticks':
      return some('high', dry);
    case 'prints':
      return { ...some('low', thumb?.opens ?? dry), ...some('high', thumb?.closes) };
    case 'no-print':
      return some('low', thumb?.closes ?? dry);
    case 'dents':
      return some('high', events.walk);
    case 'hard':
      return some('low', events.walk);
    case 'clogs':
      return some('high', events.sandable);
    case 'powders':
      return some('low', events.sandable);
    default:
      throw new QuantityError(
        'finding of the hand',
        found,
        'sticks, prints, no-print, dents, hard, clogs, powders',
      );
  }
}

/**
 * How much faster or slower than its sheet a film cures, from what the hand found on it: the clock is scaled so that
 * the model agrees with the observation [T, handbook part 10].
 *
 * At a steady 20 °C a film tabulated tack-free at 240 min that still sticks after 300 has a factor of at most
 * 240/300 = 0.8: “must” uses that, “may” a tenth less, 0.72. One that prints without sticking after
 * 120 min has at least 2.
 *
 * Where the tests say that the sheet is wrong, “may” uses the slowest rate found, “must” the fastest that they
 * allow; where the sheet is one of the rates that they allow, it stands. Several tests are combined; where they contradict each other
 * the last one counts, and it is said. A film that still sticks after four times as long as its sheet says is not slow but
 * wrong: it does not cure.
 *
 * @param film as applied; its end counts, since the last corner is the softest
 * @param next what comes on it, for the thumb's window; null: any
 * @throws {QuantityError} on a finding that is none, a test before the film was finished, an unusable table or series
 */
export function correctFromHandTest(input: {
  film: Film;
  next?: Next | null;
  temps: TempSeries;
  /** One test, or several of the same film. */
  test?: HandTest;
  tests?: readonly HandTest[];
  /** Pace taken where the tests leave it open: one that other films taught; left out: the sheet's. */
  prior?: number;
  /** As `prior`, for what must be done; left out: the same. */
  mustPrior?: number;
}): HandCorrection {
  const { film, temps } = input;
  const tests = [...(input.tests ?? []), ...(input.test ? [input.test] : [])].sort((a, b) => a.atMs - b.atMs);
  const end = moment('end of application', film.laidToMs);
  const { stopC } = film.sheet;
  const done = (points: readonly CurvePoint[], atMs: number) =>
    shareDone({ curve: { points, stopC }, temps, fromMs: end, toMs: atMs });
  const spans = tests.flatMap(({ atMs, found }) => {
    if (moment('time of the test', atMs) < end)
      throw new QuantityError('time of the test', atMs, `at or after the end of application (${end})`);
    const bound = boundsOf(found, film, input.next ?? null);
    if (!bound.low && !bound.high) return [];
    return [span(bound, (points) => done(points, atMs))];
  });
  const last = spans.at(-1);
  const prior = within('pace that other films taught', input.prior ?? 1, BOUNDS.low, BOUNDS.high);
  const mustPrior = within('pace that other films taught', input.mustPrior ?? prior, BOUNDS.low, BOUNDS.high);
  const stuck = stuckAfter(tests, (atMs) => {
    const points = dryPoints(film.sheet, input.next ?? null);
    return points ? done(points, atMs) : 0;
  });
  // A test that says nothing takes nothing back of what others taught.
  if (!last)
    return {
      factor: prior,
      mustFactor: mustPrior,
      ...BOUNDS,
      contradicts: false,
      silent: tests.length > 0,
      stuck,
    };
  const all = {
    low: Math.max(...spans.map((s) => s.low ?? 0)),
    high: Math.min(...spans.map((s) => s.high ?? Number.POSITIVE_INFINITY)),
  };
  const contradicts = all.low > all.high;
  const { low, high } = contradicts
    ? { low: last.low ?? 0, high: last.high ?? Number.POSITIVE_INFINITY }
    : all;
  return {
    factor: Math.max(WIDEST.low, Math.min(mayFactor(prior, low, high), BOUNDS.high)),
    mustFactor: mustFactor(mustPrior, low, high),
    low: low > 0 ? low : Math.min(BOUNDS.low, high),
    high: Number.isFinite(high) ? high : Math.max(BOUNDS.high, low),
    contradicts,
    silent: false,
    stuck,
  };
}

/** The slowest rate that was found where the tests say that the expected one is wrong, or a tenth short of the fastest they allow. */
function mayFactor(prior: number, low: number, high: number): number {
  if (prior < low) return low;
  if (high > 1 && prior <= high) return prior;
  if (prior <= high * SHORT_OF) return prior;
  return low > 0 ? low : high * SHORT_OF;
}

/** The fastest rate that the tests allow where they say that the expected one is wrong. */
function mustFactor(prior: number, low: number, high: number): number {
  if (prior > high) return high;
  if (prior < low) return Number.isFinite(high) ? high : Math.max(BOUNDS.high, low);
  return prior;
}

/** Findings that say that nothing sticks. */
const DRY: readonly HandFinding[] = ['prints', 'no-print', 'hard', 'powders'];

/** Whether something still sticks by what was found last. */
function stuckAfter(tests: readonly HandTest[], dryShare: (atMs: number) => number): HandCorrection['stuck'] {
  const last = tests.findLast(({ found }) => found === 'sticks' || DRY.includes(found));
  if (last?.found !== 'sticks') return null;
  return { atMs: last.atMs, notCuring: dryShare(last.atMs) > 1 / BOUNDS.low };
}

/** The factors that one test allows; left out: the test doesn’t limit that bound. */
function span(
  bound: Bound,
  done: (points: readonly CurvePoint[]) => number,
): { low: number | undefined; high: number | undefined } {
  const clamp = (factor: number) => Math.min(WIDEST.high, Math.max(WIDEST.low, factor));
  return {
    low: bound.low && clamp(1 / done(bound.low)),
    high: bound.high && clamp(1 / done(bound.high)),
  };
}

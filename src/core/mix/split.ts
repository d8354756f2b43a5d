import { NotStatedError, positive, within } from '../units/index.ts';
import { type MixPart, type RatioBasis, shares } from './ratio.ts';
import { isCumulative, type MeasuringTool, toolBasis, toolStep } from './tools.ts';

/** What to pour of one part. Amounts are in the tool's measure: g on a scale, ml otherwise. */
export interface Pour {
  name: string;
  /** What the ratio asks, before rounding. */
  exact: number;
  /** Whole steps of the tool. */
  marks: number;
  /** marks × step. */
  amount: number;
  /** On a cup or stick: what it reads once this part is in. */
  fillTo: number | null;
  litres: number | null;
}

export interface Split {
  measure: RatioBasis;
  pours: Pour[];
  /** Sum of the amounts, g or ml. */
  total: number;
  /** Litres of mixed paint; null when densities are not stated. */
  litres: number | null;
  /** The largest deviation of any part against the base from the sheet's ratio; + means too much of it. */
  ratioError: number;
  withinTolerance: boolean;
  /** How much larger the batch is than what was asked for, as a fraction; below 0: it falls short by that much. */
  sizeError: number;
}

export interface SplitResult {
  asked: Split;
  /**
   * A batch near by that lands on the tool's marks, where that is clearly better: within a quarter of what was asked, or,
   * where nothing there keeps the tolerance, the next larger one that does.
   */
  better: Split | null;
}

/** Default tolerance of a ratio, ±5 % [T]; a sheet may state its own. */
export const DEFAULT_RATIO_TOLERANCE = 0.05;
/** A batch is not stretched or cut by more than this to land on marks [T]. */
const MOST_STRETCH = 0.25;
/** Where nothing that near keeps the tolerance, larger batches are tried up to this many times what was asked. */
const FURTHEST = 6;
/** The rounding error of an exact mix, which counts as zero. */
const ROUNDING = 1e-9;
const still = (error: number): number => (Math.abs(error) < ROUNDING ? 0 : error);
/** Less than this is no error that a hand pours to. */
const NO_ERROR = 0.001;
/** A batch short by more than this is said to be. */
const SHORT = 0.02;
/** Sizes tried on each part's marks: a fine tool needs no other size, a coarse tool few. */
const MOST_TRIED = 200;

/**
 * The parts to pour for a batch, rounded to what the tool can show, with the ratio error that is left.
 *
 * `splitParts({ total: { litres: 0.6 }, parts: 2 : 1, by: 'volume', tool: cup of 10 ml })` → 400 ml and 200 ml,
 * error 0. With a 50 ml counted cup and 0.25 l the nearest cups are 3 and 2: 33 % too much hardener, so a
 * batch of 0.3 l (4 and 2) is offered.
 *
 * @param total litres or kilograms of mixed, unthinned paint
 * @param tolerance allowed ratio error as a fraction
 * @throws {QuantityError} on a ratio of 0, a total of 0, or a density that is needed and not stated
 */
export function splitParts(input: {
  total: { litres: number } | { kg: number };
  parts: readonly MixPart[];
  by: RatioBasis;
  tool: MeasuringTool;
  tolerance?: number;
}): SplitResult {
  const { parts, by, tool } = input;
  const tolerance = within('ratio tolerance', input.tolerance ?? DEFAULT_RATIO_TOLERANCE, 0, 0.5);
  const measure = toolBasis(tool);
  const step = toolStep(tool);
  const share = shares({ parts, by, as: measure });
  const total = totalInTool(input.total, parts, share, measure);
  const roundTo = (size: number): Split => {
    const marks = share.map((s) => Math.max(1, Math.round((size * s) / step)));
    return splitFrom(marks, share, size, { parts, step, measure, tool, tolerance, total });
  };
  const asked = roundTo(total);
  if (Math.abs(asked.ratioError) <= NO_ERROR && asked.sizeError >= -SHORT) return { asked, better: null };
  const near = sizesOnMarks(share, step, total * (1 - MOST_STRETCH), total * (1 + MOST_STRETCH)).map(roundTo);
  let better = best(near.filter((each) => clearlyBetter(each, asked)));
  if (!better?.withinTolerance && !asked.withinTolerance) {
    const far = sizesOnMarks(share, step, total * (1 + MOST_STRETCH), total * FURTHEST).map(roundTo);
    better = far.filter((each) => each.withinTolerance).sort((a, b) => a.total - b.total)[0] ?? better;
  }
  return { asked, better };
}

/** Sizes, g or ml, between two limits at which some part lands on a mark of the tool: the nearest to the middle first. */
function sizesOnMarks(share: readonly number[], step: number, least: number, most: number): number[] {
  const sizes = new Set<number>();
  for (const each of share) {
    const first = Math.max(1, Math.ceil((least * each) / step - 1e-9));
    const last = Math.floor((most * each) / step + 1e-9);
    for (let marks = first; marks <= last && marks < first + MOST_TRIED; marks++)
      sizes.add((marks * step) / each);
  }
  return [...sizes];
}

/** Half the error in the ratio, or no shorter and no worse in it. */
const clearlyBetter = (one: Split, asked: Split): boolean =>
  Math.abs(one.ratioError) < Math.abs(asked.ratioError) / 2 ||
  (asked.sizeError < -SHORT &&
    one.sizeError > asked.sizeError + SHORT &&
    Math.abs(one.ratioError) <= Math.abs(asked.ratioError) + NO_ERROR);

/** The truest ratio; among equals one that does not fall short, and then the nearest to what was asked. */
function best(splits: readonly Split[]): Split | null {
  const order = (a: Split, b: Split) => {
    const error = Math.abs(a.ratioError) - Math.abs(b.ratioError);
    if (Math.abs(error) > NO_ERROR) return error;
    const short = Number(a.sizeError < -SHORT) - Number(b.sizeError < -SHORT);
    return short || Math.abs(a.sizeError) - Math.abs(b.sizeError);
  };
  return [...splits].sort(order)[0] ?? null;
}

function totalInTool(
  total: { litres: number } | { kg: number },
  parts: readonly MixPart[],
  share: readonly number[],
  measure: RatioBasis,
): number {
  if ('kg' in total) {
    const grams = positive('batch', total.kg, 10_000) * 1000;
    if (measure === 'weight') return grams;
    // Weight of one millilitre of mix, from its volume shares.
    const gramsPerMl = parts.reduce((sum, part, i) => sum + (share[i] as number) * densityOf(part), 0);
    return grams / gramsPerMl;
  }
  const ml = positive('batch', total.litres, 10_000) * 1000;
  if (measure === 'volume') return ml;
  // Volume of one gram of mix, from its weight shares.
  const mlPerGram = parts.reduce((sum, part, i) => sum + (share[i] as number) / densityOf(part), 0);
  return ml / mlPerGram;
}

function densityOf(part: MixPart): number {
  if (part.densityKgPerL === null) {
    throw new NotStatedError(`density of ${part.name}`, 'on the data sheet to weigh this batch');
  }
  return positive(`density of ${part.name}`, part.densityKgPerL, 25);
}

function splitFrom(
  marks: readonly number[],
  share: readonly number[],
  size: number,
  how: {
    parts: readonly MixPart[];
    step: number;
    measure: RatioBasis;
    tool: MeasuringTool;
    tolerance: number;
    total: number;
  },
): Split {
  let running = 0;
  const pours = how.parts.map((part, i): Pour => {
    const amount = (marks[i] as number) * how.step;
    running += amount;
    const density = how.measure === 'volume' || part.densityKgPerL === null ? null : densityOf(part);
    return {
      name: part.name,
      exact: size * (share[i] as number),
      marks: marks[i] as number,
      amount,
      fillTo: isCumulative(how.tool) ? running : null,
      litres: how.measure === 'volume' ? amount / 1000 : density && amount / density / 1000,
    };
  });
  const base = (marks[0] as number) / (share[0] as number);
  const ratioError = marks
    .map((count, i) => still(count / (share[i] as number) / base - 1))
    .reduce((worst, error) => (Math.abs(error) > Math.abs(worst) ? error : worst), 0);
  const litres = pours.every((pour) => pour.litres !== null)
    ? pours.reduce((sum, pour) => sum + (pour.litres as number), 0)
    : null;
  return {
    measure: how.measure,
    pours,
    total: running,
    litres,
    ratioError,
    withinTolerance: Math.abs(ratioError) <= how.tolerance + 1e-9,
    sizeError: still(running / how.total - 1),
  };
}

import { atOwnRatio, DEFAULT_RATIO_TOLERANCE, type MixPart, type RatioBasis, shares } from '../mix/index.ts';
import { positive, QuantityError, within } from '../units/index.ts';
import { type Explanation, explain, type LoggedPour } from './suspects.ts';

/** The stock to reconcile. Amounts are in one measure, l or kg, part by part in the order of the data sheet. */
export interface TinsLeft {
  parts: readonly MixPart[];
  /** How the sheet states its ratio, and what the amounts here are measured in. */
  ratioBy: RatioBasis;
  measuredBy: RatioBasis;
  /** Another ratio on purpose; null or left out: the sheet's. */
  ownParts?: readonly number[] | null;
  /** Allowed error of the ratio as a fraction; null: ±5 %. */
  tolerance: number | null;
  /** What the tins held when the count begins, and what is left in them. */
  start: readonly number[];
  left: readonly number[];
  /** Smallest graduation of what the rest was measured with: a reading is sure to half of it. */
  mark: number;
  /** As logged since then; none: nothing was. */
  batches?: readonly LoggedPour[];
  /** Mixed paint still to come, likely or safe; left out: nothing. */
  ahead?: number;
}

/** How far a part is from its ratio to the base, with the band that the tool's marks leave. */
export interface PartError {
  part: string;
  /** Fraction: +0.33 is a third too much of it against the base. */
  error: number;
  low: number;
  /** null: so little of the base was used that nothing bounds it. */
  high: number | null;
}

export interface Reconciled {
  used: number[];
  /** Of every part but the base. */
  errors: PartError[];
  /**
   * `cannot-tell`: the marks leave room for both. `nothing-used`: no part has gone, or only some have and no ratio can be
   * measurable from them.
   */
  verdict: 'in-ratio' | 'too-much' | 'too-little' | 'cannot-tell' | 'nothing-used';
  /** Of the parts proven to be off the furthest; where none is proven, the one that seems furthest; null: none does. */
  worst: PartError | null;
  /** The other explanation: the ratio was correct, but some of a part was spilt or lost. */
  astray: { part: string; amount: number }[];
  /** What could have brought it about, the likeliest first. */
  explanations: Explanation[];
  /** How far the rest reaches, mixed at the ratio. */
  reach: { mixed: number; limitedBy: string | null };
  /** Part by part, what is missing for the paint still to come. */
  missing: { part: string; amount: number }[];
  /** Leftover of each part once the scarcest is empty. */
  over: { part: string; amount: number }[];
  /** How to come out with both tins empty. */
  end:
    | { kind: 'together'; ratio: number[]; error: number }
    /** One part is short: buy more, or leave the rest of the other unmixed. Never mix by guesswork. */
    | { kind: 'short'; part: string; buy: number; leave: { part: string; amount: number }[] };
}

/**
 * What the tins say after a coat: the ratio that was really used with the band the measuring leaves, what could explain it,
 * whether the rest still covers what is to come, and how to end with both tins empty.
 *
 * A kit of 12 and 6, of which 6 of base and 2 of hardener are left, 2 : 1 by volume: 6 were used with 4, a third too much
 * hardener, or 1 of it was spilt [handbook part 7].
 *
 * @throws {QuantityError} on amounts that cannot be, or more left than there was
 */
export function reconcile(input: TinsLeft): Reconciled {
  const { measuredBy, start, left } = input;
  const parts = input.ownParts ? atOwnRatio(input.parts, input.ownParts) : input.parts;
  if (parts.length < 2)
    throw new QuantityError('number of parts', parts.length, '2 or more, since one part has no ratio');
  for (const [name, amounts] of [
    ['amounts at the start', start],
    ['amounts left', left],
  ] as const)
    if (amounts.length !== parts.length)
      throw new QuantityError(
        name,
        amounts.length,
        `one for each of the ${parts.length} parts on the data sheet`,
      );
  const mark = positive('Smallest graduation', input.mark, 1000);
  const tolerance = within('ratio tolerance', input.tolerance ?? DEFAULT_RATIO_TOLERANCE, 0, 0.5);
  const share = shares({ parts, by: input.ratioBy, as: measuredBy });
  const used = parts.map(({ name }, i) => {
    const had = within(`${name} at the start`, start[i] as number, 0, 1e6);
    return had - within(`${name} left`, left[i] as number, 0, had + mark / 2);
  });
  const errors = parts.slice(1).map((part, i) => errorOf({ part, used, share, mark, i: i + 1 }));
  const isMeasurable =
    errors.every(({ error }) => Number.isFinite(error)) && used.some((each) => each > mark / 2);
  const worst = isMeasurable ? furthestOf(errors) : null;
  // Blamed is a part that is proven to be off; only where none is, the one that seems furthest.
  const proven = isMeasurable ? furthestOf(provenOff(errors, tolerance)) : null;
  const seems = worst !== null && Math.abs(worst.error) > tolerance + 1e-9 ? worst : null;
  return {
    used,
    errors: isMeasurable ? errors : [],
    verdict: worst === null ? 'nothing-used' : verdictOf(errors, tolerance),
    worst: proven ?? seems,
    astray: isMeasurable ? astrayOf(parts, used, share, mark) : [],
    explanations: explain({ parts, used, share, batches: input.batches ?? [], mark, tolerance }),
    ...ahead({
      parts,
      left,
      share,
      tolerance,
      wanted: within('Paint still needed', input.ahead ?? 0, 0, 1e6),
    }),
  };
}

function errorOf(of: {
  part: MixPart;
  used: readonly number[];
  share: readonly number[];
  mark: number;
  i: number;
}): PartError {
  const { part, used, share, mark, i } = of;
  const asked = (share[i] as number) / (share[0] as number);
  const [base, own] = [used[0] as number, used[i] as number];
  const ratio = (a: number, b: number) => Math.max(0, a) / b / asked - 1;
  // Both readings may be out by half a mark, the base one way and the part the other.
  const least = base - mark / 2;
  return {
    part: part.name,
    error: base > 0 ? ratio(own, base) : Number.NaN,
    low: ratio(own - mark / 2, base + mark / 2),
    high: least > 0 ? ratio(own + mark / 2, least) : null,
  };
}

/** Batches whose whole band lies outside the tolerance: wrong even with the reading error. */
const provenOff = (errors: readonly PartError[], tolerance: number): PartError[] =>
  errors.filter(({ low, high }) => low > tolerance + 1e-9 || (high !== null && high < -tolerance - 1e-9));

const furthestOf = (errors: readonly PartError[]): PartError | null =>
  errors.reduce<PartError | null>(
    (most, each) => (most === null || Math.abs(each.error) > Math.abs(most.error) ? each : most),
    null,
  );

/** Off where a whole band is outside the tolerance, in ratio where all bands are within it; else the marks leave room for both. */
function verdictOf(errors: readonly PartError[], tolerance: number): Reconciled['verdict'] {
  const proven = furthestOf(provenOff(errors, tolerance));
  if (proven) return proven.error > 0 ? 'too-much' : 'too-little';
  const sure = errors.every(
    ({ low, high }) => low >= -tolerance - 1e-9 && high !== null && high <= tolerance + 1e-9,
  );
  return sure ? 'in-ratio' : 'cannot-tell';
}

/** Correct ratio: the use beyond that of the scarcest part was lost. */
function astrayOf(
  parts: readonly MixPart[],
  used: readonly number[],
  share: readonly number[],
  mark: number,
): Reconciled['astray'] {
  const mixed = Math.min(...used.map((each, i) => each / (share[i] as number)));
  return parts.flatMap(({ name }, i) => {
    const amount = (used[i] as number) - mixed * (share[i] as number);
    return amount > mark ? [{ part: name, amount }] : [];
  });
}

function ahead(of: {
  parts: readonly MixPart[];
  left: readonly number[];
  share: readonly number[];
  tolerance: number;
  wanted: number;
}): Pick<Reconciled, 'reach' | 'missing' | 'over' | 'end'> {
  const { parts, left, share, wanted } = of;
  const reaches = left.map((each, i) => each / (share[i] as number));
  const mixed = Math.min(...reaches);
  const scarce = reaches.indexOf(mixed);
  const plenty = Math.max(...reaches);
  const over = parts.flatMap(({ name }, i) => {
    const amount = (left[i] as number) - mixed * (share[i] as number);
    return amount > 1e-9 ? [{ part: name, amount }] : [];
  });
  const missing = parts.flatMap(({ name }, i) => {
    const amount = wanted * (share[i] as number) - (left[i] as number);
    return amount > 1e-9 ? [{ part: name, amount }] : [];
  });
  const error = furthest(left, share);
  return {
    reach: { mixed, limitedBy: over.length > 0 ? (parts[scarce]?.name ?? null) : null },
    missing,
    over,
    end:
      Math.abs(error) <= of.tolerance + 1e-9
        ? { kind: 'together', ratio: [...left], error }
        : {
            kind: 'short',
            part: (parts[scarce] as MixPart).name,
            buy: (plenty - mixed) * (share[scarce] as number),
            leave: over,
          },
  };
}

/** Error of the ratio of the stock left, the worst part against the base: the error if everything is mixed. */
function furthest(left: readonly number[], share: readonly number[]): number {
  const base = (left[0] as number) / (share[0] as number);
  if (!left.some((each) => each > 0)) return 0;
  if (!(base > 0)) return Number.MAX_VALUE;
  return left
    .map((each, i) => each / (share[i] as number) / base - 1)
    .reduce((worst, each) => (Math.abs(each) > Math.abs(worst) ? each : worst), 0);
}

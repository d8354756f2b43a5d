import type { MixPart } from '../mix/index.ts';
import { QuantityError, within } from '../units/index.ts';

/** A batch as it was logged: what was poured of each part, in the measure of the count. */
export interface LoggedPour {
  id: string;
  poured: readonly number[];
}

/** What could have made the tins stand as they do. */
export interface Explanation {
  kind: /** The log itself says so: these batches were poured off ratio. */
    | 'logged-off'
    /** A part was poured twice into this batch, or not at all. */
    | 'twice'
    | 'left-out'
    /** Each part was poured in the measure of the other. */
    | 'swapped'
    /** A batch in ratio that nobody logged. */
    | 'not-logged'
    | 'spilt';
  /** The batch it happened in; null: in none, or nobody can tell which. */
  batchId: string | null;
  part: string | null;
  amount: number;
  /** 0–1: how well it fits what was measured, before how likely such a thing is; 1: to the mark. */
  fits: number;
}

/** Worse than that it is not told. */
const LEAST_FIT = 0.05;
/** A spill can be of any size and so fits anything: it counts for less beside what fits by itself [M]. */
const SPILL_FIT = 0.5;
/** Told at most. */
const MOST = 6;

/**
 * What could explain that more or less has gone than was logged. Every explanation is held against the amounts: what it
 * would have taken from the tins beyond what was logged, and how many marks of the tool it is out by; the fit is that of a
 * normal error of half a mark [S: any text on least squares].
 */
export function explain(of: {
  parts: readonly MixPart[];
  used: readonly number[];
  share: readonly number[];
  batches: readonly LoggedPour[];
  mark: number;
  tolerance: number;
}): Explanation[] {
  const { parts, used, share, batches, mark } = of;
  for (const { id, poured } of batches) {
    if (poured.length !== parts.length)
      throw new QuantityError(
        `amounts in batch ${id}`,
        poured.length,
        `one for each of the ${parts.length} parts on the data sheet`,
      );
    poured.forEach((each, i) => {
      within(`${parts[i]?.name} in batch ${id}`, each, 0, 1e6);
    });
  }
  if (batches.length === 0) return [];
  const logged = parts.map((_, i) => batches.reduce((sum, { poured }) => sum + (poured[i] as number), 0));
  const beyond = used.map((each, i) => each - (logged[i] as number));
  // Every pour was rounded to a mark as well, and these errors add in squares.
  const sd = (mark / 2) * Math.sqrt(1 + batches.length / 3);
  const likelihood = (expected: readonly number[]) =>
    Math.exp(-beyond.reduce((sum, each, i) => sum + ((each - (expected[i] as number)) / sd) ** 2, 0) / 2);
  const only = (i: number, amount: number) => parts.map((_, k) => (k === i ? amount : 0));
  const found: Explanation[] = [];
  const offLogged = batches.filter(({ poured }) => isOff(poured, share, of.tolerance));
  for (const { id } of offLogged)
    found.push({
      kind: 'logged-off',
      batchId: id,
      part: null,
      amount: 0,
      fits: likelihood(parts.map(() => 0)),
    });
  for (const { id, poured } of batches) {
    parts.forEach(({ name }, i) => {
      const amount = poured[i] as number;
      if (amount <= 0) return;
      found.push({ kind: 'twice', batchId: id, part: name, amount, fits: likelihood(only(i, amount)) });
      found.push({ kind: 'left-out', batchId: id, part: name, amount, fits: likelihood(only(i, -amount)) });
    });
    const [a, b] = poured as [number, number];
    if (parts.length === 2 && Math.abs(a - b) > mark)
      found.push({
        kind: 'swapped',
        batchId: id,
        part: null,
        amount: Math.abs(a - b),
        fits: likelihood([b - a, a - b]),
      });
  }
  const mixed = beyond.reduce((sum, each) => sum + each, 0);
  if (mixed > mark)
    found.push({
      kind: 'not-logged',
      batchId: null,
      part: null,
      amount: mixed,
      fits: likelihood(share.map((s) => s * mixed)),
    });
  parts.forEach(({ name }, i) => {
    const amount = beyond[i] as number;
    if (amount > mark)
      found.push({
        kind: 'spilt',
        batchId: null,
        part: name,
        amount,
        fits: SPILL_FIT * likelihood(only(i, amount)),
      });
  });
  return found
    .filter(({ fits }) => fits >= LEAST_FIT)
    .sort((x, y) => y.fits - x.fits)
    .slice(0, MOST);
}

function isOff(poured: readonly number[], share: readonly number[], tolerance: number): boolean {
  const base = (poured[0] as number) / (share[0] as number);
  return poured.some((each, i) => !(Math.abs(each / (share[i] as number) / base - 1) <= tolerance + 1e-9));
}

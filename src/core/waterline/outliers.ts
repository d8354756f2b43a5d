import { QuantityError } from '../units/index.ts';
import { inverse, type Matrix, multiply } from './smallMatrix.ts';

/** Least squares over marks, and which of them are off: all that a plane's fit is judged by. */

/** Which marks are off, as far as the others can tell. */
export type Outliers =
  | { verdict: 'agree' }
  /** One of them is off, but too few are there to tell which. */
  | { verdict: 'one-is-off' }
  /** These, by index, are off; the plane is fitted without them. `sure`: how sure each is, 0–1. */
  | { verdict: 'named'; indices: number[]; sure: number[] }
  /** Any of these may be; none was left out. `sure` as above: which is the likeliest, and how far from certain. */
  | { verdict: 'one-of'; indices: number[]; sure: number[] };

/** Where one more mark would tell most between the explanations left, and by how much they differ there. */
export interface NextMark {
  xM: number;
  yM: number;
  differMm: number;
}

/**
 * Whether the stated error of a mark fits what is left of the residuals (χ² at 0.1 % either way); `foundMm`: the error
 * they speak of, null with no mark to spare.
 */
export interface ErrorFit {
  verdict: 'fits' | 'stated-too-small' | 'stated-too-large' | 'not-known';
  foundMm: number | null;
}

/** A mark beyond this many of its own standard errors is doubted: Baarda's test at 0.1 % [S: Baarda 1968, data snooping]. */
const CRITICAL = 3.29;

interface Solved {
  coefficients: number[];
  cofactor: Matrix;
  /** Residual of each mark over its own standard error. */
  w: number[];
  residuals: number[];
}

/** Least squares over the rows used; residuals are of all rows. */
function solve(rows: number[][], heights: number[], used: boolean[], errorMm: number): Solved | null {
  const A = rows.filter((_, i) => used[i]);
  const h = heights.filter((_, i) => used[i]);
  const p = (rows[0] as number[]).length;
  if (A.length < p) return null;
  // Centred lengths keep the normal equations well conditioned.
  const normal = Array.from({ length: p }, (_, i) =>
    Array.from({ length: p }, (_, j) => A.reduce((sum, r) => sum + (r[i] as number) * (r[j] as number), 0)),
  );
  const cofactor = inverse(normal);
  if (!cofactor) return null;
  const right = Array.from({ length: p }, (_, i) =>
    A.reduce((sum, r, k) => sum + (r[i] as number) * (h[k] as number), 0),
  );
  const coefficients = multiply(cofactor, right);
  const residuals = rows.map(
    (r, i) =>
      (heights[i] as number) - r.reduce((sum, each, j) => sum + each * (coefficients[j] as number), 0),
  );
  const w = rows.map((r, i) => {
    const own = r.reduce((sum, each, j) => sum + each * (multiply(cofactor, r)[j] as number), 0);
    // A mark left out is judged by the error of the prediction, one kept by that of its residual.
    const share = used[i] ? 1 - own : 1 + own;
    return share < 1e-9 ? 0 : Math.abs(residuals[i] as number) / (errorMm * Math.sqrt(share));
  });
  return { coefficients, cofactor, w, residuals };
}

const consistent = (solved: Solved, used: boolean[]) => solved.w.every((w, i) => !used[i] || w <= CRITICAL);

/** A set of marks taken to be off, with the fit through the others and its cost. */
interface Explanation {
  out: number[];
  solved: Solved;
  used: boolean[];
  cost: number;
}

/** Marks that may be off at once and are identified by trying every set; beyond that, one at a time. */
const MOST_AT_ONCE = 3;
const MOST_SETS = 4000;
/** From here on a mark is named. */
const SURE = 0.95;
/** A mark this unlikely to be off is not spoken of. */
const UNLIKELY = 0.05;

/** All ways to choose `k` of `n`, in order. */
function* chosen(n: number, k: number, from = 0): Generator<number[]> {
  if (k === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= n - k; i++) for (const rest of chosen(n, k - 1, i + 1)) yield [i, ...rest];
}

const setsOf = (n: number, k: number) => {
  let count = 1;
  for (let i = 0; i < k; i++) count = (count * (n - i)) / (i + 1);
  return count;
};

/**
 * Every set of one, two or three marks that may be off, with the fit through the others. A set costs the squared
 * residuals it leaves, in stated errors, and for each mark left out what a mark must be off by to be doubted at all: so
 * two are blamed only where one does not explain it, and an honest mark is not blamed for two others.
 */
function explanations(rows: number[][], heights: number[], errorMm: number): Explanation[] {
  const p = (rows[0] as number[]).length;
  const found: Explanation[] = [];
  for (let k = 1; k <= MOST_AT_ONCE && rows.length - k > p && setsOf(rows.length, k) <= MOST_SETS; k++) {
    for (const out of chosen(rows.length, k)) {
      const used = rows.map((_, i) => !out.includes(i));
      const solved = solve(rows, heights, used, errorMm);
      if (!solved) continue;
      const squares = solved.residuals.reduce((sum, r, i) => sum + (used[i] ? (r / errorMm) ** 2 : 0), 0);
      found.push({ out, solved, used, cost: squares + k * CRITICAL ** 2 });
    }
  }
  return found.sort((a, b) => a.cost - b.cost);
}

/** How likely each mark is to be off, 0–1, over all explanations [S: Bayes' rule, each mark as likely beforehand]. */
function likelihoods(found: readonly Explanation[], marks: number): number[] {
  const best = (found[0] as Explanation).cost;
  const weights = found.map(({ cost }) => Math.exp((best - cost) / 2));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return Array.from({ length: marks }, (_, i) =>
    found.reduce((sum, { out }, k) => sum + (out.includes(i) ? (weights[k] as number) / all : 0), 0),
  );
}

interface OutlierSearch {
  solved: Solved;
  used: boolean[];
  outliers: Outliers;
  /** The explanations that are not ruled out, the likeliest first. */
  open: Explanation[];
}

/** Leaves out the marks that are off, as far as there are enough others to tell. */
export function findOutliers(rows: number[][], heights: number[], errorMm: number): OutlierSearch {
  const all = rows.map(() => true);
  const p = (rows[0] as number[]).length;
  const solved = solve(rows, heights, all, errorMm);
  if (!solved)
    throw new QuantityError(
      'marks',
      'in one line',
      'spread out. Add a mark off that line, or enter the measured heel',
    );
  if (consistent(solved, all)) return { solved, used: all, outliers: { verdict: 'agree' }, open: [] };
  const found = explanations(rows, heights, errorMm);
  if (rows.length - p < 2 || found.length === 0)
    return { solved, used: all, outliers: { verdict: 'one-is-off' }, open: [] };
  const sure = likelihoods(found, rows.length);
  let best = found[0] as Explanation;
  // More are off than can be tried at once: the worst of the rest is left out, one at a time.
  while (!consistent(best.solved, best.used) && kept(best.used).length - p > 2) {
    const next = kept(best.used).flatMap((i) => {
      const used = best.used.map((each, j) => each && j !== i);
      const fit = solve(rows, heights, used, errorMm);
      return fit ? [{ out: [...best.out, i], used, solved: fit, cost: rmsOf(fit.residuals, used) }] : [];
    });
    if (next.length === 0) break;
    best = next.reduce((a, b) => (a.cost <= b.cost ? a : b));
    sure[best.out.at(-1) as number] = Math.max(SURE, sure[best.out.at(-1) as number] as number);
  }
  const certain = best.out.every((i) => (sure[i] as number) >= SURE) && consistent(best.solved, best.used);
  const sureOf = (indices: number[]) => indices.map((i) => sure[i] as number);
  if (certain) {
    const indices = best.out.toSorted((a, b) => a - b);
    const outliers = { verdict: 'named', indices, sure: sureOf(indices) } as const;
    return { solved: best.solved, used: best.used, outliers, open: [] };
  }
  const indices = kept(all)
    .filter((i) => (sure[i] as number) >= UNLIKELY)
    .sort((a, b) => (sure[b] as number) - (sure[a] as number));
  const open = found.filter(({ cost }) => cost < (found[0] as Explanation).cost + 2 * Math.log(1 / UNLIKELY));
  return { solved, used: all, outliers: { verdict: 'one-of', indices, sure: sureOf(indices) }, open };
}

/** Of the corners of the ground that the marks cover, the one where the two likeliest explanations lie furthest apart. */
export function nextMarkOf(
  open: readonly Explanation[],
  marks: readonly { xM: number; yM: number }[],
  centred: (point: { xM: number; yM: number }) => number[],
): NextMark | null {
  const [first, ...others] = open;
  const second = others.find(({ out }) => out.some((i) => !first?.out.includes(i)));
  if (!first || !second) return null;
  const height = ({ solved }: Explanation, point: { xM: number; yM: number }) =>
    centred(point).reduce((sum, each, i) => sum + each * (solved.coefficients[i] as number), 0);
  const xs = [Math.min(...marks.map((m) => m.xM)), Math.max(...marks.map((m) => m.xM))];
  const ys = [Math.min(...marks.map((m) => m.yM)), Math.max(...marks.map((m) => m.yM))];
  return xs
    .flatMap((xM) => ys.map((yM) => ({ xM, yM })))
    .map((point) => ({ ...point, differMm: Math.abs(height(first, point) - height(second, point)) }))
    .reduce((a, b) => (a.differMm >= b.differMm ? a : b));
}

/** Quantile of χ² by Wilson and Hilferty's cube, good to a few per cent from one degree on [S: Wilson & Hilferty 1931]. */
const chiSquared = (dof: number, z: number) =>
  dof * Math.max(0, 1 - 2 / (9 * dof) + z * Math.sqrt(2 / (9 * dof))) ** 3;
/** Normal quantile of 0.1 % either way. */
const Z = 3.09;

/** Whether the residuals of the marks used speak of the error that was stated. */
export function errorFit(solved: Solved, used: boolean[], errorMm: number): ErrorFit {
  const dof = kept(used).length - solved.coefficients.length;
  if (dof < 1) return { verdict: 'not-known', foundMm: null };
  const squares = solved.residuals.reduce((sum, r, i) => sum + (used[i] ? r * r : 0), 0);
  const foundMm = Math.sqrt(squares / dof);
  const test = squares / (errorMm * errorMm);
  if (test > chiSquared(dof, Z)) return { verdict: 'stated-too-small', foundMm };
  return { verdict: test < chiSquared(dof, -Z) ? 'stated-too-large' : 'fits', foundMm };
}

const kept = (used: boolean[]) => used.flatMap((each, i) => (each ? [i] : []));

export function rmsOf(residuals: readonly number[], used: boolean[]): number {
  const mine = residuals.filter((_, i) => used[i]);
  return Math.sqrt(mine.reduce((sum, r) => sum + r * r, 0) / mine.length);
}

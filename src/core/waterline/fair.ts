import { QuantityError, within } from '../units/index.ts';

/** A hand mark along one side: place along the boat, m, and its height off the plane, mm. */
export interface HandMark {
  xM: number;
  offMm: number;
}

export interface FairLine {
  /** Height of the fair line off the plane at each mark, mm, in rising x. */
  fairMm: number[];
  /** Each mark above the fair line, mm. */
  residualsMm: number[];
  /** Marks left out as outliers, by index. */
  outliers: number[];
  /** Height of the fair line at x, mm; straight on beyond the last marks. */
  at(xM: number): number;
}

interface Spline {
  x: number[];
  /** Values and second derivatives at the knots. */
  g: number[];
  gamma: number[];
}

/** Solves a symmetric positive definite system with two bands beside the diagonal, in place. */
function solveBanded(d: number[], e: number[], f: number[], right: number[]): number[] {
  const n = d.length;
  for (let i = 0; i < n; i++) {
    const di = d[i] as number;
    if (i + 1 < n) {
      const l = (e[i] as number) / di;
      d[i + 1] = (d[i + 1] as number) - l * (e[i] as number);
      if (i + 2 < n) e[i + 1] = (e[i + 1] as number) - l * (f[i] as number);
      right[i + 1] = (right[i + 1] as number) - l * (right[i] as number);
    }
    if (i + 2 < n) {
      const l = (f[i] as number) / di;
      d[i + 2] = (d[i + 2] as number) - l * (f[i] as number);
      right[i + 2] = (right[i + 2] as number) - l * (right[i] as number);
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    const above =
      (i + 1 < n ? (e[i] as number) * (right[i + 1] as number) : 0) +
      (i + 2 < n ? (f[i] as number) * (right[i + 2] as number) : 0);
    right[i] = ((right[i] as number) - above) / (d[i] as number);
  }
  return right;
}

/**
 * The natural cubic smoothing spline: least Σ(y − g)² + λ∫g″² [S: Reinsch 1967; Green & Silverman 1994, § 2.3].
 * λ in mm²-free units of m³: it only says how stiff the batten is.
 */
function smooth(x: number[], y: number[], lambda: number): Spline {
  const n = x.length;
  const h = x.slice(1).map((each, i) => each - (x[i] as number));
  const m = n - 2;
  if (m < 1) return { x, g: [...y], gamma: x.map(() => 0) };
  const gap = (i: number) => h[i] as number;
  const q = (j: number): [number, number, number] => [
    1 / gap(j),
    -1 / gap(j) - 1 / gap(j + 1),
    1 / gap(j + 1),
  ];
  const second = Array.from({ length: m }, (_, j) => {
    const [a, b, c] = q(j);
    return a * (y[j] as number) + b * (y[j + 1] as number) + c * (y[j + 2] as number);
  });
  const d = Array.from({ length: m }, (_, j) => {
    const [a, b, c] = q(j);
    return (gap(j) + gap(j + 1)) / 3 + lambda * (a * a + b * b + c * c);
  });
  const e = Array.from({ length: Math.max(0, m - 1) }, (_, j) => {
    const [, b, c] = q(j);
    const [a2, b2] = q(j + 1);
    return gap(j + 1) / 6 + lambda * (b * a2 + c * b2);
  });
  const f = Array.from({ length: Math.max(0, m - 2) }, (_, j) => lambda * q(j)[2] * q(j + 2)[0]);
  const inner = solveBanded(d, e, f, second);
  const gamma = [0, ...inner, 0];
  const g = y.map((each, i) => {
    let pull = 0;
    if (i < m) pull += q(i)[0] * (inner[i] as number);
    if (i >= 1 && i - 1 < m) pull += q(i - 1)[1] * (inner[i - 1] as number);
    if (i >= 2) pull += q(i - 2)[2] * (inner[i - 2] as number);
    return each - lambda * pull;
  });
  return { x, g, gamma };
}

function evaluate({ x, g, gamma }: Spline, at: number): number {
  const n = x.length;
  const knot = (i: number) => x[i] as number;
  const value = (i: number) => g[i] as number;
  const bend = (i: number) => gamma[i] as number;
  if (n === 1) return value(0);
  const slope = (i: number, from: boolean) => {
    const h = knot(i + 1) - knot(i);
    const chord = (value(i + 1) - value(i)) / h;
    return from
      ? chord - (h / 6) * (2 * bend(i) + bend(i + 1))
      : chord + (h / 6) * (bend(i) + 2 * bend(i + 1));
  };
  if (at <= knot(0)) return value(0) - slope(0, true) * (knot(0) - at);
  if (at >= knot(n - 1)) return value(n - 1) + slope(n - 2, false) * (at - knot(n - 1));
  const i = Math.max(0, x.findIndex((each) => each >= at) - 1);
  const h = knot(i + 1) - knot(i);
  const [a, b] = [at - knot(i), knot(i + 1) - at];
  return (
    (a * value(i + 1) + b * value(i)) / h -
    ((a * b) / 6) * ((1 + a / h) * bend(i + 1) + (1 + b / h) * bend(i))
  );
}

const median = (values: readonly number[]) => {
  const sorted = values.toSorted((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2
    ? (sorted[mid] as number)
    : ((sorted[mid - 1] as number) + (sorted[mid] as number)) / 2;
};

/**
 * A fair line through noisy hand marks: never joins the dots, but bends a batten of the stiffness asked for through
 * groups of them. Marks beyond three times the usual scatter (median absolute deviation × 1.4826 [S: Hampel 1974])
 * and more than 4 mm off [M] are left out and named.
 *
 * @param stiffness 0 (goes through every mark) … 1 (a straight line)
 * @throws {QuantityError} on marks that are not in rising order, or fewer than 3
 */
export function fairMarks(input: { marks: readonly HandMark[]; stiffness: number }): FairLine {
  const { marks } = input;
  within('stiffness', input.stiffness, 0, 1);
  if (marks.length < 3) throw new QuantityError('number of hull marks on a side', marks.length, '3 or more');
  marks.forEach((mark, i) => {
    within(`place of mark ${i + 1} (m)`, mark.xM, -200, 200);
    within(`mark ${i + 1} (mm)`, mark.offMm, -10_000, 10_000);
    if (i && mark.xM <= (marks[i - 1] as HandMark).xM) {
      throw new QuantityError(
        `place of mark ${i + 1} (m)`,
        mark.xM,
        `forward of the previous one (${(marks[i - 1] as HandMark).xM} m)`,
      );
    }
  });
  const span = (marks.at(-1) as HandMark).xM - (marks[0] as HandMark).xM;
  // From a limp spline (a thousandth of the marks' own spacing) to one stiffer than any batten.
  const spacing = span / (marks.length - 1);
  const lambda = input.stiffness === 0 ? 0 : spacing ** 3 * 10 ** (-3 + 11 * input.stiffness);
  const out = new Set<number>();
  const bend = () => {
    const used = marks.filter((_, i) => !out.has(i));
    return smooth(
      used.map((m) => m.xM),
      used.map((m) => m.offMm),
      lambda,
    );
  };
  let spline = bend();
  for (let round = 0; round < 4 && marks.length - out.size > 4; round++) {
    const off = marks.map((mark) => mark.offMm - evaluate(spline, mark.xM));
    const inside = off.filter((_, i) => !out.has(i));
    const scatter = 1.4826 * median(inside.map(Math.abs));
    const limit = Math.max(4, 3 * scatter);
    // One at a time, the worst first: it bends the line towards itself and makes its neighbours look wrong.
    const worst = off.reduce(
      (w, each, i) =>
        !out.has(i) && Math.abs(each) > Math.abs(off[w] ?? 0) && Math.abs(each) > limit ? i : w,
      -1,
    );
    if (worst < 0) break;
    out.add(worst);
    spline = bend();
  }
  const fairMm = marks.map((mark) => evaluate(spline, mark.xM));
  return {
    fairMm,
    residualsMm: marks.map((mark, i) => mark.offMm - (fairMm[i] as number)),
    outliers: [...out].sort((a, b) => a - b),
    at: (xM) => evaluate(spline, xM),
  };
}

import type { ReadyCurve } from './curve.ts';
import { HOUR_MS, type TempSeries } from './series.ts';

/**
 * The clock between two readings: the film's temperature runs on a straight line from one to the next, and the share of
 * an event done is ∫ dt / t(T). The line is cut where the table changes its law (its points, its stop temperature) and
 * each piece taken by Gauss-Legendre's rule of three points, good to 0.1 % and far better over any hour a hull has seen
 * [S: any text of numerical analysis].
 */
const NODES = [-Math.sqrt(0.6), 0, Math.sqrt(0.6)] as const;
const WEIGHTS = [5 / 18, 8 / 18, 5 / 18] as const;
/** A piece is divided until its rate changes by no more than this, as a logarithm: the rule is then good to 1e-6. */
const WIDEST_PIECE_LN = 1;
/** No table a sheet could print wants more. */
const MOST_PARTS = 64;

/** A part of an hour, `from`…`to` of it (0–1), in which one law of the table holds. */
export interface LinePiece {
  from: number;
  to: number;
  /** Share of the event done in it; 0 where the clock stands. */
  share: number;
}

/** Temperature at a share of the way from one reading to the next. */
export const onLine = (fromC: number, toC: number, x: number) => fromC + x * (toC - fromC);

/** Share of the event done between `from` and `to` of an hour, no change of law between them. */
function shareBetween(ready: ReadyCurve, fromC: number, toC: number, from: number, to: number): number {
  const half = (to - from) / 2;
  let sum = 0;
  for (let k = 0; k < 3; k++) {
    const x = from + half * (1 + (NODES[k] as number));
    sum += (WEIGHTS[k] as number) / ready.minutesAt(onLine(fromC, toC, x));
  }
  return sum * 60 * (to - from);
}

/** Into how many parts a piece under one law is divided, by how far its rate changes. */
function partsOf(ready: ReadyCurve, fromC: number, toC: number, begin: number, end: number): number {
  // Just inside its ends, where no other law holds.
  const inside = 1e-6 * (end - begin);
  const first = ready.minutesAt(onLine(fromC, toC, begin + inside));
  const last = ready.minutesAt(onLine(fromC, toC, end - inside));
  if (!Number.isFinite(first) || !Number.isFinite(last)) return 1;
  return Math.min(MOST_PARTS, Math.max(1, Math.ceil(Math.abs(Math.log(last / first)) / WIDEST_PIECE_LN)));
}

/** The pieces of an hour whose temperature runs from `fromC` to `toC`, between `from` and `to` of it. */
export function linePieces(ready: ReadyCurve, fromC: number, toC: number, from = 0, to = 1): LinePiece[] {
  if (fromC === toC) return [{ from, to, share: (60 * (to - from)) / ready.minutesAt(fromC) }];
  const cuts = [from];
  for (const kinkC of ready.kinksC) {
    const x = (kinkC - fromC) / (toC - fromC);
    if (x > from && x < to) cuts.push(x);
  }
  cuts.sort((a, b) => a - b);
  cuts.push(to);
  const pieces: LinePiece[] = [];
  for (let i = 1; i < cuts.length; i++) {
    const [begin, end] = [cuts[i - 1] as number, cuts[i] as number];
    const parts = partsOf(ready, fromC, toC, begin, end);
    for (let p = 0; p < parts; p++) {
      const [a, b] = [begin + ((end - begin) * p) / parts, begin + ((end - begin) * (p + 1)) / parts];
      pieces.push({ from: a, to: b, share: shareBetween(ready, fromC, toC, a, b) });
    }
  }
  return pieces;
}

/** Share of the event done in an hour, or in the part `from`…`to` of it. */
export function lineShare(ready: ReadyCurve, fromC: number, toC: number, from = 0, to = 1): number {
  if (fromC === toC) return (60 * (to - from)) / ready.minutesAt(fromC);
  let sum = 0;
  for (const piece of linePieces(ready, fromC, toC, from, to)) sum += piece.share;
  return sum;
}

/** Rounding error: an event this near its end counts as reached. */
export const ROUNDING = 1e-9;

/** Where in the hour, `from`…1, the share `need` is done; null where it is not done by the hour's end. */
export function lineArrival(
  ready: ReadyCurve,
  fromC: number,
  toC: number,
  from: number,
  need: number,
): number | null {
  let left = need;
  if (left <= ROUNDING) return from;
  for (const piece of linePieces(ready, fromC, toC, from)) {
    if (left <= piece.share) return within(ready, fromC, toC, piece, left);
    left -= piece.share;
    if (left <= ROUNDING) return piece.to;
  }
  return null;
}

/** By Newton's method, held between the piece's ends: the rate is the slope, and never 0 within a piece that runs. */
function within(ready: ReadyCurve, fromC: number, toC: number, piece: LinePiece, need: number): number {
  let [low, high] = [piece.from, piece.to];
  let x = low + (high - low) * (need / piece.share);
  for (let round = 0; round < 40; round++) {
    const over = shareBetween(ready, fromC, toC, piece.from, x) - need;
    if (Math.abs(over) < 1e-13) break;
    if (over > 0) high = x;
    else low = x;
    const step = x - over * (ready.minutesAt(onLine(fromC, toC, x)) / 60);
    x = step > low && step < high ? step : (low + high) / 2;
  }
  return x;
}

/** The film's temperature at a moment within the series. */
export function tempAt(temps: TempSeries, ms: number): number {
  const hours = (ms - temps.startMs) / HOUR_MS;
  const i = Math.min(temps.valuesC.length - 1, Math.max(0, Math.floor(hours)));
  const here = temps.valuesC[i] as number;
  const next = temps.valuesC[i + 1] ?? here;
  return onLine(here, next, Math.min(1, Math.max(0, hours - i)));
}

import { positive, QuantityError, within } from '../units/index.ts';

/** Grams of the units that scales print [S: international yard and pound agreement, 1959]. */
const GRAMS: Record<string, number> = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 };
/** Beyond this no pot is weighed, g. */
const HEAVIEST_G = 1e6;

const LINE = /(?:^|[\s,:])([+-]?)\s*(\d+(?:[.,]\d+)?)\s*(kg|g|oz|lb)\s*$/i;
/** A figure before the weight with only a separator between: thousands, or something that could be taken for them. */
const GROUPED = /\d[.,\s]$/;
/** "1,450": a comma for decimals or for thousands. "0,450" can only be decimals. */
const AMBIGUOUS = /^[1-9]\d{0,2},\d{3}$/;

/**
 * The weight in a line of text from a scale’s serial port: the figure before the unit at the end of the line. Text before it is skipped
 * (common practice, no source). A figure that could be read in two ways is none: "1,450 g" may be one gram or a kilogram and a half.
 *
 * `gramsInLine('ST,GS,+  0.4500 kg')` → 450.
 *
 * @returns g; null: the line holds no weight (a scale that is settling or overloaded sends other text)
 */
export function gramsInLine(line: string): number | null {
  const text = line.trim();
  const found = LINE.exec(text);
  const [, sign, digits, unit] = found ?? [];
  if (!found || digits === undefined || unit === undefined) return null;
  if (AMBIGUOUS.test(digits) || GROUPED.test(text.slice(0, found.index + 1))) return null;
  const value = Number(digits.replace(',', '.')) * (GRAMS[unit.toLowerCase()] as number);
  return value > HEAVIEST_G ? null : sign === '-' ? -value : value;
}

/** How far a pot on a scale is. */
export interface WeighIn {
  /** In the pot of each part, g: those poured before, and what the scale shows of the one in hand; 0: still to come. */
  amounts: number[];
  /** The part in hand; null: all are in. */
  part: number | null;
  /** Grams that the part in hand needs: the first as planned, the others by what is in the pot. */
  wanted: number;
  /** Grams still to pour of the part in hand; negative: too much. */
  left: number;
}

/**
 * A pot that stays on its scale while one part after the other is poured: what the scale shows is shared out among them. The parts
 * after the first follow what is really in the pot, so that the ratio comes out right.
 *
 * 2 : 1 with 100 g wanted of the first, of which 110 g were poured, and 130 g on the scale: 55 g wanted of the second, 20 g in, 35 g left.
 *
 * @param ratios of the parts by weight
 * @param firstG planned of the first part, g
 * @param poured g of the parts that are in already, in their order
 * @param onScaleG what the scale shows without the pot, g; less than is in the pot already counts as nothing more
 * @throws {QuantityError} on a ratio or weight that can’t be
 */
export function weighIn(input: {
  ratios: readonly number[];
  firstG: number;
  poured: readonly number[];
  onScaleG: number;
}): WeighIn {
  const ratios = input.ratios.map((ratio) => positive('ratio by weight', ratio, 1e4));
  const firstG = positive('weight of the first part (g)', input.firstG, HEAVIEST_G);
  const poured = input.poured.map((each) => within('poured (g)', each, 0, HEAVIEST_G));
  const onScaleG = within('weight on the scale (g)', input.onScaleG, -HEAVIEST_G, HEAVIEST_G);
  if (ratios.length === 0) throw new QuantityError('parts', 0, 'at least one');
  if (poured.length > ratios.length)
    throw new QuantityError('parts poured', poured.length, `at most ${ratios.length}`);
  const inPot = poured.reduce((sum, each) => sum + each, 0);
  if (poured.length === ratios.length) return { amounts: poured, part: null, wanted: 0, left: 0 };
  const part = poured.length;
  const most = Math.max(...poured.map((each, i) => each / (ratios[i] as number)));
  const wanted = part === 0 ? firstG : (ratios[part] as number) * most;
  const now = Math.max(0, onScaleG - inPot);
  const amounts = ratios.map((_, i) => (i < part ? (poured[i] as number) : i === part ? now : 0));
  return { amounts, part, wanted, left: wanted - now };
}

/** Readings this near each other, g, for this long, ms: the scale has settled (common practice, no source). */
const SETTLED_WITHIN_G = 0.3;
const SETTLED_FOR_MS = 800;

/** A reading of a scale at a moment. */
export interface ScaleReading {
  atMs: number;
  grams: number;
}

/** Whether a scale has settled: all its readings of the last while lie close together, and they reach back that far. */
export function isSettled(readings: readonly ScaleReading[], nowMs: number): boolean {
  within('now', nowMs, 0, 8.64e15);
  const since = nowMs - SETTLED_FOR_MS;
  const last = readings.at(-1);
  if (!last || !readings.some(({ atMs }) => atMs <= since)) return false;
  const before = readings.findLastIndex(({ atMs }) => atMs <= since);
  return readings.slice(before).every(({ grams }) => Math.abs(grams - last.grams) <= SETTLED_WITHIN_G);
}

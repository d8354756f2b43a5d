import { KIND_SPREAD as BETWEEN, meanOf, COAT_SCATTER as WITHIN, withoutOutliers } from '../film/index.ts';
import { positive, QuantityError } from '../units/index.ts';

/** A coat as it came out: the litres it took against those worked out by its sheet. */
export interface CoatUse {
  id: string;
  /** The key of the rate: product, method and surface. */
  key: string;
  /** Who applied it; null or left out: not told. */
  person?: string | null;
  /** Litres used, and litres by the sheet for the same area and film. */
  litres: number;
  bySheet: number;
}

/** How much paint coats of one kind really take here. */
export interface LearnedSpread {
  key: string;
  /** Times the litres by the sheet: 1.08 is 8 % more. */
  factor: number;
  /** Its standard error. */
  sd: number;
  /** How far one coat lies from the next, a standard deviation of the logarithm. */
  scatter: number;
  /** Weight of the logged coats, 0–1; the rest is the data sheet’s. */
  weight: number;
  /** What the coats say by themselves. */
  mean: number;
  coats: number;
  /** Coats too far from the others to be learned from. */
  outliers: string[];
  /** The rate of each person, by name. */
  persons: LearnedHand[];
}

/** What one person's coats of a kind take, drawn to what the kind takes while theirs are few. */
export interface LearnedHand {
  person: string;
  factor: number;
  sd: number;
  /** Weight of the person’s own coats, 0–1; the rest is that of everybody’s coats. */
  weight: number;
  coats: number;
}

/** The same between the hands that apply one kind [M]. */
const HANDS = 0.06;
/** Coats in all from which on these two are told from the coats themselves. */
const ENOUGH = 8;
/** A robust standard deviation is never taken for less: of few coats it is too small as often as not [M]. */
const LEAST_SD = 1.25 * WITHIN;

/**
 * How much paint coats of each kind really take, shrunk towards the sheet while coats are few (empirical Bayes, normal
 * errors of the logarithm): factor = exp(w × mean), w = τ² / (τ² + σ²/n), where σ² is the variance between coats of a kind
 * and τ² between kinds and their sheets, both told from the coats by analysis of variance once there are eight in three
 * kinds [S: Casella, An introduction to empirical Bayes data analysis, The American Statistician 39 (1985)], beside 0.10² and 0.08²,
 * which count as two coats and five kinds; until then by these two alone [M].
 *
 * Two coats that took 20 % more than the sheet: w = 0.56, factor 1.11.
 *
 * The coats of one person are drawn in the same way to their kind's factor, not to the sheet, with 0.06² between hands [M].
 *
 * @throws {QuantityError} on litres that cannot be
 */
export function learnSpread(coats: readonly CoatUse[]): LearnedSpread[] {
  const kinds = new Map<string, LoggedUse[]>();
  for (const { id, key, person = null, litres, bySheet } of coats) {
    const log = Math.log(litres / bySheet);
    // Asked of by name only where something is wrong: a season has tens of thousands of coats.
    if (!(litres > 0 && litres <= 1e6)) positive(`litres of coat ${id}`, litres, 1e6);
    if (!(bySheet > 0 && bySheet <= 1e6)) positive(`litres from the data sheet for coat ${id}`, bySheet, 1e6);
    if (!Number.isFinite(log)) throw new QuantityError(`litres used for coat ${id}`, litres, 'a number');
    const kind = kinds.get(key);
    if (kind) kind.push({ id, person, log });
    else kinds.set(key, [{ id, person, log }]);
  }
  const kept = new Map([...kinds].map(([key, all]) => [key, withoutOutliers(all, LEAST_SD)]));
  const { within, between } = variances([...kept.values()].map(({ used }) => used));
  return [...kept].map(([key, { used, outliers }]) => {
    const n = used.length;
    const mean = meanOf(used);
    const weight = between / (between + within / n);
    const persons = hands(used, weight * mean, within);
    return {
      key,
      factor: Math.exp(weight * mean),
      // Not that of the drawn mean, weight × σ²/n: how far kinds lie from their sheets is itself told from few of them.
      sd: Math.exp(weight * mean) * Math.sqrt(Math.min(within / n, between)),
      scatter: Math.sqrt(within),
      weight,
      mean: Math.exp(mean),
      coats: n,
      outliers: outliers.map(({ id }) => id),
      persons,
    };
  });
}

interface LoggedUse {
  id: string;
  person: string | null;
  log: number;
}

/** Each person's coats of a kind against what the kind takes. */
function hands(used: readonly LoggedUse[], kind: number, within: number): LearnedHand[] {
  const names = [...new Set(used.flatMap(({ person }) => person ?? []))].sort((a, b) => a.localeCompare(b));
  return names.map((person) => {
    const own = used.filter((each) => each.person === person);
    const spread = within / own.length;
    const weight = HANDS ** 2 / (HANDS ** 2 + spread);
    const factor = Math.exp(kind + weight * (meanOf(own) - kind));
    return { person, factor, sd: factor * Math.sqrt(weight * spread), weight, coats: own.length };
  });
}

/** The usual variances count as so many coats, and kinds, beside those that there are: few kinds say little of how kinds differ [M]. */
const USUAL_COATS = 2;
const USUAL_KINDS = 5;

/** Variance between coats of a kind, and of the kinds about their sheets, from one-way analysis of variance. */
function variances(kinds: readonly (readonly { log: number }[])[]): { within: number; between: number } {
  const all = kinds.reduce((sum, kind) => sum + kind.length, 0);
  const free = all - kinds.length;
  if (all < ENOUGH || kinds.length < 3 || free < 2) return { within: WITHIN ** 2, between: BETWEEN ** 2 };
  const squares = kinds.reduce((sum, kind) => {
    const mean = meanOf(kind);
    return sum + kind.reduce((own, { log }) => own + (log - mean) ** 2, 0);
  }, 0);
  const within = (squares + USUAL_COATS * WITHIN ** 2) / (free + USUAL_COATS);
  // About the sheets, that is about nothing, since a sheet is what is shrunk towards.
  const about = kinds.reduce((sum, kind) => sum + meanOf(kind) ** 2 - within / kind.length, 0);
  const between = (Math.max(0, about) + USUAL_KINDS * BETWEEN ** 2) / (kinds.length + USUAL_KINDS);
  return { within, between };
}

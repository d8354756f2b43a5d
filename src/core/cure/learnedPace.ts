import { QuantityError, within } from '../units/index.ts';
import { BOUNDS, type HandCorrection, SHORT_OF } from './handTest.ts';

/** Films of one product and method that have to agree before a pace is offered [handbook part 10; the number M]. */
export const FILMS_TO_AGREE = 3;

/** How fast films of one product by one method cure here, by what the hand found on them. */
export interface LearnedPace {
  /** Films that said something. */
  films: number;
  /** One pace can be true of them all. */
  agree: boolean;
  /** Times as fast as the sheet; null: too few films, or they do not agree, or they agree with the sheet. */
  factor: number | null;
  /** The range that every test allows. */
  low: number;
  high: number;
}

/**
 * The pace that films of one product and method agree upon: each film's hand tests allow a span of paces, and where three
 * films or more have one in common that is not the sheet's, the one nearest to the sheet is offered.
 *
 * Three films that allow 0.25–0.8, 0.5–0.9 and 0.6–4 have 0.6–0.8 in common: 0.72 is offered, a tenth short of the fastest.
 *
 * @param films bounds of each film, as {@link HandCorrection} gives them; those that contradict themselves, say nothing or do not cure are left out
 * @throws {QuantityError} on bounds out of their order or of what a film can be
 */
export function learnPace(
  films: readonly (Pick<HandCorrection, 'low' | 'high' | 'contradicts' | 'silent'> &
    Partial<Pick<HandCorrection, 'stuck'>>)[],
): LearnedPace {
  const usable = films.filter(
    ({ contradicts, silent, stuck }) => !contradicts && !silent && !stuck?.notCuring,
  );
  let [low, high]: [number, number] = [BOUNDS.low, BOUNDS.high];
  for (const film of usable) {
    const least = within('lower bound of the pace', film.low, 0.01, 100);
    const most = within('upper bound of the pace', film.high, 0.01, 100);
    if (most < least)
      throw new QuantityError('upper bound of the pace', most, `the lower one ${least} or more`);
    low = Math.max(low, least);
    high = Math.min(high, most);
  }
  const agree = low <= high;
  const known = agree && usable.length >= FILMS_TO_AGREE && (low > 1 || high < 1);
  return {
    films: usable.length,
    agree,
    factor: known ? (low > 1 ? low : Math.max(low, high * SHORT_OF)) : null,
    low,
    high,
  };
}

/**
 * A film's clock by a learned pace: what may be done comes at the slower of sheet and pace, what must be done at the
 * faster. Other films said it, not this one, so a window grows narrower by it and never wider; a hand test on this very film
 * moves both ends [on the safe side].
 *
 * `byLearnedPace(0.8)` → { factor: 0.8, mustFactor: 1 }.
 *
 * @throws {QuantityError} on a pace that no film has
 */
export function byLearnedPace(pace: number): { factor: number; mustFactor: number } {
  within('learned pace', pace, BOUNDS.low, BOUNDS.high);
  return { factor: Math.min(1, pace), mustFactor: Math.max(1, pace) };
}

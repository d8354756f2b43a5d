import { formatQuantity, shownUnit, type UnitSystem } from './display.ts';
import { fromCanonical, type Quantity } from './units.ts';

/** A figure within a sentence, canonical, written in the units of whoever reads it. */
export interface SentenceFigure {
  value: number;
  quantity: Quantity;
}

/** A sentence; figures with units stand in it as figures until somebody reads it. */
export type Sentence = string | readonly (string | SentenceFigure)[];

/**
 * A sentence with figures in it.
 *
 * ``sentence`at most ${{ value: 101.6, quantity: 'film' }} a coat` `` in US units → `at most 4 mil a coat`.
 */
export function sentence(
  words: TemplateStringsArray,
  ...figures: readonly (string | number | SentenceFigure)[]
): Sentence {
  return words.flatMap((word, i) => {
    const figure = figures[i];
    if (figure === undefined) return [word];
    return [word, typeof figure === 'object' ? figure : String(figure)];
  });
}

/** Micrometres of film in a sentence. */
export const film = (value: number): SentenceFigure => ({ value, quantity: 'film' });
/** Degrees Celsius in a sentence. */
export const degrees = (value: number): SentenceFigure => ({ value, quantity: 'temperature' });

/** The sentence as it is read under `system`: `writeSentence(['below ', { value: 10, quantity: 'temperature' }], 'us')` → `below 50 °F`. */
export const writeSentence = (text: Sentence, system: UnitSystem): string =>
  typeof text === 'string'
    ? text
    : text.map((part) => (typeof part === 'string' ? part : writeFigure(part, system))).join('');

function writeFigure({ value, quantity }: SentenceFigure, system: UnitSystem): string {
  const shown = fromCanonical(value, shownUnit(quantity, system));
  // A whole degree is written as one: "below 5 °C".
  const whole = Math.abs(shown - Math.round(shown)) < 0.05;
  return formatQuantity(value, quantity, system, { allowSmall: false, ...(whole ? { digits: 0 } : {}) });
}

import { formatQuantity, shownUnit, type UnitSystem } from './display.ts';
import { fromCanonical, type Quantity } from './units.ts';

/** A figure within a sentence, canonical, told in the units of whoever reads it. */
export interface SaidFigure {
  value: number;
  quantity: Quantity;
}

/** A sentence; figures with units stand in it as figures until somebody reads it. */
export type Said = string | readonly (string | SaidFigure)[];

/**
 * A sentence with figures in it.
 *
 * ``said`at most ${{ value: 101.6, quantity: 'film' }} a coat` `` told in US units → `at most 4 mil a coat`.
 */
export function said(
  words: TemplateStringsArray,
  ...figures: readonly (string | number | SaidFigure)[]
): Said {
  return words.flatMap((word, i) => {
    const figure = figures[i];
    if (figure === undefined) return [word];
    return [word, typeof figure === 'object' ? figure : String(figure)];
  });
}

/** Micrometres of film in a sentence. */
export const film = (value: number): SaidFigure => ({ value, quantity: 'film' });
/** Degrees Celsius in a sentence. */
export const degrees = (value: number): SaidFigure => ({ value, quantity: 'temperature' });

/** The sentence as it is read under `system`: `tell(['below ', { value: 10, quantity: 'temperature' }], 'us')` → `below 50 °F`. */
export const tell = (sentence: Said, system: UnitSystem): string =>
  typeof sentence === 'string'
    ? sentence
    : sentence.map((part) => (typeof part === 'string' ? part : tellFigure(part, system))).join('');

function tellFigure({ value, quantity }: SaidFigure, system: UnitSystem): string {
  const shown = fromCanonical(value, shownUnit(quantity, system));
  // A whole degree is said as one: "below 5 °C".
  const whole = Math.abs(shown - Math.round(shown)) < 0.05;
  return formatQuantity(value, quantity, system, { allowSmall: false, ...(whole ? { digits: 0 } : {}) });
}

import { finite } from './quantityError.ts';
import { fromCanonical, type Quantity, toCanonical, type Unit, unitDef, unitSpelled } from './units.ts';

/** How one user wants figures shown. Storage is always canonical. */
export type UnitSystem = 'metric' | 'us';

const SHOWN: Record<UnitSystem, Record<Quantity, Unit>> = {
  metric: {
    length: 'm',
    area: 'm2',
    volume: 'l',
    mass: 'kg',
    film: 'um',
    temperature: 'degC',
    temperatureDifference: 'K',
    spreadingRate: 'm2PerL',
    speed: 'mPerS',
    rain: 'mmRain',
    density: 'kgPerL',
  },
  us: {
    length: 'ft',
    area: 'ft2',
    volume: 'usgal',
    mass: 'lb',
    film: 'mil',
    temperature: 'degF',
    temperatureDifference: 'dF',
    spreadingRate: 'ft2PerUsgal',
    speed: 'kn',
    rain: 'inRain',
    density: 'lbPerUsgal',
  },
};

/** Small amounts read better in a small unit: the first whose limit (canonical) they are below is used. */
const SMALL: Partial<Record<Quantity, Record<UnitSystem, readonly { below: number; unit: Unit }[]>>> = {
  volume: {
    metric: [{ below: 1, unit: 'ml' }],
    us: [
      { below: toCanonical(1, 'usqt'), unit: 'usfloz' },
      { below: toCanonical(1, 'usgal'), unit: 'usqt' },
    ],
  },
  mass: { metric: [{ below: 1, unit: 'g' }], us: [{ below: toCanonical(1, 'lb'), unit: 'oz' }] },
};

/** The unit in which `quantity` is shown and typed under `system`. */
export function shownUnit(quantity: Quantity, system: UnitSystem): Unit {
  return SHOWN[system][quantity];
}

/** A number with about three significant figures and no false precision: 1520 → "1520", 0.0417 → "0.042". */
export function figure(value: number): string {
  const size = Math.abs(finite('figure', value));
  const digits = size >= 100 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : 3;
  const text = value.toFixed(digits);
  const plain = digits > 0 ? text.replace(/\.?0+$/, '') : text;
  return plain === '-0' ? '0' : plain;
}

/** A number for a form field, with every digit that a person could have typed. 1.075 stays "1.075". */
export function fieldText(value: number): string {
  return String(Number(finite('figure', value).toPrecision(7)));
}

/**
 * A canonical value as a person reads it, with its unit.
 *
 * `formatQuantity(0.25, 'volume', 'metric')` → `"250 ml"`;
 * `formatQuantity(100, 'film', 'us')` → `"3.94 mil"`. Temperatures are given to 0.1 degree.
 */
export function formatQuantity(
  value: number,
  quantity: Quantity,
  system: UnitSystem,
  options: { allowSmall?: boolean; digits?: number } = {},
): string {
  const isSmall = ({ below }: { below: number }) => value !== 0 && Math.abs(value) < below * (1 - 1e-9);
  const small = options.allowSmall === false ? undefined : SMALL[quantity]?.[system].find(isSmall);
  const unit = small?.unit ?? SHOWN[system][quantity];
  const shown = fromCanonical(value, unit);
  const isTemperature = quantity === 'temperature' || quantity === 'temperatureDifference';
  const digits = options.digits ?? (isTemperature ? 1 : undefined);
  const text = digits === undefined ? figure(shown) : shown.toFixed(digits).replace(/^-(0(?:\.0+)?)$/, '$1');
  return `${text} ${unitDef(unit).symbol}`;
}

/** Digits in groups of three with one and the same separator between them: 1,500,000. */
const GROUPED = /^[-+]?\d{1,3}(?:([.,])\d{3})(?:\1\d{3})+$/;
/** One comma before three digits: a thousand and a half, or one and a half. A point is a decimal point. */
const EITHER = /^[-+]?[1-9]\d{0,2},\d{3}$/;

/** A fraction, by itself or after a whole number: 1/2, 5 1/2. */
const FRACTION = /^([-+]?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/;

/** The value of a fraction; null: it is none. */
function fractionOf(typed: string): number | null {
  const match = FRACTION.exec(typed);
  if (!match) return null;
  const [, sign, whole, over, under] = match;
  const value = Number(whole ?? 0) + Number(over) / Number(under);
  return sign === '-' ? -value : value;
}

/**
 * A number as a person types it, with a decimal point or comma. Where both stand in it the last is the decimal one. A
 * separator that could be either is refused with a question, never guessed: `parseNumber('12,5')` → 12.5; `'1,500'` throws. Fractions
 * are taken: `'5 1/2'` → 5.5.
 *
 * @throws {RangeError} saying what to type instead
 */
export function parseNumber(text: string): number {
  const typed = text.trim().replace('−', '-');
  const fraction = fractionOf(typed);
  if (fraction !== null && Number.isFinite(fraction)) return fraction;
  if (EITHER.test(typed)) {
    throw new RangeError(
      `did you mean ${typed.replace(',', '')} or ${typed.replace(',', '.').replace(/0+$/, '')}? Type it without the comma, or use a decimal point`,
    );
  }
  const [point, comma] = [typed.lastIndexOf('.'), typed.lastIndexOf(',')];
  const decimal = point > comma ? '.' : ',';
  const plain = GROUPED.test(typed)
    ? typed.replace(/[.,]/g, '')
    : point >= 0 && comma >= 0
      ? typed.replaceAll(decimal === '.' ? ',' : '.', '').replace(',', '.')
      : typed.replace(',', '.');
  const value = plain === '' ? Number.NaN : Number(plain);
  if (!Number.isFinite(value))
    throw new RangeError(typed === '' ? 'is required' : `“${typed}” isn’t a number`);
  return value;
}

const NUMBER = String.raw`[-+−]?(?:\d+\s+\d+\s*\/\s*\d+|\d+\s*\/\s*\d+|[\d.,]*\d[\d.,]*(?:e[-+]?\d+)?)`;
const ONE = new RegExp(`^\\s*(${NUMBER})\\s*(.*?)\\s*$`, 'i');
/** A figure with a unit without digits, up to the next figure or the end. */
const PART = new RegExp(`\\s*(${NUMBER})\\s*([^\\d\\s][^\\d]*?)\\s*(?=\\d|$)`, 'iy');

/** Figures of falling units in a row, in the canonical unit: 5 ft 6 in; null: it is no such thing. */
function inParts(text: string, quantity: Quantity): number | null {
  const typed = text.trim();
  const [sign, plain] = /^[-−]/.test(typed) ? [-1, typed.slice(1)] : [1, typed];
  let [sum, before] = [0, Number.POSITIVE_INFINITY];
  for (PART.lastIndex = 0; PART.lastIndex < plain.length; ) {
    const match = PART.exec(plain);
    const unit = match?.[2] && unitSpelled(quantity, match[2]);
    if (!match?.[1] || !unit || /^[-+−]/.test(match[1])) return null;
    const size = toCanonical(1, unit);
    if (size >= before) return null;
    before = size;
    sum += toCanonical(parseNumber(match[1]), unit);
  }
  return sign * sum;
}

/**
 * Reads what a person typed: a number (decimal point or comma, or a fraction), optionally followed by a unit of the
 * same quantity; without one the shown unit is meant. Several figures of falling units are added up. Returns the canonical value.
 *
 * `parseQuantity('12,5', 'length', 'metric')` → 12.5; `parseQuantity('10 mil', 'film', 'metric')` → 254;
 * `parseQuantity('5 ft 6 in', 'length', 'metric')` → 1.6764; `parseQuantity('1/2 gal', 'volume', 'metric')` → 1.89.
 *
 * @throws {RangeError} naming what could not be read.
 */
export function parseQuantity(text: string, quantity: Quantity, system: UnitSystem): number {
  const match = ONE.exec(text);
  if (!match?.[1])
    throw new RangeError(text.trim() === '' ? 'is required' : `“${text.trim()}” isn’t a number`);
  const unit = match[2] ? unitSpelled(quantity, match[2]) : SHOWN[system][quantity];
  if (unit) return toCanonical(parseNumber(match[1]), unit);
  // Degrees are counted from a zero of their own: there is nothing to add up.
  const parts = quantity === 'temperature' ? null : inParts(text, quantity);
  if (parts !== null) return parts;
  throw new RangeError(`“${match[2]}” isn’t a unit of ${quantity}`);
}

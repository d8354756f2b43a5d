/**
 * A figure that cannot be used: names the quantity, the value given and the limit it breaks,
 * so that the message can be shown as it is and the field found again.
 */
export class QuantityError extends RangeError {
  readonly quantity: string;
  readonly value: unknown;
  readonly limit: string;

  constructor(quantity: string, value: unknown, limit: string) {
    super(
      `${quantity.charAt(0).toUpperCase()}${quantity.slice(1)} must be ${limit}, but is ${String(value)}`,
    );
    this.name = 'QuantityError';
    this.quantity = quantity;
    this.value = value;
    this.limit = limit;
  }
}

/** A figure that nobody has stated yet, and without which nothing can be worked out: to be asked for. */
export class NotStatedError extends QuantityError {
  constructor(quantity: string, limit: string) {
    super(quantity, 'not stated', limit);
    this.name = 'NotStatedError';
  }
}

/**
 * Returns `value` when it is a finite number within `min`…`max` (both allowed), else throws.
 *
 * @throws {QuantityError} e.g. `Relative humidity must be between 0 and 1, but is 1.3`
 */
export function within(quantity: string, value: number, min: number, max: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value) || value < min || value > max) {
    throw new QuantityError(
      quantity,
      value,
      max === Number.MAX_VALUE ? `${min} or more` : `between ${min} and ${max}`,
    );
  }
  return value;
}

/** As {@link within}, from above zero: zero itself is refused. */
export function positive(quantity: string, value: number, max = Number.MAX_VALUE): number {
  if (!(value > 0)) throw new QuantityError(quantity, value, 'above 0');
  return within(quantity, value, 0, max);
}

/** As {@link within} for any finite number: `finite('figure', NaN)` throws. */
export function finite(quantity: string, value: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new QuantityError(quantity, value, 'a number');
  return value;
}

/** The furthest moment a date can hold, ms either side of 1970 [S: ECMA-262, time values]. */
const FURTHEST_MS = 8.64e15;

/** As {@link within}, for a moment in ms since the epoch: `moment('start', NaN)` throws `Start must be a valid time, but is NaN`. */
export function moment(quantity: string, ms: number): number {
  if (!(Math.abs(ms) <= FURTHEST_MS)) throw new QuantityError(quantity, ms, 'a valid time');
  return ms;
}

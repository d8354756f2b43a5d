/**
 * The largest figures that a yard may write down: one table for what the border takes, what the core works with and what the
 * database keeps, so that a value allowed in one place is refused in none.
 */

/** A price, a delivery, a least order or a rate an hour, in minor units: ten million of a currency with cents. */
export const MOST_MONEY = 1e9;

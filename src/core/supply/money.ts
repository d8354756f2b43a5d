import { allocate, dinero, halfUp, multiply, toSnapshot, transformScale } from 'dinero.js';
import {
  AUD,
  CAD,
  CHF,
  CZK,
  DKK,
  EUR,
  GBP,
  HUF,
  ISK,
  JPY,
  NOK,
  NZD,
  PLN,
  SEK,
  TRY,
  USD,
  ZAR,
} from 'dinero.js/currencies';
import { finite, QuantityError, within } from '../units/index.ts';

/** Money in whole minor units of a currency: 12.50 → 1250. Every sum is of whole numbers and so adds up to the cent. */

const currencies = { AUD, CAD, CHF, CZK, DKK, EUR, GBP, HUF, ISK, JPY, NOK, NZD, PLN, SEK, TRY, USD, ZAR };
export type CurrencyCode = keyof typeof currencies;
export const CURRENCIES = Object.keys(currencies) as CurrencyCode[];

/** Beyond that no yard's bill goes, and whole numbers would no longer be told apart. */
const MOST_MINOR = 9e15;

const known = (code: CurrencyCode) => {
  if (!CURRENCIES.includes(code))
    throw new QuantityError('currency', code, `one of ${CURRENCIES.join(', ')}`);
  return currencies[code];
};

/** Digits after the point of a currency [S: ISO 4217]: 2 of most, 0 of some. */
export const minorDigits = (code: CurrencyCode): number => known(code).exponent;

const whole = (name: string, minor: number): number => {
  if (!Number.isInteger(minor) || Math.abs(minor) > MOST_MINOR)
    throw new QuantityError(name, minor, 'a whole number of minor units');
  return minor;
};

/** A price as typed in whole minor units, half a unit rounded up: `toMinor(12.505, 'EUR')` → 1251. @throws {QuantityError} */
export function toMinor(price: number, code: CurrencyCode): number {
  const scale = 10 ** minorDigits(code);
  // What a double cannot hold of a decimal is taken off first, or 1.005 would be rounded down.
  return whole('price', Math.round(Number((finite('price', price) * scale).toPrecision(14))));
}

/** Minor units as a decimal of the currency, to be shown: `fromMinor(1250, 'EUR')` → 12.5. @throws {QuantityError} */
export const fromMinor = (minor: number, code: CurrencyCode): number =>
  whole('amount', minor) / 10 ** minorDigits(code);

/** Minor units times a rate, half a unit rounded up: 7.7 % of 1999 → 154. */
export function timesRate(minor: number, rate: number, code: CurrencyCode): number {
  const amount = whole('amount', minor);
  const scaled = { amount: Math.round(within('rate', rate, 0, 1e6) * 1e6), scale: 6 };
  const product = multiply(dinero({ amount, currency: known(code) }), scaled);
  return toSnapshot(transformScale(product, minorDigits(code), halfUp)).amount;
}

/**
 * Minor units shared out by weights so that the shares add up to the whole to the last unit: 100 by 1 : 1 : 1 → 34, 33, 33.
 * Weights that are all nothing share nothing out but to the first.
 *
 * @throws {QuantityError} on a weight below nothing
 */
export function shareOut(minor: number, weights: readonly number[], code: CurrencyCode): number[] {
  const amount = whole('amount', minor);
  if (weights.length === 0) return [];
  const sum = weights.reduce((all, weight) => all + within('weight', weight, 0, 1e9), 0);
  if (!(sum > 0)) return weights.map((_, i) => (i === 0 ? amount : 0));
  // A library of whole numbers wants whole weights: to a millionth of the sum.
  const ratios = weights.map((weight) => Math.round((weight / sum) * 1e6));
  return allocate(dinero({ amount, currency: known(code) }), ratios).map((each) => toSnapshot(each).amount);
}

export interface Bill {
  net: number;
  tax: number;
  /** What the sum is rounded by, to be paid in the smallest step of the yard. */
  rounding: number;
  gross: number;
}

/**
 * What lines come to with tax, rounded to the yard's smallest step: lines of 1000 and 2345 at 19 %: net 3345, tax 636, gross
 * 3981; to 5: 3980, rounding −1.
 *
 * @param taxRate fraction
 * @param step smallest step to be paid, minor units; 1: to the unit
 */
export function billOf(input: {
  lines: readonly number[];
  taxRate: number;
  step: number;
  currency: CurrencyCode;
}): Bill {
  const net = whole(
    'net',
    input.lines.reduce((sum, line) => sum + whole('line', line), 0),
  );
  const step = within('Rounding step', input.step, 1, 1e6);
  if (!Number.isInteger(step))
    throw new QuantityError('Rounding step', step, 'a whole number of minor units');
  const tax =
    timesRate(Math.abs(net), within('tax rate', input.taxRate, 0, 1), input.currency) * Math.sign(net);
  const gross = Math.round((net + tax) / step) * step;
  return { net, tax, rounding: gross - net - tax || 0, gross: gross || 0 };
}

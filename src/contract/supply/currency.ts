import type { CurrencyCode } from '../../core/supply/index.ts';

export type { CurrencyCode };

/** Currencies a yard may reckon in: the type checker sees that none is forgotten. */
export const CURRENCY_CODES: Record<CurrencyCode, true> = {
  AUD: true,
  CAD: true,
  CHF: true,
  CZK: true,
  DKK: true,
  EUR: true,
  GBP: true,
  HUF: true,
  ISK: true,
  JPY: true,
  NOK: true,
  NZD: true,
  PLN: true,
  SEK: true,
  TRY: true,
  USD: true,
  ZAR: true,
};

import { type CurrencyCode, fromMinor, toMinor } from '../../core/supply/index.ts';
import { figure, MOST_MONEY } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { FormReader } from './canonical.ts';

/** Minor units of what was typed; 0 where it cannot be read, which the reader has refused by then. */
export function minorOf(
  read: FormReader,
  path: string,
  label: string,
  text: string,
  currency: CurrencyCode,
): number {
  const value = text.trim() === '' ? 0 : read.number(path, label, text);
  if (!Number.isFinite(value)) return 0;
  // Said in the currency it was typed in; the border knows minor units only.
  const most = fromMinor(MOST_MONEY, currency);
  if (value >= 0 && value <= most) return toMinor(value, currency);
  read.refuse(path, t`${label} must be between 0 and ${figure(most)} ${currency}, but is ${text.trim()}`);
  return 0;
}

import type { StoppedCoat } from '../../contract/index.ts';
import { type CurrencyCode, fromMinor, type MovementKind, minorDigits } from '../../core/supply/index.ts';
import type { Units } from '../units/UnitsContext.tsx';

/** Amounts, money and movements as the screens say them. */

/** An amount of a part: litres or, where no density tells them, kilograms. */
export const sayAmount = (show: Units['show'], amount: number, unit: 'l' | 'kg'): string =>
  show(amount, unit === 'l' ? 'volume' : 'mass');

/** Minor units as money. */
export const sayMoney = (minor: number, currency: CurrencyCode): string =>
  new Intl.NumberFormat(undefined, {
    style: 'currency',
    currency,
    minimumFractionDigits: minorDigits(currency),
    maximumFractionDigits: minorDigits(currency),
  }).format(fromMinor(minor, currency));

export const sayPart = (part: string, colour: string | null): string =>
  colour === null ? part : `${part}, ${colour}`;

const COUNTED = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];
/** The coat that a shortage stops: `Thursday's third coat, Bottom port (Test hull)`. */
export function sayStopped({ areaName, boatName, coat, at }: StoppedCoat, zone: string, now: number): string {
  const which = COUNTED[coat - 1] ? `${COUNTED[coat - 1]} coat` : `coat ${coat}`;
  const near = at !== null && Date.parse(at) - now < 6 * 24 * 3_600_000;
  const day =
    at === null
      ? ''
      : new Intl.DateTimeFormat('en-GB', near ? { weekday: 'long', timeZone: zone } : { day: 'numeric', month: 'long', timeZone: zone }).format(new Date(at)); // biome-ignore format: one line
  return `${which} on ${areaName} (${boatName})${day === '' ? '' : near ? `, ${day}` : `, about ${day}`}`;
}

export const MOVEMENT_WORDS: Record<MovementKind | 'void', string> = {
  received: 'received',
  opened: 'opened',
  used: 'used',
  counted: 'counted',
  'kept-back': 'kept back',
  'kept-used': 'used from kept back',
  released: 'released from kept back',
  lent: 'lent',
  returned: 'returned',
  spilt: 'spilt',
  discarded: 'discarded',
  void: 'voided',
};

import type { StoppedCoat } from '../../contract/index.ts';
import { type CurrencyCode, fromMinor, type MovementKind, minorDigits } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { daysBetween, dayText, monthText, wallOf } from '../clock/wallClock.ts';
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
/** The coat that a shortage stops: `third coat on Bottom port (Test hull), tomorrow`. A coat that was due before today is stopped today. */
export function sayStopped({ areaName, boatName, coat, at }: StoppedCoat, zone: string, now: number): string {
  const which = COUNTED[coat - 1] ? t`${COUNTED[coat - 1]} coat` : t`coat ${coat}`;
  return `${which} on ${areaName} (${boatName})${at === null ? '' : `, ${dayStopped(Date.parse(at), zone, now)}`}`;
}

/** A plan further ahead than this, days, is not yet true to the day. */
const TRUE_TO_THE_DAY = 6;
function dayStopped(at: number, zone: string, now: number): string {
  const days = daysBetween(now, at, zone);
  if (days <= 1) return days === 1 ? 'tomorrow' : 'today';
  const wall = wallOf(at, zone);
  const date = `${wall.day} ${monthText(wall)}`;
  return days < TRUE_TO_THE_DAY ? `${dayText(wall)} ${date}` : t`about ${date}`;
}

export const MOVEMENT_WORDS: Record<MovementKind | 'void', string> = {
  received: t`received`,
  opened: t`opened`,
  used: t`used`,
  counted: t`counted`,
  'kept-back': t`kept back`,
  'kept-used': t`used from kept back`,
  released: t`released from kept back`,
  lent: t`lent`,
  returned: t`returned`,
  spilt: t`spilt`,
  discarded: t`discarded`,
  void: t`voided`,
};

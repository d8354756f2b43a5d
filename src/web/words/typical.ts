import type { ProductSheet, TypicalField } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { sayMinutes } from '../clock/say.ts';
import type { Units } from '../units/UnitsContext.tsx';

/** Values that may stand on a sheet from memory, in words. */
export const TYPICAL_WORDS: Record<TypicalField, string> = {
  ratio: t`mixing ratio`,
  volumeSolids: t`volume solids`,
  film: t`dry film per coat`,
  inductionMin: t`standing time`,
  potLife: t`pot life`,
  stopC: t`no cure below`,
  overcoat: t`overcoat window`,
  events: t`other times`,
};

const times = (points: readonly { tempC: number; minutes: number }[], show: Units['show']) =>
  points
    .map(({ tempC, minutes }) => `${sayMinutes(minutes)} at ${show(tempC, 'temperature', { digits: 0 })}`)
    .join(', ');

/** A value as the sheet has it, in the reader's units: what to look for on the tin. */
export function sayTypical(field: TypicalField, sheet: ProductSheet, show: Units['show']): string {
  switch (field) {
    case 'ratio':
      return `${sheet.parts.map(({ ratio }) => ratio).join(' : ')} by ${sheet.ratioBy}`;
    case 'volumeSolids':
      return `${Math.round(sheet.volumeSolids * 1000) / 10} %`;
    case 'film':
      return t`${show(sheet.film.min, 'film')}–${show(sheet.film.max, 'film')}, typically ${show(sheet.film.typical, 'film')}`;
    case 'inductionMin':
      return sheet.inductionMin === null ? t`not on the data sheet` : sayMinutes(sheet.inductionMin);
    case 'potLife':
      return times(sheet.potLife, show);
    case 'stopC':
      return sheet.cure.stopC === null
        ? t`not on the data sheet`
        : show(sheet.cure.stopC, 'temperature', { digits: 0 });
    case 'overcoat':
      return sheet.cure.overcoat
        .slice(0, 1)
        .map(
          ({ min, chemicalMax }) =>
            t`earliest overcoat ${times(min, show)}${chemicalMax ? t`; latest without sanding ${times(chemicalMax, show)}` : ''}`,
        )
        .join('');
    case 'events':
      return Object.entries(sheet.cure.events)
        .map(([event, points]) => `${event.replace('-', ' ')} ${times(points ?? [], show)}`)
        .join('; ');
  }
}

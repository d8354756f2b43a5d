import type { Family, SheetNote } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import type { useUnits } from '../units/UnitsContext.tsx';
import { FAMILY_WORDS, METHOD_WORDS } from './systems.ts';

type Show = ReturnType<typeof useUnits>['show'];

/** The coat that an overcoat window is for. */
const sayOver = (by: string): string =>
  by === 'any' ? t`any coat` : by === 'self' ? t`itself` : (FAMILY_WORDS[by as Family] ?? by);

/** What to look up again on a data sheet, without a full stop. */
export function saySheetNote(note: SheetNote, show: Show): string {
  const degrees = (tempC: number) => show(tempC, 'temperature', { digits: 0 });
  const film = (microns: number) => show(microns, 'film');
  switch (note.code) {
    case 'overcoat-closes-first':
      return t`At ${degrees(note.tempC)}, the overcoat window for ${sayOver(note.by)} closes before it opens`;
    case 'thumb-closes-first':
      return t`At ${degrees(note.tempC)}, the thumbprint window for ${sayOver(note.by)} closes before it opens`;
    case 'no-grit':
      return t`The overcoat window for ${sayOver(note.by)} closes, but no grit is given for sanding afterwards`;
    case 'pot-life-not-shorter':
      return t`Pot life is ${note.minutes} min at ${degrees(note.tempC)}, which isn’t shorter than at ${degrees(note.colderC)}`;
    case 'standing-uses-pot-life':
      return t`The standing time of ${note.inductionMin} min uses up the whole pot life of ${note.minutes} min`;
    case 'two-pack-without-pot-life':
      return t`Two-pack without a pot life`;
    case 'one-pack-with-pot-life':
      return t`One-pack with a pot life`;
    case 'film-of-a-filler':
      return t`The maximum of ${film(note.dryMicrons)} dry means ${film(note.wetMicrons)} wet, which would be a filler rather than a paint`;
    case 'method-not-allowed':
      return t`There are values for ${METHOD_WORDS[note.method].toLowerCase()}, but that method isn’t allowed`;
    case 'film-of-method':
      return t`${film(note.mostMicrons)} by ${METHOD_WORDS[note.method].toLowerCase()} is more than three times the maximum of ${film(note.sheetMicrons)}`;
    case 'latest-launch-first':
      return t`At ${degrees(note.tempC)}, the latest launch time is before the earliest`;
    case 'profile-upside-down':
      return t`The minimum profile of ${film(note.leastMicrons)} is above the maximum of ${film(note.mostMicrons)}`;
  }
}

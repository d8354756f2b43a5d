import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Stepper } from '../forms/Stepper.tsx';

/** Minutes read off the tin where the sheet is silent; 0: the tin is silent too. */
export interface TinTimes {
  inductionMin: number;
  potLifeMin: number;
}
export const TIN_SILENT: TinTimes = { inductionMin: 0, potLifeMin: 0 };

interface Props {
  sheet: Pick<ProductSheet, 'parts' | 'inductionMin' | 'potLife'>;
  says: TinTimes;
  onChange: (says: TinTimes) => void;
}

/** What a two-pack's sheet leaves out and its pot cannot do without: asked for, never assumed. */
export function TinFields({ sheet, says, onChange }: Props) {
  if (sheet.parts.length < 2) return null;
  const induction = sheet.inductionMin === null;
  const potLife = sheet.potLife.length === 0;
  if (!induction && !potLife) return null;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {induction && (
        <Stepper
          label={t`Standing time (from the tin)`}
          unit="min"
          value={says.inductionMin}
          step={5}
          min={0}
          max={240}
          onChange={(inductionMin) => onChange({ ...says, inductionMin })}
        />
      )}
      {potLife && (
        <Stepper
          label={t`Pot life at the present temperature (from the tin)`}
          unit="min"
          value={says.potLifeMin}
          step={5}
          min={0}
          max={2880}
          onChange={(potLifeMin) => onChange({ ...says, potLifeMin })}
        />
      )}
      <p className="text-sm sm:col-span-2">
        {t`${
          induction && potLife
            ? t`The data sheet gives neither standing time nor pot life.`
            : induction
              ? t`The data sheet gives no standing time.`
              : t`The data sheet gives no pot life.`
        } Check the tin. `}
        {potLife &&
          says.potLifeMin === 0 &&
          t` Until you enter a pot life, no timer warns you before the pot goes off.`}
      </p>
    </div>
  );
}

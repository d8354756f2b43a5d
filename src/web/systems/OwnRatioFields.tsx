import { useFormContext, useWatch } from 'react-hook-form';
import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Field } from '../forms/Field.tsx';
import type { StackValues } from './stackForm.ts';

/** Another ratio than the sheet's on purpose, with the reason that stays on the record. */
export function OwnRatioFields({
  index,
  sheet,
}: {
  index: number;
  sheet: Pick<ProductSheet, 'parts' | 'ratioBy'>;
}) {
  const { control } = useFormContext<StackValues>();
  const own = useWatch({ control, name: `steps.${index}.ownParts` }) ?? [];
  if (sheet.parts.length < 2) return null;
  const bySheet = sheet.parts.map(({ ratio }) => ratio).join(' : ');
  const isEntered = own.some((part) => (part ?? '') !== '');
  return (
    <details className="pt-2">
      <summary className="cursor-pointer text-sm">
        <span className="underline underline-offset-2">{t`Mixing ratio`}</span>
        {isEntered ? t`: ${own.join(' : ')} (custom; data sheet ${bySheet})` : t`: ${bySheet} (data sheet)`}
      </summary>
      <div className="flex flex-wrap items-end gap-2 pt-2">
        {sheet.parts.map((part, i) => (
          <div key={part.name} className="w-28">
            <Field
              name={`steps.${index}.ownParts.${i}`}
              label={t`Parts of ${part.name}`}
              inputMode="decimal"
            />
          </div>
        ))}
        <div className="min-w-56 grow">
          <Field name={`steps.${index}.ownReason`} label={t`Reason for the custom ratio`} />
        </div>
      </div>
      <p className="pt-1 text-sm">{t`By ${sheet.ratioBy}, as on the data sheet. The manufacturer tested the film at the data sheet’s ratio. You mix a custom ratio at your own risk, and the record says so.`}</p>
    </details>
  );
}

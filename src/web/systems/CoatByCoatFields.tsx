import { useFormContext, useWatch } from 'react-hook-form';
import { t } from '../../words.ts';
import { Field } from '../forms/Field.tsx';
import type { StackValues } from './stackForm.ts';

/** Rows are drawn for no more coats than a step may have. */
const MOST_COATS = 30;

const sanded = (grits: readonly string[], joints: number): string[] => {
  const said = grits
    .slice(0, joints)
    .flatMap((grit, i) => (grit ? [t`${grit} grit before coat ${i + 2}`] : []));
  return said.length > 0 ? said : [t`no sanding between coats`];
};

/** What differs from coat to coat of a step: hours between by choice, the grit of each joint, a word on tool or brush. */
export function CoatByCoatFields({ index }: { index: number }) {
  const { control, register } = useFormContext<StackValues>();
  const at = `steps.${index}` as const;
  const [coats, extra, differ, spacing, grits, notes] = useWatch({
    control,
    name: [
      `${at}.coats`,
      `${at}.extraCoats`,
      `${at}.gritsDiffer`,
      `${at}.spacing`,
      `${at}.grits`,
      `${at}.coatNotes`,
    ],
  });
  const count = Math.min(MOST_COATS, Math.max(0, Math.floor((Number(coats) || 0) + (Number(extra) || 0))));
  const differences = [
    spacing && t`${spacing} h between coats (your choice)`,
    ...(differ ? sanded(grits ?? [], count - 1) : []),
    ...(notes ?? []).flatMap((note, i) => (note ? [t`coat ${i + 1}: ${note}`] : [])),
  ].filter(Boolean);
  return (
    <details className="pt-2">
      <summary className="cursor-pointer text-sm">
        <span className="underline underline-offset-2">{t`Individual coats`}</span>
        {`: ${differences.join('; ') || t`all the same`}`}
      </summary>
      <div className="space-y-3 pt-2">
        <div className="flex flex-wrap items-end gap-3">
          <div className="w-52">
            <Field
              name={`${at}.spacing`}
              label={t`Minimum time between coats`}
              unit="h"
              inputMode="decimal"
              hint={t`Leave empty to follow the data sheet.`}
            />
          </div>
          <label className="target inline-flex items-center gap-2">
            <input type="checkbox" className="checkbox" {...register(`${at}.gritsDiffer`)} />
            {t`Set the grit for each coat`}
          </label>
        </div>
        <ol className="space-y-2">
          {Array.from({ length: count }, (_, coat) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a coat is its number
            <li key={coat} className="flex flex-wrap items-end gap-3">
              <strong className="w-16 pb-2">{t`Coat ${coat + 1}`}</strong>
              {differ && coat > 0 && (
                <div className="w-40">
                  <Field
                    name={`${at}.grits.${coat - 1}`}
                    label={t`Grit before coat ${coat + 1}`}
                    inputMode="numeric"
                    hint={t`Leave empty for no sanding.`}
                  />
                </div>
              )}
              <div className="min-w-48 grow">
                <Field name={`${at}.coatNotes.${coat}`} label={t`Note for coat ${coat + 1} (tool, brush)`} />
              </div>
            </li>
          ))}
        </ol>
      </div>
    </details>
  );
}

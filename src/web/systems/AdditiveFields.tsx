import { useFormContext, useWatch } from 'react-hook-form';
import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { NumberField } from '../forms/NumberField.tsx';
import type { StackValues } from './stackForm.ts';

/** The additives in every pot of a step, up to the data sheet’s limits. */
export function AdditiveFields({ index, sheet }: { index: number; sheet: Pick<ProductSheet, 'additives'> }) {
  const { control, setValue } = useFormContext<StackValues>();
  const planned = useWatch({ control, name: `steps.${index}.additives` }) ?? [];
  // One that a later version of the sheet dropped is shown, and refused by the rules.
  const dropped = planned.filter(({ name }) => !sheet.additives.some((each) => each.name === name));
  const names = [...sheet.additives.map(({ name }) => name), ...dropped.map(({ name }) => name)];
  if (names.length === 0) return null;
  const put = (name: string, mlPerLitre: number) =>
    setValue(
      `steps.${index}.additives`,
      [...planned.filter((each) => each.name !== name), ...(mlPerLitre > 0 ? [{ name, mlPerLitre }] : [])],
      { shouldDirty: true },
    );
  return (
    <details className="pt-2">
      <summary className="cursor-pointer text-sm">
        <span className="underline underline-offset-2">{t`Additives`}</span>:{' '}
        {planned.map(({ name, mlPerLitre }) => `${name} ${mlPerLitre} ml/l`).join(', ') || 'none'}
      </summary>
      <div className="grid gap-2 pt-2 sm:grid-cols-2">
        {names.map((name) => {
          const most = sheet.additives.find((each) => each.name === name)?.maxMlPerLitre;
          return (
            <NumberField
              key={name}
              label={name}
              unit={t`ml a litre`}
              value={planned.find((each) => each.name === name)?.mlPerLitre ?? 0}
              onChange={(ml) => put(name, ml)}
              hint={
                most === undefined
                  ? t`No longer on the data sheet.`
                  : most === null
                    ? t`The data sheet gives no amount. Ask the manufacturer.`
                    : t`Maximum on the data sheet: ${most} ml/l`
              }
            />
          );
        })}
      </div>
    </details>
  );
}

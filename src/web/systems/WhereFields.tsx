import { useFormContext, useWatch } from 'react-hook-form';
import { t } from '../../words.ts';
import { Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { choices } from '../words/survey.ts';
import { ORDER_WORDS } from '../words/systems.ts';
import type { StackValues } from './stackForm.ts';

/** Where on the area a step goes, and which way it is worked over it. */
export function WhereFields({ index }: { index: number }) {
  const { control } = useFormContext<StackValues>();
  const [band, order] = useWatch({ control, name: [`steps.${index}.band`, `steps.${index}.order`] });
  return (
    <details className="pt-2">
      <summary className="cursor-pointer text-sm">
        <span className="underline underline-offset-2">{t`Coverage`}</span>
        {`: ${band ? t`${band} only` : t`whole area`}${order ? `, ${ORDER_WORDS[order]}` : ''}`}
      </summary>
      <div className="flex flex-wrap items-end gap-2 pt-2">
        <div className="min-w-40 grow">
          <Field name={`steps.${index}.band`} label={t`Band name (if only part of the area)`} />
        </div>
        <div className="w-32">
          <QuantityField name={`steps.${index}.bandArea`} label={t`Band area`} quantity="area" />
        </div>
        <div className="w-48">
          <SelectField
            name={`steps.${index}.order`}
            label={t`Direction`}
            choices={[['', t`any`], ...choices(ORDER_WORDS)]}
          />
        </div>
      </div>
    </details>
  );
}

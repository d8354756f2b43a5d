import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { t } from '../../words.ts';
import { Field, QuantityField, SelectField } from '../forms/Field.tsx';
import type { SheetValues } from './sheetValues.ts';

const KINDS = [
  ['accelerator', t`Accelerator`],
  ['retarder', t`Retarder`],
  ['roller', t`Roller additive`],
  ['other', t`Other`],
] as const;

/** Sizes it is sold in, how long it keeps, and what else may go in. */
export function PackFields() {
  const { control } = useFormContext<SheetValues>();
  const packs = useFieldArray({ control, name: 'packs' });
  const additives = useFieldArray({ control, name: 'additives' });
  return (
    <section aria-labelledby="packs" className="space-y-3">
      <h2 id="packs" className="batten pb-1 text-lg">{t`Packs and additives`}</h2>
      {packs.fields.map((field, i) => (
        <div key={field.id} className="flex flex-wrap items-end gap-3">
          <div className="w-40">
            <QuantityField name={`packs.${i}.litres`} label={t`Pack size (mixed)`} quantity="volume" />
          </div>
          <div className="w-32">
            <Field name={`packs.${i}.price`} label={t`Price`} inputMode="decimal" />
          </div>
          <button
            type="button"
            className="btn btn-ghost"
            aria-label={t`Remove pack ${i + 1}`}
            onClick={() => packs.remove(i)}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        </div>
      ))}
      {additives.fields.map((field, i) => (
        <div key={field.id} className="flex flex-wrap items-end gap-3">
          <div className="w-56">
            <Field name={`additives.${i}.name`} label={t`Additive`} />
          </div>
          <div className="w-44">
            <SelectField name={`additives.${i}.kind`} label={t`Type`} choices={KINDS} />
          </div>
          <div className="w-36">
            <Field name={`additives.${i}.max`} label={t`Maximum amount`} unit="ml/l" inputMode="decimal" />
          </div>
          <button
            type="button"
            className="btn btn-ghost"
            aria-label={t`Remove additive ${i + 1}`}
            onClick={() => additives.remove(i)}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        </div>
      ))}
      <div className="flex flex-wrap items-end gap-3">
        <button type="button" className="btn btn-sm" onClick={() => packs.append({ litres: '', price: '' })}>
          <Plus size={16} aria-hidden="true" />
          {t` Add pack `}
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => additives.append({ name: '', kind: 'accelerator', max: '' })}
        >
          <Plus size={16} aria-hidden="true" />
          {t` Add additive `}
        </button>
        <div className="w-40">
          <Field name="shelfMonths" label={t`Shelf life, unopened`} unit={t`months`} inputMode="numeric" />
        </div>
        <div className="w-40">
          <Field name="openedMonths" label={t`Shelf life, opened`} unit={t`months`} inputMode="numeric" />
        </div>
      </div>
    </section>
  );
}

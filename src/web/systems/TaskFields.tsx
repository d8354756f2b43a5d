import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { t } from '../../words.ts';
import { Field, SelectField } from '../forms/Field.tsx';
import { choices } from '../words/survey.ts';
import { sayTask, TASK_WORDS } from '../words/systems.ts';
import type { StackValues } from './stackForm.ts';

/** Work before the coats of a step, in order, and the grit between them. */
export function TaskFields({ index }: { index: number }) {
  const { control } = useFormContext<StackValues>();
  const { fields, append, remove } = useFieldArray({ control, name: `steps.${index}.before` });
  const tasks = useWatch({ control, name: `steps.${index}.before` });
  const taskTexts = (tasks ?? []).map(({ kind, amount, note }) =>
    sayTask({ kind, amount: amount === '' ? null : Number(amount), note }),
  );
  return (
    <details className="pt-2">
      <summary className="cursor-pointer text-sm">
        <span className="underline underline-offset-2">{t`Tasks before this step`}</span>
        {taskTexts.length > 0 ? `: ${taskTexts.join(', ')}` : t`: none`}
      </summary>
      <div className="space-y-2 pt-2">
        {fields.map((field, i) => {
          const kind = tasks?.[i]?.kind;
          const at = `steps.${index}.before.${i}`;
          return (
            <div key={field.id} className="flex flex-wrap items-end gap-2">
              <div className="w-32">
                <SelectField name={`${at}.kind`} label={t`Work`} choices={choices(TASK_WORDS)} />
              </div>
              {(kind === 'sand' || kind === 'wait') && (
                <div className="w-24">
                  <Field
                    name={`${at}.amount`}
                    label={kind === 'sand' ? t`Grit` : t`Hours`}
                    inputMode="numeric"
                  />
                </div>
              )}
              <div className="min-w-40 grow">
                <Field name={`${at}.note`} label={t`Note`} />
              </div>
              <button
                type="button"
                className="btn btn-ghost"
                aria-label={t`Remove task ${i + 1}`}
                onClick={() => remove(i)}
              >
                <Trash2 size={16} aria-hidden="true" />
              </button>
            </div>
          );
        })}
        <div className="flex flex-wrap items-end gap-3">
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => append({ taskId: uuidv7(), kind: 'sand', amount: '180', note: '' })}
          >
            <Plus size={16} aria-hidden="true" />
            {t` Add task `}
          </button>
          <div className="w-40">
            <Field name={`steps.${index}.sandBetween`} label={t`Grit between coats`} inputMode="numeric" />
          </div>
        </div>
      </div>
    </details>
  );
}

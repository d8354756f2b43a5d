import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { useFormContext, useWatch } from 'react-hook-form';
import { type JudgedLayer, methodsOf } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Field, QuantityField, SelectField } from '../forms/Field.tsx';
import { useConfirm } from '../parts/Confirm.tsx';
import { counted } from '../words/counted.ts';
import { FAMILY_WORDS, METHOD_WORDS } from '../words/systems.ts';
import { AdditiveFields } from './AdditiveFields.tsx';
import { CoatByCoatFields } from './CoatByCoatFields.tsx';
import { OwnRatioFields } from './OwnRatioFields.tsx';
import { StepVerdict } from './StepVerdict.tsx';
import type { StackContext } from './stackContext.ts';
import type { StackValues, StepValues } from './stackForm.ts';
import { TaskFields } from './TaskFields.tsx';
import { WhereFields } from './WhereFields.tsx';

interface Props {
  index: number;
  last: boolean;
  context: StackContext;
  judged: JudgedLayer | undefined;
  onRemove: () => void;
  onMove: (by: 1 | -1) => void;
}

/** One product step: coats, film, method, thinner and the colours that alternate. */
export function StepLine({ index, last, context, judged, onRemove, onMove }: Props) {
  const confirm = useConfirm();
  const { control, setValue } = useFormContext<StackValues>();
  const step = useWatch({ control, name: `steps.${index}` }) as StepValues | undefined;
  const product = context.products.find((p) => p.id === step?.productId);
  if (!step || !product) return null;
  const { sheet } = product;
  // A later version of a sheet may have dropped a method that is planned: it is shown, and refused.
  const allowed = methodsOf(sheet);
  const methods = allowed.includes(step.method) ? allowed : [step.method, ...allowed];
  const applied = context.applied[step.stepId] ?? 0;
  const toggle = (name: string) => {
    const has = step.colours.includes(name);
    const colours = has ? step.colours.filter((c) => c !== name) : [...step.colours, name];
    if (colours.length > 0) setValue(`steps.${index}.colours`, colours, { shouldDirty: true });
  };
  const remove = async () => {
    const title = t`${counted(applied, 'coat')} of this step ${applied === 1 ? 'is' : 'are'} already on the boat. Remove the step anyway?`;
    const sure =
      applied === 0 ||
      (await confirm({ title, text: t`The applied coats stay on the record.`, action: t`Remove step` }));
    if (sure) onRemove();
  };
  return (
    <fieldset className="border-line border-l-2 pl-3">
      <legend className="lettered flex w-full items-center gap-1 pb-1">
        <span className="grow">
          {index + 1}. {product.name}{' '}
          <span className="text-sm font-normal">{FAMILY_WORDS[sheet.family]}</span>
        </span>
        {applied > 0 && <span className="text-sm font-normal">{t`${applied} applied`}</span>}
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label={t`Move ${product.name} earlier (towards the hull)`}
          disabled={index === 0}
          onClick={() => onMove(-1)}
        >
          <ArrowUp size={16} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label={t`Move ${product.name} later (away from the hull)`}
          disabled={last}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={16} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label={t`Remove ${product.name}`}
          onClick={() => void remove()}
        >
          <Trash2 size={16} aria-hidden="true" />
        </button>
      </legend>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        <Field name={`steps.${index}.coats`} label={t`Coats`} inputMode="numeric" />
        <QuantityField name={`steps.${index}.microns`} label={t`Dry film per coat`} quantity="film" />
        <SelectField
          name={`steps.${index}.method`}
          label={t`Method`}
          choices={methods.map((m) => [m, METHOD_WORDS[m]] as const)}
        />
        <Field name={`steps.${index}.thinner`} label={t`Thinner`} unit="%" inputMode="decimal" />
        {context.area.highWear && (
          <Field name={`steps.${index}.extraCoats`} label={t`Extra coats (high wear)`} inputMode="numeric" />
        )}
      </div>
      <div className="flex flex-wrap items-end gap-2 pt-2">
        <span className="label-caps pb-2">{t`Colours (alternating)`}</span>
        {sheet.colours.map((colour) => {
          const place = step.colours.indexOf(colour.name);
          return (
            <button
              key={colour.name}
              type="button"
              className="btn btn-sm"
              aria-pressed={place >= 0}
              onClick={() => toggle(colour.name)}
            >
              <svg width="14" height="14" aria-hidden="true">
                <rect width="14" height="14" fill={colour.hex} stroke="var(--line)" />
              </svg>
              {colour.name}
              {place >= 0 && <strong>{step.colours.length > 1 ? place + 1 : '✓'}</strong>}
            </button>
          );
        })}
        {sheet.colours.length > 1 && (
          <div className="w-40">
            <SelectField
              name={`steps.${index}.signal`}
              label={t`Signal coat`}
              choices={[['', t`none`], ...sheet.colours.map(({ name }): [string, string] => [name, name])]}
            />
          </div>
        )}
      </div>
      {step.signal !== '' && step.colours[0] === step.signal && (
        <p className="text-warning pt-1 text-sm font-semibold">{t`The signal coat has the colour of the coat over it. It can’t show wear: choose another colour.`}</p>
      )}
      <WhereFields index={index} />
      <TaskFields index={index} />
      <CoatByCoatFields index={index} />
      <OwnRatioFields index={index} sheet={sheet} />
      <AdditiveFields index={index} sheet={sheet} />
      <StepVerdict index={index} judged={judged} />
    </fieldset>
  );
}

import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import type { FieldError, StackView } from '../../contract/index.ts';
import { SUBSTRATES } from '../../core/system/index.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { RecordForm } from '../forms/RecordForm.tsx';
import { StackSection } from '../parts/StackSection.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { StackTotals } from './StackTotals.tsx';
import { StepLine } from './StepLine.tsx';
import type { StackContext } from './stackContext.ts';
import { type StackValues, stackFormPath, stackToValues, stepOf, valuesToStack } from './stackForm.ts';

interface Props {
  context: StackContext;
  stack: StackView;
}

/** The stack of one area: its steps in the order they go on, drawn, counted, and saved as a whole. */
export function StackEditor({ context, stack }: Props) {
  const { system } = useUnits();
  const client = useQueryClient();
  const [base, setBase] = useState(stack);
  const [saved, setSaved] = useState(false);

  const submit = async (
    values: StackValues,
    over: { version?: number },
  ): Promise<FieldError[] | undefined> => {
    setSaved(false);
    const read = new FormReader(system);
    const input = valuesToStack(values, over.version ?? base.version, read);
    const errors = await refusals((c) => c.stackInput, input, read);
    if (errors.length) return errors.map((e) => ({ ...e, path: stackFormPath(e.path) }));
    const answer = await api<StackView>('PUT', `/areas/${context.area.id}/stack`, input);
    setBase(answer);
    setSaved(true);
    await client.invalidateQueries();
    return undefined;
  };
  const takeTheirs = async () => {
    const stacks = await api<StackView[]>('GET', `/boats/${context.area.boatId}/stacks`);
    const theirs = stacks.find((s) => s.areaId === context.area.id);
    if (theirs) setBase(theirs);
    await client.invalidateQueries();
  };

  return (
    <RecordForm<StackValues>
      key={base.version}
      values={stackToValues(base.steps, system)}
      submit={submit}
      base={base}
      fieldWords={{ steps: 'the steps', laid: 'what is laid' }}
      takeTheirs={() => void takeTheirs()}
      button="Save system"
      beside={
        <>
          {saved && <span role="status">Saved.</span>}
          {base.steps.length > 0 && (
            <Link className="btn ml-auto" to={`/bench/${context.area.id}`}>
              On to the bench
            </Link>
          )}
        </>
      }
    >
      <div className="grid grid-cols-1 items-start gap-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
        <DrawnStack context={context} />
        <Steps context={context} />
      </div>
      <StackTotals context={context} />
    </RecordForm>
  );
}

function DrawnStack({ context }: { context: StackContext }) {
  const { control } = useFormContext<StackValues>();
  const { system } = useUnits();
  const values = useWatch({ control }) as StackValues;
  const read = new FormReader(system);
  const steps = valuesToStack(values, 1, read).steps.flatMap((step) => {
    const product = context.products.find((p) => p.id === step.productId);
    const usable = product && step.coats >= 1 && step.coats <= 20 && step.dryMicronsPerCoat > 0;
    if (!usable) return [];
    const hex = (name: string) => product.sheet.colours.find((c) => c.name === name)?.hex ?? '#999999';
    return [
      {
        id: step.id,
        product: product.name,
        coats: Math.round(step.coats),
        micronsPerCoat: step.dryMicronsPerCoat,
        colours: step.colours.map(hex),
        laid: context.laid[step.id] ?? 0,
      },
    ];
  });
  return (
    <div className="board p-3">
      {steps.length > 0 ? (
        <StackSection steps={steps} substrate={SUBSTRATES[context.area.substrate]} />
      ) : (
        <p className="p-6 opacity-80">The coats are drawn here in section, to scale, once there is one.</p>
      )}
    </div>
  );
}

function Steps({ context }: { context: StackContext }) {
  const { control } = useFormContext<StackValues>();
  const { fields, append, remove, move } = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const { system } = useUnits();
  const [chosen, setChosen] = useState('');
  const product = context.products.find((p) => p.id === chosen) ?? context.products[0];
  return (
    <div>
      {fields.length === 0 && (
        <p className="pb-3">No coats yet. The first one added goes on the bare surface.</p>
      )}
      <ol className="space-y-4">
        {fields.map((field, i) => (
          <li key={field.key}>
            <StepLine
              index={i}
              last={i === fields.length - 1}
              context={context}
              onRemove={() => remove(i)}
              onMove={(by) => move(i, i + by)}
            />
          </li>
        ))}
      </ol>
      {product ? (
        <div className="border-base-300 mt-4 flex flex-wrap items-end gap-2 border-t pt-4">
          <label className="grow">
            <span className="label-caps block pb-1">On top of that</span>
            <select
              className="select w-full"
              value={product.id}
              onChange={(event) => setChosen(event.target.value)}
            >
              {context.products.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <button type="button" className="btn" onClick={() => append(stepOf(product, system))}>
            Add this coat
          </button>
        </div>
      ) : (
        <p>
          There are no products yet.{' '}
          <Link className="link" to="/materials/new">
            Enter a product sheet
          </Link>{' '}
          first.
        </p>
      )}
    </div>
  );
}

import { useFieldArray, useFormContext } from 'react-hook-form';
import type { Product } from '../../contract/index.ts';
import { type Family, fineFigures, nearestFine } from '../../core/system/index.ts';
import { fieldText, fromCanonical, type Sentence, shownUnit } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { FormReader } from '../forms/canonical.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { FAMILY_WORDS } from '../words/systems.ts';
import type { StackContext } from './stackContext.ts';
import { type StackValues, type StepValues, stepOf, valuesToStack } from './stackForm.ts';
import { type Extremes, judgeSteps, placeOf } from './stackRules.ts';

const names = (families: readonly Family[]) => families.map((family) => FAMILY_WORDS[family]).join(', ');

/** A step that stays, with the figures its sheet refuses brought within it, and what that changed. */
interface Kept {
  step: StepValues;
  changed: Sentence[];
}

/** A stack near the one at hand without a "no", to be taken with one press. */
export function NearestFine({
  families,
  context,
  air,
}: {
  families: readonly Family[];
  context: StackContext;
  air: Extremes;
}) {
  const { control, getValues, setValue } = useFormContext<StackValues>();
  const { replace } = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const { system, write } = useUnits();
  const found = nearestFine(families, placeOf(context.area));
  if (!found) {
    return (
      <p className="border-line border-2 p-3">{t`No allowed system goes over the existing coating. Remove it first, or do a test patch.`}</p>
    );
  }
  const productOf = (family: Family): Product | undefined =>
    context.products.find((product) => product.sheet.family === family);
  const missing = found.families.filter((family) => !productOf(family));
  const take = (steps: readonly StepValues[]) => {
    replace([...steps]);
    // A step that stays keeps its fields on the page: they are told their new figures.
    steps.forEach((step, i) => {
      for (const field of ['thinner', 'microns', 'method'] as const)
        setValue(`steps.${i}.${field}`, step[field]);
    });
  };

  const within = (step: StepValues, product: Product): Kept => {
    const typed = valuesToStack({ steps: [step] }, 1, new FormReader(system)).steps[0];
    const plain = { ...step, overruled: [], reason: '' };
    if (!typed || !Number.isFinite(typed.dryMicronsPerCoat) || !Number.isFinite(typed.thinner)) {
      return { step: plain, changed: [] };
    }
    const fine = fineFigures(typed, product.sheet);
    if (fine.changes.length === 0) return { step: plain, changed: [] };
    const microns = fieldText(fromCanonical(fine.dryMicronsPerCoat, shownUnit('film', system)));
    return {
      step: { ...plain, method: fine.method, microns, thinner: fieldText(fine.thinner * 100) },
      changed: fine.changes,
    };
  };

  const old = [...getValues('steps')];
  const kept = found.families.flatMap((family): Kept[] => {
    // Steps whose family stays keep what was typed for them.
    const at = old.findIndex(
      (step) => context.products.find((product) => product.id === step.productId)?.sheet.family === family,
    );
    const step = at >= 0 ? old.splice(at, 1)[0] : undefined;
    const product = step ? context.products.find(({ id }) => id === step.productId) : productOf(family);
    if (!product) return [];
    return [step ? within(step, product) : { step: stepOf(product, system), changed: [] }];
  });
  const steps = kept.map(({ step }) => step);
  const judged = judgeSteps(
    valuesToStack({ steps }, 1, new FormReader(system)).steps,
    context.products,
    context.area,
    { missedStepId: context.missedStepId, ...air, applied: context.applied },
  );
  const stillNo = (judged?.layers ?? []).flatMap(({ judgements }, i) =>
    judgements.filter(({ verdict }) => verdict === 'no').map(({ reason }) => ({ no: i + 1, reason })),
  );
  if (missing.length === 0 && stillNo.length > 0) {
    return (
      <p className="border-line border-2 p-3">
        {t`No combination of your data sheets is allowed here`}
        {stillNo.map(({ no, reason }) => t`; step ${no}: ${write(reason)}`)}
        {t`. Choose another product there, or remove the existing coating first.`}
      </p>
    );
  }
  return (
    <div className="border-line space-y-2 border-2 p-3">
      <p>
        <strong>{t`Closest allowed system:`}</strong> {names(found.families)}.{' '}
        {found.removed.length > 0 && (
          <>
            {t`It takes out `}
            <strong>{names(found.removed)}</strong>.{' '}
          </>
        )}
        {found.added.length > 0 && (
          <>
            {t`Added: `}
            <strong>{names(found.added)}</strong>.{' '}
          </>
        )}
        {kept.map(({ changed }, i) =>
          changed.length > 0 ? (
            <span key={steps[i]?.stepId}>
              {t`Step ${i + 1} has `}
              <strong>{changed.map(write).join(', ')}</strong>.{' '}
            </span>
          ) : null,
        )}
        {t`Everything else stays the same.`}
      </p>
      {missing.length > 0 ? (
        <p>{t`Add a data sheet for ${names(missing)} first.`}</p>
      ) : (
        <button type="button" className="btn" onClick={() => take(steps)}>{t`Use this system`}</button>
      )}
    </div>
  );
}

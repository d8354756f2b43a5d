import { useFieldArray, useFormContext } from 'react-hook-form';
import type { Product } from '../../contract/index.ts';
import { FAMILIES, type Family, nearestFine } from '../../core/system/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import type { StackContext } from './stackContext.ts';
import { type StackValues, type StepValues, stepOf } from './stackForm.ts';
import { placeOf } from './stackRules.ts';

const names = (families: readonly Family[]) => families.map((family) => FAMILIES[family]).join(', ');

/** A stack near the one at hand without a "no", to be taken with one press. */
export function NearestFine({ families, context }: { families: readonly Family[]; context: StackContext }) {
  const { control, getValues } = useFormContext<StackValues>();
  const { replace } = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const { system } = useUnits();
  const found = nearestFine(families, placeOf(context.area));
  if (!found) {
    return (
      <p className="border-line border-2 p-3">
        The rules know no way over what lies there: it has to come off first, or be tried on a test patch.
      </p>
    );
  }
  const productOf = (family: Family): Product | undefined =>
    context.products.find((product) => product.sheet.family === family);
  const missing = found.families.filter((family) => !productOf(family));
  const take = () => {
    const old = [...getValues('steps')];
    const steps = found.families.flatMap((family): StepValues[] => {
      // Steps whose family stays keep what was typed for them.
      const at = old.findIndex(
        (step) => context.products.find((product) => product.id === step.productId)?.sheet.family === family,
      );
      if (at >= 0) return old.splice(at, 1).map((step) => ({ ...step, overruled: [], reason: '' }));
      const product = productOf(family);
      return product ? [stepOf(product, system)] : [];
    });
    replace(steps);
  };
  return (
    <div className="border-line space-y-2 border-2 p-3">
      <p>
        <strong>The nearest that would be fine:</strong> {names(found.families)}.{' '}
        {found.removed.length > 0 && (
          <>
            It takes out <strong>{names(found.removed)}</strong>.{' '}
          </>
        )}
        {found.added.length > 0 && (
          <>
            It puts in <strong>{names(found.added)}</strong>.{' '}
          </>
        )}
        The rest stays as it is.
      </p>
      {missing.length > 0 ? (
        <p>No sheet here is of the family {names(missing)}: enter one first.</p>
      ) : (
        <button type="button" className="btn" onClick={take}>
          Take it
        </button>
      )}
    </div>
  );
}

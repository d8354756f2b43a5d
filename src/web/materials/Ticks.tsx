import { useFormContext } from 'react-hook-form';
import type { SheetValues } from './sheetValues.ts';

/** Several of a list, each with a tick. */
export function Ticks<T extends string>({
  name,
  legend,
  choices: list,
  hint,
}: {
  name: 'methods' | 'hazards';
  legend: string;
  choices: readonly [T, string][];
  hint?: string;
}) {
  const { register, getFieldState, formState } = useFormContext<SheetValues>();
  const { error } = getFieldState(name, formState);
  return (
    <fieldset>
      <legend className="label-caps pb-1">{legend}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {list.map(([value, text]) => (
          <label key={value} className="flex cursor-pointer items-center gap-2 py-1">
            <input type="checkbox" className="checkbox" value={value} {...register(name)} />
            {text}
          </label>
        ))}
      </div>
      {hint && <p className="text-sm opacity-80">{hint}</p>}
      {error?.message && <p className="text-error text-sm font-semibold">{error.message}</p>}
    </fieldset>
  );
}

import { createContext, useContext, useEffect, useId, useRef, useState } from 'react';
import {
  fieldText,
  fromCanonical,
  parseNumber,
  parseQuantity,
  type Quantity,
  shownUnit,
} from '../../core/units/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  label: string;
  /** null: nothing yet. */
  value: number | null;
  onChange: (value: number) => void;
  /** The quantity typed in the user's units; none for a plain number with its own unit. */
  quantity?: Quantity;
  unit?: string;
  hint?: string;
}

/** Whether figures are taken with each key, where an answer beside them is to follow. */
export const EachKey = createContext(false);

/** A figure outside a form: taken when the field is left or Enter pressed, refused beside it. */
export function NumberField({ label, value, onChange, quantity, unit, hint }: Props) {
  const { system, symbol } = useUnits();
  const id = useId();
  const shown =
    value === null ? '' : fieldText(quantity ? fromCanonical(value, shownUnit(quantity, system)) : value);
  const [text, setText] = useState(shown);
  const [problem, setProblem] = useState<string | null>(null);
  const eachKey = useContext(EachKey);
  const readText = (typed: string) =>
    quantity ? parseQuantity(typed, quantity, system) : parseNumber(typed);
  // Text is formatted only when the field is left: while typing, "1." stays "1.".
  const typing = useRef(false);
  useEffect(() => {
    if (!typing.current) setText(shown);
  }, [shown]);
  const type = (typed: string) => {
    setText(typed);
    if (!eachKey) return;
    typing.current = true;
    try {
      onChange(readText(typed));
      setProblem(null);
    } catch {
      // Half of a figure is no figure yet: it is refused once the field is left.
    }
  };
  const take = () => {
    typing.current = false;
    // Left as it stood: what is shown may be rounded, and is nobody's typing.
    if (text === shown) return setProblem(null);
    try {
      const read = readText(text);
      setProblem(null);
      if (value === null || Math.abs(read - value) > 1e-9) onChange(read);
    } catch (error) {
      setProblem(`${label} ${(error as Error).message}`);
    }
  };
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="label-caps block pb-1">
        {label}
      </label>
      <span className={`input w-full ${problem ? 'border-error border-2' : ''}`}>
        <input
          id={id}
          className="min-w-0 grow"
          inputMode="decimal"
          value={text}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem ? `${id}-error` : undefined}
          onChange={(event) => type(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            take();
          }}
        />
        <span className="opacity-80">{quantity ? symbol(quantity) : unit}</span>
      </span>
      {hint && <p className="pt-1 text-sm opacity-80">{hint}</p>}
      {problem && (
        <p id={`${id}-error`} className="text-error pt-1 text-sm font-semibold">
          {problem}
        </p>
      )}
    </div>
  );
}

/** A choice outside a form. */
export function Choice<T extends string>({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}) {
  const id = useId();
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="label-caps block pb-1">
        {label}
      </label>
      <select
        id={id}
        className="select w-full"
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
      >
        {choices.map(([each, word]) => (
          <option key={each} value={each}>
            {word}
          </option>
        ))}
      </select>
    </div>
  );
}

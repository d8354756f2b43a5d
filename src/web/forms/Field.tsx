import { type ReactNode, useId } from 'react';
import { type FieldErrors, get, type RegisterOptions, useFormContext } from 'react-hook-form';
import type { Quantity } from '../../core/units/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { useChangeElsewhere } from './changesElsewhere.ts';

interface FieldProps {
  name: string;
  label: string;
  hint?: string | undefined;
  unit?: string | undefined;
  type?: 'text' | 'search';
  inputMode?: 'text' | 'decimal' | 'numeric';
  autoFocus?: boolean;
  large?: boolean;
  placeholder?: string;
  options?: RegisterOptions;
  list?: string;
}

/** The message against a field, if any. */
function messageOf(errors: FieldErrors, name: string): string | undefined {
  const found = get(errors, name) as { message?: string; root?: { message?: string } } | undefined;
  return found?.message ?? found?.root?.message;
}

/** Hint and refusal of a field, and the attributes by which the field names them. */
export function useFieldMessages(name: string, hint?: ReactNode) {
  const { formState } = useFormContext();
  const id = useId();
  const message = messageOf(formState.errors, name);
  const changed = useChangeElsewhere(name);
  return {
    id,
    message,
    described: {
      'aria-invalid': message ? true : undefined,
      'aria-describedby':
        [hint && `${id}-hint`, message && `${id}-error`, changed !== undefined && `${id}-changed`]
          .filter(Boolean)
          .join(' ') || undefined,
    },
    under: (
      <>
        {hint && (
          <p id={`${id}-hint`} className="pt-1 text-sm opacity-80">
            {hint}
          </p>
        )}
        {changed !== undefined && (
          <p id={`${id}-changed`} role="status" className="border-line mt-1 border-l-4 pl-2 text-sm">
            {changed}
          </p>
        )}
        {message && (
          <p id={`${id}-error`} className="text-error pt-1 text-sm font-semibold">
            {message}
          </p>
        )}
      </>
    ),
  } as const;
}
const REFUSED = 'border-error border-2';

/** A labelled text field with its unit, hint and refusal. */
export function Field(props: FieldProps) {
  const { register } = useFormContext();
  const { id, message, described, under } = useFieldMessages(props.name, props.hint);
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="label-caps block pb-1">
        {props.label}
      </label>
      <span className={`input w-full ${props.large ? 'input-xl target' : ''} ${message ? REFUSED : ''}`}>
        <input
          id={id}
          type={props.type ?? 'text'}
          inputMode={props.inputMode ?? 'text'}
          autoComplete="off"
          placeholder={props.placeholder}
          list={props.list}
          {...described}
          className="min-w-0 grow"
          {...register(props.name, props.options)}
        />
        {props.unit && <span className="opacity-80">{props.unit}</span>}
      </span>
      {under}
    </div>
  );
}

/** A field for a quantity, typed in the user's units. */
export function QuantityField({ quantity, ...props }: Omit<FieldProps, 'unit'> & { quantity: Quantity }) {
  const { symbol } = useUnits();
  return <Field inputMode="decimal" {...props} unit={symbol(quantity)} />;
}

/** A labelled choice. */
export function SelectField(props: {
  name: string;
  label: string;
  choices: readonly (readonly [string, string])[];
  hint?: ReactNode;
  onChosen?: (value: string) => void;
}) {
  const { register } = useFormContext();
  const { id, message, described, under } = useFieldMessages(props.name, props.hint);
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="label-caps block pb-1">
        {props.label}
      </label>
      <select
        id={id}
        className={`select w-full ${message ? REFUSED : ''}`}
        {...described}
        {...register(props.name, { onChange: (event) => props.onChosen?.(event.target.value) })}
      >
        {props.choices.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
      {under}
    </div>
  );
}

/** A labelled text of several lines. */
export function TextArea({ name, label, rows = 2 }: { name: string; label: string; rows?: number }) {
  const { register } = useFormContext();
  const { id, message, described, under } = useFieldMessages(name);
  return (
    <div>
      <label htmlFor={id} className="label-caps block pb-1">
        {label}
      </label>
      <textarea
        id={id}
        rows={rows}
        className={`textarea w-full ${message ? REFUSED : ''}`}
        {...described}
        {...register(name)}
      />
      {under}
    </div>
  );
}

/** A labelled tick. */
export function CheckField({ name, label, hint }: { name: string; label: string; hint?: string }) {
  const { register } = useFormContext();
  const id = useId();
  return (
    <div className="flex items-start gap-3 pt-1">
      <input
        id={id}
        type="checkbox"
        className="checkbox mt-0.5"
        aria-describedby={hint ? `${id}-hint` : undefined}
        {...register(name)}
      />
      <div>
        <label htmlFor={id}>{label}</label>
        {hint && (
          <p id={`${id}-hint`} className="text-sm opacity-80">
            {hint}
          </p>
        )}
      </div>
    </div>
  );
}

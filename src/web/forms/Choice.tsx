import { useId } from 'react';

/** A labelled choice outside a form: what is chosen takes effect at once. */
export function Choice(of: {
  label: string;
  value: string;
  choices: readonly (readonly [value: string, word: string])[];
  onChange: (value: string) => void;
}) {
  const id = useId();
  return (
    <div className="max-w-full min-w-0">
      <label htmlFor={id} className="label-caps block pb-1">
        {of.label}
      </label>
      <select
        id={id}
        className="select target w-full"
        value={of.value}
        onChange={({ target }) => of.onChange(target.value)}
      >
        {of.choices.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </select>
    </div>
  );
}

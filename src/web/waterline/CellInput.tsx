import { useEffect, useState } from 'react';
import { parseNumber } from '../../core/units/index.ts';

/** A figure in a cell of a table: taken when left or on Enter; what cannot be read is marked and not taken. */
export function CellInput({
  label,
  value,
  onChange,
  empty,
  className = 'w-24',
}: {
  label: string;
  value: number | null;
  onChange: (value: number | null) => void;
  /** An empty cell is a value too. */
  empty?: boolean;
  className?: string;
}) {
  const shown = value === null ? '' : String(Number(value.toFixed(3)));
  const [text, setText] = useState(shown);
  const [bad, setBad] = useState(false);
  useEffect(() => setText(shown), [shown]);
  const take = () => {
    const trimmed = text.trim();
    if (trimmed === '') {
      setBad(!empty);
      if (empty && value !== null) onChange(null);
      return;
    }
    try {
      const read = parseNumber(trimmed);
      setBad(false);
      if (trimmed !== shown) onChange(read);
    } catch {
      setBad(true);
    }
  };
  return (
    <input
      className={`input input-sm text-right ${className} ${bad ? 'border-error border-2' : ''}`}
      inputMode="decimal"
      aria-label={label}
      aria-invalid={bad || undefined}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === 'Enter') take();
      }}
    />
  );
}

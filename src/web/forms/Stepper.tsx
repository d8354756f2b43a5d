import { Minus, Plus } from 'lucide-react';
import { useEffect, useId, useState } from 'react';
import { figure, parseNumber } from '../../core/units/index.ts';
import { t } from '../../words.ts';

interface Props {
  label: string;
  unit: string;
  value: number;
  step: number;
  min: number;
  max: number;
  /** The quantity, typed in the unit shown; left out: a plain number. */
  read?: (text: string) => number;
  onChange: (value: number) => void;
}

/** A figure for a gloved thumb: minus and plus the size of a thumb, typing where a hand is free. */
export function Stepper({
  label,
  unit,
  value,
  step,
  min,
  max,
  read: readText = parseNumber,
  onChange,
}: Props) {
  const id = useId();
  const [text, setText] = useState(figure(value));
  const [message, setMessage] = useState<string | null>(null);
  useEffect(() => {
    setText(figure(value));
    setMessage(null);
  }, [value]);
  const put = (next: number) => onChange(Math.min(max, Math.max(min, Number(next.toFixed(6)))));
  const type = (typed: string) => {
    setText(typed);
    let read: number;
    try {
      read = readText(typed);
    } catch (error) {
      setMessage(`${label} ${(error as Error).message}`);
      return;
    }
    if (read < min || read > max) {
      setMessage(t`${label} must be between ${figure(min)} and ${figure(max)} ${unit}, but is ${typed}`);
    } else {
      setMessage(null);
      if (read !== value) onChange(read);
    }
  };
  return (
    <div>
      <label htmlFor={id} className="label-caps block pb-1">
        {label}
      </label>
      <div className="flex items-stretch">
        <button
          type="button"
          className="btn target w-14"
          aria-label={t`Decrease ${label}`}
          onClick={() => put(value - step)}
        >
          <Minus aria-hidden="true" />
        </button>
        <span className="input target mx-1 min-w-0 grow text-xl">
          <input
            id={id}
            inputMode="decimal"
            autoComplete="off"
            className="w-full min-w-0 text-center font-semibold"
            value={text}
            aria-invalid={message ? true : undefined}
            aria-describedby={message ? `${id}-error` : undefined}
            onChange={(event) => type(event.target.value)}
            onBlur={() => {
              if (!message) setText(figure(value));
            }}
          />
          <span className="text-base opacity-80">{unit}</span>
        </span>
        <button
          type="button"
          className="btn target w-14"
          aria-label={t`Increase ${label}`}
          onClick={() => put(value + step)}
        >
          <Plus aria-hidden="true" />
        </button>
      </div>
      {message && (
        <p id={`${id}-error`} className="text-error pt-1 font-semibold">
          {message}
        </p>
      )}
    </div>
  );
}

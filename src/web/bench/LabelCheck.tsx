import { useState } from 'react';
import type { Product } from '../../contract/index.ts';

interface Props {
  product: Product;
  disabled: boolean;
  sending: boolean;
  onMixed: () => void;
}

/** Every tin named in large letters and its label confirmed before the clocks can be started. */
export function LabelCheck({ product, disabled, sending, onMixed }: Props) {
  const [read, setRead] = useState<Record<string, boolean>>({});
  const { parts } = product.sheet;
  const allRead = parts.every((part) => read[part.name]);
  return (
    <>
      <fieldset className="space-y-2">
        <legend className="label-caps pb-1">
          Stir the base to the bottom of the tin, then read each label
        </legend>
        {parts.map((part) => (
          <label
            key={part.name}
            className="border-base-300 flex min-h-14 cursor-pointer items-center gap-3 border px-3"
          >
            <input
              type="checkbox"
              className="checkbox checkbox-lg"
              checked={read[part.name] ?? false}
              onChange={(event) => setRead({ ...read, [part.name]: event.target.checked })}
            />
            <span className="text-xl">
              The label says <strong>{product.name}</strong>, <strong>{part.name.toUpperCase()}</strong>
            </span>
          </label>
        ))}
      </fieldset>
      <button
        type="button"
        className="btn btn-primary btn-xl target w-full"
        disabled={!allRead || disabled || sending}
        onClick={() => {
          setRead({});
          onMixed();
        }}
      >
        {sending ? 'Starting the clocks…' : 'Mixed now: start the clocks'}
      </button>
      {!allRead && (
        <p className="text-sm opacity-80">Confirm every label first: two small tins look alike.</p>
      )}
    </>
  );
}

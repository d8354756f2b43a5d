import { useState } from 'react';
import type { Product } from '../../contract/index.ts';

interface Props {
  product: Product;
  /** Additives in the batch, by name. */
  besides?: readonly string[];
  disabled: boolean;
  sending: boolean;
  onMixed: () => void;
}

/** Every tin named in large letters and its label confirmed before the clocks can be started. */
export function LabelCheck({ product, besides = [], disabled, sending, onMixed }: Props) {
  const [read, setRead] = useState<Record<string, boolean>>({});
  const { parts } = product.sheet;
  const tins = [
    ...parts.map(({ name }) => ({ key: name, of: product.name, name: name.toUpperCase() })),
    ...besides.map((name) => ({ key: `additive ${name}`, of: 'additive', name: name.toUpperCase() })),
  ];
  const allRead = tins.every(({ key }) => read[key]);
  return (
    <>
      <fieldset className="space-y-2">
        <legend className="label-caps pb-1">
          Stir the base right to the bottom of the tin. Then check each label.
        </legend>
        {tins.map((tin) => (
          <label
            key={tin.key}
            className="border-base-300 flex min-h-14 cursor-pointer items-center gap-3 border px-3"
          >
            <input
              type="checkbox"
              className="checkbox checkbox-lg"
              checked={read[tin.key] ?? false}
              onChange={(event) => setRead({ ...read, [tin.key]: event.target.checked })}
            />
            <span className="text-xl">
              The label says <strong>{tin.of}</strong>, <strong>{tin.name}</strong>
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
        {sending ? 'Starting timers…' : 'Log mix and start timers'}
      </button>
      {!allRead && <p className="text-sm opacity-80">Confirm every label first. Small tins look alike.</p>}
    </>
  );
}

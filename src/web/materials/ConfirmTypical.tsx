import { useState } from 'react';
import type { Product } from '../../contract/index.ts';
import type { TypicalField } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayTypical, TYPICAL_WORDS } from '../words/typical.ts';

/** Values from memory held against the tin: one pass down a short list, a tick where they agree. */
export function ConfirmTypical({ product }: { product: Product }) {
  const { show } = useUnits();
  const { mutate: write, isPending: saving } = useWrite<Product>();
  const [agreed, setAgreed] = useState<ReadonlySet<TypicalField>>(new Set());
  const { sheet } = product;
  const fields = sheet.typical ?? [];
  if (fields.length === 0) return null;
  const save = () => {
    const { id, name, version } = product;
    const typical = fields.filter((field) => !agreed.has(field));
    write(
      { method: 'PUT', path: `/products/${id}`, body: { id, name, version, sheet: { ...sheet, typical } } },
      { onSuccess: () => setAgreed(new Set()) },
    );
  };
  return (
    <section aria-labelledby="typical" className="board max-w-3xl space-y-3 p-4">
      <h2 id="typical" className="batten pb-1 text-lg">
        {counted(fields.length, 'unconfirmed typical value')}
      </h2>
      <p>{t`Compare with the tin. Select each value that matches. If a value differs, change it in the form below; a changed value counts as confirmed.`}</p>
      <ul className="divide-base-300 divide-y">
        {fields.map((field) => (
          <li key={field}>
            <label className="flex min-h-12 cursor-pointer items-center gap-3 py-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={agreed.has(field)}
                onChange={(event) => {
                  const next = new Set(agreed);
                  if (event.target.checked) next.add(field);
                  else next.delete(field);
                  setAgreed(next);
                }}
              />
              <span>
                <strong className="inline-block first-letter:uppercase">{TYPICAL_WORDS[field]}</strong>:{' '}
                {sayTypical(field, sheet, show)}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-primary"
          disabled={agreed.size === 0 || saving}
          onClick={save}
        >
          {saving
            ? t`Saving…`
            : agreed.size > 0
              ? t`Confirm ${counted(agreed.size, 'value')}`
              : t`Confirm values`}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => setAgreed(new Set(fields))}
        >{t`Select all`}</button>
      </div>
    </section>
  );
}

import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Product, Step } from '../../contract/index.ts';
import type { Verdict } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import type { StackContext } from './stackContext.ts';
import { judgeOnTop } from './stackRules.ts';

const GROUPS: readonly (readonly [Verdict, string])[] = [
  ['fine', t`OK over the coat below`],
  ['condition', t`OK with a condition`],
  ['no', t`Not allowed`],
];

interface Props {
  steps: readonly Step[];
  context: StackContext;
  onAdd: (product: Product) => void;
}

/** The next coat: every product, sorted by what the rules say of it on top of what is planned. */
export function AddCoat({ steps, context, onAdd }: Props) {
  const [chosen, setChosen] = useState('');
  const { products, area } = context;
  const families = steps.map(({ productId }) => productId).join();
  const groups = useMemo(() => {
    const judged = products.map((product) => ({
      product,
      verdict: judgeOnTop(families === '' ? [] : families.split(','), product, products, area),
    }));
    return GROUPS.map(([verdict, label]) => ({
      label,
      products: judged.filter((each) => each.verdict === verdict).map(({ product }) => product),
    })).filter((group) => group.products.length > 0);
  }, [families, products, area]);
  const product = products.find((each) => each.id === chosen) ?? groups[0]?.products[0];
  if (!product) {
    return (
      <p>
        {t`There are no data sheets yet. `}
        <Link className="link" to="/materials/typical">{t`Start with typical data sheets`}</Link>
        {t` or `}
        <Link className="link" to="/materials/new">{t`enter a data sheet`}</Link>
        {t` first.`}
      </p>
    );
  }
  return (
    <div className="border-base-300 mt-4 flex flex-wrap items-end gap-2 border-t pt-4">
      <label className="grow">
        <span className="label-caps block pb-1">{t`Next product`}</span>
        <select
          className="select w-full"
          value={product.id}
          onChange={(event) => setChosen(event.target.value)}
        >
          {groups.map((group) => (
            <optgroup key={group.label} label={group.label}>
              {group.products.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="btn"
        onClick={() => {
          onAdd(product);
          setChosen('');
        }}
      >{t`Add step`}</button>
    </div>
  );
}

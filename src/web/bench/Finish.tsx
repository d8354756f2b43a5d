import type { BenchView, Product, Step } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useTins } from '../api/supplyQueries.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Tins } from '../parts/tins/Tins.tsx';
import { cautionsFor } from './cautions.ts';
import { cleanUp } from './cleanUp.ts';

/** The coat just logged. */
export interface CoatDone {
  product: Product;
  method: Step['method'];
  colour: string;
}

interface Props extends CoatDone {
  area: BenchView['area'];
  zone: string;
  onDone: () => void;
}

/** After a coat: tools, pots and tins, and what is left of each part against what was logged. */
export function Finish({ product, method, colour, area, zone, onDone }: Props) {
  const isMixed = product.sheet.parts.length > 1;
  return (
    <section aria-labelledby="finish" className="board max-w-3xl space-y-3 p-3">
      <h2 id="finish" className="text-lg">{t`Clean up`}</h2>
      <ul className="border-line space-y-1 border-l-4 pl-3">
        {cleanUp(product.sheet, method).map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      {cautionsFor(product.sheet.hazards, area, method).map((each) => (
        <p key={each} className="text-sm">
          {each}
        </p>
      ))}
      {isMixed && <LeftInTins product={product} colour={colour} zone={zone} />}
      <button type="button" className="btn target" onClick={onDone}>{t`Cleaned up`}</button>
    </section>
  );
}

/** Measuring the rest in the tins shows a wrong ratio before the next coat. Only for a product in stock. */
function LeftInTins({ product, colour, zone }: Pick<Props, 'product' | 'colour' | 'zone'>) {
  const tins = useTins(product.id, colour === '' ? null : colour);
  if (tins.data?.parts.some(({ lots }) => lots.length === 0)) return null;
  return (
    <details className="border-base-300 border-y py-2">
      <summary className="target cursor-pointer py-2">{t`Weigh or measure what is left in the tins: was the ratio right?`}</summary>
      <QueryBoundary query={tins}>
        {(view) => <Tins key={`${view.since} ${view.batches.length}`} {...{ view, product, zone }} />}
      </QueryBoundary>
    </details>
  );
}

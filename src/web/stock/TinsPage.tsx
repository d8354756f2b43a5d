import { useState } from 'react';
import { useParams } from 'react-router';
import { t } from '../../words.ts';
import { useProducts, useYard } from '../api/queries.ts';
import { useTins } from '../api/supplyQueries.ts';
import { Choice } from '../forms/Choice.tsx';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { Tins } from '../parts/tins/Tins.tsx';

/** Compares the stock of both parts with the log: the ratio really used, and how far the rest lasts. */
export function TinsPage() {
  const { productId = '' } = useParams();
  const [colour, setColour] = useState<string | null>(null);
  const tins = useTins(productId, colour);
  const products = useProducts();
  const yard = useYard();
  return (
    <div className="max-w-4xl space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Reconcile tins`}</h1>
      <MaterialsTabs />
      <QueryBoundary query={products}>
        {(list) => {
          const product = list.find(({ id }) => id === productId);
          if (!product) return <p>{t`Product not found.`}</p>;
          return (
            <QueryBoundary query={tins}>
              {(view) => (
                <div className="space-y-5">
                  {product.sheet.colours.length > 1 && (
                    <div className="max-w-xs">
                      <Choice
                        label={t`Colour`}
                        value={view.colour}
                        choices={product.sheet.colours.map(({ name }) => [name, name] as const)}
                        onChange={setColour}
                      />
                    </div>
                  )}
                  <Tins
                    key={`${view.colour} ${view.since} ${view.batches.length}`}
                    view={view}
                    product={product}
                    zone={yard.data?.zone ?? 'UTC'}
                  />
                </div>
              )}
            </QueryBoundary>
          );
        }}
      </QueryBoundary>
    </div>
  );
}

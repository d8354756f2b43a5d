import { Link } from 'react-router';
import type { NeedLineView, ProductSupply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useMaterials } from '../api/supplyQueries.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';

const WAYS: Record<string, string> = {
  hand: t`hand measures`,
  rule: t`rule of thumb`,
  offsets: t`table of offsets`,
  mesh: t`surface mesh`,
  paint: t`paint used last time`,
};

/** The part of the yard shown; null: the whole yard. */
export interface Chosen {
  boatId: string | null;
  areaId: string | null;
}

/** The sum behind a product's figures, line by line. */
export function NeedLines({ product, of }: { product: ProductSupply; of: Chosen }) {
  const { boatId, areaId } = of;
  const query = useMaterials({
    productId: product.productId,
    ...(boatId && { boatId }),
    ...(areaId && { areaId }),
  });
  return (
    <QueryBoundary query={query}>
      {({ products }) => {
        const full = products.find(({ productId }) => productId === product.productId);
        return full ? <Lines product={full} /> : <p>{t`No longer needed`}</p>;
      }}
    </QueryBoundary>
  );
}

function Lines({ product }: { product: ProductSupply }) {
  const { show } = useUnits();
  return (
    <div className="space-y-3">
      <ul className="space-y-2">
        {product.lines.map((line) => (
          <li key={line.id} className="border-base-300 border-b pb-2">
            <p>
              <Link className="link" to={`/boats/${line.boatId}/systems/${line.areaId}`}>
                {line.areaName}
              </Link>
              , {line.boatName}: <strong>{show(line.litres, 'volume')}</strong>
              {t` in ${counted(line.coats.length, 'coat')}`}
            </p>
            <p className="text-sm">
              <Sum line={line} />
            </p>
          </li>
        ))}
      </ul>
      {product.moreLines > 0 && (
        <p>{t`${counted(product.moreLines, 'more line')} included in the totals.`}</p>
      )}
      <p className="text-sm">
        {t`${counted(product.sessions, 'session')}: ${show(product.leftInTools, 'volume')} left in rollers, trays and pots (typical value). `}
        {product.thinner &&
          t`${product.thinner.name ?? t`Thinner`}: ${show(product.thinner.thin, 'volume')} in the paint, ${show(product.thinner.clean, 'volume')} for cleaning.`}
        {product.additives.map(({ name, likely, safe }) => (
          <span key={name}>
            {t` ${name}: ${show(likely, 'volume')} likely, ${show(safe, 'volume')} safe.`}
          </span>
        ))}
      </p>
      <p className="text-sm opacity-80">{t`The safe amount is enough with 90 % certainty. Errors are taken as shared between areas measured the same way, and independent otherwise. Better measurements lower the safe amount.`}</p>
    </div>
  );
}

/** A line's litres with the figures put in. */
function Sum({ line }: { line: NeedLineView }) {
  const { show } = useUnits();
  const first = line.coats[0];
  const area = `${show(line.areaM2, 'area')} ± ${Math.round(line.spread * 100)} % (${WAYS[line.way] ?? line.way})`;
  const extra = line.coats.filter(({ factor, dead }) => factor !== 1 || dead > 0);
  return (
    <>
      {line.route === 'film'
        ? t`${area} × ${show(line.dryMicronsPerCoat, 'film')} dry film at ${Math.round((line.volumeSolids ?? 0) * 100)} % volume solids, ${Math.round(line.lossLikely * 1000) / 10} % loss (up to ${Math.round(line.lossUpper * 100)} %)`
        : t`${area} at ${show(line.coverageM2PerL ?? 0, 'spreadingRate')} (coverage on the tin)`}
      {first && <>{t`: ${show(first.smooth, 'volume')} a coat`}</>}
      {extra.map(({ no, factor, dead }) => (
        <span key={no}>
          {t`; coat ${no + 1}`}
          {factor !== 1 && <> × {factor}</>}
          {dead > 0 && <>{t` + ${show(dead, 'volume')} to fill the blast profile`}</>}
        </span>
      ))}
      {line.learned !== null && <>{t`; × ${line.learned.toFixed(2)} (learned rate)`}</>}
      {line.ownRatio && <>{t`; custom ratio ${line.ownRatio.parts.join(' : ')}: ${line.ownRatio.reason}`}</>}.
    </>
  );
}

import { Link } from 'react-router';
import { t } from '../../words.ts';
import { useYard } from '../api/queries.ts';
import { useMaterials } from '../api/supplyQueries.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount, sayPart, sayStopped } from '../words/supply.ts';

const MOST = 5;

/** What a boat's next coats are short of, and which of them that stops; nothing where there is enough. */
export function MissingSupplies({ boatId }: { boatId: string }) {
  const { data } = useMaterials({ boatId });
  const yard = useYard();
  const { show } = useUnits();
  if (!data || !yard.data) return null;
  const { zone } = yard.data;
  const now = Date.parse(data.now);
  const missing = data.products
    .flatMap((product) =>
      product.parts.flatMap((part) =>
        part.short > 0 && part.stops ? [{ product, part, stop: part.stops }] : [],
      ),
    )
    .sort((a, b) => (a.stop.at ?? '9').localeCompare(b.stop.at ?? '9'));
  if (missing.length === 0) return null;
  return (
    <details className="board p-3">
      <summary className="cursor-pointer font-semibold">
        {t`Short for the next coats: `}
        {missing[0]?.product.name}
        {missing.length > 1 && t` and ${missing.length - 1} more`}
      </summary>
      <ul className="list-disc pt-2 pl-5">
        {missing.slice(0, MOST).map(({ product, part, stop }) => (
          <li key={`${product.productId} ${part.part} ${part.colour}`}>
            {t`${product.name}, ${sayPart(part.part, part.colour)}: ${sayAmount(show, part.short, part.unit)} short. First coat affected: ${sayStopped(stop, zone, now)}`}
          </li>
        ))}
      </ul>
      <p className="pt-2">
        <Link className="link" to={`/materials?boat=${boatId}`}>{t`Show needs and stock for this boat`}</Link>
      </p>
    </details>
  );
}

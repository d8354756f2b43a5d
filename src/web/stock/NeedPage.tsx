import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { MaterialsView, PartSupply, ProductSupply } from '../../contract/index.ts';
import type { Method } from '../../core/film/index.ts';
import type { Substrate } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useBoard, useYard } from '../api/queries.ts';
import { useMaterials } from '../api/supplyQueries.ts';
import { Choice } from '../forms/Choice.tsx';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { sayPart, sayStopped } from '../words/supply.ts';
import { METHOD_WORDS, SUBSTRATE_WORDS } from '../words/systems.ts';
import { NeedBar } from './NeedBar.tsx';
import { type Chosen, NeedLines } from './NeedLines.tsx';
import { UsedUp } from './UsedUp.tsx';

const shortOf = ({ parts }: ProductSupply): PartSupply[] => parts.filter(({ short }) => short > 0);

/** What the work still takes against what stands in the stock. */
export function NeedPage() {
  const [search, setSearch] = useSearchParams();
  const boatId = search.get('boat');
  const areaId = boatId ? search.get('area') : null;
  const materials = useMaterials({ ...(boatId && { boatId }), ...(areaId && { areaId }) });
  const board = useBoard();
  const areas = board.data?.boats.find(({ id }) => id === boatId)?.areas ?? [];
  const yard = useYard();
  return (
    <div className="max-w-6xl space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`Materials: needs`}</h1>
      <MaterialsTabs />
      <div className="grid max-w-xl gap-3 sm:grid-cols-2">
        <Choice
          label={t`Boat`}
          value={boatId ?? ''}
          choices={[
            ['', t`Whole yard`] as const,
            ...(board.data?.boats ?? []).map((boat) => [boat.id, boat.name] as const),
          ]}
          onChange={(value) => setSearch(value ? { boat: value } : {}, { replace: true })}
        />
        {boatId && areas.length > 0 && (
          <Choice
            label={t`Area`}
            value={areaId ?? ''}
            choices={[
              ['', t`All areas`] as const,
              ...areas.map(({ areaId: id, areaName }) => [id, areaName] as const),
            ]}
            onChange={(value) =>
              setSearch({ boat: boatId, ...(value && { area: value }) }, { replace: true })
            }
          />
        )}
      </div>
      <QueryBoundary query={materials}>
        {(view) => (
          <Need
            key={`${boatId} ${areaId}`}
            view={view}
            of={{ boatId, areaId }}
            zone={yard.data?.zone ?? 'UTC'}
          />
        )}
      </QueryBoundary>
    </div>
  );
}

function Need({ view, of, zone }: { view: MaterialsView; of: Chosen; zone: string }) {
  const [search, setSearch] = useState('');
  const [onlyShort, setOnlyShort] = useState(false);
  const now = Date.parse(view.now);
  const short = view.products.filter((product) => shortOf(product).length > 0);
  const stops = short
    .flatMap((product) =>
      product.parts.flatMap((part) => (part.stops ? [{ product, part, stop: part.stops }] : [])),
    )
    .sort((a, b) => (a.stop.at ?? '9').localeCompare(b.stop.at ?? '9'));
  const [first] = stops;
  const shown = view.products.filter(
    (product) =>
      product.name.toLowerCase().includes(search.trim().toLowerCase()) &&
      (!onlyShort || short.includes(product)),
  );
  if (view.products.length === 0 && view.unknown.length === 0)
    return (
      <p className="max-w-prose">{t`No paint needed: all coats are done, or no area has a system yet. Needs are worked out from each area’s system.`}</p>
    );
  return (
    <div className="space-y-5">
      <p role="status" className="border-line border-l-4 pl-3 text-lg">
        {first ? (
          <>
            <strong>{t`${counted(short.length, 'product')} short.`}</strong>
            {t` First coat affected: ${sayStopped(first.stop, zone, now)}, ${first.product.name} ${sayPart(first.part.part, first.part.colour)}. `}
            <Link className="link" to="/materials/buy">
              {t` Show what to buy `}
            </Link>
          </>
        ) : short.length > 0 ? (
          <strong>{t`${counted(short.length, 'product')} short.`}</strong>
        ) : (
          <strong>{t`Everything needed is in stock or on order.`}</strong>
        )}
      </p>
      <div className="flex flex-wrap items-end gap-4">
        <SearchField label={t`Search by product`} value={search} onChange={setSearch} />
        <label className="flex items-center gap-2 pb-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={onlyShort}
            onChange={({ target }) => setOnlyShort(target.checked)}
          />
          {t`Shortages only`}
        </label>
      </div>
      <Legend />
      <ul className="space-y-6">
        {shown.map((product) => (
          <li key={product.productId}>
            <ProductNeed product={product} of={of} zone={zone} now={now} />
          </li>
        ))}
      </ul>
      {shown.length === 0 && <p>{t`No product matches`}</p>}
      {view.unknown.length > 0 && (
        <section aria-labelledby="need-unknown" className="space-y-2">
          <h2 id="need-unknown" className="batten pb-1 text-lg">{t`Not included`}</h2>
          <ul className="list-disc space-y-1 pl-5">
            {view.unknown.map(({ areaId, areaName, boatId: boat, boatName, productName, reason }) => (
              <li key={`${areaId} ${productName}`}>
                <Link className="link" to={`/boats/${boat}/survey/${areaId}`}>
                  {areaName}, {boatName}
                </Link>
                , {productName}: {reason}
              </li>
            ))}
          </ul>
        </section>
      )}
      <UsedUp heading={t`Sundries`} items={view.sundries} currency={view.currency} />
    </div>
  );
}

function Legend() {
  return (
    <p className="flex flex-wrap gap-x-6 gap-y-1 text-sm">
      <span>{t`Upper bar: likely need (solid), safe need (hatched)`}</span>
      <span>{t`Lower bar: in stock (solid), on order (outline)`}</span>
      <span>{t`Line: safe need`}</span>
    </p>
  );
}

function ProductNeed(given: { product: ProductSupply; of: Chosen; zone: string; now: number }) {
  const { product, of, zone, now } = given;
  const { show } = useUnits();
  const [open, setOpen] = useState(false);
  const most = Math.max(
    1e-6,
    ...product.parts.map((part) => Math.max(part.safe, part.there + part.keptForThese + part.ordered)),
  );
  const stops = product.parts.find(({ stops: stop }) => stop)?.stops;
  const learned = product.colours.filter(({ safe, safeBySheet }) => Math.abs(safe - safeBySheet) > 0.005);
  return (
    <article className="space-y-2" aria-label={product.name}>
      <h2 className="batten flex flex-wrap items-baseline justify-between gap-x-4 pb-1 text-lg">
        <Link className="link" to={`/materials/${product.productId}`}>
          {product.name}
        </Link>
        {new Set(product.parts.map(({ part }) => part)).size > 1 && (
          <Link
            className="link text-sm font-normal"
            to={`/materials/tins/${product.productId}`}
          >{t`Reconcile tins`}</Link>
        )}
      </h2>
      {product.parts.map((part) => (
        <NeedBar key={`${part.part} ${part.colour}`} part={part} most={most} />
      ))}
      {product.colours.some(({ cans }) => cans !== null) && (
        <p>
          {t`Spray cans: ${product.colours
            .flatMap(({ colour, cans }) => (cans === null ? [] : [`${counted(cans, 'can')} ${colour}`]))
            .join(', ')}`}
        </p>
      )}
      {stops && (
        <p>
          {t`First coat affected: `}
          <strong>{sayStopped(stops, zone, now)}</strong>
        </p>
      )}
      {learned.map(({ colour, safe, safeBySheet }) => (
        <p key={colour} className="text-sm">
          {t`${colour}: ${show(safe, 'volume')} needed (safe estimate, from coats applied here). From the data sheet: ${show(safeBySheet, 'volume')}.`}
        </p>
      ))}
      {product.learned.map((rate) => (
        <p key={`${rate.method} ${rate.surface}`} className="text-sm">
          {t`${METHOD_WORDS[rate.method as Method]} on ${SUBSTRATE_WORDS[rate.surface as Substrate]}: ${counted(rate.coats, 'coat')} used ${Math.round(rate.mean * 100)} % of the data sheet amount. Estimates use ${Math.round(rate.factor * 100)} %: with few coats on record, the data sheet still has ${Math.round((1 - rate.weight) * 100)} % of the weight`}
          {rate.outliers.length > 0 && t`; ${counted(rate.outliers.length, 'outlier')} left out`}.{' '}
          {rate.persons.length > 1 &&
            t`By painter: ${rate.persons.map(({ person, factor, coats }) => `${person} ${Math.round(factor * 100)} % (${counted(coats, 'coat')})`).join(', ')}.`}
        </p>
      ))}
      <details onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary className="text-info target cursor-pointer py-2 underline underline-offset-2">{t`How this was worked out`}</summary>
        {open && <NeedLines product={product} of={of} />}
      </details>
    </article>
  );
}

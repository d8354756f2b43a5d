import { Link, useLocation } from 'react-router';
import { t } from '../../words.ts';
import { useProducts } from '../api/queries.ts';
import { MaterialsTabs } from '../parts/MaterialsTabs.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SheetsFile } from './SheetsFile.tsx';
import { SheetTable } from './SheetTable.tsx';

/** The product sheets of the yard. */
export function MaterialsPage() {
  const products = useProducts();
  const { state } = useLocation();
  const savedId = (state as { savedId?: string } | null)?.savedId;
  const saved = products.data?.find(({ id }) => id === savedId);
  return (
    <div className="space-y-5 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">{t`Materials: data sheets`}</h1>
        <div className="flex flex-wrap gap-2">
          <SheetsFile />
          <a className="btn btn-ghost" href="/api/v1/products.csv" download>{t`Export (CSV)`}</a>
          <Link className="btn btn-ghost" to="/materials/typical">{t`Add typical data sheets`}</Link>
          <Link className="btn btn-primary" to="/materials/new">{t`Add data sheet`}</Link>
        </div>
      </div>
      <MaterialsTabs />
      {saved && (
        <p role="status">
          {t`Data sheet saved: `}
          <Link className="link" to={`/materials/${saved.id}`}>
            {saved.name}
          </Link>
          {t`, version ${saved.version}.`}
        </p>
      )}
      <QueryBoundary query={products}>
        {(list) =>
          list.length === 0 ? (
            <div className="max-w-prose space-y-3">
              <p>{t`No data sheets yet. Every figure for a paint comes from its data sheet. Enter one from the manufacturer’s document, or start with typical values and confirm them later.`}</p>
              <p className="flex flex-wrap gap-3">
                <Link
                  className="btn btn-primary"
                  to="/materials/typical"
                >{t`Start with typical data sheets`}</Link>
                <Link className="btn" to="/materials/new">{t`Add data sheet`}</Link>
              </p>
            </div>
          ) : (
            <SheetTable sheets={list} />
          )
        }
      </QueryBoundary>
    </div>
  );
}

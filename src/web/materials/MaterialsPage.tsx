import { Link } from 'react-router';
import { FAMILIES } from '../../core/system/index.ts';
import { useProducts } from '../api/queries.ts';
import { Asked } from '../parts/Asked.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { SheetsFile } from './SheetsFile.tsx';

/** The product sheets of the yard. */
export function MaterialsPage() {
  const products = useProducts();
  const { show } = useUnits();
  return (
    <div className="space-y-5 p-3 md:p-6">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h1 className="text-2xl">Materials: product sheets</h1>
        <div className="flex flex-wrap gap-2">
          <SheetsFile />
          <a className="btn btn-ghost" href="/api/v1/products.csv" download>
            All as CSV
          </a>
          <Link className="btn btn-primary" to="/materials/new">
            New sheet
          </Link>
        </div>
      </div>
      <Asked query={products}>
        {(list) =>
          list.length === 0 ? (
            <p className="max-w-prose">
              No sheets yet. Everything the app says of a paint comes from its own data sheet: enter one from
              the paper that came with the tin.
            </p>
          ) : (
            <Scroller label="Sheets">
              <table className="table">
                <thead>
                  <tr>
                    <th scope="col">Product</th>
                    <th scope="col">Family</th>
                    <th scope="col">Mix</th>
                    <th scope="col">Volume solids</th>
                    <th scope="col">Dry film a coat</th>
                    <th scope="col">Colours</th>
                    <th scope="col">Sheet</th>
                  </tr>
                </thead>
                <tbody>
                  {list.map(({ id, name, sheet, version }) => (
                    <tr key={id}>
                      <th scope="row">
                        <Link className="link" to={`/materials/${id}`}>
                          {name}
                        </Link>
                      </th>
                      <td>{FAMILIES[sheet.family]}</td>
                      <td>
                        {sheet.parts.length > 1
                          ? `${sheet.parts.map((p) => p.ratio).join(' : ')} by ${sheet.ratioBy}`
                          : 'one-pack'}
                      </td>
                      <td>{Math.round(sheet.volumeSolids * 100)} %</td>
                      <td>
                        {show(sheet.film.min, 'film')} to {show(sheet.film.max, 'film')}
                      </td>
                      <td>
                        <span className="flex flex-wrap gap-x-3">
                          {sheet.colours.map((colour) => (
                            <span key={colour.name} className="inline-flex items-center gap-1.5">
                              <svg width="14" height="14" aria-hidden="true">
                                <rect width="14" height="14" fill={colour.hex} stroke="var(--line)" />
                              </svg>
                              {colour.name}
                            </span>
                          ))}
                        </span>
                      </td>
                      <td className="whitespace-nowrap">version {version}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </Scroller>
          )
        }
      </Asked>
    </div>
  );
}

import { Link } from 'react-router';
import type { AreaClock } from '../../contract/index.ts';
import { SUBSTRATES, type Substrate } from '../../core/system/index.ts';
import type { DrawnArea } from '../parts/drawing/drawn.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { PART_WORDS } from './words.ts';

export interface AreaRow extends DrawnArea {
  substrate: Substrate;
  areaM2: number;
  spread: number;
  clock: AreaClock | undefined;
}

/** The areas of a boat beside her drawing, by the same numbers. */
export function AreaTable({
  boatId,
  rows,
  selectedId,
}: {
  boatId: string;
  rows: readonly AreaRow[];
  selectedId: string | undefined;
}) {
  const { show } = useUnits();
  const total = rows.reduce((sum, row) => sum + row.areaM2, 0);
  return (
    <Scroller label="Areas">
      <table className="table">
        <thead>
          <tr>
            <th scope="col">No.</th>
            <th scope="col">Area</th>
            <th scope="col" className="hidden sm:table-cell">
              Substrate
            </th>
            <th scope="col" className="text-right">
              Area ± spread
            </th>
            <th scope="col">State</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.id} className={row.id === selectedId ? 'bg-base-200' : ''}>
              <td>{row.number}</td>
              <th scope="row" className={row.part ? 'pl-8' : ''}>
                <Link
                  className="link"
                  to={`/boats/${boatId}/survey/${row.id}`}
                  preventScrollReset
                  aria-current={row.id === selectedId ? 'true' : undefined}
                >
                  {row.name}
                </Link>
                {row.part && <span className="block text-sm font-normal">{PART_WORDS[row.part.kind]}</span>}
              </th>
              <td className="hidden sm:table-cell">{row.part ? '' : SUBSTRATES[row.substrate]}</td>
              <td className="text-right whitespace-nowrap">
                {row.areaM2 > 0 ? (
                  <>
                    {show(row.areaM2, 'area')} ± {Math.round(row.spread * 100)} %
                  </>
                ) : (
                  'not measured'
                )}
              </td>
              <td>
                <StateMark state={row.state} />
              </td>
            </tr>
          ))}
        </tbody>
        {rows.length > 1 && (
          <tfoot>
            <tr>
              <td />
              <th scope="row">All areas</th>
              <td className="hidden sm:table-cell" />
              <td className="text-right">{show(total, 'area')}</td>
              <td />
            </tr>
          </tfoot>
        )}
      </table>
    </Scroller>
  );
}

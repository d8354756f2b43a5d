import { createColumnHelper } from '@tanstack/react-table';
import { Link } from 'react-router';
import { t } from '../../words.ts';
import type { AreaRow } from '../parts/drawing/drawnRows.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { SortHead } from '../parts/SortHead.tsx';
import { SortMenu } from '../parts/SortMenu.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { useSortedTable } from '../parts/useSortedTable.ts';
import { StateMark } from '../state/StateMark.tsx';
import { STATES } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { PART_WORDS } from '../words/survey.ts';
import { SUBSTRATE_WORDS } from '../words/systems.ts';

const column = createColumnHelper<AreaRow>();
const COLUMNS = [
  column.accessor('number', { header: 'No.' }),
  column.accessor('name', { header: t`Area` }),
  column.accessor(({ part, substrate }) => (part ? '' : SUBSTRATE_WORDS[substrate]), {
    id: 'substrate',
    header: t`Substrate`,
  }),
  column.accessor('areaM2', { header: 'Size ± uncertainty' }),
  column.accessor(({ state }) => STATES[state].word, { id: 'state', header: t`State` }),
];
const HEAD_CLASSES: Record<string, string> = { substrate: 'hidden sm:table-cell', areaM2: 'text-right' };
/** A list that is longer is not read through. */
const SEARCHED_FROM = 10;

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
  const { table, search, setSearch } = useSortedTable(rows as AreaRow[], COLUMNS);
  const total = rows.reduce((sum, row) => sum + row.areaM2, 0);
  return (
    <>
      {rows.length > SEARCHED_FROM && (
        <SearchField label={t`Search areas`} value={search} onChange={setSearch} />
      )}
      {rows.length > 1 && <SortMenu table={table} />}
      <Scroller label={t`Areas`}>
        <StackedTable className="listed table [&_td]:px-2 [&_th]:px-2">
          <thead>
            <tr>
              {table.getFlatHeaders().map(({ column: head }) => (
                <SortHead key={head.id} column={head} className={HEAD_CLASSES[head.id]} />
              ))}
            </tr>
          </thead>
          <tbody>
            {table.getRowModel().rows.map(({ original: row }) => (
              <tr key={row.id} className={row.id === selectedId ? 'bg-base-200' : ''}>
                <td>{row.number}</td>
                <th scope="row" className={row.part ? 'pl-8!' : ''}>
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
                <td className="hidden sm:table-cell">{row.part ? '' : SUBSTRATE_WORDS[row.substrate]}</td>
                <td className="text-right whitespace-nowrap">
                  {row.areaM2 > 0 ? (
                    <>
                      {show(row.areaM2, 'area')} ± {Math.round(row.spread * 100)} %
                    </>
                  ) : (
                    t`Not measured`
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
                <th scope="row">{t`Total`}</th>
                <td className="hidden sm:table-cell" />
                <td className="text-right">{show(total, 'area')}</td>
                <td />
              </tr>
            </tfoot>
          )}
        </StackedTable>
      </Scroller>
    </>
  );
}

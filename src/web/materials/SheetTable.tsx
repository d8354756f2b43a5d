import { createColumnHelper, flexRender } from '@tanstack/react-table';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { Product } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { SearchField } from '../parts/SearchField.tsx';
import { SortHead } from '../parts/SortHead.tsx';
import { SortMenu } from '../parts/SortMenu.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { useSortedTable } from '../parts/useSortedTable.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { FAMILY_WORDS } from '../words/systems.ts';

const column = createColumnHelper<Product>();

const sayMix = ({ sheet }: Product) =>
  sheet.parts.length > 1 ? `${sheet.parts.map((p) => p.ratio).join(' : ')} by ${sheet.ratioBy}` : 'one-pack';

/** The sheets of the yard: searched by name, family or colour, and sorted by any column. */
export function SheetTable({ sheets }: { sheets: Product[] }) {
  const { show } = useUnits();
  const columns = useMemo(
    () => [
      column.accessor('name', {
        header: t`Product`,
        cell: ({ row, getValue }) => (
          <Link className="link" to={`/materials/${row.original.id}`}>
            {getValue()}
          </Link>
        ),
      }),
      column.accessor(({ sheet }) => FAMILY_WORDS[sheet.family], { id: 'family', header: t`Coating type` }),
      column.accessor(sayMix, { id: 'mix', header: t`Mixing ratio` }),
      column.accessor(({ sheet }) => sheet.volumeSolids, {
        id: 'solids',
        header: t`Volume solids`,
        cell: ({ getValue }) => `${Math.round(getValue() * 100)} %`,
      }),
      column.accessor(({ sheet }) => sheet.film.typical, {
        id: 'film',
        header: t`Dry film per coat`,
        cell: ({ row }) => {
          const { min, max } = row.original.sheet.film;
          return `${show(min, 'film')}–${show(max, 'film')}`;
        },
      }),
      column.accessor(({ sheet }) => sheet.colours.map(({ name }) => name).join(' '), {
        id: 'colours',
        header: t`Colours`,
        enableSorting: false,
        cell: ({ row }) => <Colours of={row.original} />,
      }),
      column.accessor('version', {
        header: t`Version`,
        cell: ({ getValue }) => <span className="whitespace-nowrap">{t`version ${getValue()}`}</span>,
      }),
    ],
    [show],
  );
  const { table, search, setSearch } = useSortedTable(sheets, columns);
  const { rows } = table.getRowModel();
  return (
    <div className="space-y-3">
      <SearchField label={t`Search by name, coating type or colour`} value={search} onChange={setSearch} />
      <p role="status" className="text-sm">
        {rows.length === sheets.length
          ? `${sheets.length} ${sheets.length === 1 ? 'sheet' : 'sheets'}`
          : t`${rows.length} of ${sheets.length} data sheets`}
      </p>
      {rows.length > 1 && <SortMenu table={table} />}
      <Scroller label={t`Data sheets`}>
        <StackedTable className="table">
          <thead>
            <tr>
              {table.getFlatHeaders().map(({ column: head }) => (
                <SortHead key={head.id} column={head} />
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id}>
                {row.getVisibleCells().map((cell, i) => {
                  const content = flexRender(cell.column.columnDef.cell, cell.getContext());
                  return i === 0 ? (
                    <th key={cell.id} scope="row">
                      {content}
                    </th>
                  ) : (
                    <td key={cell.id}>{content}</td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </StackedTable>
      </Scroller>
    </div>
  );
}

function Colours({ of: { sheet } }: { of: Product }) {
  return (
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
  );
}

import type { Table } from '@tanstack/react-table';
import { useId } from 'react';
import { t } from '../../words.ts';

const DOWN = ' desc';

/** Sorting on a phone, where a table has no heads: by one menu. */
export function SortMenu<T>({ table }: { table: Table<T> }) {
  const id = useId();
  const columns = table.getAllLeafColumns().filter((column) => column.getCanSort());
  const [sorted] = table.getState().sorting;
  return (
    <div className="flex items-center gap-3 py-1 sm:hidden">
      <label htmlFor={id} className="whitespace-nowrap">{t`Sort by`}</label>
      <select
        id={id}
        className="select target"
        value={sorted ? sorted.id + (sorted.desc ? DOWN : '') : ''}
        onChange={({ target: { value } }) =>
          table.setSorting(value === '' ? [] : [{ id: value.replace(DOWN, ''), desc: value.endsWith(DOWN) }])
        }
      >
        <option value="">{t`As listed`}</option>
        {columns.flatMap(({ id: name, columnDef: { header } }) => [
          <option key={name} value={name}>{t`${header}, ascending`}</option>,
          <option key={`${name}${DOWN}`} value={name + DOWN}>{t`${header}, descending`}</option>,
        ])}
      </select>
    </div>
  );
}

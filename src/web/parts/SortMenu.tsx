import type { Table } from '@tanstack/react-table';

const DOWN = ' desc';

/** Sorting on a phone, where a table has no heads: by one menu. */
export function SortMenu<T>({ table }: { table: Table<T> }) {
  const columns = table.getAllLeafColumns().filter((column) => column.getCanSort());
  const [sorted] = table.getState().sorting;
  return (
    <label className="flex items-center gap-3 py-1 whitespace-nowrap sm:hidden">
      Sort by
      <select
        className="select target"
        value={sorted ? sorted.id + (sorted.desc ? DOWN : '') : ''}
        onChange={({ target: { value } }) =>
          table.setSorting(value === '' ? [] : [{ id: value.replace(DOWN, ''), desc: value.endsWith(DOWN) }])
        }
      >
        <option value="">As listed</option>
        {columns.flatMap(({ id, columnDef: { header } }) => [
          <option key={id} value={id}>{`${header}, ascending`}</option>,
          <option key={`${id}${DOWN}`} value={id + DOWN}>{`${header}, descending`}</option>,
        ])}
      </select>
    </label>
  );
}

import type { Column } from '@tanstack/react-table';
import { ArrowDown, ArrowUp, ArrowUpDown } from 'lucide-react';

/** A head that sorts by its column: up, down, as it came. */
export function SortHead<T>({
  column: head,
  className,
}: {
  column: Column<T>;
  className?: string | undefined;
}) {
  const text = String(head.columnDef.header);
  const sorted = head.getIsSorted();
  const order = sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none';
  if (!head.getCanSort())
    return (
      <th scope="col" className={className}>
        {text}
      </th>
    );
  return (
    <th scope="col" aria-sort={order} className={className}>
      <button
        type="button"
        className="inline-flex items-center gap-1 whitespace-nowrap underline-offset-2 hover:underline"
        onClick={head.getToggleSortingHandler()}
      >
        {text}
        {sorted === 'asc' && <ArrowUp size={14} aria-hidden="true" />}
        {sorted === 'desc' && <ArrowDown size={14} aria-hidden="true" />}
        {!sorted && <ArrowUpDown size={14} aria-hidden="true" className="opacity-50" />}
      </button>
    </th>
  );
}

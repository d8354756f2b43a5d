import { type ComponentProps, useLayoutEffect, useRef } from 'react';

/**
 * A table that on a phone stands row by row, each figure beside the head of its column, and so is never cut at the edge.
 * Heads are read from the last row of its head; `heads` says them where that has cells across several columns.
 */
export function StackedTable({
  heads,
  className = '',
  ...table
}: ComponentProps<'table'> & { heads?: readonly string[] }) {
  const ref = useRef<HTMLTableElement>(null);
  useLayoutEffect(() => {
    const last = ref.current?.tHead?.rows.item((ref.current.tHead.rows.length ?? 1) - 1);
    const said = heads ?? [...(last?.cells ?? [])].map((cell) => cell.textContent?.trim() ?? '');
    const sections = [...(ref.current?.tBodies ?? []), ...(ref.current?.tFoot ? [ref.current.tFoot] : [])];
    for (const { rows } of sections)
      for (const row of rows)
        for (const [i, cell] of [...row.cells].entries()) cell.dataset.head = said[i] ?? '';
  });
  return <table ref={ref} className={`stacks ${className}`} {...table} />;
}

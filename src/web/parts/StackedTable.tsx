import { type ComponentProps, useLayoutEffect, useRef } from 'react';
import { t } from '../../words.ts';

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
    const of = (selector: string, from: ParentNode | null | undefined) => [
      ...(from?.querySelectorAll<HTMLElement>(selector) ?? []),
    ];
    const last = of('thead > tr', ref.current).at(-1);
    const headings = heads ?? of(t`th, td`, last).map((cell) => cell.textContent?.trim() ?? '');
    for (const row of of(`:is(tbody, tfoot) > tr`, ref.current))
      for (const [i, cell] of of(`:scope > :is(th, td)`, row).entries())
        cell.dataset.head = headings[i] ?? '';
  });
  // The component library draws a line below each cell.
  return <table ref={ref} className={`stacks max-sm:[&_:is(td,th)]:border-0 ${className}`} {...table} />;
}

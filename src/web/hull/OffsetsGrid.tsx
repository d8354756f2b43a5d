import type { ClipboardEvent, KeyboardEvent } from 'react';
import { t } from '../../words.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { type Grid, gridOfText } from './offsetsText.ts';

const cellAt = (grid: HTMLElement | null, row: number, column: number) =>
  grid?.querySelector<HTMLInputElement>(`[data-cell="${row}/${column}"]`);

const word = (grid: Grid, row: number, column: number) => {
  if (row === 0)
    return column === 0 ? 'Unit' : column < 3 ? (grid[0]?.[column] ?? '') : t`Waterline ${column - 2}`;
  const head = grid[0]?.[column] ?? '';
  if (column === 0) return t`Station ${row}`;
  return column < 3 ? t`${head} at station ${row}` : t`Half-breadth at station ${row}, waterline ${head}`;
};

/** Half-breadths as a spreadsheet: arrow keys and Enter move, a block pasted from another fills from the cell on. */
export function OffsetsGrid({ grid, onChange }: { grid: Grid; onChange: (grid: Grid) => void }) {
  const columns = Math.max(...grid.map((row) => row.length));
  const commit = (row: number, column: number, text: string) => {
    if ((grid[row]?.[column] ?? '') === text) return;
    onChange(grid.map((cells, r) => (r === row ? withCell(cells, column, text) : cells)));
  };
  const move = (event: KeyboardEvent<HTMLInputElement>, row: number, column: number) => {
    const steps: Record<string, readonly [number, number]> = {
      ArrowUp: [-1, 0],
      ArrowDown: [1, 0],
      Enter: [1, 0],
    };
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    const next = cellAt(event.currentTarget.closest('table'), row + step[0], column + step[1]);
    next?.focus();
    next?.select();
  };
  const paste = (event: ClipboardEvent<HTMLInputElement>, row: number, column: number) => {
    const text = event.clipboardData.getData('text');
    if (!/[\t\n]/.test(text.trim())) return;
    event.preventDefault();
    const block = gridOfText(text);
    const next = grid.map((cells) => [...cells]);
    block.forEach((cells, r) => {
      const target = next[row + r] ?? [];
      next[row + r] = target;
      cells.forEach((cell, c) => {
        while (target.length < column + c) target.push('');
        target[column + c] = cell.trim();
      });
    });
    onChange(next);
  };
  return (
    <Scroller label={t`Table of offsets`}>
      <table className="border-base-300 border-collapse border text-sm">
        <tbody>
          {grid.map((cells, row) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place
            <tr key={row}>
              {Array.from({ length: columns }, (_, column) => {
                const text = cells[column] ?? '';
                const head = row === 0 || column === 0;
                const fixed = row === 0 && column < 3;
                return (
                  <td
                    // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its place
                    key={column}
                    className={`border-base-300 border p-0 ${head ? 'bg-base-200 font-semibold' : ''}`}
                  >
                    {fixed ? (
                      <span className="block px-2 py-1 whitespace-nowrap">{text}</span>
                    ) : (
                      <input
                        // A cell changed from outside (pasted over) starts again.
                        key={text}
                        data-cell={`${row}/${column}`}
                        aria-label={word(grid, row, column)}
                        className="w-20 bg-transparent px-2 py-1 text-right"
                        inputMode="decimal"
                        defaultValue={text}
                        onBlur={(event) => commit(row, column, event.target.value.trim())}
                        onKeyDown={(event) => move(event, row, column)}
                        onPaste={(event) => paste(event, row, column)}
                      />
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </Scroller>
  );
}

function withCell(cells: readonly string[], column: number, text: string): string[] {
  const next = [...cells];
  while (next.length <= column) next.push('');
  next[column] = text;
  return next;
}

import Papa from 'papaparse';

/**
 * CSV that a spreadsheet opens without running anything: a cell that begins like a formula (`= + - @`, tab) is given an
 * apostrophe, which our own import takes off again. A plain number stays a number.
 */
const FORMULA = /^'*(?:[=@\t\r]|[+-](?!\d+(?:\.\d+)?(?:e[+-]?\d+)?$))/i;

type Cell = string | number | null;

/** Rows as CSV, each ended by CRLF (RFC 4180). */
export const writeCsv = (rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse(
    rows.map((row) =>
      row.map((cell) => (typeof cell === 'string' && FORMULA.test(cell) ? `'${cell}` : (cell ?? ''))),
    ),
  )}\r\n`;

/** A cell as it was before it was made safe: `'=sum` → `=sum`; one that was not is left as it is. */
export const readCell = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;

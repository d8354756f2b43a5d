import Papa from 'papaparse';

/** What a spreadsheet trims from the front of a cell before it looks at it: blanks of every width, and marks that show nothing. */
const TRIMMED = '[\\s\\u00a0\\u200b-\\u200f\\u2060\\ufeff]*';
/** Signs by which a formula begins, full-width ones too, which some spreadsheets take for the same. */
const SIGNS = '[=+\\-@\uff1d\uff0b\uff0d\uff20]';
/** A part of a cell that would run. Apostrophes that stand there already are part of what was written. */
const FORMULA = new RegExp(`^${TRIMMED}(?:'${TRIMMED})*${SIGNS}`, 'u');
const NUMBER = /^\s*[+-]\d+(?:\.\d+)?(?:e[+-]?\d+)?\s*$/i;
/** Where a spreadsheet of another country, or a person pasting, may split a cell in two. */
const SPLITS = /([;,\t\r\n|])/;

const runs = (part: string): boolean => FORMULA.test(part);

type Cell = string | number | null;

/** Every part of a cell that would run is given an apostrophe in front; a cell that is a number and nothing else is left. */
const harmless = (cell: string): string =>
  NUMBER.test(cell)
    ? cell
    : cell
        .split(SPLITS)
        .map((part, i) => (i % 2 === 0 && runs(part) ? `'${part}` : part))
        .join('');

/**
 * Rows as CSV, each ended by CRLF (RFC 4180), that a spreadsheet opens without running anything: what begins like a formula
 * (`= + - @`, blanks before it or not, at the front of a cell or wherever a cell may be split) is given an apostrophe, which
 * our own import takes off again. A plain number stays a number.
 */
export const writeCsv = (rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse(rows.map((row) => row.map((cell) => (typeof cell === 'string' ? harmless(cell) : (cell ?? '')))))}\r\n`;

/** A cell as it was before it was made safe: `'=sum` → `=sum`; one that was not is left as it is. */
export const readCell = (cell: string): string =>
  cell
    .split(SPLITS)
    .map((part, i) => (i % 2 === 0 && part.startsWith("'") && runs(part.slice(1)) ? part.slice(1) : part))
    .join('');

import fc from 'fast-check';
import Papa from 'papaparse';
import { expect, it } from 'vitest';
import { readCell, writeCsv } from './safeCsv.ts';

/** Every cell a spreadsheet could make of a file, whatever sign it splits at. */
const cellsOf = (csv: string) =>
  [',', ';', '\t', '|'].flatMap((delimiter) =>
    Papa.parse<string[]>(csv, { delimiter, quoteChar: '"' }).data.flat(),
  );
/** What a spreadsheet takes for a formula once it has trimmed the cell: no apostrophe, a sign first, and no plain number. */
const runs = (cell: string) => {
  const trimmed = cell.replace(/^[\s\u00a0\u200b-\u200f\u2060\ufeff"]+/u, '');
  return /^[=+\-@＝＋－＠]/u.test(trimmed) && !/^[+-]\d+(\.\d+)?(e[+-]?\d+)?"?$/i.test(trimmed.trim());
};

const CASES = [
  '=1+1',
  ' =cmd',
  '\u00a0=cmd',
  '\t@x',
  '＝cmd',
  'a;=cmd',
  'a;\u00a0-cmd',
  'x\t=cmd',
  'a, +cmd|"x"',
  "'=kept",
  'two\n=lines',
  '-5',
  '+1.5e3',
  'plain; text',
];

it('no cell runs, whatever a spreadsheet trims or splits at, and each comes back as it was', () => {
  const csv = writeCsv(CASES.map((cell) => [cell]));
  expect(cellsOf(csv).filter(runs)).toEqual([]);
  const back = Papa.parse<string[]>(csv.replace(/\r\n$/, '')).data.map(([cell]) => readCell(cell ?? ''));
  expect(back).toEqual(CASES);
});

it('for any text made of such signs', () => {
  const text = fc.string({
    unit: fc.constantFrom('=', '-', '@', '＋', "'", ' ', '\u00a0', ';', ',', '\t', 'a', '5', '|'),
    maxLength: 9,
  });
  fc.assert(
    fc.property(text, (cell) => {
      const csv = writeCsv([[cell]]);
      expect(cellsOf(csv).filter(runs)).toEqual([]);
      expect(
        readCell(Papa.parse<string[]>(csv.replace(/\r\n$/, ''), { delimiter: ',' }).data[0]?.[0] ?? ''),
      ).toBe(cell);
    }),
    { seed: 9, numRuns: 2000 },
  );
});

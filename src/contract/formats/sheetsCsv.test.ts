import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { readSheetsCsv, writeSheetsCsv } from './sheetsCsv.ts';

const base = { name: 'Plain', sheet: SHEETS['Thrift Barrier'] as ProductSheet };
/** The file of one sheet with a cell changed. */
function withCell(head: string, text: string): string {
  const [heads = [], row = []] = Papa.parse<string[]>(writeSheetsCsv([base]).trim()).data;
  const at = heads.indexOf(head);
  if (at < 0) throw new Error(`no column ${head}`);
  return Papa.unparse([heads, row.map((cell, i) => (i === at ? text : cell))]);
}
const read = (head: string, text: string) => readSheetsCsv(withCell(head, text))[0]?.sheet;

describe('a column of many sheets', () => {
  it.each<[string, string, (sheet: ProductSheet | undefined) => unknown, unknown]>([
    ['pot life', '10:240 20:120', (sheet) => sheet?.potLife.length, 2],
    ['pot life', '', (sheet) => sheet?.potLife, []],
    ['contains copper', 'true', (sheet) => sheet?.copper, true],
    ['contains copper', 'Yes', (sheet) => sheet?.copper, true],
    ['contains copper', '', (sheet) => sheet?.copper, null],
    ['standing time (min)', '', (sheet) => sheet?.inductionMin, null],
    ['ratio by', 'Weight', (sheet) => sheet?.ratioBy, 'weight'],
    ['goes over', 'steel | epoxy-primer', (sheet) => sheet?.grounds, ['steel', 'epoxy-primer']],
    ['goes over', '', (sheet) => sheet?.grounds, null],
    ['thinner', '', (sheet) => sheet?.thinner, null],
    [
      'parts',
      'base 3 1.42 | hardener 1',
      (sheet) => sheet?.parts.map((part) => part.densityKgPerL),
      [1.42, null],
    ],
    [
      'packs',
      '1 @ 30 | 5',
      (sheet) => sheet?.packs,
      [
        { litres: 1, price: 30 },
        { litres: 5, price: null },
      ],
    ],
    [
      'additives',
      'Quick; accelerator; 20 | Slow; retarder;',
      (sheet) => sheet?.additives.map((each) => each.maxMlPerLitre),
      [20, null],
    ],
    [
      'overcoat',
      'by=any min=20:600',
      (sheet) => [sheet?.cure.overcoat[0]?.chemicalMax, sheet?.cure.overcoat[0]?.keyGrit],
      [null, null],
    ],
    [
      'overcoat',
      'by=self min=20:600 max=20:7200 grit=120 thumb=20:120..20:300',
      (sheet) => sheet?.cure.overcoat[0]?.thumb?.closes,
      [{ tempC: 20, minutes: 300 }],
    ],
    [
      'by method',
      'brush - 7.5%',
      (sheet) => sheet?.byMethod,
      [{ method: 'brush', film: null, thinnerMax: 0.075 }],
    ],
    ['resin', '', (sheet) => sheet?.resin, null],
  ])('%s "%s" reads as it is written', (head, text, of, wanted) => {
    expect(of(read(head, text))).toEqual(wanted);
  });
  it.each([
    ['dry film max (µm)', 'thick', 'line 2, dry film max (µm): “thick” isn’t a number'],
    ['pot life', '20-120', 'line 2, pot life: “20-120” isn’t a temperature and minutes, for example 20:600'],
    ['parts', 'base', 'line 2, parts: “base” isn’t a part name and its share, for example base 2'],
    [
      'tack-free',
      '20:soon',
      'line 2, tack-free: “20:soon” isn’t a temperature and minutes, for example 20:600',
    ],
    // Taken for what it does not say, each of these would be dear.
    ['ratio by', '', 'line 2, ratio by: “” must be volume or weight'],
    ['contains copper', 'some', 'line 2, contains copper: “some” must be yes or no'],
    [
      'by method',
      'brush thin',
      'line 2, by method: “thin” isn’t minimum-typical-maximum, for example 50-75-100',
    ],
  ])('%s "%s" is refused: %s', (head, text, message) => {
    expect(() => read(head, text)).toThrow(message);
  });
  it('heads may stand in capitals and in any order, with a byte-order mark before them', () => {
    const [heads = [], row = []] = Papa.parse<string[]>(writeSheetsCsv([base]).trim()).data;
    const turned = Papa.unparse([heads.toReversed().map((head) => head.toUpperCase()), row.toReversed()]);
    expect(readSheetsCsv(`\uFEFF${turned}`)).toEqual([base]);
  });
  it('a file from before the columns had their present heads is read as it was meant', () => {
    const [heads = [], row = []] = Papa.parse<string[]>(writeSheetsCsv([base]).trim()).data;
    const former = { 'dry film min (µm)': 'film least', 'dry film typical (µm)': 'film typical', 'dry film max (µm)': 'film most', 'standing time (min)': 'induction min', 'RH max': 'rh most', 'no cure below (°C)': 'stop', 'goes over': 'grounds' }; // biome-ignore format: one line
    const old = heads.map((head) => former[head as keyof typeof former] ?? head);
    expect(old).not.toEqual(heads);
    expect(readSheetsCsv(Papa.unparse([old, row]))).toEqual([base]);
    // A head that is also the name of something in the language is no column of ours.
    expect(
      readSheetsCsv(
        Papa.unparse([
          [...heads, 'constructor'],
          [...row, 'x'],
        ]),
      ),
    ).toEqual([base]);
  });
  it('names and notes with commas, quotes and new lines come back as they were', () => {
    const odd = { name: 'Primer, "grey"', sheet: { ...base.sheet, note: 'stir well\nthen, stir again' } };
    expect(readSheetsCsv(writeSheetsCsv([odd, base]))).toEqual([odd, base]);
  });
  it('an empty file says so', () => {
    expect(() => readSheetsCsv('name,family\r\n')).toThrow('the file has no rows');
  });
});

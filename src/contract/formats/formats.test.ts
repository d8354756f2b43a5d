import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import { formFromDimensions } from '../../core/hull/index.ts';
import { productSheet, strict } from '../index.ts';
import { readMarksCsv, writeMarksCsv } from './marksCsv.ts';
import { readOffsetsCsv, writeOffsetsCsv } from './offsetsCsv.ts';
import { readSheetsCsv, writeSheetsCsv } from './sheetsCsv.ts';

describe('tables of offsets', () => {
  const table = formFromDimensions({
    kind: 'fin-keel',
    dimensions: { loaM: 9, lwlM: 8, beamM: 3, draughtM: 1.5, freeboardM: 1 },
  });
  it('out and in again: equal', () => {
    expect(readOffsetsCsv(writeOffsetsCsv(table))).toEqual(table);
  });
  it('in millimetres, with semicolons, decimal commas and rows out of order', () => {
    const csv = 'Station mm;0;-500\n2000;"1000,5";0\n0;800;\n';
    expect(readOffsetsCsv(csv)).toEqual({
      stationsM: [0, 2],
      waterlinesM: [-0.5, 0],
      halfBreadthsM: [
        [null, 0.8],
        [0, 1.0005],
      ],
    });
  });
  it.each([
    ['x,0,1\n0,1,1\n1,1,1', 'Line 1: the first column must be “station (m)” (or mm, cm, ft, in), but is “x”'],
    ['station m,0\n0,1\n1,1', 'line 1: at least two waterlines are needed'],
    ['station m,0,one\n0,1,1\n1,1,1', 'line 1, column 3: "one" is not a number'],
    ['station m,0,1\n0,1,1', 'at least two stations are needed'],
    ['station m,0,1\n,1,1\n1,1,1', 'line 2, column 1: enter the station’s position'],
  ])('%j is refused: %s', (csv, message) => {
    expect(() => readOffsetsCsv(csv)).toThrow(message);
  });
});

describe('marks of the line', () => {
  const marks = [
    {
      kind: 'sheer' as const,
      side: 'port' as const,
      xM: 7.8,
      readingMm: 2394,
      aboveLineMm: 1175,
      yM: null,
      name: 'shrouds, port',
    },
    {
      kind: 'fitting' as const,
      side: 'starboard' as const,
      xM: 4.4,
      readingMm: 1527,
      aboveLineMm: -160,
      yM: 1.31,
      name: 'outlet "B"',
    },
  ];
  const made = [{ side: 'port' as const, xM: 2.5, readingMm: 1418 }];
  it('out and in again: equal, quotes and commas in names too', () => {
    expect(readMarksCsv(writeMarksCsv(marks, made))).toEqual({ marks, madeMarks: made });
  });
  it('a row without a kind is a point of the line; P and S are sides', () => {
    const { marks: found } = readMarksCsv('side,station,reading\nP,1,1000\nS,2,1001');
    expect(found.map((mark) => [mark.kind, mark.side])).toEqual([
      ['line', 'port'],
      ['line', 'starboard'],
    ]);
  });
  it.each([
    ['side,station\nP,1', 'Line 1: no column “reading” found in “side, station”'],
    ['side,station,reading\nleft,1,1', 'Line 2: side “left” must be port or starboard'],
    ['side,station,reading\nP,1,high', 'Line 2: reading “high” isn’t a number'],
    [
      'kind,side,station,reading\nguess,P,1,1',
      'Line 2: type “guess” must be one of line, sheer, old-line, old line, fitting, made',
    ],
  ])('%j is refused: %s', (csv, message) => {
    expect(() => readMarksCsv(csv)).toThrow(message);
  });
});

describe('many sheets', () => {
  it('the whole range out and in again: equal, and each one the border would take', () => {
    const range = Object.entries(SHEETS).map(([name, sheet]) => ({ name, sheet }));
    const back = readSheetsCsv(writeSheetsCsv(range));
    expect(back).toEqual(range);
    for (const { name, sheet } of back)
      expect([name, productSheet.validate(sheet, strict).error?.message]).toEqual([name, undefined]);
  });
  it('figures by method come out and in, and one that is none is named', () => {
    const sheet = {
      ...(Object.values(SHEETS)[0] as (typeof SHEETS)[string]),
      resin: 'epoxy, with mica',
      byMethod: [
        { method: 'airless-spray' as const, film: { min: 80, typical: 112.5, max: 150 }, thinnerMax: null },
        { method: 'brush' as const, film: null, thinnerMax: 0.075 },
      ],
    };
    const csv = writeSheetsCsv([{ name: 'x', sheet }]);
    expect(readSheetsCsv(csv)[0]?.sheet).toEqual(sheet);
    expect(() => readSheetsCsv(csv.replace('80-112.5-150', '80-150'))).toThrow(
      'line 2, by method: “80-150” isn’t minimum-typical-maximum, for example 50-75-100',
    );
  });
  it('a figure that is none is named by line and column', () => {
    const csv = writeSheetsCsv([{ name: 'x', sheet: Object.values(SHEETS)[0] as (typeof SHEETS)[string] }]);
    const [head, row] = csv.split('\r\n') as [string, string];
    const at = head.split(',').indexOf('volume solids');
    const broken = row.split(',').map((cell, i) => (i === at ? 'half' : cell));
    expect(() => readSheetsCsv(`${head}\n${broken.join(',')}`)).toThrow(
      'line 2, volume solids: “half” isn’t a number',
    );
  });
});

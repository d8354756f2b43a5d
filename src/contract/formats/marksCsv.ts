import Papa from 'papaparse';
import type { MadeMark, MarkKind, ReferenceMark, SheetRow } from '../../core/waterline/index.ts';
import { readCell, writeCsv } from './safeCsv.ts';

/** Marks of a line as CSV: reference marks and marks made by hand, a row each. */
const HEAD = [
  'kind',
  'side',
  'station m',
  'reading mm',
  'above line mm',
  'half-breadth m',
  'error mm',
  'name',
];
const KINDS: Record<string, MarkKind | 'made'> = {
  line: 'line',
  sheer: 'sheer',
  'old-line': 'old-line',
  'old line': 'old-line',
  fitting: 'fitting',
  made: 'made',
};

type WithoutId<T> = Omit<T, 'id'>;
export interface MarksOfFile {
  marks: WithoutId<ReferenceMark>[];
  madeMarks: WithoutId<MadeMark>[];
}

/** @throws {RangeError} naming the line and column of what cannot be read */
export function readMarksCsv(csv: string): MarksOfFile {
  const parsed = Papa.parse<string[]>(csv.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [head = [], ...rows] = parsed.data;
  const column = (name: string) => head.findIndex((cell) => cell.trim().toLowerCase().startsWith(name));
  const at = {
    kind: column('kind'),
    side: column('side'),
    station: column('station'),
    reading: column('reading'),
    above: column('above'),
    breadth: column('half-breadth'),
    error: column('error'),
    name: column('name'),
  };
  for (const needed of ['side', 'station', 'reading'] as const) {
    if (at[needed] < 0) throw new RangeError(`Line 1: no column “${needed}” found in “${head.join(', ')}”`);
  }
  const found: MarksOfFile = { marks: [], madeMarks: [] };
  rows.forEach((row, i) => {
    const cell = (key: keyof typeof at) => (at[key] < 0 ? '' : readCell((row[at[key]] ?? '').trim()));
    const number = (key: keyof typeof at, name: string): number => {
      const value = Number(cell(key).replace(/^(-?\d+),(\d+)$/, '$1.$2'));
      if (cell(key) === '' || !Number.isFinite(value)) {
        throw new RangeError(`Line ${i + 2}: ${name} “${cell(key)}” isn’t a number`);
      }
      return value;
    };
    const kind = KINDS[(cell('kind') || 'line').toLowerCase()];
    if (!kind)
      throw new RangeError(
        `Line ${i + 2}: type “${cell('kind')}” must be one of ${Object.keys(KINDS).join(', ')}`,
      );
    const letter = cell('side').toLowerCase()[0];
    if (letter !== 'p' && letter !== 's') {
      throw new RangeError(`Line ${i + 2}: side “${cell('side')}” must be port or starboard`);
    }
    const side = letter === 'p' ? 'port' : 'starboard';
    const [xM, readingMm] = [number('station', 'station'), number('reading', 'reading')];
    if (kind === 'made') found.madeMarks.push({ side, xM, readingMm });
    else {
      found.marks.push({
        kind,
        side,
        xM,
        readingMm,
        aboveLineMm: cell('above') === '' ? 0 : number('above', 'height above the line'),
        yM: cell('breadth') === '' ? null : number('breadth', 'half-breadth'),
        ...(cell('error') !== '' && { errorMm: number('error', 'error of the mark') }),
        name: cell('name'),
      });
    }
  });
  return found;
}

export function writeMarksCsv(
  marks: readonly WithoutId<ReferenceMark>[],
  made: readonly WithoutId<MadeMark>[],
): string {
  return writeCsv([
    HEAD,
    ...marks.map((m) => [
      m.kind,
      m.side,
      m.xM,
      m.readingMm,
      m.aboveLineMm,
      m.yM ?? '',
      m.errorMm ?? '',
      m.name,
    ]),
    ...made.map((m) => ['made', m.side, m.xM, m.readingMm, '', '', '', '']),
  ]);
}

/** The mark sheet of both sides, a row for each station and side; of two hulls with the height on the inner faces. */
export function writeSheetCsv(rows: readonly SheetRow[]): string {
  const twin = rows.some(({ innerAboveDatumMm }) => innerAboveDatumMm !== null);
  const mm = (value: number) => value.toFixed(1);
  return writeCsv([
    [
      'side',
      'station m',
      'height above datum mm',
      'plumb below sheer mm',
      'along skin below sheer mm',
      'raise along skin mm',
      'flare deg',
      'half-breadth m',
      ...(twin ? ['height above datum, inner face mm'] : []),
    ],
    ...rows.map((r) => [
      r.side,
      r.xM,
      mm(r.aboveDatumMm),
      mm(r.belowSheerMm),
      mm(r.belowSheerSkinMm),
      mm(r.raiseSkinMm),
      mm(r.flareDeg),
      r.halfBreadthM.toFixed(3),
      ...(twin ? [r.innerAboveDatumMm === null ? '' : mm(r.innerAboveDatumMm)] : []),
    ]),
  ]);
}

import Papa from 'papaparse';
import type { OffsetTable, SheerPoint } from '../../core/hull/index.ts';
import { writeCsv } from './safeCsv.ts';

/**
 * Tables of offsets as CSV (RFC 4180; comma, semicolon or tab): one row a station, one column a waterline.
 *
 *     station m, sheer height, sheer half-breadth, -0.6, -0.3, 0, 0.3
 *     0,         1.10,         0.80,               ,     0,    0.42, 0.61
 *
 * The first cell names the unit of every figure (m where it names none); the two sheer columns may be left out; an
 * empty cell is a point that is not known. Stations run forward from the aftermost point, waterlines up from the
 * designed waterline.
 */
const METRES: Record<string, number> = { m: 1, cm: 0.01, mm: 0.001, ft: 0.3048, in: 0.0254 };

function readCell(text: string, where: string): number | null {
  const cell = text.trim().replace(/^(-?\d+),(\d+)$/, '$1.$2');
  if (cell === '') return null;
  const value = Number(cell);
  if (!Number.isFinite(value)) throw new RangeError(`${where}: "${text.trim()}" is not a number`);
  return value;
}

/** @throws {RangeError} naming line and column of what cannot be read */
export function readOffsetsCsv(csv: string): OffsetTable {
  const parsed = Papa.parse<string[]>(csv.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [head = [], ...rows] = parsed.data;
  const unit = /\b(mm|cm|m|ft|in)\b/i.exec(head[0]?.replace(/station/i, '') ?? '')?.[1]?.toLowerCase() ?? 'm';
  const scale = METRES[unit] as number;
  // Metres are taken as they stand; converted ones lose the noise of the multiplication.
  const metres = (value: number) => (scale === 1 ? value : Number((value * scale).toPrecision(12)));
  if (!/station/i.test(head[0] ?? '')) {
    throw new RangeError(
      `Line 1: the first column must be “station (m)” (or mm, cm, ft, in), but is “${head[0] ?? ''}”`,
    );
  }
  const heightAt = head.findIndex((cell) => /sheer.*(height|z)/i.test(cell));
  const breadthAt = head.findIndex((cell) => /sheer.*(breadth|y)/i.test(cell));
  const hasSheer = heightAt > 0 && breadthAt > 0;
  const lines = head.flatMap((cell, column) => {
    if (column === 0 || column === heightAt || column === breadthAt || cell.trim() === '') return [];
    const z = readCell(cell, `line 1, column ${column + 1}`);
    return z === null ? [] : [{ column, z: metres(z) }];
  });
  if (lines.length < 2) throw new RangeError('line 1: at least two waterlines are needed');
  if (rows.length < 2) throw new RangeError('at least two stations are needed');
  const order = lines.toSorted((a, b) => a.z - b.z);
  const stations = rows.map((row, i) => {
    const where = (column: number) => `line ${i + 2}, column ${column + 1}`;
    const x = readCell(row[0] ?? '', where(0));
    if (x === null) throw new RangeError(`${where(0)}: enter the station’s position`);
    const value = (column: number) => {
      const read = readCell(row[column] ?? '', where(column));
      return read === null ? null : metres(read);
    };
    const [zM, yM] = hasSheer ? [value(heightAt), value(breadthAt)] : [null, null];
    return {
      x: metres(x),
      row: order.map((line) => value(line.column)),
      sheer: zM === null || yM === null ? null : ({ zM, yM } satisfies SheerPoint),
    };
  });
  stations.sort((a, b) => a.x - b.x);
  return {
    stationsM: stations.map((s) => s.x),
    waterlinesM: order.map((line) => line.z),
    halfBreadthsM: stations.map((s) => s.row),
    ...(stations.some((s) => s.sheer) && { sheer: stations.map((s) => s.sheer) }),
  };
}

/** The same table as CSV, metres: read again it is equal. */
export function writeOffsetsCsv(table: OffsetTable): string {
  const head = [
    'station m',
    ...(table.sheer ? ['sheer height', 'sheer half-breadth'] : []),
    ...table.waterlinesM.map(String),
  ];
  const rows = table.stationsM.map((x, s) => {
    const sheer = table.sheer?.[s];
    return [
      String(x),
      ...(table.sheer ? [sheer?.zM ?? '', sheer?.yM ?? ''].map(String) : []),
      ...(table.halfBreadthsM[s] ?? []).map((y) => (y === null ? '' : String(y))),
    ];
  });
  return writeCsv([head, ...rows]);
}

import Papa from 'papaparse';
import { readOffsetsCsv } from '../../contract/formats/offsetsCsv.ts';
import { formFromDimensions, lerpAt, type OffsetTable, sheerAt } from '../../core/hull/index.ts';
import { fieldText } from '../../core/units/index.ts';
import { t } from '../../words.ts';

/** A table of offsets as typed: a head row of waterlines, then a row for each station. */
export type Grid = string[][];

const METRES = { m: 1, ft: 0.3048 } as const;
export type GridUnit = keyof typeof METRES;

export function toGrid(table: OffsetTable, unit: GridUnit): Grid {
  const text = (m: number | null | undefined) =>
    m == null ? '' : fieldText(Number((m / METRES[unit]).toFixed(5)));
  return [
    [`station, ${unit}`, t`sheer height`, 'sheer half-breadth', ...table.waterlinesM.map(text)],
    ...table.stationsM.map((x, s) => [
      text(x),
      text(table.sheer?.[s]?.zM),
      text(table.sheer?.[s]?.yM),
      ...(table.halfBreadthsM[s] ?? []).map(text),
    ]),
  ];
}

/** @throws {RangeError} naming line and column of what cannot be read */
export const fromGrid = (grid: Grid): OffsetTable => readOffsetsCsv(Papa.unparse(grid));

/** What a spreadsheet or a file holds, as a grid; its own first row is the head. */
export const gridOfText = (text: string): Grid =>
  Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data;

/** A table to begin from: the usual curves of the boat's kind at few stations and waterlines, to be written over. */
export function beginningGrid(boat: Parameters<typeof formFromDimensions>[0], unit: GridUnit): Grid {
  const form = formFromDimensions(boat);
  const { loaM, draughtM, freeboardM } = boat.dimensions;
  const stationsM = Array.from({ length: 11 }, (_, i) => Number(((loaM * i) / 10).toFixed(2)));
  const round = (m: number) => Number(m.toFixed(3));
  const waterlinesM = [
    ...[-1, -0.75, -0.5, -0.25, 0].map((u) =>
      round(u * Math.min(draughtM, -(form.waterlinesM[0] as number))),
    ),
    ...[0.35, 0.7].map((u) => round(u * freeboardM)),
  ];
  const sheer = stationsM.map((x) => {
    const at = sheerAt(form, x);
    return at && { zM: round(at.z), yM: round(at.y) };
  });
  const halfBreadthsM = stationsM.map((x, s) =>
    waterlinesM.map((z) => {
      const top = sheer[s]?.zM ?? Infinity;
      if (z > top) return null;
      const column = form.waterlinesM.map((_, w) =>
        lerpAt(
          form.stationsM,
          form.halfBreadthsM.map((row) => row[w] ?? sheer[s]?.yM ?? 0),
          x,
        ),
      );
      return round(lerpAt(form.waterlinesM, column, z));
    }),
  );
  return toGrid({ stationsM, waterlinesM, halfBreadthsM, sheer }, unit);
}

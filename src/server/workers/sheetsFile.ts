import { productInput, readSheetsCsv, strict } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { JobRefused } from './jobRefused.ts';

/** Reads a file of product sheets, all or none. @throws {JobRefused} naming the line at fault */
export function readSheetsFile(csv: string): { name: string; sheet: ProductSheet }[] {
  let rows: ReturnType<typeof readSheetsCsv>;
  try {
    rows = readSheetsCsv(csv);
  } catch (error) {
    throw new JobRefused('csv', (error as Error).message);
  }
  const names = new Set<string>();
  // Any id will do: it is what the border holds the rest of the record against.
  const id = '01900000-0000-7000-8000-000000000000';
  rows.forEach((row, i) => {
    const line = `line ${i + 2}`;
    if (names.has(row.name)) throw new JobRefused('csv', `${line}: “${row.name}” is in the file twice`);
    names.add(row.name);
    const { error } = productInput.validate({ id, ...row }, { ...strict, abortEarly: true });
    if (error) throw new JobRefused('csv', `${line}, ${row.name}: ${error.message}`);
  });
  return rows;
}

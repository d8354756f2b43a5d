import Papa from 'papaparse';
import type { BuyingView } from '../supply/buying.ts';
import type { CostLine } from '../supply/costs.ts';
import type { MovementsView } from '../supply/movement.ts';
import type { LotView } from '../supply/stockView.ts';
import type { Offer, SupplierRecord } from '../supply/trade.ts';
import { readCell, writeCsv } from './safeCsv.ts';

/** Stock tables as CSV: counts and prices can be imported, lists are only exported. */

/** More than a yard has tins or prices; each is a row written. */
const MOST_ROWS = 2000;

/** Rows by their heads, and how to read a cell of them. @throws {RangeError} naming what cannot be read */
function rowsOf(
  csv: string,
  heads: readonly string[],
): { line: number; cell: (head: string) => string; number: (head: string) => number | null }[] {
  // biome-ignore format: one line
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const missing = heads.find((head) => !meta.fields?.includes(head));
  if (missing !== undefined) throw new RangeError(`The file has no column “${missing}”`);
  if (data.length === 0) throw new RangeError('The file has no rows');
  if (data.length > MOST_ROWS)
    throw new RangeError(`The file has ${data.length} rows; the maximum is ${MOST_ROWS}`);
  return data.map((row, i) => {
    const cell = (head: string) => readCell((row[head] ?? '').trim());
    const number = (head: string) => {
      const text = cell(head);
      if (text === '') return null;
      const value = Number(text);
      if (!Number.isFinite(value) || value < 0)
        throw new RangeError(`Line ${i + 2}, ${head}: “${text.slice(0, 40)}” isn’t a number of 0 or more`);
      return value;
    };
    return { line: i + 2, cell, number };
  });
}

/** Every lot with an empty column to count into. */
export const writeCountCsv = (lots: readonly LotView[]): string =>
  writeCsv([
    ['lot', 'product', 'part', 'colour', 'lot number', 'kept where', 'unit', 'book', 'counted'],
    ...lots.map((lot) => [
      lot.id,
      lot.productName,
      lot.part,
      lot.colour,
      lot.code,
      lot.place,
      lot.unit,
      Number(lot.stock.inTin.toFixed(4)),
      null,
    ]),
  ]);

/** Counts as filled in; rows without one are passed over. */
export const readCountCsv = (csv: string): { line: number; lotId: string; counted: number }[] =>
  rowsOf(csv, ['lot', 'counted']).flatMap(({ line, cell, number }) => {
    const counted = number('counted');
    return counted === null ? [] : [{ line, lotId: cell('lot').toLowerCase(), counted }];
  });

/** A price as a file has it: product and supplier by their names, money as a decimal. */
export interface PriceRow {
  line: number;
  product: string;
  part: string | null;
  colour: string | null;
  litres: number;
  price: number;
  supplier: string | null;
}

export const readPricesCsv = (csv: string): PriceRow[] =>
  rowsOf(csv, ['product', 'litres', 'price']).map(({ line, cell, number }) => {
    const [litres, price] = [number('litres'), number('price')];
    if (litres === null || !(litres > 0))
      throw new RangeError(`Line ${line}, litres: must be above 0, but is “${cell('litres')}”`);
    if (price === null) throw new RangeError(`Line ${line}, price: enter a price`);
    return {
      line,
      product: cell('product'),
      part: cell('part') || null,
      colour: cell('colour') || null,
      litres,
      price,
      supplier: cell('supplier') || null,
    };
  });

export const writePricesCsv = (
  offers: readonly Offer[],
  names: {
    product: (id: string) => string;
    suppliers: readonly SupplierRecord[];
    decimal: (minor: number) => number;
  },
): string =>
  writeCsv([
    ['product', 'part', 'colour', 'litres', 'price', 'supplier'],
    ...offers.map(({ productId, part, colour, litres, price, supplierId }) => [
      names.product(productId),
      part,
      colour,
      litres,
      names.decimal(price),
      names.suppliers.find(({ id }) => id === supplierId)?.name ?? null,
    ]),
  ]);

export const writeShoppingCsv = (
  { orders, extras }: BuyingView,
  decimal: (minor: number) => number,
): string =>
  writeCsv([
    ['supplier', 'product', 'part', 'colour', 'pack', 'unit', 'count', 'price', 'order by'],
    ...orders.flatMap((order) =>
      order.lines.map((line) => [
        order.supplierName,
        line.productName,
        line.part,
        line.colour,
        line.litres,
        line.unit,
        line.count,
        decimal(line.price),
        order.orderBy,
      ]),
    ),
    ...extras.map(({ name, amount, unit, cost }) => [
      null,
      name,
      null,
      null,
      Number(amount.toFixed(3)),
      unit,
      1,
      cost === null ? null : decimal(cost),
      null,
    ]),
  ]);

export const writeMovementsCsv = ({ movements }: MovementsView): string =>
  writeCsv([
    ['when', 'what', 'product', 'part', 'colour', 'lot number', 'amount', 'unit', 'note', 'corrected'],
    ...movements.map((each) => [
      each.at,
      each.kind,
      each.productName,
      each.part,
      each.colour,
      each.code,
      each.amount,
      each.unit,
      each.note,
      each.correctedBy === null ? '' : 'yes',
    ]),
  ]);

export const writeCostsCsv = (lines: readonly CostLine[], decimal: (minor: number) => number): string =>
  writeCsv([
    ['area', 'what', 'kind', 'planned', 'so far', 'forecast'],
    ...lines.map((line) => [
      line.areaName,
      line.what,
      line.kind,
      decimal(line.planned),
      decimal(line.soFar),
      decimal(line.forecast),
    ]),
  ]);

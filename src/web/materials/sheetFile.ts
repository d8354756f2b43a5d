import type { Product } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';

/** A product sheet as a file: its shape is published in docs/schemas/product-sheet.schema.json. */
interface SheetFile {
  format: 'jack-plane/product-sheet';
  name: string;
  sheet: ProductSheet;
}

const FORMAT = 'jack-plane/product-sheet';

export const sheetAsJson = ({ name, sheet }: Pick<Product, 'name' | 'sheet'>): string =>
  `${JSON.stringify({ format: FORMAT, name, sheet } satisfies SheetFile, null, 2)}\n`;

/** @throws {RangeError} naming what is wrong with the file */
export async function sheetFromJson(text: string): Promise<Pick<Product, 'name' | 'sheet'>> {
  let file: Partial<SheetFile>;
  try {
    file = JSON.parse(text) as Partial<SheetFile>;
  } catch {
    throw new RangeError('The file isn’t valid JSON');
  }
  if (file.format !== FORMAT || !file.sheet)
    throw new RangeError(`The file isn’t a data sheet in the format ${FORMAT}`);
  const { productSheet, strict } = await import('../../contract/index.ts').catch(() => {
    throw new RangeError('Couldn’t reach the server to check the file. Check the connection and try again');
  });
  const { error, value } = productSheet.validate(file.sheet, strict);
  if (error) throw new RangeError(error.details.map((detail) => detail.message).join('; '));
  return { name: String(file.name ?? '').slice(0, 80), sheet: value as ProductSheet };
}

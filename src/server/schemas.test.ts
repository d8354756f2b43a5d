import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { projectRoot } from './db/places.ts';
import { productSheetSchema } from './schemas.ts';

const file = path.join(projectRoot(), 'docs/schemas/product-sheet.schema.json');

it('the published schema of a product sheet is that of the border (WRITE_SCHEMAS=1 writes it anew)', () => {
  const ours = `${JSON.stringify(productSheetSchema(), null, 2)}\n`;
  if (process.env.WRITE_SCHEMAS) writeFileSync(file, ours);
  expect(readFileSync(file, 'utf8')).toBe(ours);
  const { properties } = productSheetSchema() as {
    properties: { sheet: { required: string[]; type: string } };
  };
  expect(properties.sheet.type).toBe('object');
  for (const field of ['family', 'volumeSolids', 'film', 'cure', 'grounds', 'packs'])
    expect(properties.sheet.required).toContain(field);
});

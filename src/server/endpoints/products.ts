import { v7 as uuidv7 } from 'uuid';
import {
  productInput,
  productReply,
  productsReply,
  productUpdate,
  readSheetsCsv,
  sheetsImport,
  sheetsReadReply,
  writeSheetsCsv,
} from '../../contract/index.ts';
import { t } from '../../words.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { sameRecord } from '../http/problem.ts';
import { recordShifts } from '../memory/shifts.ts';
import {
  addSheet,
  allProducts,
  insertProduct,
  loadCatalogue,
  productById,
  theProduct,
} from '../rows/products.ts';
import type { readSheetsFile } from '../workers/sheetsFile.ts';

export const productEndpoints = [
  read({
    path: '/products',
    summary: 'All product sheets',
    reply: productsReply,
    run: (_asked, { db }) => allProducts(db),
  }),
  read({
    path: '/products/:id',
    summary: 'A product sheet',
    reply: productReply,
    run: ({ params }, { db }) => theProduct(db, params.id),
  }),
  write({
    method: 'post',
    path: '/products',
    summary: 'Add a data sheet',
    body: productInput,
    reply: productReply,
    touches: ['products'],
    creates: {
      what: 'product',
      id: (body) => body.id,
      find: (tx, body) => productById(tx, body.id),
      sent: ({ version: _v, archived: _a, ...sent }) => sent,
    },
    run: async ({ body }, { tx }) => {
      await insertProduct(tx, body);
      return { reply: await theProduct(tx, body.id), changes: [{ of: 'products' }] };
    },
  }),
  handout({
    path: '/products.csv',
    summary: 'Export data sheets as CSV',
    types: ['text/csv'],
    run: async (_asked, { db }) => csvFile(t`product sheets`, writeSheetsCsv(await allProducts(db))),
  }),
  write({
    method: 'post',
    path: '/products/csv',
    summary: 'Import data sheets from CSV (all or none); a known name gets a new version if anything changed',
    body: sheetsImport,
    reply: sheetsReadReply,
    touches: ['products'],
    before: () => 'yard',
    prepare: ({ body }, { jobs }) => jobs.run('sheets', body.csv),
    run: async ({ prepared }, { tx, now, before }) => {
      const rows = prepared as ReturnType<typeof readSheetsFile>;
      const { latest } = await loadCatalogue(tx);
      const known = new Map([...latest.values()].map((each) => [each.name, each]));
      let [added, changed] = [0, 0];
      for (const { name, sheet } of rows) {
        const own = known.get(name);
        // Compared as the file says it: what it cannot tell apart is no change.
        if (own && sameRecord(readSheetsCsv(writeSheetsCsv([own]))[0]?.sheet, sheet)) continue;
        if (own) await addSheet(tx, own, { name, sheet });
        else await insertProduct(tx, { id: uuidv7(), name, sheet });
        if (own) changed++;
        else added++;
      }
      const reply = { added, changed, same: rows.length - added - changed };
      if (changed === 0 || !before) return { reply, changes: [{ of: 'products' }] };
      const cause = t`data sheets imported`;
      const { after } = await recordShifts(tx, { before, now, cause, touched: 'sheets' });
      return { reply, changes: [{ of: 'products' }], air: after.air };
    },
  }),
  write({
    method: 'put',
    path: '/products/:id',
    summary: 'Add a new version of a data sheet',
    body: productUpdate,
    reply: productReply,
    touches: ['products'],
    replaces: { what: 'product', find: (tx, params) => theProduct(tx, params.id) },
    before: () => 'yard',
    run: async ({ params, body }, { tx, now, before }) => {
      await addSheet(tx, await theProduct(tx, params.id), body);
      const wrote = { reply: await theProduct(tx, params.id), changes: [{ of: 'products' as const }] };
      if (!before) return wrote;
      const cause = t`data sheet of ${body.name} changed`;
      const { after } = await recordShifts(tx, { before, now, cause, touched: 'sheets' });
      return { ...wrote, air: after.air };
    },
  }),
];

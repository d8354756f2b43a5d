import { asc, eq } from 'drizzle-orm';
import { Router } from 'express';
import { v7 as uuidv7 } from 'uuid';
import {
  type Product,
  productInput,
  productUpdate,
  readSheetsCsv,
  sheetsImport,
  strict,
  writeSheetsCsv,
} from '../../contract/index.ts';
import { loadShelf } from '../clock/load.ts';
import { recordShifts } from '../clock/shifts.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { product, productSheet } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem, notFound, sameJson } from '../http/problem.ts';
import { accept } from '../http/validate.ts';

async function findProduct(db: Queries, id: string): Promise<Product> {
  const [row] = await db.select().from(product).where(eq(product.id, id));
  const known = row && (await loadShelf(db)).latest.get(id);
  if (!row || !known) throw notFound('product', id);
  return { ...row, sheet: known.sheet };
}

export function productRoutes({ db, live, memory, now }: Context): Router {
  const router = guardIds(Router());

  router.get('/products', async (_req, res) => {
    const shelf = await loadShelf(db);
    const rows = await db.select().from(product).orderBy(asc(product.name));
    const list: Product[] = rows.flatMap((row) => {
      const known = shelf.latest.get(row.id);
      return known ? [{ ...row, sheet: known.sheet }] : [];
    });
    res.json(list);
  });

  router.get('/products/:id', async (req, res) => {
    res.json(await findProduct(db, req.params.id));
  });

  router.post('/products', async (req, res) => {
    const input = accept(productInput, req.body);
    const { made, saved } = await db.transaction(async (tx) => {
      const rows = await tx
        .insert(product)
        .values({ id: input.id, name: input.name })
        .onConflictDoNothing()
        .returning();
      if (rows.length > 0) {
        await tx.insert(productSheet).values({ productId: input.id, version: 1, sheet: input.sheet });
      }
      const record = await findProduct(tx, input.id);
      if (rows.length === 0 && !sameJson(record.sheet, input.sheet)) {
        throw new HttpProblem(409, 'Id taken', `There is another product with the id ${input.id}.`);
      }
      return { made: rows.length > 0, saved: record };
    });
    live.tell('products');
    res.status(made ? 201 : 200).json(saved);
  });

  router.get('/products.csv', async (_req, res) => {
    const { latest } = await loadShelf(db);
    const sheets = [...latest.values()].sort((a, b) => a.name.localeCompare(b.name));
    res.type('text/csv').attachment('product sheets.csv').send(writeSheetsCsv(sheets));
  });

  /** Sheets from CSV, all or none: a name that is known gets its next version, where anything changed. */
  router.post('/products/csv', async (req, res) => {
    const { csv } = accept(sheetsImport, req.body);
    let rows: ReturnType<typeof readSheetsCsv>;
    try {
      rows = readSheetsCsv(csv);
    } catch (error) {
      throw badFields([{ path: 'csv', message: (error as Error).message }]);
    }
    rows.forEach((row, i) => {
      if (rows.findIndex((each) => each.name === row.name) < i) {
        throw badFields([{ path: 'csv', message: `line ${i + 2}: ${row.name} stands twice in the file` }]);
      }
      const { error } = productInput.validate({ id: uuidv7(), ...row }, strict);
      if (error) throw badFields([{ path: 'csv', message: `line ${i + 2}, ${row.name}: ${error.message}` }]);
    });
    const at = now();
    const before = await memory.at(at);
    const found = await db.transaction(async (tx) => {
      const { latest } = await loadShelf(tx);
      const known = new Map([...latest.values()].map((each) => [each.name, each]));
      let [added, changed] = [0, 0];
      for (const { name, sheet } of rows) {
        const own = known.get(name);
        // Compared as the file says it: what it cannot tell apart is no change.
        if (own && sameJson(readSheetsCsv(writeSheetsCsv([own]))[0]?.sheet, sheet)) continue;
        const id = own?.id ?? uuidv7();
        const version = (own?.version ?? 0) + 1;
        if (own) await tx.update(product).set({ version }).where(eq(product.id, id));
        else await tx.insert(product).values({ id, name });
        await tx.insert(productSheet).values({ productId: id, version, sheet });
        if (own) changed++;
        else added++;
      }
      if (changed > 0) {
        await recordShifts(tx, { before, now: at, cause: 'sheets were read from a file', touched: 'sheets' });
      }
      return { added, changed, same: rows.length - added - changed };
    });
    live.tell('products');
    res.json(found);
  });

  /** A changed sheet is a new version; coats laid keep the one they were laid with. */
  router.put('/products/:id', async (req, res) => {
    const input = accept(productUpdate, { ...req.body, id: req.params.id });
    const at = now();
    const before = await memory.at(at);
    const saved = await db.transaction(async (tx) => {
      const current = await findProduct(tx, input.id);
      if (current.version !== input.version) throw conflict('product', current, input);
      const version = current.version + 1;
      await tx.insert(productSheet).values({ productId: input.id, version, sheet: input.sheet });
      await tx.update(product).set({ name: input.name, version }).where(eq(product.id, input.id));
      const cause = `the sheet of ${input.name} was changed`;
      await recordShifts(tx, { before, now: at, cause, touched: 'sheets' });
      return findProduct(tx, input.id);
    });
    live.tell('products');
    res.json(saved);
  });
  return router;
}

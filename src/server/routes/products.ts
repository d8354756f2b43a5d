import { asc, eq } from 'drizzle-orm';
import { Router } from 'express';
import { type Product, productInput, productUpdate } from '../../contract/index.ts';
import { loadShelf } from '../clock/load.ts';
import { recordShifts } from '../clock/shifts.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { product, productSheet } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { conflict, HttpProblem, notFound, sameJson } from '../http/problem.ts';
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

import { eq } from 'drizzle-orm';
import { Router } from 'express';
import { IANAZone } from 'luxon';
import { type Yard, yardInput } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { yard } from '../db/schema.ts';
import { badFields, conflict, HttpProblem } from '../http/problem.ts';
import { accept } from '../http/validate.ts';

/** The one yard of this data folder. */
export async function theYard(db: Queries): Promise<Yard> {
  const [row] = await db.select().from(yard).limit(1);
  if (!row) throw new HttpProblem(500, 'Server error', 'The data folder has no yard.');
  const { demoLaidAt, ...rest } = row;
  return { ...rest, demo: demoLaidAt !== null };
}

export function yardRoutes({ db, live }: Context): Router {
  const router = Router();
  router.get('/yard', async (_req, res) => {
    res.json(await theYard(db));
  });
  router.put('/yard', async (req, res) => {
    const input = accept(yardInput, req.body);
    if (!IANAZone.isValidZone(input.zone)) {
      throw badFields([{ path: 'zone', message: `time zone "${input.zone}" is not a known zone` }]);
    }
    const saved = await db.transaction(async (tx) => {
      const current = await theYard(tx);
      if (current.version !== input.version) throw conflict('yard', current, input);
      await tx
        .update(yard)
        .set({ ...input, version: current.version + 1 })
        .where(eq(yard.id, current.id));
      return theYard(tx);
    });
    live.tell('yard');
    res.json(saved);
  });
  return router;
}

import { asc, eq } from 'drizzle-orm';
import { Router } from 'express';
import { type OwnTemplate, ownTemplate as ownTemplateSchema } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import { ownTemplate } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { accept } from '../http/validate.ts';

/** Stacks kept under a name of the yard's own. */
export function templateRoutes({ db, live }: Context): Router {
  const router = guardIds(Router());
  router.get('/templates', async (_req, res) => {
    const rows = await db
      .select()
      .from(ownTemplate)
      .where(eq(ownTemplate.archived, false))
      .orderBy(asc(ownTemplate.name));
    res.json(rows.map(({ archived: _, ...row }): OwnTemplate => row));
  });
  router.post('/templates', async (req, res) => {
    const input = accept(ownTemplateSchema, req.body);
    const rows = await db.insert(ownTemplate).values(input).onConflictDoNothing().returning();
    live.tell('stacks');
    res.status(rows.length ? 201 : 200).json(input);
  });
  const setArchived = (archived: boolean) => async (id: string) => {
    await db.update(ownTemplate).set({ archived }).where(eq(ownTemplate.id, id));
    live.tell('stacks');
  };
  router.delete('/templates/:id', async (req, res) => {
    await setArchived(true)(req.params.id);
    res.status(204).end();
  });
  router.post('/templates/:id/restore', async (req, res) => {
    await setArchived(false)(req.params.id);
    res.status(204).end();
  });
  return router;
}

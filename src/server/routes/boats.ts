import { eq } from 'drizzle-orm';
import { Router } from 'express';
import { type Boat, type BoatInput, type BoatView, boatInput, boatUpdate } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { toBoat } from '../db/rows.ts';
import { boat } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { conflict, HttpProblem, notFound, sameJson } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { NO_FORM, shapeOf } from '../hull/shape.ts';
import { surveyOf } from '../hull/survey.ts';

export async function findBoat(db: Queries, id: string): Promise<Boat> {
  const [row] = await db.select().from(boat).where(eq(boat.id, id));
  if (!row) throw notFound('boat', id);
  return toBoat(row);
}

const columns = ({ dimensions, name, kind, note }: BoatInput) => ({ name, kind, note, ...dimensions });

export function boatRoutes({ db, live, memory, now }: Context): Router {
  const router = guardIds(Router());

  router.get('/boats', async (_req, res) => {
    res.json((await db.select().from(boat)).map(toBoat));
  });

  router.post('/boats', async (req, res) => {
    const input = accept(boatInput, req.body);
    const { made, saved } = await db.transaction(async (tx) => {
      const rows = await tx
        .insert(boat)
        .values({ id: input.id, ...columns(input) })
        .onConflictDoNothing()
        .returning();
      const record = await findBoat(tx, input.id);
      if (rows.length === 0 && !sameJson(columns(record), columns(input))) {
        throw new HttpProblem(409, 'Id taken', `There is another boat with the id ${input.id}.`);
      }
      return { made: rows.length > 0, saved: record };
    });
    live.tell('boats');
    res.status(made ? 201 : 200).json(saved);
  });

  router.get('/boats/:id', async (req, res) => {
    const record = await findBoat(db, req.params.id);
    const { states, clocks } = await memory.some(now(), { boatId: record.id });
    const shape = (await memory.shapes()).get(record.id) ?? shapeOf(NO_FORM);
    const view: BoatView = {
      boat: record,
      areas: states.map((s) => s.area),
      clocks: [...clocks],
      ...(await surveyOf(db, record.id)),
      form: shape.table,
      formSource: shape.source,
    };
    res.json(view);
  });

  router.put('/boats/:id', async (req, res) => {
    const input = accept(boatUpdate, { ...req.body, id: req.params.id });
    const saved = await db.transaction(async (tx) => {
      const current = await findBoat(tx, input.id);
      if (current.version !== input.version) throw conflict('boat', current, input);
      await tx
        .update(boat)
        .set({ ...columns(input), version: current.version + 1 })
        .where(eq(boat.id, input.id));
      return findBoat(tx, input.id);
    });
    live.tell('boats');
    res.json(saved);
  });

  /** Taken off the slip, with its record kept: can be brought back. */
  const setArchived = (archived: boolean) => async (id: string) => {
    await findBoat(db, id);
    await db.update(boat).set({ archived }).where(eq(boat.id, id));
    live.tell('boats');
  };
  router.delete('/boats/:id', async (req, res) => {
    await setArchived(true)(req.params.id);
    res.status(204).end();
  });
  router.post('/boats/:id/restore', async (req, res) => {
    await setArchived(false)(req.params.id);
    res.json(await findBoat(db, req.params.id));
  });
  return router;
}

import { createReadStream } from 'node:fs';
import { eq } from 'drizzle-orm';
import { Router } from 'express';
import { type FormView, type HullForm, hullFormInput, writeOffsetsCsv } from '../../contract/index.ts';
import { checkOffsets, formFromDimensions, LARGEST_MESH_BYTES } from '../../core/hull/index.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { toArea } from '../db/rows.ts';
import { area, hullForm } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem, notFound } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { NO_FORM, shapeOf } from '../hull/shape.ts';
import { findBoat } from './boats.ts';

type Row = typeof hullForm.$inferSelect;

/** A boat's shape: table of offsets, mesh with its file, and which of them counts. */
export function formRoutes({ db, live, files }: Context): Router {
  const router = guardIds(Router());
  const meshFile = (boatId: string) => `${boatId}.mesh`;

  const read = async (tx: Queries, boatId: string): Promise<HullForm> => {
    const [row]: (Row | undefined)[] = await tx.select().from(hullForm).where(eq(hullForm.boatId, boatId));
    return { ...(row ?? NO_FORM), boatId, meshKept: await files.has(meshFile(boatId)) };
  };

  router.get('/boats/:id/form', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const form = await read(db, boat.id);
    const areas = await db.select().from(area).where(eq(area.boatId, boat.id));
    const view: FormView = {
      boat,
      form,
      source: shapeOf(form).source,
      areas: areas.map(toArea).filter((each) => !each.archived),
    };
    res.json(view);
  });

  router.put('/boats/:id/form', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const input = accept(hullFormInput, req.body);
    for (const [path, table] of [
      ['offsets', input.offsets],
      ['mesh.table', input.mesh?.table],
    ] as const) {
      try {
        if (table) checkOffsets(table);
      } catch (error) {
        throw badFields([{ path, message: (error as Error).message }]);
      }
    }
    const saved = await db.transaction(async (tx) => {
      const current = await read(tx, boat.id);
      if (current.version !== input.version) throw conflict('hull form', current, input);
      const values = { ...input, version: current.version + 1 };
      await tx
        .insert(hullForm)
        .values({ boatId: boat.id, ...values })
        .onConflictDoUpdate({ target: hullForm.boatId, set: values });
      return read(tx, boat.id);
    });
    if (saved.mesh === null) await files.remove(meshFile(boat.id));
    live.tell('form');
    res.json(saved);
  });

  router.get('/boats/:id/offsets.csv', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const form = await read(db, boat.id);
    const { table } = shapeOf(form);
    res
      .type('text/csv')
      .attachment(`${boat.name} offsets.csv`)
      .send(writeOffsetsCsv(table ?? formFromDimensions(boat)));
  });

  /** The mesh's file, kept as it came: written beside the database, whole or not at all. */
  router.put('/boats/:id/mesh', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    if (Number(req.get('content-length') ?? 0) > LARGEST_MESH_BYTES) {
      throw new HttpProblem(413, 'Too large', 'The mesh is larger than 300 MB.');
    }
    await files.write(meshFile(boat.id), req, LARGEST_MESH_BYTES);
    res.status(204).end();
  });
  router.get('/boats/:id/mesh', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const form = await read(db, boat.id);
    if (!form.mesh || !form.meshKept) throw notFound('mesh of', boat.name);
    res.type('application/octet-stream').attachment(form.mesh.fileName);
    const stream = createReadStream(files.path(meshFile(boat.id)));
    stream.on('error', (error) => res.destroy(error)).pipe(res);
  });
  return router;
}

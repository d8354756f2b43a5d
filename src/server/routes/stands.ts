import { eq } from 'drizzle-orm';
import { Router } from 'express';
import { type AreaInput, type Stand, standUpdate, standWithPatches } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { areaColumns, toArea, toStand } from '../db/rows.ts';
import { area, stand } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem, notFound, sameJson } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { findBoat } from './boats.ts';

async function findStand(db: Queries, id: string): Promise<Stand> {
  const [row] = await db.select().from(stand).where(eq(stand.id, id));
  if (!row) throw notFound('stand', id);
  return toStand(row);
}

/** Stands, and the patches they hide: set down together, shifted, taken back. */
export function standRoutes({ db, live, now }: Context): Router {
  const router = guardIds(Router());

  router.post('/stands', async (req, res) => {
    const { stand: input, patches } = accept(standWithPatches, req.body);
    await findBoat(db, input.boatId);
    const { made, saved } = await db.transaction(async (tx) => {
      const rows = await tx.insert(stand).values(input).onConflictDoNothing().returning();
      const record = await findStand(tx, input.id);
      if (rows.length === 0) {
        const { version: _v, archived: _a, shiftedAt: _s, ...rest } = record;
        if (!sameJson(rest, input))
          throw new HttpProblem(409, 'Id taken', `There is another stand ${input.id}.`);
        return { made: false, saved: record };
      }
      for (const [i, patch] of patches.entries()) {
        const [row] = await tx.select().from(area).where(eq(area.id, patch.areaId));
        if (row?.boatId !== input.boatId) {
          throw badFields([{ path: `patches.${i}.areaId`, message: 'there is no such area on this boat' }]);
        }
        const { id: _i, version: _v, archived: _a, ...origin } = toArea(row);
        const share = 1 / patches.length;
        const hidden: AreaInput = {
          ...origin,
          id: patch.id,
          name: `${origin.name}, under ${input.name}`.slice(0, 80),
          side: input.side === 'centre' ? origin.side : input.side,
          measures: [
            {
              shape: { kind: 'rectangle', lengthM: input.lengthM * share, widthM: input.widthM },
              count: 1,
              opening: false,
              note: 'pad',
            },
          ],
          spread: 0.05,
          estimates: [],
          chosenWay: null,
          note: '',
          part: {
            areaId: patch.areaId,
            kind: 'patch',
            standId: input.id,
            sharesSystem: true,
            at: new Date(now()).toISOString(),
          },
        };
        await tx.insert(area).values(areaColumns(hidden));
      }
      return { made: true, saved: record };
    });
    live.tell('areas');
    res.status(made ? 201 : 200).json(saved);
  });

  router.put('/stands/:id', async (req, res) => {
    const input = accept(standUpdate, { ...req.body, id: req.params.id });
    const saved = await db.transaction(async (tx) => {
      const current = await findStand(tx, input.id);
      if (current.version !== input.version) throw conflict('stand', current, input);
      await tx
        .update(stand)
        .set({ ...input, version: current.version + 1 })
        .where(eq(stand.id, input.id));
      return findStand(tx, input.id);
    });
    live.tell('areas');
    res.json(saved);
  });

  /** Shifted away now, or put back where it stood. Asking twice changes nothing. */
  const setShifted = (shifted: boolean) => async (id: string) => {
    const current = await findStand(db, id);
    if ((current.shiftedAt !== null) !== shifted) {
      const shiftedAt = shifted ? new Date(now()) : null;
      await db
        .update(stand)
        .set({ shiftedAt, version: current.version + 1 })
        .where(eq(stand.id, id));
    }
    live.tell('areas');
    return findStand(db, id);
  };
  router.post('/stands/:id/shift', async (req, res) => {
    res.json(await setShifted(true)(req.params.id));
  });
  router.post('/stands/:id/put-back', async (req, res) => {
    res.json(await setShifted(false)(req.params.id));
  });

  /** A stand taken off the list takes its patches with it, and brings them back. */
  const setArchived = (archived: boolean) => async (id: string) => {
    await findStand(db, id);
    await db.transaction(async (tx) => {
      await tx.update(stand).set({ archived }).where(eq(stand.id, id));
      const rows = await tx.select().from(area);
      for (const row of rows) {
        if (row.part?.standId === id) await tx.update(area).set({ archived }).where(eq(area.id, row.id));
      }
    });
    live.tell('areas');
  };
  router.delete('/stands/:id', async (req, res) => {
    await setArchived(true)(req.params.id);
    res.status(204).end();
  });
  router.post('/stands/:id/restore', async (req, res) => {
    await setArchived(false)(req.params.id);
    res.json(await findStand(db, req.params.id));
  });
  return router;
}

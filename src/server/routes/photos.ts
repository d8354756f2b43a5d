import { eq } from 'drizzle-orm';
import express, { Router } from 'express';
import type { Context } from '../context.ts';
import { photo } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { HttpProblem, notFound } from '../http/problem.ts';
import { findBoat } from './boats.ts';

const KINDS = ['image/jpeg', 'image/png', 'image/webp'];
const LARGEST = 12 * 1024 * 1024;

/** What the first bytes say a picture is: the sender's word for it is not enough. */
function kindOf(bytes: Buffer): string | null {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg';
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return 'image/png';
  if (bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP')
    return 'image/webp';
  return null;
}

/** Photographs of findings: sent once under an id of the sender's, never changed. */
export function photoRoutes({ db, now }: Context): Router {
  const router = guardIds(Router());
  router.put('/boats/:id/photos/:photoId', express.raw({ type: KINDS, limit: LARGEST }), async (req, res) => {
    await findBoat(db, req.params.id);
    const body: unknown = req.body;
    const mime = Buffer.isBuffer(body) ? kindOf(body) : null;
    if (!Buffer.isBuffer(body) || mime === null) {
      throw new HttpProblem(415, 'Not a picture', 'A photograph is a JPEG, PNG or WebP of up to 12 MB.');
    }
    const values = {
      id: req.params.photoId,
      boatId: req.params.id,
      mime,
      bytes: body,
      takenAt: new Date(now()),
    };
    const rows = await db.insert(photo).values(values).onConflictDoNothing().returning({ id: photo.id });
    res.status(rows.length ? 201 : 200).json({ id: req.params.photoId });
  });
  router.get('/photos/:id', async (req, res) => {
    const [row] = await db.select().from(photo).where(eq(photo.id, req.params.id));
    if (!row) throw notFound('photo', req.params.id);
    res
      .set('cache-control', 'private, max-age=31536000, immutable')
      .type(row.mime)
      .send(Buffer.from(row.bytes));
  });
  return router;
}

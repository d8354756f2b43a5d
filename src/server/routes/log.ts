import { desc, eq } from 'drizzle-orm';
import { Router } from 'express';
import {
  type CoatBody,
  type Entry,
  type EntryInput,
  entryInput,
  type LogView,
} from '../../contract/index.ts';
import { loadShelf } from '../clock/load.ts';
import { recordShifts } from '../clock/shifts.ts';
import type { Context } from '../context.ts';
import type { Queries, Tx } from '../db/open.ts';
import { toArea, toEntry } from '../db/rows.ts';
import { area, logEntry } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, HttpProblem, notFound, sameJson } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { findBoat } from './boats.ts';

/** Nothing is logged further ahead than this: a clock set wrong is likelier than a coat from the future. */
const AHEAD_MS = 60 * 60_000;
const LONGEST_COAT_MS = 48 * 3_600_000;

async function findEntry(db: Queries, id: string): Promise<Entry | undefined> {
  const [row] = await db.select().from(logEntry).where(eq(logEntry.id, id));
  if (!row) return undefined;
  const [by] = await db.select({ id: logEntry.id }).from(logEntry).where(eq(logEntry.corrects, id));
  return toEntry(row, by?.id ?? null);
}

function checkTimes(input: EntryInput, now: number): void {
  const at = Date.parse(input.at);
  if (Number.isNaN(at)) throw badFields([{ path: 'at', message: `start "${input.at}" is not a time` }]);
  if (at > now + AHEAD_MS) {
    throw badFields([{ path: 'at', message: `start ${input.at} is in the future` }]);
  }
  if (input.kind !== 'coat') return;
  const end = Date.parse(input.body.endedAt);
  const wrong = (message: string) => badFields([{ path: 'body.endedAt', message }]);
  if (Number.isNaN(end)) throw wrong(`end "${input.body.endedAt}" is not a time`);
  if (end < at) throw wrong(`end ${input.body.endedAt} is before the start ${input.at}`);
  if (end - at > LONGEST_COAT_MS) throw wrong(`end ${input.body.endedAt} is more than 48 h after the start`);
  if (end > now + AHEAD_MS) throw wrong(`end ${input.body.endedAt} is in the future`);
}

async function checkReferences(tx: Tx, input: EntryInput): Promise<void> {
  if (input.kind === 'batch' || input.kind === 'coat') {
    const { productId, sheetVersion } = input.body;
    if (!(await loadShelf(tx)).sheetOf(productId, sheetVersion)) {
      const message = `there is no version ${sheetVersion} of product ${productId}`;
      throw badFields([{ path: 'body.sheetVersion', message }]);
    }
  }
  if (input.kind === 'batch-end') {
    const batch = await findEntry(tx, input.body.batchId);
    if (batch?.kind !== 'batch' || batch.areaId !== input.areaId) {
      throw badFields([
        { path: 'body.batchId', message: `there is no batch ${input.body.batchId} on this area` },
      ]);
    }
  }
  if (input.kind === 'strike' && !input.corrects) {
    throw badFields([{ path: 'corrects', message: 'a strike must name the entry it strikes out' }]);
  }
  if (!input.corrects) return;
  const old = await findEntry(tx, input.corrects);
  if (!old || old.areaId !== input.areaId) {
    throw badFields([{ path: 'corrects', message: `there is no entry ${input.corrects} on this area` }]);
  }
  if (input.kind !== 'strike' && old.kind !== input.kind) {
    throw badFields([
      { path: 'corrects', message: `a ${input.kind} cannot take the place of a ${old.kind}` },
    ]);
  }
  if (old.correctedBy) {
    const current = await findEntry(tx, old.correctedBy);
    throw new HttpProblem(
      409,
      'Corrected meanwhile',
      'This entry was corrected elsewhere since you opened it.',
      {
        current,
      },
    );
  }
}

const CAUSES: Record<EntryInput['kind'], string> = {
  coat: 'a coat was corrected',
  batch: 'a batch was logged',
  'batch-end': 'a pot was emptied',
  tape: 'the leave-bare list was ticked',
  blast: 'the steel was blasted',
  work: 'work before the coat was ticked',
  note: 'a note was written',
  strike: 'an entry was struck out',
};

export function logRoutes({ db, live, memory, now }: Context): Router {
  const router = guardIds(Router());

  /** Appends. The client makes the id, so sending the same entry twice changes nothing. */
  router.post('/log', async (req, res) => {
    const input = accept(entryInput, req.body) as EntryInput;
    const time = now();
    checkTimes(input, time);
    // Asked for before the transaction, which holds the one connection there is.
    const before = input.corrects ? await memory.some(time, { areaId: input.areaId }) : null;
    const { made, saved } = await db.transaction(async (tx) => {
      const known = await findEntry(tx, input.id);
      if (known) {
        const { boatId: _b, recordedAt: _r, correctedBy: _c, at, ...rest } = known;
        const { at: sentAt, ...sent } = input;
        if (Date.parse(at) !== Date.parse(sentAt) || !sameJson(rest, sent)) {
          throw new HttpProblem(409, 'Id taken', `There is another entry with the id ${input.id}.`);
        }
        return { made: false, saved: known };
      }
      const [place] = await tx.select().from(area).where(eq(area.id, input.areaId));
      if (!place) throw notFound('area', input.areaId);
      await checkReferences(tx, input);
      const { id, areaId, kind, body, corrects } = input;
      const row = { id, areaId, kind, body, corrects, boatId: place.boatId, at: new Date(input.at) };
      await tx.insert(logEntry).values({ ...row, recordedAt: new Date(time) });
      if (before) await recordShifts(tx, { before, now: time, cause: CAUSES[kind], touched: { areaId } });
      return { made: true, saved: (await findEntry(tx, id)) as Entry };
    });
    live.tell('log', input.areaId);
    res.status(made ? 201 : 200).json(saved);
  });

  router.get('/boats/:id/log', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const areas = await db.select().from(area).where(eq(area.boatId, boat.id));
    const rows = await db
      .select()
      .from(logEntry)
      .where(eq(logEntry.boatId, boat.id))
      .orderBy(desc(logEntry.at), desc(logEntry.recordedAt))
      .limit(2000);
    const correctedBy = new Map(
      rows.flatMap((row) => (row.corrects ? [[row.corrects, row.id] as const] : [])),
    );
    const entries = rows.map((row) => toEntry(row, correctedBy.get(row.id) ?? null));
    const shelf = await loadShelf(db);
    const used = new Set(
      entries.flatMap((e) =>
        e.kind === 'coat' || e.kind === 'batch' ? [(e.body as CoatBody).productId] : [],
      ),
    );
    const products: LogView['products'] = {};
    for (const id of used) {
      const known = shelf.latest.get(id);
      if (known) {
        products[id] = { name: known.name, volumeSolids: known.sheet.volumeSolids, version: known.version };
      }
    }
    const { clocks, states } = await memory.some(now(), { boatId: boat.id });
    const shape = (await memory.shapes()).get(boat.id);
    const view: LogView = {
      boat,
      areas: areas.map(toArea),
      clocks: [...clocks],
      form: shape?.table ?? null,
      entries,
      overruled: states.flatMap((state) =>
        state.steps.flatMap(({ overrule, productId }) =>
          overrule
            ? [
                {
                  areaId: state.area.id,
                  productName: shelf.latest.get(productId)?.name ?? 'a product',
                  ...overrule,
                },
              ]
            : [],
        ),
      ),
      products,
    };
    res.json(view);
  });

  router.get('/log/:id', async (req, res) => {
    const entry = await findEntry(db, req.params.id);
    if (!entry) throw notFound('entry', req.params.id);
    res.json(entry);
  });

  return router;
}

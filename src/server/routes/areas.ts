import { eq } from 'drizzle-orm';
import { Router } from 'express';
import {
  type Area,
  type AreaClock,
  type AreaInput,
  areaInput,
  areasInput,
  areaUpdate,
  type ClockDetail,
  estimatesInput,
} from '../../contract/index.ts';
import { surfaceTempC } from '../../core/air/index.ts';
import { HOUR_MS, type SplicedHour } from '../../core/cure/index.ts';
import { areaFromMeasures } from '../../core/hull/index.ts';
import { toWeatherHour } from '../clock/air.ts';
import { recordShifts, shiftsOf } from '../clock/shifts.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { areaColumns, toArea } from '../db/rows.ts';
import { area, stand } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem, notFound, sameJson } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { findBoat } from './boats.ts';

async function findArea(db: Queries, id: string): Promise<Area> {
  const [row] = await db.select().from(area).where(eq(area.id, id));
  if (!row) throw notFound('area', id);
  return toArea(row);
}

/** The core has the last word on measures: it throws naming the line at fault. */
function checkMeasures(input: AreaInput): void {
  if (input.measures.length === 0) return;
  try {
    areaFromMeasures({ measures: input.measures, spread: input.spread });
  } catch (error) {
    throw badFields([{ path: 'measures', message: (error as Error).message }]);
  }
}

/** The air that this film has seen and will see; for a bare area that of the last days. */
function fromLaying(hours: readonly SplicedHour[], clock: AreaClock): readonly SplicedHour[] {
  const laid = clock.film ? Date.parse(clock.film.laidFrom) : Number.POSITIVE_INFINITY;
  const from = hours.findIndex((hour) => hour.at >= laid - 12 * HOUR_MS);
  return from < 0 ? hours.slice(-20 * 24) : hours.slice(from);
}

function withoutMeta({ version: _v, ...input }: AreaInput & { version?: number }) {
  return input;
}

/** What it was cut out of must be an area of the same boat, and not itself a part; a patch needs its stand. */
async function checkPart(db: Queries, input: AreaInput): Promise<void> {
  const { part } = input;
  if (!part) return;
  const [origin] = await db.select().from(area).where(eq(area.id, part.areaId));
  const wrong = (path: string, message: string) => badFields([{ path: `part.${path}`, message }]);
  if (origin?.boatId !== input.boatId) throw wrong('areaId', 'there is no such area on this boat');
  if (origin.id === input.id || origin.partOf === input.id)
    throw wrong('areaId', 'an area cannot be cut out of itself');
  if (part.standId === null) return;
  const [over] = await db.select().from(stand).where(eq(stand.id, part.standId));
  if (over?.boatId !== input.boatId) throw wrong('standId', 'there is no such stand under this boat');
}

export function areaRoutes({ db, live, memory, now }: Context): Router {
  const router = guardIds(Router());

  router.post('/areas', async (req, res) => {
    const input = accept(areaInput, req.body);
    checkMeasures(input);
    await findBoat(db, input.boatId);
    const { made, saved } = await db.transaction(async (tx) => {
      await checkPart(tx, input);
      const rows = await tx.insert(area).values(areaColumns(input)).onConflictDoNothing().returning();
      const record = await findArea(tx, input.id);
      const { version: _v, archived: _a, ...rest } = record;
      if (rows.length === 0 && !sameJson(rest, input)) {
        throw new HttpProblem(409, 'Id taken', `There is another area with the id ${input.id}.`);
      }
      return { made: rows.length > 0, saved: record };
    });
    live.tell('areas');
    res.status(made ? 201 : 200).json(saved);
  });

  /** A whole set of areas of one boat, all or none. */
  router.post('/boats/:id/areas', async (req, res) => {
    const { areas } = accept(areasInput, req.body);
    areas.forEach((input, i) => {
      checkMeasures(input);
      if (input.boatId !== req.params.id) {
        throw badFields([{ path: `areas.${i}.boatId`, message: 'an area of another boat' }]);
      }
    });
    await findBoat(db, req.params.id);
    await db.transaction(async (tx) => {
      for (const input of areas) await checkPart(tx, input);
      await tx.insert(area).values(areas.map(areaColumns)).onConflictDoNothing();
    });
    live.tell('areas');
    res.status(201).json(areas.map((input) => input.id));
  });

  /** What a form or a mesh gives for several areas: all or none. */
  router.post('/boats/:id/estimates', async (req, res) => {
    const { estimates } = accept(estimatesInput, req.body);
    await findBoat(db, req.params.id);
    await db.transaction(async (tx) => {
      for (const [i, { areaId, ...estimate }] of estimates.entries()) {
        const current = await findArea(tx, areaId);
        if (current.boatId !== req.params.id) {
          throw badFields([{ path: `estimates.${i}.areaId`, message: 'an area of another boat' }]);
        }
        const others = current.estimates.filter((each) => each.way !== estimate.way);
        await tx
          .update(area)
          .set({ estimates: [...others, estimate], version: current.version + 1 })
          .where(eq(area.id, areaId));
      }
    });
    live.tell('areas');
    res.json(estimates.map((each) => each.areaId));
  });

  router.get('/areas/:id', async (req, res) => {
    res.json(await findArea(db, req.params.id));
  });

  router.put('/areas/:id', async (req, res) => {
    const input = accept(areaUpdate, { ...req.body, id: req.params.id });
    checkMeasures(input);
    const at = now();
    const before = await memory.some(at, { areaId: input.id });
    const saved = await db.transaction(async (tx) => {
      const current = await findArea(tx, input.id);
      if (current.version !== input.version) throw conflict('area', current, input);
      if (current.boatId !== input.boatId) {
        throw badFields([{ path: 'boatId', message: 'an area cannot be moved to another boat' }]);
      }
      await checkPart(tx, input);
      await tx
        .update(area)
        .set({ ...areaColumns(withoutMeta(input)), version: current.version + 1 })
        .where(eq(area.id, input.id));
      const cause = `${input.name} was changed`;
      await recordShifts(tx, { before, now: at, cause, touched: { areaId: input.id } });
      return findArea(tx, input.id);
    });
    // A part changes what is left of the area it came from.
    if (saved.part || before.states.some((state) => state.cutM2 > 0)) live.tell('areas');
    else live.tell('areas', input.id);
    res.json(saved);
  });

  router.delete('/areas/:id', async (req, res) => {
    await findArea(db, req.params.id);
    await db.update(area).set({ archived: true }).where(eq(area.id, req.params.id));
    live.tell('areas');
    res.status(204).end();
  });
  router.post('/areas/:id/restore', async (req, res) => {
    await findArea(db, req.params.id);
    await db.update(area).set({ archived: false }).where(eq(area.id, req.params.id));
    live.tell('areas');
    res.json(await findArea(db, req.params.id));
  });

  router.get('/areas/:id/clock', async (req, res) => {
    const at = now();
    const { states, clocks, hours } = await memory.some(at, { areaId: req.params.id });
    const [state] = states;
    const [clock] = clocks;
    if (!state || !clock) throw notFound('area', req.params.id);
    const detail: ClockDetail = {
      clock,
      now: new Date(at).toISOString(),
      hours: fromLaying(hours, clock).map((hour) => ({
        ...toWeatherHour(hour),
        filmC: surfaceTempC(hour, state.area.surroundings),
      })),
      shifts: await shiftsOf(db, req.params.id),
    };
    res.json(detail);
  });
  return router;
}

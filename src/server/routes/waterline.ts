import { and, eq } from 'drizzle-orm';
import { Router } from 'express';
import { v7 as uuidv7 } from 'uuid';
import {
  type AreaInput,
  type Boat,
  type Estimate,
  type FormSource,
  type Waterline,
  waterlineInput,
  writeMarksCsv,
  writeSheetCsv,
} from '../../contract/index.ts';
import { MESH_SPREAD, OFFSETS_SPREAD, RULE_SPREAD } from '../../core/hull/index.ts';
import { type StruckLine, strikeLine } from '../../core/waterline/index.ts';
import type { Context } from '../context.ts';
import type { Queries, Tx } from '../db/open.ts';
import { areaColumns, toArea } from '../db/rows.ts';
import { area, waterline } from '../db/schema.ts';
import { markSheetPdf } from '../formats/markSheetPdf.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { formOf } from '../hull/shape.ts';
import { findBoat } from './boats.ts';

/** A line not yet begun: the trade's usual figures to start from. */
const fresh = (boatId: string): Waterline => ({
  boatId,
  datum: 'laser',
  oldLine: 'unknown',
  marks: [],
  heelDeg: null,
  markErrorMm: 3,
  addedKg: 0,
  densityKgM3: 1025,
  waterplaneM2: null,
  slopMm: 50,
  stationStepM: 0.5,
  madeMarks: [],
  stiffness: 0.5,
  useFair: false,
  stripe: { gapMm: 20, heightMm: 60, bowSweepMm: 0, sternSweepMm: 0 },
  note: '',
  version: 0,
});

export async function findWaterline(db: Queries, boatId: string): Promise<Waterline> {
  const [row] = await db.select().from(waterline).where(eq(waterline.boatId, boatId));
  return row ? { ...row.plan, boatId, version: row.version } : fresh(boatId);
}

const WAYS: Record<FormSource, { way: Estimate['way']; spread: number; said: string }> = {
  dimensions: { way: 'rule', spread: RULE_SPREAD, said: 'hull form by dimensions' },
  offsets: { way: 'offsets', spread: OFFSETS_SPREAD, said: 'table of offsets' },
  mesh: { way: 'mesh', spread: MESH_SPREAD, said: 'surface mesh' },
};

/** The struck stripe's m² go to the boat's boot-stripe area: made where there is none. */
async function feedStripe(tx: Tx, boat: Boat, source: FormSource, areaM2: number): Promise<void> {
  const { way, spread, said } = WAYS[source];
  const estimate: Estimate = {
    way,
    areaM2: Number(areaM2.toFixed(3)),
    spread,
    basis: `stripe as struck on the waterline, ${said}`,
  };
  const rows = await tx
    .select()
    .from(area)
    .where(and(eq(area.boatId, boat.id), eq(area.zone, 'boot-stripe'), eq(area.archived, false)));
  const [known] = rows.map(toArea).filter((each) => each.side === 'both' && each.part === null);
  if (known) {
    const estimates = [...known.estimates.filter((each) => each.way !== way), estimate];
    await tx
      .update(area)
      .set({ estimates, version: known.version + 1 })
      .where(eq(area.id, known.id));
    return;
  }
  if (rows.length > 0) return;
  const [topsides] = (await tx.select().from(area).where(eq(area.boatId, boat.id))).filter(
    (row) => row.zone === 'topsides',
  );
  const input: AreaInput = {
    id: uuidv7(),
    boatId: boat.id,
    name: 'Boot stripe',
    zone: 'boot-stripe',
    side: 'both',
    substrate: topsides?.substrate ?? 'existing-paint',
    service: 'splash',
    surroundings: topsides?.surroundings ?? { kind: 'open' },
    oldCoating: null,
    highWear: false,
    part: null,
    measures: [],
    spread: 0.05,
    estimates: [estimate],
    chosenWay: null,
    note: '',
  };
  await tx.insert(area).values(areaColumns(input));
}

/** A boat's line: kept, struck by the core, printed and handed out. */
export function waterlineRoutes({ db, live }: Context): Router {
  const router = guardIds(Router());

  router.get('/boats/:id/waterline', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    res.json(await findWaterline(db, boat.id));
  });

  router.put('/boats/:id/waterline', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const input = accept(waterlineInput, req.body);
    const { table, source } = await formOf(db, boat);
    let struck: StruckLine | null = null;
    // Marks may be taken one by one: a line with too few to fix a plane is kept, only not struck.
    if (input.marks.length >= (input.heelDeg === null ? 3 : 2)) {
      try {
        struck = strikeLine({ form: table, plan: input });
      } catch (error) {
        throw badFields([{ path: '', message: (error as Error).message }]);
      }
    }
    const saved = await db.transaction(async (tx) => {
      const current = await findWaterline(tx, boat.id);
      if (current.version !== input.version) throw conflict('waterline', current, input);
      const { version: _v, ...plan } = input;
      const values = { plan, version: current.version + 1 };
      await tx
        .insert(waterline)
        .values({ boatId: boat.id, ...values })
        .onConflictDoUpdate({ target: waterline.boatId, set: values });
      if (struck?.stripe) await feedStripe(tx, boat, source, struck.stripe.areaM2);
      return findWaterline(tx, boat.id);
    });
    live.tell('areas');
    live.tell('form');
    res.json(saved);
  });

  const struckOf = async (
    id: string,
  ): Promise<{ boat: Boat; plan: Waterline; struck: StruckLine; source: FormSource }> => {
    const boat = await findBoat(db, id);
    const plan = await findWaterline(db, boat.id);
    const { table, source } = await formOf(db, boat);
    try {
      return { boat, plan, source, struck: strikeLine({ form: table, plan }) };
    } catch (error) {
      throw new HttpProblem(409, 'No line yet', `The line cannot be struck: ${(error as Error).message}`);
    }
  };
  router.get('/boats/:id/marks.csv', async (req, res) => {
    const boat = await findBoat(db, req.params.id);
    const plan = await findWaterline(db, boat.id);
    res.type('text/csv').attachment(`${boat.name} marks.csv`).send(writeMarksCsv(plan.marks, plan.madeMarks));
  });
  router.get('/boats/:id/mark-sheet.csv', async (req, res) => {
    const { boat, struck } = await struckOf(req.params.id);
    res.type('text/csv').attachment(`${boat.name} mark sheet.csv`).send(writeSheetCsv(struck.sheet));
  });
  router.get('/boats/:id/mark-sheet.pdf', async (req, res) => {
    const all = await struckOf(req.params.id);
    res.type('application/pdf').attachment(`${all.boat.name} mark sheet.pdf`);
    markSheetPdf(all).pipe(res);
  });
  return router;
}

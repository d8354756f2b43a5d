import { v7 as uuidv7 } from 'uuid';
import {
  type AreaInput,
  type Boat,
  type Estimate,
  type FormSource,
  madeMarksInput,
  type Waterline,
  type WaterlineInput,
  waterlineInput,
  waterlineReply,
  writeMarksCsv,
  writeSheetCsv,
} from '../../contract/index.ts';
import { MESH_SPREAD, OFFSETS_SPREAD, type OffsetTable, RULE_SPREAD } from '../../core/hull/index.ts';
import {
  type MadeMark,
  marksNeeded,
  type StruckLine,
  strikeLine,
  withMark,
} from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import type { Db, Tx } from '../db/open.ts';
import { csvFile, safeName } from '../documents/fileNames.ts';
import { markSheetPdf } from '../documents/markSheetPdf.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { badFields, HttpProblem } from '../http/problem.ts';
import { areasOfBoat, insertAreas, putEstimate, stripesOf } from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { drawnForm, putWaterline, waterlineOf } from '../rows/forms.ts';
import { theYard } from '../rows/yard.ts';

/** A boat's line: kept, struck by the core, printed and handed out. */

const WAYS: Record<FormSource, { way: Estimate['way']; spread: number; label: string }> = {
  dimensions: { way: 'rule', spread: RULE_SPREAD, label: t`hull form by dimensions` },
  offsets: { way: 'offsets', spread: OFFSETS_SPREAD, label: t`table of offsets` },
  mesh: { way: 'mesh', spread: MESH_SPREAD, label: t`surface mesh` },
};

/** The struck stripe's m² go to the boat's boot-stripe area: made where there is none. */
async function feedStripe(tx: Tx, boat: Boat, source: FormSource, areaM2: number): Promise<void> {
  const { way, spread, label } = WAYS[source];
  const estimate: Estimate = {
    way,
    areaM2: Number(areaM2.toFixed(3)),
    spread,
    basis: t`boot stripe from the waterline, ${label}`,
  };
  const stripes = await stripesOf(tx, boat.id);
  const whole = stripes.find((each) => each.side === 'both' && each.part === null);
  if (whole) await putEstimate(tx, whole, estimate);
  if (stripes.length > 0) return;
  const topsides = (await areasOfBoat(tx, boat.id)).find(({ zone }) => zone === 'topsides');
  const input: AreaInput = {
    id: uuidv7(),
    boatId: boat.id,
    name: t`Boot stripe`,
    zone: 'boot-stripe',
    side: 'both',
    substrate: topsides?.substrate ?? 'existing-paint',
    service: 'splash',
    surroundings: topsides?.surroundings ?? { kind: 'open' },
    earlierShelters: topsides?.earlierShelters ?? [],
    oldCoating: null,
    highWear: false,
    part: null,
    measures: [],
    spread: 0.05,
    estimates: [estimate],
    chosenWay: null,
    note: '',
  };
  await insertAreas(tx, [input]);
}

/** A stripe smaller than that is none: no area is measured so small. */
const LEAST_STRIPE_M2 = 0.0001;

/** As many as a line may have. */
const MOST_MADE_MARKS = 1000;

/** The line struck, or null where no hull is known or too few marks fix a plane: they may be taken one by one. */
function strike(form: OffsetTable | null, plan: WaterlineInput): StruckLine | null {
  if (form === null || plan.marks.length < marksNeeded(plan)) return null;
  try {
    return strikeLine({ form, plan });
  } catch (error) {
    throw badFields([{ path: '', message: (error as Error).message }]);
  }
}

async function struckOf(
  db: Db,
  id: string,
): Promise<{ boat: Boat; plan: Waterline; struck: StruckLine; source: FormSource }> {
  const boat = await theBoat(db, id);
  const plan = await waterlineOf(db, boat.id);
  const { table, source } = await drawnForm(db, boat);
  if (table === null)
    throw new HttpProblem(
      409,
      'no-waterline-yet',
      t`Can’t calculate the waterline. Enter the hull’s main dimensions first.`,
    );
  try {
    return { boat, plan, source, struck: strikeLine({ form: table, plan }) };
  } catch (error) {
    throw new HttpProblem(
      409,
      'no-waterline-yet',
      t`Can’t calculate the waterline. ${(error as Error).message}`,
    );
  }
}

export const waterlineEndpoints = [
  read({
    path: '/boats/:id/waterline',
    summary: 'Get a boat’s waterline',
    reply: waterlineReply,
    run: async ({ params }, { db }) => {
      await theBoat(db, params.id);
      return waterlineOf(db, params.id);
    },
  }),
  write({
    method: 'put',
    path: '/boats/:id/waterline',
    summary: 'Save the waterline; with enough marks it is calculated and its boot stripe becomes an area',
    body: waterlineInput,
    reply: waterlineReply,
    touches: ['waterline', 'areas'],
    replaces: {
      what: 'waterline',
      find: async (tx, params) => {
        await theBoat(tx, params.id);
        return waterlineOf(tx, params.id);
      },
    },
    run: async ({ params, body }, { tx }) => {
      const boat = await theBoat(tx, params.id);
      const { table, source } = await drawnForm(tx, boat);
      const struck = strike(table, body);
      if (struck?.stripe && struck.stripe.areaM2 < LEAST_STRIPE_M2)
        throw badFields([
          {
            path: 'stripe',
            message: t`Stripe: raised ${struck.raiseMm.toFixed(0)} mm, it is above the hull`,
          },
        ]);
      await putWaterline(tx, { ...body, boatId: boat.id, version: body.version + 1 });
      if (struck?.stripe) await feedStripe(tx, boat, source, struck.stripe.areaM2);
      return {
        reply: await waterlineOf(tx, boat.id),
        changes: [
          { of: 'waterline', boatId: boat.id },
          { of: 'areas', boatId: boat.id },
        ],
      };
    },
  }),
  write({
    method: 'post',
    path: '/boats/:id/made-marks',
    summary: 'Add hull marks; a second reading at the same place replaces the first',
    body: madeMarksInput,
    reply: waterlineReply,
    touches: ['waterline'],
    run: async ({ params, body }, { tx }) => {
      const boat = await theBoat(tx, params.id);
      const line = await waterlineOf(tx, boat.id);
      const fresh = body.marks.filter(({ id }) => !line.madeMarks.some((mark) => mark.id === id));
      const changes = [{ of: 'waterline' as const, boatId: boat.id }];
      if (fresh.length === 0) return { reply: line, changes: [] };
      const madeMarks = fresh.reduce<MadeMark[]>(withMark, line.madeMarks);
      if (madeMarks.length > MOST_MADE_MARKS) {
        const message = t`The waterline can have at most ${MOST_MADE_MARKS} hull marks; this makes ${madeMarks.length}`;
        throw badFields([{ path: 'marks', message }]);
      }
      await putWaterline(tx, { ...line, madeMarks, version: line.version + 1 });
      return { reply: await waterlineOf(tx, boat.id), changes };
    },
  }),
  handout({
    path: '/boats/:id/marks.csv',
    summary: 'Export reference marks and hull marks as CSV',
    types: ['text/csv'],
    run: async ({ params }, { db }) => {
      const boat = await theBoat(db, params.id);
      const { marks, madeMarks } = await waterlineOf(db, boat.id);
      return csvFile(t`${boat.name} marks`, writeMarksCsv(marks, madeMarks));
    },
  }),
  handout({
    path: '/boats/:id/mark-sheet.csv',
    summary: 'The mark sheet as CSV',
    types: ['text/csv'],
    run: async ({ params }, { db }) => {
      const { boat, struck } = await struckOf(db, params.id);
      return csvFile(t`${boat.name} mark sheet`, writeSheetCsv(struck.sheet));
    },
  }),
  handout({
    path: '/boats/:id/mark-sheet.pdf',
    summary: 'Get the mark sheet as PDF',
    types: ['application/pdf'],
    run: async ({ params }, { db }) => {
      const all = await struckOf(db, params.id);
      return {
        name: t`${safeName(all.boat.name)} mark sheet.pdf`,
        type: 'application/pdf',
        content: markSheetPdf({ ...all, yard: (await theYard(db)).name }),
      };
    },
  }),
];

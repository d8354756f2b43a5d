import { type EntryInput, entryInput, entryReply, logQuery, logReply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { read, write } from '../http/endpoint.ts';
import { badFields, HttpProblem } from '../http/problem.ts';
import { loadAreaStates } from '../memory/areaStates.ts';
import { groupsOf } from '../memory/groupsOf.ts';
import { recordShifts } from '../memory/shifts.ts';
import { takeFromStock } from '../memory/takeFromStock.ts';
import { boatOfArea, theArea } from '../rows/areas.ts';
import { unknownBatches } from '../rows/batchUses.ts';
import { countedEntries, entryById, hasEntry, insertEntry } from '../rows/log.ts';
import { lotById } from '../rows/lots.ts';
import { found } from '../rows/missing.ts';
import { hasSheet } from '../rows/products.ts';
import { stepsByArea } from '../rows/stacks.ts';
import { coatAirRecord } from '../views/coatAirRecord.ts';
import { logView } from '../views/log.ts';

/** Nothing is logged further ahead than this: a clock set wrong is likelier than a coat from the future. */
const AHEAD_MS = 60 * 60_000;
const LONGEST_COAT_MS = 48 * 3_600_000;

function checkTimes(input: EntryInput, now: number): void {
  const at = Date.parse(input.at);
  if (at > now + AHEAD_MS) {
    throw badFields([{ path: 'at', message: t`start ${input.at} is in the future` }]);
  }
  if (input.kind !== 'coat') return;
  const { endedAt } = input.body;
  const end = Date.parse(endedAt);
  const wrong = (message: string) => badFields([{ path: 'body.endedAt', message }]);
  if (end < at) throw wrong(t`End time ${endedAt} is before start time ${input.at}`);
  if (end - at > LONGEST_COAT_MS) throw wrong(t`End time ${endedAt} is more than 48 h after the start`);
  if (end > now + AHEAD_MS) throw wrong(t`end ${endedAt} is in the future`);
}

async function checkCorrection(tx: Tx, input: EntryInput): Promise<void> {
  if (input.kind === 'strike' && !input.corrects) {
    throw badFields([{ path: 'corrects', message: t`Name the entry to void` }]);
  }
  if (!input.corrects) return;
  const old = await entryById(tx, input.corrects);
  if (!old || old.areaId !== input.areaId) {
    throw badFields([{ path: 'corrects', message: t`No log entry ${input.corrects} on this area` }]);
  }
  if (input.kind !== 'strike' && old.kind !== input.kind) {
    throw badFields([
      { path: 'corrects', message: t`An entry of type ${input.kind} can’t replace one of type ${old.kind}` },
    ]);
  }
  if (!old.correctedBy) return;
  const current = await entryById(tx, old.correctedBy);
  const detail = t`This entry was corrected elsewhere since you opened it.`;
  throw new HttpProblem(409, 'already-corrected', detail, { current });
}

/** As many coats as one step may come to, with every round asked for: a coat is numbered up to there. */
const MOST_COATS = 30;

/** A round is of a step of the area's system, and not without end. */
async function checkRound(tx: Tx, areaId: string, boatId: string, stepId: string): Promise<void> {
  const area = await theArea(tx, areaId);
  const stackOf = area.part?.sharesSystem ? area.part.areaId : area.id;
  const step = (await stepsByArea(tx, [stackOf])).get(stackOf)?.find(({ id }) => id === stepId);
  const refuse = (message: string) => badFields([{ path: 'body.stepId', message }]);
  if (!step) throw refuse(t`No step ${stepId} in the system of ${area.name}`);
  const asked = (await countedEntries(tx, ['round'], [boatId])).filter(
    (entry) => entry.areaId === areaId && entry.body.stepId === stepId,
  ).length;
  if (step.coats + step.extraCoats + asked >= MOST_COATS)
    throw refuse(
      t`A step can have at most ${MOST_COATS} coats; this one already has ${step.coats + step.extraCoats + asked}`,
    );
}

/** The removed coats must be on the area, and outermost: a coat can’t be removed from under another. */
async function checkRemoval(
  tx: Tx,
  input: Extract<EntryInput, { kind: 'removal' }>,
  boatId: string,
): Promise<void> {
  const { toGround, way, holdsHours, coats } = input.body;
  if (holdsHours !== null && !(toGround && way === 'blasted'))
    throw badFields([
      {
        path: 'body.holdsHours',
        message: t`only steel blasted down to the ground has hours it may stand bare`,
      },
    ]);
  const refuse = (message: string) => badFields([{ path: 'body.coats', message }]);
  if (toGround) {
    if (coats.length > 0) throw refuse(t`down to the ground all coats go: none is named`);
    return;
  }
  const state = (await loadAreaStates(tx, boatId)).find(({ area }) => area.id === input.areaId);
  const again = state?.removed.filter(({ removal }) => removal.entryId === input.corrects) ?? [];
  const applied = [...(state?.coats ?? []), ...again.map(({ coat }) => coat)];
  const before = applied.filter(({ fromMs }) => fromMs < Date.parse(input.at));
  const outermost = state ? groupsOf({ ...state, coats: before }).slice(-coats.length) : [];
  const same = ({ stepId, coatNo }: (typeof coats)[number], i: number) =>
    outermost[i]?.stepId === stepId && outermost[i]?.coatNo === coatNo;
  if (outermost.length === coats.length && coats.every(same)) return;
  throw refuse(t`coats taken off are the outermost that lie there at that time, the lowest of them first`);
}

async function checkReferences(tx: Tx, input: EntryInput, boatId: string): Promise<void> {
  if (input.kind === 'batch' || input.kind === 'coat') {
    const { productId, sheetVersion } = input.body;
    if (!(await hasSheet(tx, productId, sheetVersion))) {
      const message = t`Data sheet ${productId} has no version ${sheetVersion}`;
      throw badFields([{ path: 'body.sheetVersion', message }]);
    }
  }
  if (input.kind === 'batch')
    for (const [i, { lotId, part }] of (input.body.lots ?? []).entries()) {
      const lot = await lotById(tx, lotId);
      if (lot?.productId !== input.body.productId || lot.part !== part)
        throw badFields([
          { path: `body.lots.${i}.lotId`, message: t`there is no lot ${lotId} of this ${part}` },
        ]);
    }
  if (input.kind === 'coat') {
    const [unknown] = await unknownBatches(tx, boatId, input.body.batchIds);
    if (unknown) {
      throw badFields([{ path: 'body.batchIds', message: t`there is no batch ${unknown} on this boat` }]);
    }
  }
  if (input.kind === 'round') await checkRound(tx, input.areaId, boatId, input.body.stepId);
  if (input.kind === 'removal') await checkRemoval(tx, input, boatId);
  if (input.kind === 'batch-end') {
    const batch = await entryById(tx, input.body.batchId);
    if (batch?.kind !== 'batch' || batch.areaId !== input.areaId) {
      const message = t`there is no batch ${input.body.batchId} on this area`;
      throw badFields([{ path: 'body.batchId', message }]);
    }
    const { usedL = 0 } = input.body;
    const { litres } = batch.body;
    if (usedL > litres + 1e-9) {
      const message = t`Applied from this pot must be at most ${litres} l, but is ${usedL} l`;
      throw badFields([{ path: 'body.usedL', message }]);
    }
  }
  await checkCorrection(tx, input);
}

const CAUSES: Record<EntryInput['kind'], string> = {
  coat: t`a coat was corrected`,
  batch: t`batch logged`,
  'batch-end': t`pot ended`,
  tape: t`masking was ticked`,
  blast: t`the steel was blasted`,
  removal: t`coats were taken off`,
  work: t`task logged`,
  'hand-test': t`hand test logged`,
  progress: t`progress of a coat noted`,
  session: t`coat begun, or its areas or people changed`,
  round: t`coat added`,
  note: t`note added`,
  strike: t`an entry was struck out`,
};

/** Entries that no snapshot of the yard holds: views read them from the database. The end of a session is not one of them: used-up pots go with it. */
const OUTSIDE_SNAPSHOTS: readonly EntryInput['kind'][] = ['note', 'tape', 'progress', 'session'];

export const logEndpoints = [
  write({
    method: 'post',
    path: '/log',
    summary: 'Append a log entry or a correction',
    body: entryInput,
    reply: entryReply,
    touches: ['log', 'stock'],
    creates: {
      what: 'entry',
      id: (body: EntryInput) => body.id,
      find: async (tx: Tx, { id }: EntryInput) => ((await hasEntry(tx, id)) ? entryById(tx, id) : undefined),
      sent: ({ boatId: _b, recordedAt: _r, correctedBy: _c, air: _a, ...sent }) => sent,
    },
    // A coat's air is that of its own hours as the yard knows them.
    before: ({ body }) =>
      body.corrects ? { areaId: body.areaId } : body.kind === 'coat' ? { placeOf: body.areaId } : null,
    run: async ({ body }, { tx, now, before }) => {
      checkTimes(body, now);
      const boatId = await boatOfArea(tx, body.areaId);
      await checkReferences(tx, body, boatId);
      const air = body.kind === 'coat' && before ? coatAirRecord(before, body) : null;
      const reply = await insertEntry(tx, { ...body, boatId, recordedAt: new Date(now), air });
      const stock = await takeFromStock(tx, body, now);
      const cause = CAUSES[body.kind];
      if (before && body.corrects) await recordShifts(tx, { before, now, cause, touched: { boatId } });
      return {
        reply,
        changes: [{ of: 'log', boatId }, ...stock],
        keepsSnapshot:
          body.corrects === null &&
          stock.length === 0 &&
          OUTSIDE_SNAPSHOTS.includes(body.kind) &&
          !(body.kind === 'session' && body.body.ended),
      };
    },
  }),
  read({
    path: '/boats/:id/log',
    summary: 'List a boat’s log entries, newest first, in pages',
    query: logQuery,
    reply: logReply,
    run: ({ params, query }, context) => logView(context, params.id, query),
  }),
  read({
    path: '/log/:id',
    summary: 'A log entry',
    reply: entryReply,
    run: async ({ params }, { db }) => found(await entryById(db, params.id), 'entry', params.id),
  }),
];

import {
  type AreaInput,
  areaInput,
  areaReply,
  areasInput,
  areaUpdate,
  clockDetailReply,
  coatCheckQuery,
  coatCheckReply,
  estimatesInput,
  idsReply,
  shelteredSince,
  shelterMove,
} from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { areaFromMeasures } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { read, write } from '../http/endpoint.ts';
import { badFields, idTaken, sameRecord } from '../http/problem.ts';
import { recordShifts } from '../memory/shifts.ts';
import {
  archiveArea,
  areaById,
  areasOfBoat,
  insertAreas,
  putEstimate,
  theArea,
  updateArea,
} from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { dropPlaceChanges } from '../rows/plan.ts';
import { standById } from '../rows/survey.ts';
import { clockDetail } from '../views/clockDetail.ts';
import { coatCheck } from '../views/coatAirRecord.ts';

/** The core has the last word on measures: it throws naming the line at fault. */
function checkMeasures(input: AreaInput, at = ''): void {
  if (input.measures.length === 0) return;
  try {
    areaFromMeasures({ measures: input.measures, spread: input.spread });
  } catch (error) {
    throw badFields([{ path: `${at}measures`, message: (error as Error).message }]);
  }
}

/** A device’s clock may run ahead by so much. */
const CLOCK_ERROR_MS = HOUR_MS;

/** Earlier shelters are in order of time, and none ends in the future. */
function checkShelters({ earlierShelters = [] }: AreaInput, now: number, at = ''): void {
  earlierShelters.forEach(({ until }, i) => {
    const before = earlierShelters[i - 1]?.until;
    const message = before !== undefined && Date.parse(until) <= Date.parse(before) ? t`must be later than ${before}, but is ${until}` : Date.parse(until) > now + CLOCK_ERROR_MS ? t`can’t be in the future, but is ${until}` : null; // biome-ignore format: one line
    if (message) throw badFields([{ path: `${at}earlierShelters.${i}.until`, message: t`The end of an earlier shelter ${message}` }]); // biome-ignore format: one line
  });
}

/** The original area must be on the same boat, and not itself a part; a patch needs its support. */
async function checkPart(tx: Tx, input: AreaInput): Promise<void> {
  const { part } = input;
  if (!part) return;
  const wrong = (path: string, message: string) => badFields([{ path: `part.${path}`, message }]);
  const origin = await areaById(tx, part.areaId);
  if (origin?.boatId !== input.boatId) throw wrong('areaId', t`No such area on this boat`);
  if (origin.id === input.id || origin.part?.areaId === input.id)
    throw wrong('areaId', t`An area can’t be split off from itself`);
  if (part.standId === null) return;
  const over = await standById(tx, part.standId);
  if (over?.boatId !== input.boatId) throw wrong('standId', t`No such support under this boat`);
}

const sent = ({ version: _v, archived: _a, ...input }: AreaInput & { version: number; archived: boolean }) =>
  input;
const changed = (boatId: string) => [{ of: 'areas' as const, boatId }];

export const areaEndpoints = [
  write({
    method: 'post',
    path: '/areas',
    summary: 'Add an area',
    body: areaInput,
    reply: areaReply,
    touches: ['areas'],
    creates: {
      what: 'area',
      id: (body) => body.id,
      find: (tx, body) => areaById(tx, body.id),
      sent,
    },
    run: async ({ body }, { tx, now }) => {
      checkMeasures(body);
      checkShelters(body, now);
      await theBoat(tx, body.boatId);
      await checkPart(tx, body);
      await insertAreas(tx, [body]);
      return { reply: await theArea(tx, body.id), changes: changed(body.boatId) };
    },
  }),
  write({
    method: 'post',
    path: '/boats/:id/areas',
    summary: 'Add several areas (all or none)',
    status: 201,
    body: areasInput,
    reply: idsReply,
    touches: ['areas'],
    run: async ({ params, body }, { tx, now }) => {
      await theBoat(tx, params.id);
      const fresh: AreaInput[] = [];
      for (const [i, input] of body.areas.entries()) {
        checkMeasures(input, `areas.${i}.`);
        checkShelters(input, now, `areas.${i}.`);
        if (input.boatId !== params.id) {
          throw badFields([{ path: `areas.${i}.boatId`, message: t`This area belongs to another boat` }]);
        }
        const known = await areaById(tx, input.id);
        if (known && !sameRecord(sent(known), input)) throw idTaken('area', input.id);
        if (known) continue;
        await checkPart(tx, input);
        fresh.push(input);
      }
      await insertAreas(tx, fresh);
      return { reply: body.areas.map(({ id }) => id), changes: changed(params.id) };
    },
  }),
  write({
    method: 'post',
    path: '/boats/:id/estimates',
    summary: 'Set area estimates from one source for several areas (all or none)',
    body: estimatesInput,
    reply: idsReply,
    touches: ['areas'],
    run: async ({ params, body }, { tx }) => {
      await theBoat(tx, params.id);
      for (const [i, { areaId, ...estimate }] of body.estimates.entries()) {
        const current = await theArea(tx, areaId);
        if (current.boatId !== params.id) {
          throw badFields([{ path: `estimates.${i}.areaId`, message: t`This area belongs to another boat` }]);
        }
        await putEstimate(tx, current, estimate);
      }
      return { reply: body.estimates.map(({ areaId }) => areaId), changes: changed(params.id) };
    },
  }),
  read({
    path: '/areas/:id',
    summary: 'Get an area',
    reply: areaReply,
    run: ({ params }, { db }) => theArea(db, params.id),
  }),
  write({
    method: 'put',
    path: '/areas/:id',
    summary: 'Update an area',
    body: areaUpdate,
    reply: areaReply,
    touches: ['areas'],
    replaces: { what: 'area', find: (tx, params) => theArea(tx, params.id) },
    before: ({ body }) => ({ boatId: body.boatId }),
    run: async ({ params, body }, { tx, now, before }) => {
      checkMeasures(body);
      checkShelters(body, now);
      const current = await theArea(tx, params.id);
      if (current.boatId !== body.boatId) {
        throw badFields([{ path: 'boatId', message: t`An area can’t be moved to another boat` }]);
      }
      await checkPart(tx, body);
      const { version: _v, ...input } = body;
      // Who says nothing of the past has moved the area now: the past stays what it was.
      const stood = input.earlierShelters ? {} : shelteredSince(current, new Date(now).toISOString(), input.surroundings); // biome-ignore format: one line
      await updateArea(tx, current, { ...input, ...stood });
      const cause = t`${body.name} was changed`;
      if (before) await recordShifts(tx, { before, now, cause, touched: { boatId: body.boatId } });
      return { reply: await theArea(tx, params.id), changes: changed(body.boatId) };
    },
  }),
  write({
    method: 'post',
    path: '/boats/:id/shelter',
    summary:
      'Record that all areas of a boat stand in another shelter since a time; planned moves up to then are done',
    body: shelterMove,
    reply: idsReply,
    touches: ['areas', 'plan'],
    before: ({ params }) => ({ boatId: params.id }),
    run: async ({ params, body }, { tx, now, before }) => {
      const boat = await theBoat(tx, params.id);
      if (Date.parse(body.at) > now + CLOCK_ERROR_MS)
        throw badFields([
          { path: 'at', message: t`The time of the move can’t be in the future, but is ${body.at}` },
        ]);
      const areas = await areasOfBoat(tx, boat.id);
      for (const area of areas) {
        const { version: _v, archived: _a, ...input } = area;
        await updateArea(tx, area, { ...input, ...shelteredSince(area, body.at, body.surroundings) });
      }
      const isPlanChanged = await dropPlaceChanges(tx, boat.id, body.at);
      if (before)
        await recordShifts(tx, {
          before,
          now,
          cause: t`${boat.name} was moved`,
          touched: { boatId: boat.id },
        });
      return {
        reply: areas.map(({ id }) => id),
        changes: [...changed(boat.id), ...(isPlanChanged ? [{ of: 'plan' as const }] : [])],
      };
    },
  }),
  write({
    method: 'delete',
    path: '/areas/:id',
    summary: 'Delete an area; its log is kept',
    reply: areaReply,
    touches: ['areas'],
    run: async ({ params }, { tx }) => {
      const reply = await archiveArea(tx, params.id, true);
      return { reply, changes: changed(reply.boatId) };
    },
  }),
  write({
    method: 'post',
    path: '/areas/:id/restore',
    summary: 'Restore an area',
    reply: areaReply,
    touches: ['areas'],
    run: async ({ params }, { tx }) => {
      const reply = await archiveArea(tx, params.id, false);
      return { reply, changes: changed(reply.boatId) };
    },
  }),
  read({
    path: '/areas/:id/clock',
    summary: 'Get an area’s overcoat window and the weather data behind it',
    reply: clockDetailReply,
    run: ({ params }, context) => clockDetail(context, params.id),
  }),
  read({
    path: '/areas/:id/coat-check',
    summary:
      'What speaks against the next coat of an area, applied in the hours given: its air, and the film below',
    query: coatCheckQuery,
    reply: coatCheckReply,
    run: async ({ params, query }, { memory, now }) => {
      if (Date.parse(query.to) < Date.parse(query.from))
        throw badFields([{ path: 'to', message: t`end ${query.to} is before the start ${query.from}` }]);
      const known = await memory.some(now(), { areaId: params.id });
      return coatCheck(known, params.id, query.from, query.to);
    },
  }),
];

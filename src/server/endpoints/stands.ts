import {
  type Area,
  type AreaInput,
  type Stand,
  type StandInput,
  standReply,
  standUpdate,
  standWithPatches,
} from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { Tx } from '../db/open.ts';
import { write } from '../http/endpoint.ts';
import { badFields, idTaken } from '../http/problem.ts';
import { archivePatches, areaById, insertAreas } from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { found } from '../rows/missing.ts';
import { insertStand, standById, updateStand } from '../rows/survey.ts';

/** Supports, and the patches they hide: added together, moved, taken back. */

const theStand = async (tx: Tx, id: string): Promise<Stand> => found(await standById(tx, id), 'stand', id);

/** A patch of an area that a support hides: as large as its share of the pad. */
function patchOf(
  origin: Area,
  over: StandInput,
  patch: { id: string; share: number; at: string },
): AreaInput {
  const { version: _v, archived: _a, ...like } = origin;
  return {
    ...like,
    id: patch.id,
    name: t`${origin.name}, under ${over.name}`.slice(0, 80),
    side: over.side === 'centre' ? origin.side : over.side,
    measures: [
      {
        shape: { kind: 'rectangle', lengthM: over.lengthM * patch.share, widthM: over.widthM },
        count: 1,
        opening: false,
        note: 'pad',
      },
    ],
    spread: 0.05,
    estimates: [],
    chosenWay: null,
    note: '',
    part: { areaId: origin.id, kind: 'patch', standId: over.id, sharesSystem: true, at: patch.at },
  };
}

const changed = (boatId: string) => [
  { of: 'areas' as const, boatId },
  { of: 'survey' as const, boatId },
];

/** Moved away now, or put back where it stood. Asking twice changes nothing. */
const setShifted = (path: '/stands/:id/shift' | '/stands/:id/put-back', summary: string, shifted: boolean) =>
  write({
    method: 'post',
    path,
    summary,
    reply: standReply,
    touches: ['areas', 'survey'],
    run: async ({ params }, { tx, now }) => {
      const current = await theStand(tx, params.id);
      if ((current.shiftedAt !== null) !== shifted) {
        await updateStand(tx, current, { shiftedAt: shifted ? new Date(now) : null });
      }
      return { reply: await theStand(tx, params.id), changes: changed(current.boatId) };
    },
  });

/** A support taken off the list takes its patches with it, and brings them back. */
async function setArchived(tx: Tx, id: string, archived: boolean) {
  const current = await theStand(tx, id);
  if (current.archived !== archived) await updateStand(tx, current, { archived });
  await archivePatches(tx, current.boatId, id, archived);
  return { reply: await theStand(tx, id), changes: changed(current.boatId) };
}

export const standEndpoints = [
  write({
    method: 'post',
    path: '/stands',
    summary: 'Add a support with the patches under it',
    body: standWithPatches,
    reply: standReply,
    touches: ['areas', 'survey'],
    creates: {
      what: 'stand',
      id: (body) => body.stand.id,
      find: (tx, body) => standById(tx, body.stand.id),
      // Which patches it was sent with is remembered with the write; of an older one the stand itself decides.
      sent: ({ version: _v, archived: _a, shiftedAt: _s, ...stand }) => stand,
    },
    run: async ({ body }, { tx, now }) => {
      const { stand, patches } = body;
      await theBoat(tx, stand.boatId);
      await insertStand(tx, stand);
      const at = new Date(now).toISOString();
      for (const [i, { id, areaId }] of patches.entries()) {
        const origin = await areaById(tx, areaId);
        if (origin?.boatId !== stand.boatId) {
          throw badFields([{ path: `patches.${i}.areaId`, message: t`there is no such area on this boat` }]);
        }
        if (await areaById(tx, id)) throw idTaken('area', id);
        await insertAreas(tx, [patchOf(origin, stand, { id, share: 1 / patches.length, at })]);
      }
      return { reply: await theStand(tx, stand.id), changes: changed(stand.boatId) };
    },
  }),
  write({
    method: 'put',
    path: '/stands/:id',
    summary: 'Change a stand',
    body: standUpdate,
    reply: standReply,
    touches: ['areas', 'survey'],
    replaces: { what: 'stand', find: (tx, params) => theStand(tx, params.id) },
    run: async ({ params, body }, { tx }) => {
      const current = await theStand(tx, params.id);
      if (current.boatId !== body.boatId) {
        throw badFields([{ path: 'boatId', message: t`A support can’t be assigned to another boat` }]);
      }
      const { version: _v, ...values } = body;
      await updateStand(tx, current, values);
      return { reply: await theStand(tx, params.id), changes: changed(current.boatId) };
    },
  }),
  setShifted('/stands/:id/shift', 'Mark a support as moved; its patches become accessible', true),
  setShifted('/stands/:id/put-back', 'Undo moving a support', false),
  write({
    method: 'delete',
    path: '/stands/:id',
    summary: 'Delete a support and its patches',
    reply: standReply,
    touches: ['areas', 'survey'],
    run: ({ params }, { tx }) => setArchived(tx, params.id, true),
  }),
  write({
    method: 'post',
    path: '/stands/:id/restore',
    summary: 'Bring a stand and its patches back',
    reply: standReply,
    touches: ['areas', 'survey'],
    run: ({ params }, { tx }) => setArchived(tx, params.id, false),
  }),
];

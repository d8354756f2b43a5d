import {
  boatInput,
  boatReply,
  boatsReply,
  boatUpdate,
  boatViewReply,
  runningQuery,
  runningReply,
  slipReply,
  todayReply,
} from '../../contract/index.ts';
import { read, write } from '../http/endpoint.ts';
import { allBoats, archiveBoat, boatById, insertBoat, theBoat, updateBoat } from '../rows/boats.ts';
import { boatView } from '../views/boat.ts';
import { runningView } from '../views/running.ts';
import { slipView } from '../views/slip.ts';
import { todayView } from '../views/today.ts';

export const boatEndpoints = [
  read({
    path: '/slip',
    summary: 'What runs in the yard, soonest first',
    reply: slipReply,
    run: (_asked, context) => slipView(context),
  }),
  read({
    path: '/today',
    summary: 'Coats that could go on today, in the order that fits the most of them',
    reply: todayReply,
    run: (_asked, context) => todayView(context),
  }),
  read({
    path: '/running',
    summary: 'Every clock that runs beside the windows, and what ends each',
    query: runningQuery,
    reply: runningReply,
    run: ({ query }, context) => runningView(context, query.areaId),
  }),
  read({
    path: '/boats',
    summary: 'All boats',
    reply: boatsReply,
    run: (_asked, { db }) => allBoats(db),
  }),
  read({
    path: '/boats/:id',
    summary: 'A boat with its areas and their clocks',
    reply: boatViewReply,
    run: ({ params }, context) => boatView(context, params.id),
  }),
  write({
    method: 'post',
    path: '/boats',
    summary: 'Add a boat',
    body: boatInput,
    reply: boatReply,
    touches: ['boat'],
    creates: {
      what: 'boat',
      id: (body) => body.id,
      find: (tx, body) => boatById(tx, body.id),
      sent: ({ version: _v, archived: _a, ...sent }) => sent,
    },
    run: async ({ body }, { tx }) => {
      await insertBoat(tx, body);
      return { reply: await theBoat(tx, body.id), changes: [{ of: 'boat', boatId: body.id }] };
    },
  }),
  write({
    method: 'put',
    path: '/boats/:id',
    summary: 'Change a boat',
    body: boatUpdate,
    reply: boatReply,
    touches: ['boat'],
    replaces: { what: 'boat', find: (tx, params) => theBoat(tx, params.id) },
    run: async ({ params, body }, { tx }) => {
      await updateBoat(tx, await theBoat(tx, params.id), body);
      return { reply: await theBoat(tx, params.id), changes: [{ of: 'boat', boatId: params.id }] };
    },
  }),
  write({
    method: 'delete',
    path: '/boats/:id',
    summary: 'Archive a boat; its record is kept',
    reply: boatReply,
    touches: ['boat'],
    run: async ({ params }, { tx }) => {
      await archiveBoat(tx, params.id, true);
      return { reply: await theBoat(tx, params.id), changes: [{ of: 'boat', boatId: params.id }] };
    },
  }),
  write({
    method: 'post',
    path: '/boats/:id/restore',
    summary: 'Bring a boat back',
    reply: boatReply,
    touches: ['boat'],
    run: async ({ params }, { tx }) => {
      await archiveBoat(tx, params.id, false);
      return { reply: await theBoat(tx, params.id), changes: [{ of: 'boat', boatId: params.id }] };
    },
  }),
];

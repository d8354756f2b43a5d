import {
  boardReply,
  boatInput,
  boatReply,
  boatsReply,
  boatUpdate,
  boatViewReply,
  runningQuery,
  runningReply,
  todayReply,
} from '../../contract/index.ts';
import { read, write } from '../http/endpoint.ts';
import { allBoats, archiveBoat, boatById, insertBoat, theBoat, updateBoat } from '../rows/boats.ts';
import { boardView } from '../views/board.ts';
import { boatView } from '../views/boat.ts';
import { runningView } from '../views/running.ts';
import { todayView } from '../views/today.ts';

export const boatEndpoints = [
  read({
    path: '/board',
    summary: 'List all running timers and overcoat windows, soonest first',
    reply: boardReply,
    run: (_asked, context) => boardView(context),
  }),
  read({
    path: '/slip',
    summary: 'The board, under its former name',
    reply: boardReply,
    run: (_asked, context) => boardView(context),
  }),
  read({
    path: '/today',
    summary: 'List coats possible today, in the order that fits the most',
    reply: todayReply,
    run: (_asked, context) => todayView(context),
  }),
  read({
    path: '/running',
    summary: 'List all other running timers and what ends each',
    query: runningQuery,
    reply: runningReply,
    run: ({ query }, context) => runningView(context, query.areaId),
  }),
  read({
    path: '/boats',
    summary: 'List boats',
    reply: boatsReply,
    run: (_asked, { db }) => allBoats(db),
  }),
  read({
    path: '/boats/:id',
    summary: 'Get a boat with its areas and cure times',
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

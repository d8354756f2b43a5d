import { randomUUID } from 'node:crypto';
import { calendarReply, calendarStateReply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { boatCalendar } from '../documents/boatCalendar.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { notFound } from '../http/problem.ts';
import { theBoat } from '../rows/boats.ts';
import { boatOfCalendar, hasCalendar, keepCalendar } from '../rows/calendars.ts';

/** A boat's windows for the calendar in one's pocket, under an address that only those know whom it was given to. */
export const calendarEndpoints = [
  read({
    path: '/boats/:id/calendar',
    summary: 'Get whether a boat has a calendar link',
    reply: calendarStateReply,
    run: async ({ params }, { db }) => ({ given: await hasCalendar(db, params.id) }),
  }),
  write({
    method: 'post',
    path: '/boats/:id/calendar',
    summary: 'Create a new calendar link (shown once); the old link stops working',
    reply: calendarReply,
    status: 201,
    touches: ['calendars'],
    run: async ({ params }, { tx }) => {
      await theBoat(tx, params.id);
      const secret = randomUUID();
      await keepCalendar(tx, params.id, secret);
      return { reply: { path: `/api/v1/calendars/${secret}` }, changes: [{ of: 'calendars' }] };
    },
  }),
  write({
    method: 'delete',
    path: '/boats/:id/calendar',
    summary: 'Revoke a boat’s calendar link',
    reply: calendarStateReply,
    touches: ['calendars'],
    run: async ({ params }, { tx }) => {
      await theBoat(tx, params.id);
      await keepCalendar(tx, params.id, null);
      return { reply: { given: false }, changes: [{ of: 'calendars' }] };
    },
  }),
  handout({
    path: '/calendars/:secret',
    summary: 'Get a boat’s overcoat windows as iCalendar',
    types: ['text/calendar'],
    run: async ({ params }, { db, memory, now }) => {
      const boat = await boatOfCalendar(db, params.secret);
      if (!boat) throw notFound('calendar', t`under this address; it may have been taken back`);
      const at = now();
      const { clocks } = await memory.some(at, { boatId: boat.id });
      return {
        name: 'windows.ics',
        type: 'text/calendar',
        content: boatCalendar(boat, clocks, at),
        inline: true,
      };
    },
  }),
];

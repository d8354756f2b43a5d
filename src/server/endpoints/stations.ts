import {
  type PostedReadings,
  postedReadings,
  type ReadingsTaken,
  readingsReply,
  type Station,
  type StationInput,
  type StationsView,
  stationInput,
  stationReply,
  stationsReply,
  stationUpdate,
  tokenReply,
} from '../../contract/index.ts';
import { t } from '../../words.ts';
import { takeReadings } from '../feeds/takeReadings.ts';
import { read, type Write, write } from '../http/endpoint.ts';
import { HttpProblem } from '../http/problem.ts';
import {
  allStations,
  archiveStation,
  giveToken,
  insertStation,
  revokeToken,
  stationById,
  theStation,
  tokenHolds,
  updateStation,
} from '../rows/stations.ts';
import { errorsHere } from '../views/errorsHere.ts';

const CHANGED = [{ of: 'stations' as const }];

const sent = ({
  version: _v,
  hasToken: _t,
  lastAt: _a,
  lastHours: _h,
  fault: _f,
  ...input
}: Station): StationInput => input;

/** Readings of a station that is asked: taken by the server itself, through no address. */
export const askedReadings: Write<'/stations/:id/readings', PostedReadings, ReadingsTaken> = {
  kind: 'write',
  method: 'post',
  path: '/stations/:id/readings',
  summary: 'Save readings fetched from a station',
  body: postedReadings,
  reply: readingsReply,
  touches: ['weather', 'stations'],
  before: () => 'yard',
  run: async ({ params, body }, writing) =>
    takeReadings(await theStation(writing.tx, params.id), body, writing),
};

/** Where the air comes from. */
export const stationEndpoints = [
  read({
    path: '/stations',
    summary: 'List weather stations in order of priority, with local forecast accuracy',
    reply: stationsReply,
    run: async (_asked, { db, memory, now }): Promise<StationsView> => {
      const at = now();
      const { air } = await memory.at(at);
      return {
        now: new Date(at).toISOString(),
        stations: await allStations(db),
        forecastErrors: [...(await errorsHere(air, db, at))],
      };
    },
  }),
  write({
    method: 'post',
    path: '/stations',
    summary: 'Add a station',
    body: stationInput,
    reply: stationReply,
    touches: ['stations'],
    creates: {
      what: 'station',
      id: (body) => body.id,
      find: (tx, body) => stationById(tx, body.id),
      sent,
    },
    run: async ({ body }, { tx }) => {
      await insertStation(tx, body);
      return { reply: await theStation(tx, body.id), changes: CHANGED };
    },
  }),
  write({
    method: 'put',
    path: '/stations/:id',
    summary: 'Update a weather station',
    body: stationUpdate,
    reply: stationReply,
    touches: ['stations', 'weather'],
    replaces: { what: 'station', find: (tx, params) => theStation(tx, params.id) },
    run: async ({ params, body }, { tx }) => {
      const current = await theStation(tx, params.id);
      await updateStation(tx, current, body);
      // Another place in the order may be another hour of air.
      const moved = current.rank !== body.rank;
      return {
        reply: await theStation(tx, params.id),
        changes: moved ? [...CHANGED, { of: 'weather' }] : CHANGED,
      };
    },
  }),
  write({
    method: 'delete',
    path: '/stations/:id',
    summary: 'Delete a weather station; its data is kept',
    reply: stationReply,
    touches: ['stations'],
    run: async ({ params }, { tx }) => {
      const reply = await theStation(tx, params.id);
      await archiveStation(tx, params.id);
      return { reply, changes: CHANGED };
    },
  }),
  write({
    method: 'post',
    path: '/stations/:id/token',
    summary: 'Create a new token for a station (shown once); the old token stops working',
    reply: tokenReply,
    status: 201,
    touches: ['stations'],
    run: async ({ params }, { tx }) => {
      const { way } = await theStation(tx, params.id);
      if (way !== 'posts')
        throw new HttpProblem(
          409,
          'no-token-needed',
          t`Readings from this station are fetched, so it needs no token.`,
        );
      return { reply: { token: await giveToken(tx, params.id) }, changes: CHANGED };
    },
  }),
  write({
    method: 'delete',
    path: '/stations/:id/token',
    summary: 'Revoke a station’s token',
    reply: stationReply,
    touches: ['stations'],
    run: async ({ params }, { tx }) => {
      await revokeToken(tx, params.id);
      return { reply: await theStation(tx, params.id), changes: CHANGED };
    },
  }),
  write({
    method: 'post',
    path: '/stations/:id/readings',
    summary: 'Send readings from a station (Authorization: Bearer {token})',
    body: postedReadings,
    reply: readingsReply,
    touches: ['weather', 'stations'],
    before: () => 'yard',
    prepare: async ({ params, bearer }, { db }) => {
      if (bearer && (await tokenHolds(db, params.id, bearer))) return;
      throw new HttpProblem(
        401,
        'token',
        t`The station token is missing or no longer works. Send a valid token as Authorization: Bearer {token}.`,
      );
    },
    run: async ({ params, body }, writing) => {
      const station = await theStation(writing.tx, params.id);
      if (!station.on)
        throw new HttpProblem(
          409,
          'station-switched-off',
          t`${station.name} is switched off. Switch it on on the Weather page.`,
        );
      return takeReadings(station, body, writing);
    },
  }),
];

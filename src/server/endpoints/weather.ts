import { DateTime } from 'luxon';
import {
  standInReply,
  standInRequest,
  stripQuery,
  stripReply,
  type WeatherImported,
  weatherImport,
  weatherImportedReply,
  weatherQuery,
  weatherReply,
  writeCsv,
} from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import type { WeatherFile } from '../air/weatherCsv.ts';
import { toWeatherHour, yardAir } from '../air/yardAir.ts';
import { csvFile } from '../documents/fileNames.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { recordShifts } from '../memory/shifts.ts';
import { insertFile, type Reading } from '../rows/readings.ts';
import { firstHour, hoursGiven, insertSimulated } from '../rows/weather.ts';
import { theYard } from '../rows/yard.ts';
import { standInWeather } from '../standins/weather.ts';
import { stripView } from '../views/strip.ts';

const DAY_MS = 24 * HOUR_MS;
/** The period, back and ahead, for which the weather of the cure times is always loaded. */
const KNOWN_BACK_MS = 110 * DAY_MS;
const KNOWN_AHEAD_MS = 15 * DAY_MS;
/** What the time-strip reaches back where nobody asks for more. */
const STRIP_BACK_DAYS = 3;
/** What the air as CSV reaches back and ahead. */
const CSV_BACK_MS = 400 * DAY_MS;
const CSV_AHEAD_MS = 30 * DAY_MS;
/** Days the stand-in fills in of what is past. */
const STAND_IN_BACK_MS = 14 * DAY_MS;
const STAND_IN_SEED = 7;

const iso = (reading: Reading | undefined) => (reading ? new Date(reading.at).toISOString() : null);

export const weatherEndpoints = [
  read({
    path: '/weather',
    summary: 'Get hourly weather data: measured up to now, then forecast',
    query: weatherQuery,
    reply: weatherReply,
    run: async ({ query }, { db, memory, now }) => {
      const at = now();
      const days = (text: string | undefined, usual: number) => Number(text ?? usual) * DAY_MS;
      const range = { from: at - days(query.back, 3), to: at + days(query.ahead, 10) };
      // The weather of the cure times is loaded already; only hours outside it are read.
      const { air } = await memory.at(at);
      const known = range.from >= at - KNOWN_BACK_MS && range.to <= at + KNOWN_AHEAD_MS;
      const { hours } = known ? air : await yardAir(db, at, range);
      const asked = hours.filter((hour) => hour.at >= range.from && hour.at <= range.to);
      return { now: new Date(at).toISOString(), hours: asked.map(toWeatherHour) };
    },
  }),
  read({
    path: '/strip',
    summary: 'Get air, surface and dew point with their bands, and hours not suitable for a coat',
    query: stripQuery,
    reply: stripReply,
    run: ({ query }, context) =>
      stripView(context, { areaId: query.areaId, backDays: Number(query.back ?? STRIP_BACK_DAYS) }),
  }),
  write({
    method: 'post',
    path: '/weather',
    summary: 'Check or import hourly weather from CSV',
    body: weatherImport,
    reply: weatherImportedReply,
    touches: ['weather'],
    before: ({ body }) => (body.mode === 'import' ? 'yard' : null),
    prepare: async ({ body }, { db, jobs }) =>
      jobs.run('weather', body.csv, (await theYard(db)).zone, body.mapping),
    run: async ({ body, prepared }, { tx, now, before }) => {
      const {
        readings,
        hours,
        badRows,
        moreBadRows,
        columns,
        rainInterval: stated,
      } = prepared as WeatherFile;
      const rainInterval = body.rainInterval ?? stated ?? 'before';
      const reply: WeatherImported = {
        hours,
        rainInterval,
        from: iso(readings[0]),
        to: iso(readings.at(-1)),
        badRows,
        moreBadRows,
        columns,
        shifts: [],
      };
      if (body.mode === 'check' || !before) return { reply, changes: [] };
      await insertFile(tx, { source: body.source ?? 'file', issuedAt: now, rainInterval, readings });
      const cause =
        body.source === 'typed' ? t`forecast entered by hand` : t`weather file imported (${hours} hours)`;
      const { shifts, after } = await recordShifts(tx, { before, now, cause, touched: 'air' });
      return { reply: { ...reply, shifts }, changes: [{ of: 'weather' }], air: after.air };
    },
  }),
  write({
    method: 'post',
    path: '/weather/stand-in',
    summary: 'Add simulated weather where there is no real data',
    body: standInRequest,
    reply: standInReply,
    touches: ['weather'],
    before: () => 'yard',
    run: async ({ body }, { tx, now, before }) => {
      const { zone } = await theYard(tx);
      const range = { from: now - STAND_IN_BACK_MS, to: now + body.days * DAY_MS };
      const utcOffsetHours = DateTime.fromMillis(now, { zone }).offset / 60;
      const hours = standInWeather({ seed: STAND_IN_SEED, ...range, utcOffsetHours });
      const given = await hoursGiven(tx, range.from);
      const free = hours.filter(({ at }) => !given.has(at));
      await insertSimulated(tx, { source: 'stand-in', issuedAt: now, hours: free });
      const changes = [{ of: 'weather' as const }];
      if (!before) return { reply: { hours: hours.length, shifts: [] }, changes };
      const cause = t`simulated forecast updated`;
      const { shifts, after } = await recordShifts(tx, { before, now, cause, touched: 'air' });
      return { reply: { hours: hours.length, shifts }, changes, air: after.air };
    },
  }),
  handout({
    path: '/weather.csv',
    summary: 'Export weather data as CSV',
    types: ['text/csv'],
    run: async (_asked, { db, now }) => {
      const at = now();
      const { zone } = await theYard(db);
      const from = Math.max((await firstHour(db)) ?? at, at - CSV_BACK_MS);
      const { hours } = await yardAir(db, at, { from, to: at + CSV_AHEAD_MS });
      const rows = hours
        .filter((hour) => hour.source !== 'filled')
        .map((hour) => [
          DateTime.fromMillis(hour.at, { zone }).toISO({ suppressMilliseconds: true }),
          hour.airC,
          Number((hour.rh * 100).toFixed(2)),
          hour.windMs ?? null,
          hour.rainMm ?? null,
          hour.surfaceC ?? null,
          hour.cloudTenths ?? null,
        ]);
      const head = [
        'time',
        'air °C',
        'RH %',
        'wind m/s',
        'rain mm (from then on, after the time)',
        'surface °C',
        'cloud tenths',
      ];
      return csvFile('weather', writeCsv([head, ...rows]));
    },
  }),
];

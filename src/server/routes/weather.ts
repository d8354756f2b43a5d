import { and, asc, eq, gte, sql } from 'drizzle-orm';
import { Router } from 'express';
import { DateTime } from 'luxon';
import Papa from 'papaparse';
import { standInRequest, type WeatherImported, weatherImport, weatherQuery } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { toWeatherHour, yardAir } from '../clock/air.ts';
import { recordShifts } from '../clock/shifts.ts';
import type { Context } from '../context.ts';
import type { Tx } from '../db/open.ts';
import { weatherHour } from '../db/schema.ts';
import { type CsvHour, readWeatherCsv } from '../formats/weatherCsv.ts';
import { badFields } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { standInWeather } from '../standins/weather.ts';
import { theYard } from './yard.ts';

/** Rows a statement; each takes eight parameters. */
const CHUNK = 1000;

/** Keeps hours: those up to now as measured, later ones as forecast. What is given replaces what was there. */
export async function keepHours(
  tx: Tx,
  hours: readonly CsvHour[],
  how: { now: number; simulated: boolean },
): Promise<void> {
  const rows = hours.map((hour) => ({
    ...hour,
    at: new Date(hour.at),
    source: hour.at <= how.now ? ('measured' as const) : ('forecast' as const),
    simulated: how.simulated,
  }));
  for (let i = 0; i < rows.length; i += CHUNK) {
    await tx
      .insert(weatherHour)
      .values(rows.slice(i, i + CHUNK))
      .onConflictDoUpdate({
        target: [weatherHour.source, weatherHour.at],
        set: {
          airC: sql`excluded.air_c`,
          rh: sql`excluded.rh`,
          windMs: sql`excluded.wind_ms`,
          rainMm: sql`excluded.rain_mm`,
          surfaceC: sql`excluded.surface_c`,
          simulated: sql`excluded.simulated`,
        },
      });
  }
}

export function weatherRoutes({ db, live, memory, now }: Context): Router {
  const router = Router();

  router.get('/weather', async (req, res) => {
    const at = now();
    const query = accept(weatherQuery, req.query);
    const days = (text: string | undefined, usual: number) => Number(text ?? usual) * 24 * HOUR_MS;
    const range = { from: at - days(query.back, 3), to: at + days(query.ahead, 10) };
    const hours = await yardAir(db, at, range);
    res.json({ now: new Date(at).toISOString(), hours: hours.map(toWeatherHour) });
  });

  router.post('/weather', async (req, res) => {
    const input = accept(weatherImport, req.body);
    const yard = await theYard(db);
    let read: ReturnType<typeof readWeatherCsv>;
    try {
      read = readWeatherCsv(input.csv, yard.zone);
    } catch (error) {
      if (error instanceof RangeError) throw badFields([{ path: 'csv', message: error.message }]);
      throw error;
    }
    const { hours, badRows, columns } = read;
    const iso = (hour: CsvHour | undefined) => (hour ? new Date(hour.at).toISOString() : null);
    const answer: WeatherImported = {
      hours: hours.length,
      from: iso(hours[0]),
      to: iso(hours.at(-1)),
      badRows: badRows.slice(0, 200),
      columns,
      shifts: [],
    };
    if (input.mode === 'import') {
      const at = now();
      const cause = `weather file of ${hours.length} hours imported`;
      const before = await memory.at(at);
      answer.shifts = await db.transaction(async (tx) => {
        await keepHours(tx, hours, { now: at, simulated: false });
        return recordShifts(tx, { before, now: at, cause, touched: 'air' });
      });
      live.tell('weather');
    }
    res.json(answer);
  });

  /** Fills the coming days, and the past two weeks where nothing was measured, from the simulated service. */
  router.post('/weather/stand-in', async (req, res) => {
    const { days } = accept(standInRequest, req.body);
    const at = now();
    const yard = await theYard(db);
    const range = { from: at - 14 * 24 * HOUR_MS, to: at + days * 24 * HOUR_MS };
    const utcOffsetHours = DateTime.fromMillis(at, { zone: yard.zone }).offset / 60;
    const hours = standInWeather({ seed: 7, ...range, utcOffsetHours });
    const before = await memory.at(at);
    const shifts = await db.transaction(async (tx) => {
      const own = await tx
        .select({ at: weatherHour.at, source: weatherHour.source })
        .from(weatherHour)
        .where(and(eq(weatherHour.simulated, false), gte(weatherHour.at, new Date(range.from))));
      const taken = new Set(own.map((row) => row.at.getTime()));
      const free = hours.filter((hour) => !taken.has(hour.at));
      await keepHours(tx, free, { now: at, simulated: true });
      return recordShifts(tx, {
        before,
        now: at,
        cause: 'the simulated forecast was renewed',
        touched: 'air',
      });
    });
    live.tell('weather');
    res.json({ hours: hours.length, shifts });
  });

  router.get('/weather.csv', async (_req, res) => {
    const at = now();
    const yard = await theYard(db);
    const [first] = await db
      .select({ at: weatherHour.at })
      .from(weatherHour)
      .orderBy(asc(weatherHour.at))
      .limit(1);
    const from = Math.max(first?.at.getTime() ?? at, at - 400 * 24 * HOUR_MS);
    const hours = await yardAir(db, at, { from, to: at + 30 * 24 * HOUR_MS });
    const rows = hours
      .filter((hour) => hour.source !== 'filled')
      .map((hour) => ({
        time: DateTime.fromMillis(hour.at, { zone: yard.zone }).toISO({ suppressMilliseconds: true }),
        'air °C': hour.airC,
        'RH %': Number((hour.rh * 100).toFixed(2)),
        'wind m/s': hour.windMs ?? '',
        'rain mm': hour.rainMm ?? '',
        'surface °C': hour.surfaceC ?? '',
      }));
    res.type('text/csv').attachment('weather.csv').send(Papa.unparse(rows));
  });
  return router;
}

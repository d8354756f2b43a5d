import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { and, asc, eq, gte, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/pg-core';
import type { Station, StationInput } from '../../contract/index.ts';
import type { LeadRecord } from '../../core/cure/index.ts';
import type { Queries } from '../db/open.ts';
import { station, weatherHour, weatherSeries } from '../db/schema.ts';
import { found } from './missing.ts';

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

function toStation(row: typeof station.$inferSelect): Station {
  const { tokenHash, archived: _, lastAt, ...rest } = row;
  return { ...rest, hasToken: tokenHash !== null, lastAt: lastAt?.toISOString() ?? null };
}

export async function allStations(db: Queries): Promise<Station[]> {
  const rows = await db
    .select()
    .from(station)
    .where(eq(station.archived, false))
    .orderBy(asc(station.rank), asc(station.name));
  return rows.map(toStation);
}

export async function stationById(db: Queries, id: string): Promise<Station | undefined> {
  const [row] = await db
    .select()
    .from(station)
    .where(and(eq(station.id, id), eq(station.archived, false)));
  return row && toStation(row);
}

/** @throws {Missing} */
export const theStation = async (db: Queries, id: string): Promise<Station> =>
  found(await stationById(db, id), 'station', id);

const columns = ({ name, gives, way, url, everyMin, privateNet, on, rank }: StationInput) => ({
  name,
  gives,
  way,
  url,
  everyMin,
  privateNet,
  on,
  rank,
});

export async function insertStation(db: Queries, input: StationInput): Promise<void> {
  await db.insert(station).values({ id: input.id, ...columns(input) });
}

export async function updateStation(db: Queries, current: Station, input: StationInput): Promise<void> {
  await db
    .update(station)
    .set({ ...columns(input), version: current.version + 1 })
    .where(eq(station.id, current.id));
}

/** A station put away gives nothing any more; what it gave stays. */
export async function archiveStation(db: Queries, id: string): Promise<void> {
  await theStation(db, id);
  await db.update(station).set({ archived: true, on: false, tokenHash: null }).where(eq(station.id, id));
}

/** A new token, in the place of any it had; only its hash is kept. */
export async function giveToken(db: Queries, id: string): Promise<string> {
  await theStation(db, id);
  const token = randomBytes(24).toString('base64url');
  await db
    .update(station)
    .set({ tokenHash: hashOf(token) })
    .where(eq(station.id, id));
  return token;
}

export async function revokeToken(db: Queries, id: string): Promise<void> {
  await theStation(db, id);
  await db.update(station).set({ tokenHash: null }).where(eq(station.id, id));
}

/** Whether a token is the one that was given out for this station. */
export async function tokenHolds(db: Queries, id: string, token: string): Promise<boolean> {
  const [row] = await db
    .select({ hash: station.tokenHash })
    .from(station)
    .where(and(eq(station.id, id), eq(station.archived, false)));
  const known = Buffer.from(row?.hash ?? '', 'hex');
  const sent = Buffer.from(hashOf(token), 'hex');
  return known.length === sent.length && timingSafeEqual(known, sent);
}

/** What a station gave last, or what was wrong. */
export async function noteStation(
  db: Queries,
  id: string,
  said: { lastAt?: Date; lastHours?: number; fault: string | null },
): Promise<void> {
  await db.update(station).set(said).where(eq(station.id, id));
}

/** Past this nobody remembers how a forecast came out. */
const LOOKED_BACK_MS = 120 * 24 * 3_600_000;

/**
 * How the forecasts kept came out against what was measured for the same hour, by lead time of the handbook's table; what
 * is simulated is left out.
 */
export async function forecastRecords(db: Queries, now: number): Promise<LeadRecord[]> {
  const [was, wasSeries] = [alias(weatherHour, 'was'), alias(weatherSeries, 'was_series')];
  const leadH = sql<number>`extract(epoch from (${weatherHour.at} - ${weatherSeries.issuedAt})) / 3600`;
  const bucket = sql<number>`case when ${leadH} < 12 then 0 when ${leadH} < 48 then 24 when ${leadH} < 96 then 72 when ${leadH} < 180 then 120 else 240 end`;
  const rows = await db
    .select({
      leadH: bucket,
      hours: sql<number>`count(*)::int`,
      squaresK2: sql<number>`sum(power(${weatherHour.airC} - ${was.airC}, 2))::float8`,
    })
    .from(weatherHour)
    .innerJoin(weatherSeries, eq(weatherSeries.id, weatherHour.seriesId))
    .innerJoin(was, eq(was.at, weatherHour.at))
    .innerJoin(wasSeries, eq(wasSeries.id, was.seriesId))
    .where(
      and(
        eq(weatherSeries.kind, 'forecast'),
        eq(wasSeries.kind, 'measured'),
        gte(weatherHour.at, new Date(now - LOOKED_BACK_MS)),
        sql`${weatherHour.at} > ${weatherSeries.issuedAt}`,
      ),
    )
    .groupBy(bucket);
  return rows.map((row) => ({ ...row, leadH: Number(row.leadH) }));
}

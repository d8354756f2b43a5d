import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { and, asc, eq, isNull, lte, or } from 'drizzle-orm';
import type { Station, StationInput, StationUpdate } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { station } from '../db/schema.ts';
import { found, written } from './missing.ts';

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

function toStation(row: typeof station.$inferSelect): Station {
  const { tokenHash, archived: _, askedAt: _at, lastAt, ...rest } = row;
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

const columns = ({
  name,
  gives,
  way,
  url,
  everyMin,
  privateNet,
  on,
  rank,
  rainInterval,
}: StationUpdate | StationInput) => ({
  name,
  gives,
  way,
  url,
  everyMin,
  privateNet,
  on,
  rank,
  // Left out: as it was.
  ...(rainInterval && { rainInterval }),
});

export async function insertStation(db: Queries, input: StationInput): Promise<void> {
  await db.insert(station).values({ id: input.id, ...columns(input) });
}

export async function updateStation(db: Queries, current: Station, input: StationUpdate): Promise<void> {
  written(
    await db
      .update(station)
      .set({ ...columns(input), version: current.version + 1 })
      .where(and(eq(station.id, current.id), eq(station.version, current.version)))
      .returning({ id: station.id }),
    'station',
  );
}

/** A deleted station sends no more readings; its past readings stay. */
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

/** Whether it is this process's turn to ask a station now: of several, one asks in each of its spans of time. */
export async function claimAsking(db: Queries, { id, everyMin }: Station, now: number): Promise<boolean> {
  const rows = await db
    .update(station)
    .set({ askedAt: new Date(now) })
    .where(
      and(
        eq(station.id, id),
        or(isNull(station.askedAt), lte(station.askedAt, new Date(now - everyMin * 60_000))),
      ),
    )
    .returning({ id: station.id });
  return rows.length > 0;
}

/** What a station gave last, or what was wrong. */
export async function noteStation(
  db: Queries,
  id: string,
  state: { lastAt?: Date; lastHours?: number; fault: string | null },
): Promise<void> {
  await db.update(station).set(state).where(eq(station.id, id));
}

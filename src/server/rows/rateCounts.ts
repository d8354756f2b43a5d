import { eq, sql } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';
import { rateCount } from '../db/schema.ts';

/** Counts one more of something in its span of time, whichever process counts. */
export async function countOne(
  db: Queries,
  key: string,
  { now, windowMs }: { now: number; windowMs: number },
): Promise<{ hits: number; endsAt: Date }> {
  const [at, endsAt] = [new Date(now).toISOString(), new Date(now + windowMs)];
  const over = sql`${rateCount.endsAt} <= ${at}::timestamptz`;
  const [row] = await db
    .insert(rateCount)
    .values({ key, hits: 1, endsAt })
    .onConflictDoUpdate({
      target: rateCount.key,
      set: {
        hits: sql`case when ${over} then 1 else ${rateCount.hits} + 1 end`,
        endsAt: sql`case when ${over} then ${endsAt.toISOString()}::timestamptz else ${rateCount.endsAt} end`,
      },
    })
    .returning({ hits: rateCount.hits, endsAt: rateCount.endsAt });
  return row as { hits: number; endsAt: Date };
}

/** Takes one back: it did not count after all. */
export async function countOneLess(db: Queries, key: string): Promise<void> {
  await db
    .update(rateCount)
    .set({ hits: sql`greatest(0, ${rateCount.hits} - 1)` })
    .where(eq(rateCount.key, key));
}

export async function forgetCount(db: Queries, key: string): Promise<void> {
  await db.delete(rateCount).where(eq(rateCount.key, key));
}

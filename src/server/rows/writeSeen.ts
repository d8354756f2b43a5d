import { eq } from 'drizzle-orm';
import type { Queries } from '../db/open.ts';
import { writeSeen } from '../db/schema.ts';

/** The hash of the body with which this write took, if it did. */
export async function seenHash(db: Queries, key: string): Promise<string | undefined> {
  const [row] = await db.select({ hash: writeSeen.bodyHash }).from(writeSeen).where(eq(writeSeen.key, key));
  return row?.hash;
}

import { and, eq } from 'drizzle-orm';
import type { Method } from '../../core/film/index.ts';
import type { Queries } from '../db/open.ts';
import { productPace } from '../db/schema.ts';

export type TakenPace = typeof productPace.$inferSelect;

/** Every pace that was taken over from hand tests; of one product where it is named. */
export async function takenPaces(db: Queries, productId?: string): Promise<TakenPace[]> {
  const all = db.select().from(productPace);
  return productId === undefined ? all : all.where(eq(productPace.productId, productId));
}

export async function putPace(db: Queries, pace: TakenPace): Promise<void> {
  await db
    .insert(productPace)
    .values(pace)
    .onConflictDoUpdate({ target: [productPace.productId, productPace.method], set: pace });
}

export async function dropPace(db: Queries, productId: string, method: Method): Promise<void> {
  await db
    .delete(productPace)
    .where(and(eq(productPace.productId, productId), eq(productPace.method, method)));
}

import { and, asc, desc, eq } from 'drizzle-orm';
import type {
  BoatQuoteInput,
  Offer,
  OfferInput,
  PurchaseInput,
  PurchaseRecord,
  SupplierInput,
  SupplierRecord,
  TradeSettings,
} from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { boatQuote, offer, purchase, supplier, tradeSetting } from '../db/schema.ts';
import { found, written } from './missing.ts';
import { theYard } from './yard.ts';

export async function allSuppliers(db: Queries): Promise<SupplierRecord[]> {
  return db
    .select()
    .from(supplier)
    .where(eq(supplier.archived, false))
    .orderBy(asc(supplier.name), asc(supplier.id));
}
export async function supplierById(db: Queries, id: string): Promise<SupplierRecord | undefined> {
  return (await db.select().from(supplier).where(eq(supplier.id, id)))[0];
}
/** @throws {Missing} */
export const theSupplier = async (db: Queries, id: string): Promise<SupplierRecord> =>
  found(await supplierById(db, id), 'supplier', id);
export async function insertSupplier(db: Queries, input: SupplierInput): Promise<void> {
  await db.insert(supplier).values(input);
}
export async function updateSupplier(
  db: Queries,
  current: SupplierRecord,
  change: Partial<SupplierInput> & { archived?: boolean },
): Promise<void> {
  written(
    await db
      .update(supplier)
      .set({ ...change, version: current.version + 1 })
      .where(and(eq(supplier.id, current.id), eq(supplier.version, current.version)))
      .returning({ id: supplier.id }),
    'supplier',
  );
}

export async function allOffers(db: Queries): Promise<Offer[]> {
  return db.select().from(offer).where(eq(offer.archived, false)).orderBy(asc(offer.id));
}
export async function offerById(db: Queries, id: string): Promise<Offer | undefined> {
  return (await db.select().from(offer).where(eq(offer.id, id)))[0];
}
/** @throws {Missing} */
export const theOffer = async (db: Queries, id: string): Promise<Offer> =>
  found(await offerById(db, id), 'price', id);
export async function insertOffer(db: Queries, input: OfferInput): Promise<void> {
  await db.insert(offer).values(input);
}
export async function updateOffer(
  db: Queries,
  current: Offer,
  change: Partial<OfferInput> & { archived?: boolean },
): Promise<void> {
  written(
    await db
      .update(offer)
      .set({ ...change, version: current.version + 1 })
      .where(and(eq(offer.id, current.id), eq(offer.version, current.version)))
      .returning({ id: offer.id }),
    'price',
  );
}

const toPurchase = ({ orderedAt, receivedAt, ...row }: typeof purchase.$inferSelect): PurchaseRecord => ({
  ...row,
  orderedAt: orderedAt.toISOString(),
  receivedAt: receivedAt?.toISOString() ?? null,
});
export async function allPurchases(db: Queries): Promise<PurchaseRecord[]> {
  const rows = await db
    .select()
    .from(purchase)
    .where(eq(purchase.archived, false))
    .orderBy(desc(purchase.orderedAt), desc(purchase.id));
  return rows.map(toPurchase);
}
export async function purchaseById(db: Queries, id: string): Promise<PurchaseRecord | undefined> {
  const [row] = await db.select().from(purchase).where(eq(purchase.id, id));
  return row && toPurchase(row);
}
/** @throws {Missing} */
export const thePurchase = async (db: Queries, id: string): Promise<PurchaseRecord> =>
  found(await purchaseById(db, id), 'order', id);
export async function insertPurchase(db: Queries, input: PurchaseInput): Promise<void> {
  await db.insert(purchase).values({ ...input, orderedAt: new Date(input.orderedAt) });
}
export async function updatePurchase(
  db: Queries,
  current: PurchaseRecord,
  change: { receivedAt?: Date | null; archived?: boolean },
): Promise<void> {
  written(
    await db
      .update(purchase)
      .set({ ...change, version: current.version + 1 })
      .where(and(eq(purchase.id, current.id), eq(purchase.version, current.version)))
      .returning({ id: purchase.id }),
    'order',
  );
}

/** What holds until the yard says otherwise: its money, and nothing for work or days. */
const AS_NEW: Omit<TradeSettings, 'version'> = {
  currency: 'EUR',
  taxRate: 0,
  roundingStep: 1,
  labourPerHour: 0,
  yardDay: 0,
  markup: 0,
  useLearned: true,
  workRates: {},
  sundryRates: {},
  sundryPrices: {},
  thinnerPerLitre: null,
  address: '',
};
export async function tradeSettingsOf(db: Queries): Promise<TradeSettings> {
  const [row] = await db.select().from(tradeSetting).limit(1);
  return { ...AS_NEW, ...row?.settings, version: row?.version ?? 0 };
}
export async function putTradeSettings(db: Queries, { version, ...settings }: TradeSettings): Promise<void> {
  const { id: yardId } = await theYard(db);
  written(
    await db
      .insert(tradeSetting)
      .values({ yardId, settings, version: version + 1 })
      .onConflictDoUpdate({
        target: tradeSetting.yardId,
        set: { settings, version: version + 1 },
        setWhere: eq(tradeSetting.version, version),
      })
      .returning({ id: tradeSetting.yardId }),
    'set of rules',
  );
}

export async function quoteOf(db: Queries, boatId: string): Promise<BoatQuoteInput> {
  const [row] = await db.select().from(boatQuote).where(eq(boatQuote.boatId, boatId));
  const blank = { number: '', customer: '', validDays: 0, terms: '', title: '', intro: '', closing: '' };
  return row ?? { boatId, ...blank, yardDays: 0, version: 0 };
}
export async function putQuote(db: Queries, { version, ...quote }: BoatQuoteInput): Promise<void> {
  written(
    await db
      .insert(boatQuote)
      .values({ ...quote, version: version + 1 })
      .onConflictDoUpdate({
        target: boatQuote.boatId,
        set: { ...quote, version: version + 1 },
        setWhere: eq(boatQuote.version, version),
      })
      .returning({ id: boatQuote.boatId }),
    'quote',
  );
}

import { and, asc, eq } from 'drizzle-orm';
import type { Product, ProductInput } from '../../contract/index.ts';
import type { Method } from '../../core/film/index.ts';
import { NOT_STATED, type ProductSheet } from '../../core/system/index.ts';
import type { Queries } from '../db/open.ts';
import { product, productSheet } from '../db/schema.ts';
import { found, written } from './missing.ts';
import { takenPaces } from './paces.ts';

export interface KnownProduct {
  id: string;
  name: string;
  version: number;
  sheet: ProductSheet;
}

/** Every product of the yard with its sheets. */
export interface ProductCatalogue {
  latest: Map<string, KnownProduct>;
  /** The sheet of one version, as a logged coat names it. */
  sheetOf(productId: string, version: number): ProductSheet | undefined;
  /** How many times as fast as its sheet it cures here by a method, as taken over from hand tests; 1: as its sheet. */
  paceOf(productId: string, method: Method | undefined): number;
}

/** A sheet kept from before a field was known does not state it. */
const whole = (sheet: ProductSheet): ProductSheet => ({ ...NOT_STATED, ...sheet });

/** Every product with its latest sheet, and older sheets by version. */
export async function loadCatalogue(db: Queries): Promise<ProductCatalogue> {
  const products = await db.select().from(product);
  const sheets = await db.select().from(productSheet);
  const byKey = new Map(sheets.map((row) => [`${row.productId}@${row.version}`, whole(row.sheet)]));
  const sheetOf = (productId: string, version: number) => byKey.get(`${productId}@${version}`);
  const latest = new Map<string, KnownProduct>();
  for (const row of products) {
    const sheet = sheetOf(row.id, row.version);
    if (sheet) latest.set(row.id, { id: row.id, name: row.name, version: row.version, sheet });
  }
  const paces = new Map(
    (await takenPaces(db)).map((each) => [`${each.productId} ${each.method}`, each.factor]),
  );
  const paceOf = (productId: string, method: Method | undefined) => paces.get(`${productId} ${method}`) ?? 1;
  return { latest, sheetOf, paceOf };
}

const latestSheets = (db: Queries) =>
  db
    .select({ product, sheet: productSheet.sheet })
    .from(product)
    .innerJoin(
      productSheet,
      and(eq(productSheet.productId, product.id), eq(productSheet.version, product.version)),
    )
    .$dynamic();

type LatestRow = { product: typeof product.$inferSelect; sheet: ProductSheet };
const toProduct = (row: LatestRow): Product => ({ ...row.product, sheet: whole(row.sheet) });

export async function allProducts(db: Queries): Promise<Product[]> {
  return (await latestSheets(db).orderBy(asc(product.name))).map(toProduct);
}

export async function productById(db: Queries, id: string): Promise<Product | undefined> {
  const [row] = await latestSheets(db).where(eq(product.id, id));
  return row && toProduct(row);
}

/** @throws {Missing} */
export const theProduct = async (db: Queries, id: string): Promise<Product> =>
  found(await productById(db, id), 'product', id);

export async function hasSheet(db: Queries, productId: string, version: number): Promise<boolean> {
  const rows = await db
    .select({ version: productSheet.version })
    .from(productSheet)
    .where(and(eq(productSheet.productId, productId), eq(productSheet.version, version)));
  return rows.length > 0;
}

export async function insertProduct(db: Queries, { id, name, sheet }: ProductInput): Promise<void> {
  await db.insert(product).values({ id, name });
  await db.insert(productSheet).values({ productId: id, version: 1, sheet });
}

/** A changed sheet is a new version; coats applied keep the one they were applied with. */
export async function addSheet(
  db: Queries,
  current: Pick<Product, 'id' | 'version'>,
  { name, sheet }: Omit<ProductInput, 'id'>,
): Promise<void> {
  const version = current.version + 1;
  await db.insert(productSheet).values({ productId: current.id, version, sheet });
  written(
    await db
      .update(product)
      .set({ name, version })
      .where(and(eq(product.id, current.id), eq(product.version, current.version)))
      .returning({ id: product.id }),
    'product',
  );
}

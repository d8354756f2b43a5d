import type { Lot, Offer, PurchaseRecord, SupplierRecord, TradeSettings } from '../../contract/index.ts';
import { type LotNote, lotEndsMs, lotNotes, type Stock, stockOf } from '../../core/supply/index.ts';
import type { Queries } from '../db/open.ts';
import { allLots, type CountedMovement, countedMovements } from '../rows/lots.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { allOffers, allPurchases, allSuppliers, tradeSettingsOf } from '../rows/trade.ts';
import { grouped } from './grouped.ts';

/** A lot with what moved of it and how it stands. */
export interface KeptLot {
  lot: Lot;
  movements: readonly CountedMovement[];
  stock: Stock;
  receivedMs: number | null;
  /** Of each patch what is kept back of it, in its unit. */
  keptBy: ReadonlyMap<string, number>;
}

/** The stock as one reading found it. */
export interface StockReading {
  lots: readonly KeptLot[];
  byProduct: ReadonlyMap<string, readonly KeptLot[]>;
}

/** Who sells, at what price, what was ordered, and how money is reckoned. */
export interface TradeReading {
  settings: TradeSettings;
  suppliers: readonly SupplierRecord[];
  offers: readonly Offer[];
  purchases: readonly PurchaseRecord[];
}

export function keptLot(lot: Lot, movements: readonly CountedMovement[]): KeptLot {
  const received = movements.filter(({ kind }) => kind === 'received').map(({ atMs }) => atMs);
  return {
    lot,
    movements,
    stock: stockOf(movements),
    receivedMs: received.length > 0 ? Math.min(...received) : null,
    keptBy: keptByArea(movements),
  };
}

export async function readStock(db: Queries, productId?: string): Promise<StockReading> {
  const all = await allLots(db, productId);
  const ids = productId === undefined ? undefined : all.map(({ id }) => id);
  const moved = grouped(await countedMovements(db, ids), ({ lotId }) => lotId);
  const lots = all.map((lot) => keptLot(lot, moved.get(lot.id) ?? []));
  return { lots, byProduct: grouped(lots, ({ lot }) => lot.productId) };
}

/** Reads the lots of some products again; the others stay as they are. */
export async function readStockAgain(
  db: Queries,
  known: StockReading,
  productIds: readonly string[],
): Promise<StockReading> {
  const lots = known.lots.filter(({ lot }) => !productIds.includes(lot.productId));
  for (const id of productIds) lots.push(...(await readStock(db, id)).lots);
  return { lots, byProduct: grouped(lots, ({ lot }) => lot.productId) };
}

export async function readTrade(db: Queries): Promise<TradeReading> {
  return {
    settings: await tradeSettingsOf(db),
    suppliers: await allSuppliers(db),
    offers: await allOffers(db),
    purchases: await allPurchases(db),
  };
}

/** How old a lot is by its sheet, and whether it still counts. */
export function ageOf(
  { lot, stock, receivedMs }: KeptLot,
  catalogue: ProductCatalogue,
  nowMs: number,
): { notes: LotNote[]; usable: boolean; endsMs: number | null } {
  const sheet = catalogue.latest.get(lot.productId)?.sheet;
  const family = sheet?.family;
  const age = {
    kind:
      family === 'waterborne-acrylic'
        ? ('water-borne' as const)
        : family === 'rust-converter'
          ? ('rust-converter' as const)
          : sheet?.hazards.includes('solvent')
            ? ('solvent-borne' as const)
            : ('other' as const),
    madeMs: lot.madeOn === null ? null : Date.parse(`${lot.madeOn}T00:00:00Z`),
    receivedMs,
    openedMs: stock.openedMs,
    shelfMonths: sheet?.shelfMonths ?? null,
    openedMonths: sheet?.openedMonths ?? null,
    frost: lot.frost,
    heat: lot.heat,
    nowMs,
  };
  const notes = lotNotes(age);
  return { notes, usable: !notes.some(({ keepsOut }) => keepsOut), endsMs: lotEndsMs(age) };
}

function keptByArea(movements: readonly CountedMovement[]): Map<string, number> {
  const kept = new Map<string, number>();
  for (const { kind, amount, areaId } of movements) {
    if (areaId === null || !['kept-back', 'kept-used', 'released'].includes(kind)) continue;
    kept.set(areaId, (kept.get(areaId) ?? 0) + (kind === 'kept-back' ? amount : -amount));
  }
  return new Map([...kept].filter(([, amount]) => amount > 1e-6));
}

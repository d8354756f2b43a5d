import type { LotView, MovementsView, StockView } from '../../../contract/index.ts';
import { spreadingRateM2PerL } from '../../../core/film/index.ts';
import { perLitreOfPaint, SOLVENT_STORE } from '../../../core/supply/index.ts';
import { t } from '../../../words.ts';
import type { Context } from '../../context.ts';
import { ageOf, type KeptLot } from '../../memory/stockReading.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { allLots, movementById, movementsBefore } from '../../rows/lots.ts';
import type { ProductCatalogue } from '../../rows/products.ts';

const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString());
const MOST_MOVEMENTS = 200;

/** m² that the mix of a base tin covers in one typical coat, as far as the hardener beside it goes; null: no base, or nothing in it. */
function coversM2(
  { lot, stock }: KeptLot,
  beside: readonly KeptLot[],
  catalogue: ProductCatalogue,
): number | null {
  const sheet = catalogue.latest.get(lot.productId)?.sheet;
  const [base, ...others] = sheet?.parts ?? [];
  if (!sheet || base?.name !== lot.part || lot.unit !== 'l' || !(stock.inTin > 0)) return null;
  const { unit, perLitre } = perLitreOfPaint(sheet.parts, sheet.ratioBy);
  if (unit !== 'l') return null;
  const mixes = others.map(({ name }, i) => {
    const there = beside.filter((each) => each.lot.part === name && each.lot.unit === 'l');
    return there.reduce((sum, each) => sum + Math.max(0, each.stock.inTin), 0) / (perLitre[i + 1] as number);
  });
  const litres = Math.min(stock.inTin / (perLitre[0] as number), ...mixes);
  return litres * spreadingRateM2PerL({ dryMicrons: sheet.film.typical, volumeSolids: sheet.volumeSolids });
}

export function lotView(
  kept: KeptLot,
  beside: readonly KeptLot[],
  known: Pick<YardReading, 'states' | 'catalogue'>,
  now: number,
): LotView {
  const { lot, stock, receivedMs } = kept;
  const { notes, usable, endsMs } = ageOf(kept, known.catalogue, now);
  const last = stock.differences.at(-1);
  return {
    ...lot,
    productName: known.catalogue.latest.get(lot.productId)?.name ?? t`unknown product`,
    stock: {
      inTin: stock.inTin,
      kept: stock.kept,
      openedAt: iso(stock.openedMs),
      belowNothingSince: iso(stock.belowNothingSinceMs),
    },
    difference: last
      ? { at: new Date(last.atMs).toISOString(), expected: last.expected, found: last.found }
      : null,
    keptFor: [...kept.keptBy].map(([areaId, amount]) => {
      const state = known.states.find(({ area }) => area.id === areaId);
      return {
        areaId,
        areaName: state?.area.name ?? t`deleted area`,
        boatName: state?.boat.name ?? '',
        amount,
      };
    }),
    receivedAt: iso(receivedMs),
    endsOn: iso(endsMs),
    notes: notes.map(({ atMs: _, ...note }) => note),
    usable,
    coversM2: usable ? coversM2(kept, beside, known.catalogue) : null,
  };
}

/** Every lot of the stock, by product. */
export async function stockView({ memory, now }: Pick<Context, 'memory' | 'now'>): Promise<StockView> {
  const at = now();
  const known = await memory.at(at);
  const { lots, byProduct } = known.stock;
  const solvent = lots.some(({ lot }) =>
    known.catalogue.latest.get(lot.productId)?.sheet.hazards.includes('solvent'),
  );
  return {
    now: new Date(at).toISOString(),
    lots: lots
      .map((kept) => lotView(kept, byProduct.get(kept.lot.productId) ?? [], known, at))
      .sort(
        (a, b) =>
          a.productName.localeCompare(b.productName) ||
          a.part.localeCompare(b.part) ||
          (a.id < b.id ? -1 : 1),
      ),
    solventStore: solvent ? SOLVENT_STORE : null,
  };
}

/** Movements, newest first, in pages. */
export async function movementsView({ db, memory, now }: Context, before?: string): Promise<MovementsView> {
  const last = before === undefined ? undefined : await movementById(db, before);
  const rows = await movementsBefore(
    db,
    MOST_MOVEMENTS + 1,
    last ? { at: new Date(last.at), id: last.id } : null,
  );
  const lots = new Map((await allLots(db)).map((lot) => [lot.id, lot]));
  const { catalogue } = await memory.at(now());
  return {
    movements: rows.slice(0, MOST_MOVEMENTS).map((movement) => {
      const lot = lots.get(movement.lotId);
      return {
        ...movement,
        productName: catalogue.latest.get(lot?.productId ?? '')?.name ?? t`archived lot`,
        part: lot?.part ?? '',
        colour: lot?.colour ?? null,
        unit: lot?.unit ?? 'l',
        code: lot?.code ?? '',
      };
    }),
    more: rows.length > MOST_MOVEMENTS,
  };
}

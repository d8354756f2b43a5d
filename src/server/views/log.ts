import type { Entry, LogQuery, LogView } from '../../contract/index.ts';
import { memoised } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { Context } from '../context.ts';
import { areaRows, surveyRows } from '../memory/boatRows.ts';
import { coatFilm } from '../memory/coatFilm.ts';
import { theBoat } from '../rows/boats.ts';
import { formOfBoat, shapeOf } from '../rows/forms.ts';
import { logPage } from '../rows/log.ts';
import { openFaultsOf } from './openFaultsOf.ts';

/** Entries a page, where none is asked for. */
const PAGE = 200;

/** The last page asked for, until the boat’s log has more. */
const pageOf = memoised(
  (_log: object, db: Context['db'], boatId: string, before: string | undefined, limit: number) =>
    logPage(db, boatId, { before, limit }),
);

const productOf = ({ body }: Entry): string[] => ('productId' in body ? [body.productId] : []);

/** A page of a boat's log, with all that is needed to read it. @throws {Missing} */
export async function logView(
  { db, memory, now }: Context,
  boatId: string,
  { before, limit }: LogQuery,
): Promise<LogView> {
  const known = await memory.some(now(), { boatId });
  const boat = known.boat?.boat ?? (await theBoat(db, boatId));
  const { latest } = known.catalogue;
  const page = await pageOf(
    memory.logOf(boatId),
    db,
    boatId,
    before,
    limit === undefined ? PAGE : Number(limit),
  );
  const products: LogView['products'] = {};
  const planned = known.states.flatMap((state) => state.steps.map(({ productId }) => productId));
  for (const id of [...planned, ...page.entries.flatMap(productOf)]) {
    const product = latest.get(id);
    if (!product) continue;
    const { name, version, sheet } = product;
    products[id] = { name, version, volumeSolids: sheet.volumeSolids };
  }
  const films: LogView['films'] = {};
  for (const entry of page.entries) {
    if (entry.kind !== 'coat') continue;
    const state = known.states.find(({ area }) => area.id === entry.areaId);
    const microns = coatFilm(entry.body, entry.id, { state, catalogue: known.catalogue });
    if (microns !== null) films[entry.id] = microns;
  }
  const entryIds = new Set(page.entries.map(({ id }) => id));
  const removedAt = Object.fromEntries(
    known.states.flatMap(({ removed }) =>
      removed
        .filter(({ coat }) => entryIds.has(coat.entryId))
        .map(({ coat, removal }) => [coat.entryId, new Date(removal.atMs).toISOString()] as const),
    ),
  );
  const { findings } = await surveyRows(db, boatId, known.boat);
  const shape = known.boat?.shape ?? shapeOf(await formOfBoat(db, boatId));
  return {
    boat,
    areas: await areaRows(db, boatId, known.boat),
    clocks: [...known.clocks],
    form: shape.table,
    ...page,
    films,
    removedAt,
    faults: known.states.flatMap((state) => openFaultsOf(state, findings)),
    overruled: known.states.flatMap((state) =>
      state.steps.flatMap(({ overrule, productId }) => {
        const productName = latest.get(productId)?.name ?? t`unknown product`;
        return overrule ? [{ areaId: state.area.id, productName, ...overrule }] : [];
      }),
    ),
    products,
  };
}

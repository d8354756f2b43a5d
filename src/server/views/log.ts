import type { LogQuery, LogView } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import { coatFilm } from '../memory/coatFilm.ts';
import { areasOfBoat } from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { formOfBoat, shapeOf } from '../rows/forms.ts';
import { logPage, productsLogged } from '../rows/log.ts';

/** Entries a page, where none is asked for. */
const PAGE = 200;

/** A page of a boat's log, with all that is needed to read it. @throws {Missing} */
export async function logView(
  { db, memory, now }: Context,
  boatId: string,
  { before, limit }: LogQuery,
): Promise<LogView> {
  const known = await memory.some(now(), { boatId });
  const boat = known.boat?.boat ?? (await theBoat(db, boatId));
  const { latest } = known.catalogue;
  const products: LogView['products'] = {};
  for (const id of await productsLogged(db, boatId)) {
    const product = latest.get(id);
    if (!product) continue;
    const { name, version, sheet } = product;
    products[id] = { name, version, volumeSolids: sheet.volumeSolids };
  }
  const page = await logPage(db, boatId, { before, limit: limit === undefined ? PAGE : Number(limit) });
  const films: LogView['films'] = {};
  for (const entry of page.entries) {
    if (entry.kind !== 'coat') continue;
    const state = known.states.find(({ area }) => area.id === entry.areaId);
    const microns = coatFilm(entry.body, entry.id, { state, catalogue: known.catalogue });
    if (microns !== null) films[entry.id] = microns;
  }
  const shape = known.boat?.shape ?? shapeOf(await formOfBoat(db, boatId));
  return {
    boat,
    areas: await areasOfBoat(db, boatId),
    clocks: [...known.clocks],
    form: shape.table,
    ...page,
    films,
    overruled: known.states.flatMap((state) =>
      state.steps.flatMap(({ overrule, productId }) => {
        const productName = latest.get(productId)?.name ?? 'a product';
        return overrule ? [{ areaId: state.area.id, productName, ...overrule }] : [];
      }),
    ),
    products,
  };
}

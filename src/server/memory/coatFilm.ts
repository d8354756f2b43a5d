import type { CoatBody } from '../../contract/index.ts';
import { deadVolumeLPerM2, dryMicronsFromLitres } from '../../core/film/index.ts';
import { type CoatGroup, lossOf, TREATMENTS } from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot, CoatOnArea } from './areaStates.ts';
import { profileOf } from './profileOf.ts';

/** The entries of the coat that filled an area's blast profile: the first one applied that forms a film. */
function profileFillers(state: AreaSnapshot, catalogue: ProductCatalogue): ReadonlySet<string> {
  const formsFilm = ({ body }: CoatOnArea) => {
    const family = catalogue.sheetOf(body.productId, body.sheetVersion)?.family;
    return family !== undefined && !TREATMENTS.includes(family);
  };
  const firstOf = (coats: readonly CoatOnArea[]) => {
    const first = coats.filter(formsFilm).sort((a, b) => a.toMs - b.toMs)[0];
    const own = coats.filter(({ stepId, coatNo }) => stepId === first?.stepId && coatNo === first.coatNo);
    return own.map(({ entryId }) => entryId);
  };
  // A coat that was stripped had filled the profile.
  const grounds = new Set(state.removed.flatMap(({ removal }) => (removal.toGround ? [removal] : [])));
  const lives = [...grounds].map((ground) =>
    state.removed.flatMap(({ coat, removal }) => (removal === ground ? [coat] : [])),
  );
  return new Set([...lives, state.coats].flatMap(firstOf));
}

/**
 * Mean dry film of a logged coat by its litres, µm: by the sheet as it was then, the usual loss of how it was applied,
 * and less what the blast profile took. The one figure that the record and the systems show.
 *
 * @returns null where the sheet of then is not known, or nothing was covered
 */
export function coatFilm(
  body: CoatBody,
  entryId: string,
  context: { state: AreaSnapshot | undefined; catalogue: ProductCatalogue },
): number | null {
  const { state, catalogue } = context;
  const volumeSolids = catalogue.sheetOf(body.productId, body.sheetVersion)?.volumeSolids;
  if (volumeSolids === undefined || body.areaM2 <= 0) return null;
  const profile = state && profileOf(state, catalogue);
  const microns = profile && profileFillers(state, catalogue).has(entryId) ? profile.microns : 0;
  const { litres, areaM2, method } = body;
  return dryMicronsFromLitres({
    litres,
    areaM2,
    volumeSolids,
    loss: lossOf(method),
    deadVolume: deadVolumeLPerM2(microns),
  });
}

/** Mean dry film of a coat over its entries, µm; null: unknown. */
export function groupFilm(
  group: CoatGroup<CoatOnArea>,
  context: { state: AreaSnapshot; catalogue: ProductCatalogue },
): number | null {
  if (!(group.coveredM2 > 0)) return null;
  let sum = 0;
  for (const { body, entryId } of group.entries) {
    const microns = coatFilm(body, entryId, context);
    if (microns === null) return null;
    sum += microns * body.areaM2;
  }
  return sum / group.coveredM2;
}

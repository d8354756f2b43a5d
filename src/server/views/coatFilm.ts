import type { CoatBody } from '../../contract/index.ts';
import { deadVolumeLPerM2, dryMicronsFromLitres } from '../../core/film/index.ts';
import { lossOf, TREATMENTS } from '../../core/system/index.ts';
import { groupsOf } from '../memory/areaClock.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { profileOf } from './profileOf.ts';

/** The entries of the coat that filled an area's blast profile: the first one applied that forms a film. */
export function profileFillers(state: AreaSnapshot, catalogue: ProductCatalogue): ReadonlySet<string> {
  const first = groupsOf(state).find(({ entries }) => {
    const body = entries[0]?.body;
    const family = body && catalogue.sheetOf(body.productId, body.sheetVersion)?.family;
    return family !== undefined && !TREATMENTS.includes(family);
  });
  return new Set(first?.entries.map(({ entryId }) => entryId));
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
  const filled = state && profileFillers(state, catalogue).has(entryId);
  const microns = filled ? (profileOf(state, catalogue)?.microns ?? 0) : 0;
  const { litres, areaM2, method } = body;
  return dryMicronsFromLitres({
    litres,
    areaM2,
    volumeSolids,
    loss: lossOf(method),
    deadVolume: deadVolumeLPerM2(microns),
  });
}

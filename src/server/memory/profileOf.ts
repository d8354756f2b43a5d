import { firstFilm, isConverted, type ProfileUnder, profileUnder } from '../../core/system/index.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot } from './areaStates.ts';

const sheetsOf = (state: AreaSnapshot, catalogue: ProductCatalogue) =>
  state.steps.flatMap((step) => {
    const sheet = catalogue.latest.get(step.productId)?.sheet;
    return sheet ? [{ step, sheet }] : [];
  });

/** The first step of an area's stack that forms a film, with its sheet. */
export function firstFilmStep(state: AreaSnapshot, catalogue: ProductCatalogue) {
  const steps = sheetsOf(state, catalogue);
  return steps[firstFilm(steps)];
}

/** Whether an area's steel is converted, not blasted. */
export const convertedSteel = (state: AreaSnapshot, catalogue: ProductCatalogue): boolean =>
  isConverted(sheetsOf(state, catalogue));

/** The profile under an area's first film, for its litres. */
export const profileOf = (state: AreaSnapshot, catalogue: ProductCatalogue): ProfileUnder | null =>
  profileUnder({
    substrate: state.area.substrate,
    oldCoating: state.area.oldCoating,
    measuredMicrons: state.profileMicrons,
    first: firstFilmStep(state, catalogue)?.sheet,
    converted: convertedSteel(state, catalogue),
    service: state.area.service,
    blasted: state.blast !== null,
  });

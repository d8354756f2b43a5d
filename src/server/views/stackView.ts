import type { StackView } from '../../contract/index.ts';
import { extremesFrom, type HourOf, type SplicedHour } from '../../core/cure/index.ts';
import { deadVolumeLPerM2, dryMicronsFromLitres } from '../../core/film/index.ts';
import {
  type CoatGroup,
  firstFilm,
  lossOf,
  type ProfileUnder,
  profileUnder,
} from '../../core/system/index.ts';
import { tempsFor } from '../air/yardAir.ts';
import { groupsOf } from '../memory/areaClock.ts';
import type { AreaSnapshot, CoatOnArea } from '../memory/areaStates.ts';
import { laidBonds } from '../memory/laidBonds.ts';
import type { ProductCatalogue } from '../rows/products.ts';

/** The first step of an area's stack that forms a film, with its sheet. */
export function firstFilmStep(state: AreaSnapshot, catalogue: ProductCatalogue) {
  const steps = state.steps.flatMap((step) => {
    const sheet = catalogue.latest.get(step.productId)?.sheet;
    return sheet ? [{ step, sheet }] : [];
  });
  return steps[firstFilm(steps)];
}

/** The profile under an area's first film, for its litres. */
export const profileOf = (state: AreaSnapshot, catalogue: ProductCatalogue): ProfileUnder | null =>
  profileUnder({
    substrate: state.area.substrate,
    oldCoating: state.area.oldCoating,
    measuredMicrons: state.profileMicrons,
    first: firstFilmStep(state, catalogue)?.sheet,
  });

/** Mean dry film of a coat by its litres, µm. */
function filmOf(
  group: CoatGroup<CoatOnArea>,
  catalogue: ProductCatalogue,
  profile: ProfileUnder | null,
): number {
  const deadVolume = deadVolumeLPerM2(profile?.microns ?? 0);
  const microns = group.entries.map(({ body }) => {
    const volumeSolids = catalogue.sheetOf(body.productId, body.sheetVersion)?.volumeSolids;
    if (volumeSolids === undefined) return 0;
    const { litres, areaM2, method } = body;
    return dryMicronsFromLitres({ litres, areaM2, volumeSolids, loss: lossOf(method), deadVolume }) * areaM2;
  });
  return microns.reduce((sum, each) => sum + each, 0) / group.coveredM2;
}

const hourView = ({ tempC, atMs }: HourOf) => ({ tempC, at: new Date(atMs).toISOString() });

/** An area's stack with the coats of each step that are wholly laid: how thick each came out, and how it holds. */
export function stackView(
  state: AreaSnapshot,
  context: { catalogue: ProductCatalogue; hours: readonly SplicedHour[]; now: number },
): StackView {
  const whole = groupsOf(state).filter((group) => group.complete);
  const bonds = laidBonds(state, whole, context);
  const byStep = <T>(of: (group: (typeof whole)[number], i: number) => T) =>
    Object.fromEntries(
      state.steps.map((step) => [
        step.id,
        whole.flatMap((group, i) => (group.stepId === step.id ? [of(group, i)] : [])),
      ]),
    );
  const { hours, now } = context;
  const found = hours.length > 0 ? extremesFrom(tempsFor(hours, state.area.surroundings), now) : null;
  const profile = profileOf(state, context.catalogue);
  const asLaid = byStep((group, i) => filmOf(group, context.catalogue, i === 0 ? profile : null));
  return {
    areaId: state.area.id,
    version: state.stackVersion,
    steps: state.steps,
    laid: Object.fromEntries(Object.entries(asLaid).map(([id, films]) => [id, films.length])),
    asLaid,
    profile,
    bonds: byStep((_, i) => bonds[i] ?? null),
    extremes: found && { coldest: hourView(found.coldest), hottest: hourView(found.hottest) },
  };
}

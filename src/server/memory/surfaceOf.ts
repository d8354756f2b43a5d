import { type SurfaceBody, surfaceBodyOf } from '../../core/air/index.ts';
import { memoised } from '../../core/units/index.ts';
import type { SurfacePlace } from '../air/surfaces.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot } from './areaStates.ts';

const INSIDE: ReadonlySet<AreaSnapshot['area']['service']> = new Set(['interior', 'bilge', 'tank']);
/** Substrates that are paint, of any colour. */
const PAINTED = 'existing-paint';

/** The colour on top, `#rrggbb`; null: none applied here, or its sheet does not show it. */
function topColour(state: AreaSnapshot, catalogue: ProductCatalogue): string | null {
  const top = state.coats.at(-1);
  if (!top) return null;
  const sheet = catalogue.sheetOf(top.body.productId, top.body.sheetVersion);
  const hex = sheet?.colours.find(({ name }) => name === top.body.colour)?.hex;
  return hex && /^#[0-9a-f]{6}$/i.test(hex) ? hex : null;
}

function bodyOf(state: AreaSnapshot, catalogue: ProductCatalogue): SurfaceBody {
  const { area, boat } = state;
  return surfaceBodyOf({
    zone: area.zone,
    side: area.side,
    substrate: area.substrate,
    inside: INSIDE.has(area.service),
    colour: topColour(state, catalogue),
    coated: state.coats.length > 0 || area.oldCoating !== null || area.substrate === PAINTED,
    underSupport: state.stand !== null && !state.stand.archived && state.stand.shiftedAt === null,
    boatHeadingDeg: boat.headingDeg ?? null,
  });
}

/** Where an area's surface stands and stood, and what kind of heat store it is, as it is now. */
export const surfaceOf: (state: AreaSnapshot, catalogue: ProductCatalogue) => SurfacePlace = memoised(
  (state: AreaSnapshot, catalogue: ProductCatalogue) => ({
    surroundings: state.area.surroundings,
    before: state.area.earlierShelters.map(({ surroundings, until }) => ({
      surroundings,
      untilMs: Date.parse(until),
    })),
    indoors: INSIDE.has(state.area.service),
    body: bodyOf(state, catalogue),
  }),
);

import { surfaceBodyOf } from '../src/core/air/index.ts';
import type { TempSeries } from '../src/core/cure/index.ts';
import { type Air, tempsFor } from '../src/server/air/surfaces.ts';
import type { DemoArea, DemoBoat } from './planned.ts';
import { SHEETS } from './sheets.ts';

/** The colour of the coat that lies on top, `#rrggbb`; null: none does. */
function topColour({ steps, applied }: DemoArea): string | null {
  const coats = steps.flatMap(({ product, coats: count, colours }) =>
    Array.from({ length: count }, (_, no) => ({ product, name: colours[no % colours.length] })),
  );
  const top = coats[applied - 1];
  return SHEETS[top?.product ?? '']?.colours.find(({ name }) => name === top?.name)?.hex ?? null;
}

/** The film temperatures of a demo area, as the server will have them. */
export function filmOfArea(air: Air, plan: DemoArea, boat: Pick<DemoBoat, 'headingDeg'>): TempSeries {
  const { zone, side, substrate, service, surroundings, applied } = plan;
  const indoors = service === 'interior' || service === 'bilge' || service === 'tank';
  const body = surfaceBodyOf({
    zone,
    side,
    substrate,
    inside: indoors,
    colour: topColour(plan),
    coated: applied > 0,
    boatHeadingDeg: boat.headingDeg ?? null,
  });
  return tempsFor(air, { surroundings: surroundings ?? { kind: 'open' }, indoors, body });
}

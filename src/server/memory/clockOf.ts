import type { AreaClock } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { remembering } from '../../core/units/index.ts';
import { type Air, tempsFor } from '../air/surfaces.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { areaClock, failedClock } from './areaClock.ts';
import type { AreaSnapshot } from './areaStates.ts';
import { sheetsBehind } from './sheetsBehind.ts';
import { surfaceOf } from './surfaceOf.ts';

interface ClockContext {
  air: Air;
  catalogue: ProductCatalogue;
  now: number;
}

/** A clock, or the line that says why there is none. */
function clockOrWhyNot(state: AreaSnapshot, context: ClockContext): AreaClock {
  try {
    return areaClock(state, context);
  } catch (error) {
    return failedClock(state, error);
  }
}

/**
 * The clock of an area, worked out again only where the area, a sheet behind it, the temperatures of its surface or the hour
 * is another.
 */
export function clockOf(state: AreaSnapshot, context: ClockContext): AreaClock {
  const { air, catalogue, now } = context;
  const temps = air.hours.length > 0 ? tempsFor(air, surfaceOf(state, catalogue)) : null;
  const made = [sheetsBehind(state, catalogue), temps, Math.floor(now / HOUR_MS)];
  return keptClocks(state, made, () => clockOrWhyNot(state, context));
}

const keptClocks = remembering<AreaClock>();

import type { StripHour, StripView } from '../../contract/index.ts';
import {
  type AirLimits,
  DEFAULT_LIMITS,
  dewPointC,
  heatedAirC,
  judgeHours,
  type SurfaceReading,
  type Surroundings,
  surfaceBodyOf,
  surroundingsAt,
} from '../../core/air/index.ts';
import { HOUR_MS, hourBands, type LeadError, type SplicedHour } from '../../core/cure/index.ts';
import { coatLimitsOf } from '../../core/system/index.ts';
import { type Air, bandFor, type SurfacePlace } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import { Missing } from '../rows/missing.ts';
import { errorsHere } from './errorsHere.ts';

const DAY_MS = 24 * HOUR_MS;

/** If no area is given: glassfibre topsides outdoors, facing any direction. */
const IN_THE_OPEN: SurfacePlace = {
  surroundings: { kind: 'open' },
  indoors: false,
  body: surfaceBodyOf({
    zone: 'topsides',
    side: 'both',
    substrate: 'grp',
    inside: false,
    colour: null,
    coated: true,
    boatHeadingDeg: null,
  }),
};

interface Over {
  air: Air;
  place: SurfacePlace;
  limits: AirLimits;
  productName: string | null;
}

/** The surface and the limits asked about. @throws {Missing} */
async function over({ memory, now }: Context, areaId: string | undefined): Promise<Over> {
  if (areaId === undefined) {
    const { air } = await memory.at(now());
    return { air, place: IN_THE_OPEN, limits: DEFAULT_LIMITS, productName: null };
  }
  const { air, states, clocks, catalogue } = await memory.some(now(), { areaId });
  const [state] = states;
  if (!state) throw new Missing('area', areaId);
  const next = clocks[0]?.next;
  const product = catalogue.latest.get(next?.productId ?? '');
  const step = state.steps.find(({ id }) => id === next?.stepId);
  return {
    air,
    place: surfaceOf(state, catalogue),
    limits: product && step ? coatLimitsOf(product.sheet, step.method) : DEFAULT_LIMITS,
    productName: product?.name ?? null,
  };
}

/** The air about a surface, hour by hour with its bands of doubt, and what speaks against applying. @throws {Missing} */
export async function stripView(
  context: Context,
  { areaId, backDays }: { areaId: string | undefined; backDays: number },
): Promise<StripView> {
  const { db, now } = context;
  const at = now();
  const { air, place, limits, productName } = await over(context, areaId);
  const { hours } = air;
  if (hours.length === 0)
    return { now: new Date(at).toISOString(), productName, simulated: false, hours: [] };
  const errors = await errorsHere(air, db, at);
  const surface = bandFor(air, place);
  const first = hours.findIndex((hour) => hour.at >= at - backDays * DAY_MS);
  const shown = first < 0 ? [] : hours.slice(first);
  const skin = first < 0 ? [] : surface.slice(first);
  const judged = judgedAhead({ hours, surface, place, limits, now: at });
  return {
    now: new Date(at).toISOString(),
    productName,
    simulated: shown.some(({ simulated }) => simulated),
    hours: shown.map((hour, i) =>
      stripHour(hour, skin[i] as SurfaceReading, judged.get(hour.at) ?? { reasons: [], conditions: [] }, {
        now: at,
        errors,
        surroundings: surroundingsAt(place, hour.at),
      }),
    ),
  };
}

/** What speaks against applying in each hour from now on; judged from a day before, so that what rain or dew left is known. */
function judgedAhead(input: {
  hours: readonly SplicedHour[];
  surface: readonly SurfaceReading[];
  place: SurfacePlace;
  limits: AirLimits;
  now: number;
}): Map<number, Pick<StripHour, 'reasons' | 'conditions'>> {
  const { hours, surface, place, limits, now } = input;
  const from = hours.findIndex((hour) => hour.at > now - DAY_MS);
  if (from < 0) return new Map();
  const judged = judgeHours({
    hours: hours.slice(from),
    surface: surface.slice(from),
    limits,
    surroundings: place.surroundings,
    before: place.before ?? [],
  });
  return new Map(
    judged
      .filter(({ at }) => at + HOUR_MS > now)
      .map(({ at, reasons, conditions }) => [at, { reasons, conditions }]),
  );
}

const tenth = (celsius: number) => Math.round(celsius * 10) / 10;

function stripHour(
  hour: SplicedHour,
  surface: SurfaceReading,
  judged: Pick<StripHour, 'reasons' | 'conditions'>,
  { now, errors, surroundings }: { now: number; errors: readonly LeadError[]; surroundings: Surroundings },
): StripHour {
  const { airC, rh, source } = hour;
  const dewC = dewPointC({ airC, rh });
  const leadH = source === 'measured' ? 0 : Math.max(0, (hour.at - now) / HOUR_MS);
  const { air, dew, surface: open } = hourBands({ airC, dewC, surface, leadH, errors });
  // A heated room keeps its temperature in any forecast.
  const skin = surroundings.kind === 'heated' ? surface : open;
  const here = (outsideC: number) =>
    tenth(surroundings.kind === 'heated' ? heatedAirC(outsideC, surroundings) : outsideC);
  return {
    at: new Date(hour.at).toISOString(),
    source: hour.simulated && source === 'measured' ? 'simulated' : source,
    airC: here(airC),
    airLowC: here(air.lowC),
    airHighC: here(air.highC),
    dewC: tenth(dewC),
    dewLowC: tenth(dew.lowC),
    dewHighC: tenth(dew.highC),
    surfaceC: tenth(surface.surfaceC),
    surfaceLowC: tenth(skin.lowC),
    surfaceHighC: tenth(skin.highC),
    ...judged,
  };
}

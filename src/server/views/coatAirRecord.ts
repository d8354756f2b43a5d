import type {
  AreaClock,
  CoatAirRecord,
  CoatBody,
  CoatCheck,
  EntryInput,
  FailureView,
} from '../../contract/index.ts';
import {
  airAbout,
  airOver,
  type CoatFailure,
  isUnderCover,
  judgeCoat,
  judgeConditions,
  surfaceSeries,
  surroundingsAt,
} from '../../core/air/index.ts';
import { HOUR_MS, type SplicedHour } from '../../core/cure/index.ts';
import { coatLimitsOf } from '../../core/system/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import { darkOver } from '../air/surfaces.ts';
import { surfaceOf } from '../memory/surfaceOf.ts';
import type { YardClocks } from '../memory/yardSnapshots.ts';
import { Missing } from '../rows/missing.ts';

/** A start is typed to the minute. */
const MINUTE_MS = 60_000;
/** Air before the coat: whether its surface is wet, and how warm even a keel casting has become by then. */
const BEFORE_MS = 48 * HOUR_MS;

type Known = Pick<YardClocks, 'states' | 'air' | 'catalogue'>;
type Coat = Pick<EntryInput, 'areaId' | 'at'> & {
  body: Pick<CoatBody, 'productId' | 'sheetVersion' | 'method' | 'endedAt' | 'conditions'>;
};

export const failureView = ({ at, ...failure }: CoatFailure): FailureView => ({
  ...failure,
  at: new Date(at).toISOString(),
});

/** From the least certain to the most. */
const BY_DOUBT = ['simulated', 'filled', 'forecast', 'measured'] as const;
const sourceOf = (hours: readonly SplicedHour[]): CoatAirRecord['source'] => {
  const sources = new Set<string>(hours.map(({ simulated, source }) => (simulated ? 'simulated' : source)));
  return BY_DOUBT.find((each) => sources.has(each)) ?? 'measured';
};

/** Of each reason the first moment. */
function firstOf(failures: readonly CoatFailure[]): FailureView[] {
  const first = new Map(failures.toReversed().map((failure) => [failure.code, failure]));
  return [...first.values()].sort((a, b) => a.at - b.at).map(failureView);
}

/** What the record would say against the next coat of an area, applied in those hours. */
export function coatCheck(known: YardClocks, areaId: string, from: string, to: string): CoatCheck {
  const state = known.states.find(({ area }) => area.id === areaId);
  const clock = known.clocks.find((each) => each.areaId === areaId);
  if (!state || !clock) throw new Missing('area', areaId);
  const step = state.steps.find(({ id }) => id === clock.next?.stepId);
  const product = step && known.catalogue.latest.get(step.productId);
  const startMs = Date.parse(from);
  const covers = (each: AreaClock['segments'][number]) =>
    Date.parse(each.from) <= startMs && (each.to === null || startMs + MINUTE_MS < Date.parse(each.to));
  const soon = clock.segments.find((each) => each.state === 'too-soon' && covers(each));
  const body = step &&
    product && {
      productId: product.id,
      sheetVersion: product.version,
      method: step.method,
      endedAt: to,
      conditions: null,
    };
  return {
    air: body ? coatAirRecord(known, { areaId, at: from, body }) : null,
    tooSoon: soon ? { until: soon.to } : null,
  };
}

/**
 * The air of the hours in which a coat was applied, and what in it its sheet does not allow: as typed at the boat, else as
 * the yard knows those hours. Not the air of the moment at which it is written down.
 *
 * @returns null: nobody typed it, and the weather data does not reach those hours, or a figure in it cannot be
 */
export function coatAirRecord(known: Known, coat: Coat): CoatAirRecord | null {
  try {
    return workedOut(known, coat);
  } catch (error) {
    // A bad weather figure doesn’t block the entry of a coat: its weather is then not recorded.
    if (error instanceof QuantityError) return null;
    throw error;
  }
}

function workedOut(known: Known, { areaId, at, body }: Coat): CoatAirRecord | null {
  const state = known.states.find(({ area }) => area.id === areaId);
  const sheet = known.catalogue.sheetOf(body.productId, body.sheetVersion);
  if (!state || !sheet) return null;
  const place = surfaceOf(state, known.catalogue);
  const limits = coatLimitsOf(sheet, body.method);
  const [startMs, endMs] = [Date.parse(at), Date.parse(body.endedAt)];
  if (body.conditions?.source === 'typed') {
    const { airC, rh, surfaceC } = body.conditions;
    const { reasons } = judgeConditions({
      conditions: { airC, rh, surfaceC: surfaceC ?? airC },
      limits,
      underCover: isUnderCover(surroundingsAt(place, startMs)),
    });
    const one = (value: number) => ({ min: value, max: value });
    return {
      airC: one(airC),
      rh: one(rh),
      surfaceC: surfaceC === null ? null : one(surfaceC),
      surface: 'measured',
      source: 'typed',
      failures: reasons.map((reason) => ({ ...reason, at, phase: 'applying' as const })),
    };
  }
  const near = (each: { at: number }) => each.at >= startMs - BEFORE_MS && each.at <= endMs + 2 * HOUR_MS;
  const hours = known.air.hours.filter(near);
  if (hours.length === 0) return null;
  // Over these hours alone: a season of them would be worked out for one coat.
  const { surroundings, before = [] } = place;
  const surface = surfaceSeries({ hours, surface: place.body, site: known.air.site, surroundings, before });
  const { about, underCover } = airAbout(hours, place);
  const input = {
    hours: about,
    surface,
    limits,
    underCover,
    startMs,
    endMs,
  };
  const found = airOver(input);
  if (!found) return null;
  const own = hours.filter((hour) => hour.at > startMs - HOUR_MS && hour.at <= endMs);
  const nights =
    isUnderCover(surroundingsAt(place, startMs)) || place.indoors ? [] : darkOver(known.air, startMs);
  return {
    ...found,
    surface: own.every(({ surfaceC }) => surfaceC !== undefined) ? 'measured' : 'estimated',
    source: sourceOf(own),
    failures: firstOf(judgeCoat({ ...input, safeMs: endMs, nights }).failures),
  };
}

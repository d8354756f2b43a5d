import type { AirConditionCode, AirReason, ShellKind, Surroundings } from '../core/air/index.ts';
import type { CurrencyCode } from '../core/supply/index.ts';
import type { Area } from './area.ts';
import type { Boat } from './boat.ts';
import type { CoatAirRecord, FailureView } from './coatAir.ts';
import type { ProgressBody, SessionBody, TapeKind } from './logBodies.ts';
import type { Product } from './product.ts';
import type { Step } from './stack.ts';
import type { BenchTins } from './supply/benchTins.ts';
import type { BareItem, OpenFault } from './survey.ts';
import type { AreaClock, PotView } from './views.ts';
import type { WeatherHour } from './weather.ts';

/** A thing to leave bare, and whether it is taped for the coat in hand. */
export interface BareTick {
  id: string;
  /** 'edge': the edges of the area itself, under its id. */
  kind: BareItem['kind'] | 'edge';
  name: string;
  /** null: not ticked either way for this coat. */
  taped: boolean | null;
  /** Kind of its tape; null: not told. */
  tape: TapeKind | null;
  /** By when the tape is to come off; null: not taped. */
  offBy: string | null;
}

/** Something noted of the coat in hand while it is applied, on any device. */
export type ProgressView = Pick<ProgressBody, 'section' | 'comb' | 'usedL'> & {
  entryId: string;
  at: string;
  wetEdgeMin: number | null;
  cutIn: boolean | null;
};

/** What one device noted of the coat in hand: who applies it, and what else is painted in one go. */
export type SessionNoteView = Pick<SessionBody, 'areaIds' | 'people' | 'device'> & {
  /** The session ended here without a coat. */
  ended: boolean;
  entryId: string;
  at: string;
};

/** Whether a coat begun now passes until it is safe from dew and rain. */
export interface CoatOutlook {
  start: string;
  /** When its last corner is applied at the usual pace. */
  end: string;
  /** When it is safe from dew and rain; null: not within what is known, or not stated. */
  safe: string | null;
  /** The source of `safe`: an event of the data sheet, or hours entered by hand; null: not known, so ask. */
  safeBy: 'dew-safe' | 'tack-free' | 'entered' | null;
  ok: boolean;
  /** Of each reason against it the first moment now and the first to come, in the order of time. */
  failures: FailureView[];
  /** Rain or wind that nobody gave for its hours, and the first moment of it: to be seen to at the boat. */
  conditions: ConditionView[];
  /** The periods within the weather data in which the coat can start, each with its best start; empty: no suitable start. */
  starts: StartView[];
  /** The start with the widest margins of all; null: none passes, or it is not known when the coat is safe. */
  best: StartView['best'] | null;
  /** What a cover or a heater would change, where it does not pass now; none: nothing to be changed. */
  otherPlaces: OtherPlaceView[];
}

/** What a verdict depends on because no data says it. */
export interface ConditionView {
  code: AirConditionCode;
  at: string;
  /** Both ends of the surface's temperature then, °C, where it depends on the sun; else null. */
  surface: { lowC: number; highC: number } | null;
}

/** The same coat in other surroundings from now on; null: not in what is known. */
export interface OtherPlaceView {
  surroundings: Surroundings;
  /** First suitable start at which the coat below is ready. */
  start: string | null;
  safe: string | null;
  /** When the coat after it may go on. */
  next: string | null;
  /** Of a heated space only. */
  heat: HeatView | null;
}

/** Heat that a space needs against heat that its heater gives. */
export interface HeatView {
  shell: ShellKind;
  /** Surface to the outside, m²; heat through it, W/m²K; air inside, m³; air changes, 1/h. */
  areaM2: number;
  uWPerM2K: number;
  volumeM3: number;
  airChangesPerH: number;
  watts: number;
  lossWPerK: number;
  /** How much warmer than outside the heater keeps it at most, K. */
  warmsK: number;
  coldestOutsideC: number;
  coldestInsideC: number;
  /** Watts that hold the set point in the coldest hour. */
  neededW: number;
  /** Hours until it is as warm as it gets, but for a twentieth. */
  warmUpH: number;
  /** Until when it is heated for the coat; null: not known, and no energy either. */
  until: string | null;
  /** By a thermostat, and with the heater on all the time. */
  kWhLikely: number | null;
  kWhMost: number | null;
}

/** What speaks against the next coat of an area, had it been applied in the hours asked about. */
export interface CoatCheck {
  /** null: the weather data does not reach those hours. */
  air: CoatAirRecord | null;
  /** The film below was not ready at the start; `until` null: nobody knows when it is. null: nothing against it. */
  tooSoon: { until: string | null } | null;
}

/** A period in which every start is suitable. */
export interface StartView {
  from: string;
  to: string;
  /** What a start a little after it meets first; null: not asked, or the end of what is known. */
  after: FailureView | null;
  /** What no data says of its hours. */
  conditions: AirConditionCode[];
  best: {
    start: string;
    safe: string;
    /** Where it comes nearest to a limit; null: nothing limits it. */
    tightest: { at: string; code: AirReason['code']; value: number; limit: number } | null;
  };
}

/** Questions about the days ahead, beyond the present coat. */
export interface LookAheadView {
  now: string;
  /** Starts after which the next coat of the step fits too; null: it is the last, or nothing is known. */
  second: StartView[] | null;
  launch: {
    at: string;
    /** Whether the sheet of the outermost coat states when it is ready. */
    stated: boolean;
    /** Coats left, the one in hand with them. */
    coatsLeft: number;
    /** The last start of the next coat after which all are ready by then; null: none. */
    startBy: string | null;
    /** When all are ready at the soonest; null: not within what is known of the air. */
    ready: string | null;
    knownUntil: string;
  } | null;
  /** Starts while it is still damp but drying; asked for only. */
  damp: StartView[];
}

/** A coat that lies on an area. */
export interface CoatLying {
  stepId: string;
  coatNo: number;
  productName: string;
  colour: string;
}

/** Another area of the boat whose next coat comes out of the same pot. */
export interface AlikeArea {
  areaId: string;
  areaName: string;
  stepId: string;
  coatNo: number;
  /** The part that the coat hasn’t covered yet, m², and the litres needed for it. */
  leftM2: number;
  litres: number;
  /** The part that it has covered, m². */
  coveredM2: number;
  /** Tasks before its coat that are not ticked. */
  workLeft: number;
  /** Earliest time for the coat; now at the earliest. Areas for which this is unknown are left out. */
  readyFrom: string;
  /** Progress of its coat, oldest first. */
  progress: ProgressView[];
}

/** Everything the bench needs for one area. */
export interface BenchView {
  now: string;
  boat: Boat;
  area: Area;
  clock: AreaClock;
  step: Step | null;
  product: Product | null;
  /** How fast the coat is applied: the yard’s own rate, or the typical one; null: there is no coat. */
  rate: { m2PerH: number; isOwn: boolean } | null;
  /** Of the yard’s prices. */
  currency: CurrencyCode;
  litresForCoat: number | null;
  air: WeatherHour | null;
  /** The coming hours as this product sees them. */
  hours: {
    at: string;
    ok: boolean;
    reasons: AirReason[];
    /** What no data says of this hour. */
    conditions: AirConditionCode[];
    surfaceC: number;
    /** The band it may lie in, where cloud or heading is not known. */
    surfaceLowC: number;
    surfaceHighC: number;
    dewPointC: number;
    /** Whether the margin over the dew point falls from the hour before; null: not known. */
    marginFalls: boolean | null;
  }[];
  /** null: no weather data, or no coat to apply. */
  outlook: CoatOutlook | null;
  pots: PotView[];
  /** Pots used up in a coat that isn’t logged yet. */
  emptied: PotView[];
  /** Progress of the coat in hand, oldest first. */
  progress: ProgressView[];
  /** Who applies it, where and with which devices, oldest first. */
  session: SessionNoteView[];
  /** The area at whose bench this one is painted in one go; null: none. */
  paintedFrom: { areaId: string; areaName: string } | null;
  /** The coats that lie there, the lowest first, whole or begun. */
  lying: CoatLying[];
  alike: AlikeArea[];
  /** Areas of `alike` whose coat the agreed plan applies in one go with this one, and when it begins this one; null: no plan does. */
  plannedTogether: { start: string; areaIds: string[] } | null;
  faults: OpenFault[];
  bare: BareTick[];
  /** Paint is about to cross the old waterline, and nobody has said what became of it. */
  askOldLine: boolean;
  /** Whether aggregate is strewn into the coat in hand while it is wet. */
  takesAggregate: boolean;
  /** How far the stock lasts for the present coat; null: the product isn’t in stock. */
  tins: BenchTins | null;
}

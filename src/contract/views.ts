import type { AirConditionCode } from '../core/air/index.ts';
import type { AreaState, ClockWarning, WindowState } from '../core/cure/index.ts';
import type { OffsetTable } from '../core/hull/index.ts';
import type { AppliedBond, ProfileUnder, StepTask, TypicalField } from '../core/system/index.ts';
import type { Area, PartOf } from './area.ts';
import type { Boat } from './boat.ts';
import type { FormSource, HullForm } from './form.ts';
import type { HandView } from './handView.ts';
import type { BatchBody, Entry } from './logBodies.ts';
import type { Step } from './stack.ts';
import type { BareItem, Finding, OpenFault, Stand } from './survey.ts';
import type { Shift, WeatherHour } from './weather.ts';

/** A stretch of a film's window. */
export interface SegmentView {
  state: WindowState;
  from: string;
  to: string | null;
}

export interface EdgeView {
  edge: string;
  at: string | null;
  /** The table the edge was reckoned from: the sheet's, as fast as this film runs. */
  points: { tempC: number; minutes: number }[];
  stopC: number | null;
  /** Something must be done by then: heat beyond the table counts. */
  runsOn: boolean;
  from: string;
  /** Times as fast as its sheet that the film runs to it. */
  factor: number;
}

/** The step that comes next on an area. */
export interface NextView {
  stepId: string;
  coatNo: number;
  coats: number;
  productId: string;
  productName: string;
  colour: string;
  /** m² of this coat that already lie, when it was broken off. */
  coveredM2: number;
  /** m² that this coat is to cover: the area, or the band of it that the step is applied on. */
  areaM2: number;
  /** The band's name, where it is not the whole area. */
  band: string | null;
}

/** Work to do before the next coat, and what the log says of it. */
export interface WorkView extends StepTask {
  taskId: string;
  doneAt: string | null;
  /** The entry that says it was done. */
  entryId: string | null;
  /** When a wait ends by itself; null: not known yet, or no wait. */
  endsAt: string | null;
  /** Asked for only from then on: the end of the film's window. */
  fromAt: string | null;
  /** A sanding: before then the film clogs the paper; null: no sanding, or not stated. */
  sandableAt: string | null;
  /** Aggregate that is in the wet coat and still to be swept up; null: not strewn, or no aggregate. */
  strewn: StrewnView | null;
}

export interface StrewnView {
  at: string;
  /** null: not weighed. */
  kg: number | null;
  entryId: string;
}

/** A part of an area that stands differently from the rest: applied in another session, or not yet. */
export interface AreaPart {
  /** A session of the coat in hand, what of the area still waits for it, or a session of the last whole coat. */
  what: 'begun' | 'rest' | 'session';
  areaM2: number;
  from: string | null;
  to: string | null;
  state: AreaState;
  until: string | null;
  segments: SegmentView[];
}

/** Where an area stands: what lies on it, what is next, and until when. */
export interface AreaClock {
  areaId: string;
  areaName: string;
  zone: Area['zone'];
  side: Area['side'];
  boatId: string;
  boatName: string;
  /** The area without its patches, spots and split-off pieces. */
  areaM2: number;
  /** Set for a piece cut out of another area. */
  part: PartOf | null;
  /** The stand that still hides it. */
  hiddenBy: { standId: string; name: string; shiftOn: string | null } | null;
  /** Blasted bare: by when the first coat must be on. */
  primeBy: string | null;
  /** Spread of the area as a fraction, by the way it was come by. */
  spread: number;
  /** null: bare, nothing applied yet. */
  film: {
    entryIds: string[];
    productId: string;
    productName: string;
    colour: string;
    /** Its step and its coat there, from 0; null: a step no longer in the stack. */
    stepId: string | null;
    coatNo: number;
    coatLabel: string;
    /** Unconfirmed typical values on the data sheet that its window uses. */
    typical: TypicalField[];
    appliedFrom: string;
    appliedTo: string;
  } | null;
  /** null: the stack is finished (or empty), and the water, if anything, is next. */
  next: NextView | null;
  /** The tasks before the coat, in order. */
  work: WorkView[];
  nextIsWater: boolean;
  state: AreaState;
  until: string | null;
  segments: SegmentView[];
  edges: EdgeView[];
  events: { event: string; at: string | null }[];
  warnings: ClockWarning[];
  keyGrit: number | null;
  ruleBy: string | null;
  /** Its parts, where they do not all stand alike; else none. */
  parts: AreaPart[];
  /** A second lap straight on: when its starting point is ready, and when the far end is; null: nothing to say. */
  lap: { start: string; farEnd: string } | null;
  /** What the hand found corrects the clock; null: nothing was tested. */
  hand: HandView | null;
  stepsDone: number;
  stepsAll: number;
  /** Why its clock could not be worked out, in state `failed`; else null. */
  failed: string | null;
}

/** A pot that is live or has set and still stands there. */
export interface PotView {
  entryId: string;
  areaId: string;
  areaName: string;
  boatId: string;
  boatName: string;
  productName: string;
  mixedAt: string;
  inductionEnds: string;
  potEnds: string | null;
  /** Litres applied from it before it was discarded; null: it was not. */
  usedL: number | null;
  batch: BatchBody;
}

/** The figures of an area that a thumbnail of the boat shows. */
export type AreaGlance = Pick<AreaClock, 'areaId' | 'areaName' | 'zone' | 'side' | 'state' | 'part'>;

export interface BoardView {
  now: string;
  boats: (Boat & { areas: AreaGlance[]; form: OffsetTable | null })[];
  pots: PotView[];
  /** Most urgent first; in a large yard, areas without a running time are left out. */
  clocks: AreaClock[];
  /** How many areas are left out. */
  more: number;
  /** The air now, where a series covers it. */
  air: WeatherHour | null;
  disk: DiskRoom;
}

/** A coat that is possible today, or why it has no suitable start. */
export interface TodayCoat {
  areaId: string;
  areaName: string;
  boatId: string;
  boatName: string;
  productName: string;
  colour: string;
  applyH: number;
  /** Starts of today that pass, in order. */
  starts: { from: string; to: string }[];
  /** Its time if one person applies every coat; null: it doesn’t fit. */
  placed: { start: string; end: string } | null;
  /** When the agreed plan begins its work today, getting ready included; null: nothing was agreed, or another day. */
  planned: string | null;
  /** Its paint is mixed, and this is when the pot life ends; null: nothing is mixed for it. */
  potEnds: string | null;
  /** Work still to be done before it. */
  workLeft: number;
  /** Things of the boat that are not masked, findings that nothing has settled. */
  untaped: number;
  openFaults: number;
  /** The tins end before the coat does. */
  paintEnds: boolean;
  /** Its sheet states no time until it is safe from dew and rain: it is asked for at the bench. */
  safeNotStated: boolean;
  /** What no data says of the hours of its starts: to be seen to at the boat. */
  conditions: AirConditionCode[];
}

/** Today’s coats; those that fit, in the order that fits the most. */
export interface TodayView {
  now: string;
  coats: TodayCoat[];
  /** How many more areas could be asked about. */
  more: number;
}

/** Free space on the disk with the yard’s data. */
export interface DiskRoom {
  freeBytes: number;
  /** `low`: to be told in time; `full`: nothing more is taken until something is freed; `read-only`: until the server starts again. */
  state: 'fine' | 'low' | 'full' | 'read-only';
}

/** The air over the yard, hour by hour. */
export interface WeatherView {
  now: string;
  hours: WeatherHour[];
}

export interface BoatView {
  boat: Boat;
  areas: Area[];
  clocks: AreaClock[];
  stands: Stand[];
  bareItems: BareItem[];
  findings: Finding[];
  /** The hull as it is drawn: null by dimensions and the kind's usual curves. */
  form: OffsetTable | null;
  formSource: FormSource;
}

/** The known shape of a boat. */
export interface FormView {
  boat: Boat;
  areas: Area[];
  form: HullForm;
  source: FormSource;
}

export interface StackView {
  areaId: string;
  version: number;
  steps: Step[];
  /** Coats fully applied of each step, by step id. */
  applied: Record<string, number>;
  /** Dry film by litres of each of them, µm, in the order they were applied. */
  asApplied: Record<string, number[]>;
  /** How each of them holds to the coat below it, by the log; null: the first, or nothing to judge by. */
  bonds: Record<string, (AppliedBond | null)[]>;
  /** The step whose next coat meets a missed window with nothing sanded since; null: none. */
  missedStepId: string | null;
  /** The blast profile that its first coat has to fill; null: none. */
  profile: ProfileUnder | null;
  /** The coldest and hottest that its surface will be as far as the forecast reaches; null without one. */
  extremes: { coldest: { tempC: number; at: string }; hottest: { tempC: number; at: string } } | null;
}

/** Why a window is where it is: the air it was reckoned over and the shares of the clock. */
export interface ClockDetail {
  clock: AreaClock;
  now: string;
  hours: (WeatherHour & { filmC: number })[];
  shifts: Shift[];
  /** Between which moments each edge comes, nine forecasts of ten; an edge that is past, or not known, is left out. */
  spreads: { edge: string; early: string | null; late: string | null }[];
}

export interface LogView {
  boat: Boat;
  areas: Area[];
  /** The clocks of the areas still in the survey, and the hull, for the drawing. */
  clocks: AreaClock[];
  form: OffsetTable | null;
  /** One page, newest first. */
  entries: Entry[];
  /** Asks for the page of older entries; null: these were the last. */
  next: string | null;
  /** How many entries the boat has in all. */
  total: number;
  /** Rules overruled on the boat's stacks, with the reason given. */
  overruled: { areaId: string; productName: string; ruleIds: string[]; reason: string }[];
  products: Record<string, { name: string; volumeSolids: number; version: number }>;
  /** Mean dry film by litres of each coat entry of the page, µm; none where its sheet is not known any more. */
  films: Record<string, number>;
  /** When coat entries of the page were taken off again; those that lie are left out. */
  removedAt: Record<string, string>;
  /** Findings on its areas that nothing has settled. */
  faults: OpenFault[];
}

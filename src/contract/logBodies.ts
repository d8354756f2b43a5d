import type { HandFinding } from '../core/cure/index.ts';
import type { Method, SessionDevice } from '../core/film/index.ts';
import type { MeasuringTool } from '../core/mix/index.ts';
import type { OwnRatio, RemovalWay, StepTask } from '../core/system/index.ts';
import type { AirSource, CoatAirRecord } from './coatAir.ts';

/** What the log holds: a body for each kind of entry, and the entry itself. */

/** Air and surface at the work, as typed or as the series had it. */
export interface LoggedConditions {
  airC: number;
  /** Fraction 0–1. */
  rh: number;
  surfaceC: number | null;
  /** Where the figures are from; a simulated station never counts as measured. */
  source: AirSource;
}

/** A pot mixed: what went in, and the clocks it started. */
export interface BatchBody {
  stepId: string;
  coatNo: number;
  productId: string;
  sheetVersion: number;
  litres: number;
  pours: { name: string; amount: number; unit: 'g' | 'ml' }[];
  /** Lots that the parts were poured from, as confirmed at the tin; left out: not confirmed. */
  lots?: { part: string; lotId: string; code: string }[];
  tool: MeasuringTool;
  ratioError: number;
  /** Its litres are told from its grams, no density being stated; left out: measured. */
  litresEstimated?: boolean;
  /** Mixed at another ratio than the sheet's on purpose, and why; null or left out: by the sheet. */
  ownRatio?: OwnRatio | null;
  /** Additives put in, ml of each; left out: none told. */
  additives?: { name: string; ml: number }[];
  thinnerLitres: number;
  potTempC: number;
  inductionMin: number;
  /** null for a one-pack, which has no pot life. */
  potLifeMin: number | null;
}

export interface BatchEndBody {
  batchId: string;
  fate: 'emptied' | 'discarded';
  /** Unthinned litres applied from it before it was discarded; left out: none, or it was used up. */
  usedL?: number;
}

/** A coat applied, or the part of one. */
export interface CoatBody {
  stepId: string;
  coatNo: number;
  productId: string;
  sheetVersion: number;
  colour: string;
  method: Method;
  /** Unthinned litres used. */
  litres: number;
  thinner: number;
  areaM2: number;
  endedAt: string;
  conditions: LoggedConditions | null;
  batchIds: string[];
  /** Who applied the coat, so that each person’s paint use can be learned; left out: not stated. */
  by?: string;
  note: string;
}

/** Steel blasted bare: from here on it waits to be primed. */
export interface BlastBody {
  /** Hours it may stand: 4 bare, longer under a passivating wash. */
  holdsHours: number;
}

/** A thing of the leave-bare list taped up before a coat, or untaped after it. */
export interface TapeBody {
  itemId: string;
  name: string;
  on: boolean;
  /** The coat it was taped for; null outside one. */
  stepId: string | null;
  coatNo: number | null;
  /** Kind of tape, which says how long it holds; left out: not told. */
  tape?: TapeKind;
}

export type TapeKind = 'masking' | 'fine-line';

/** Coats taken off the whole area again. Where only a part of it is stripped, the part is cut out first. */
export interface RemovalBody {
  /** Down to the ground: all that lies there, what was never logged too. */
  toGround: boolean;
  /** The outermost coats that were removed, the lowest first; empty: every coat was removed. */
  coats: { stepId: string; coatNo: number }[];
  way: RemovalWay;
  /** Grit that the film below was left with; null: not sanded, or not told. */
  grit: number | null;
  /** Hours that steel blasted bare may stand; null: not blasted down to steel. */
  holdsHours: number | null;
  reason: string;
}

/** Work before a coat, done: a wash, a sanding, a wait cut short, an inspection with what it found. */
export interface WorkBody extends StepTask {
  stepId: string;
  coatNo: number;
  /** The task's id in the stack, or what no system plans: sanding between coats or after a missed window, a wash. */
  taskId: string;
  /** An inspection that finds faults leaves the work due, and so does aggregate that is strewn but not yet swept up. */
  outcome: 'done' | 'faults' | 'strewn';
  /** A remark: faults found, or anything worth recording. */
  remark: string;
  /** Of aggregate, if it was weighed: what was strewn, and what was swept back, kg; null: not swept up yet. */
  aggregate?: { strewnKg: number; sweptBackKg: number | null } | undefined;
}

/** One more coat of a step than planned, because the work wants it: another round of filling and fairing. */
export interface RoundBody {
  stepId: string;
  reason: string;
}

/** What the hand found on a film: it corrects the film's clock. */
export interface HandTestBody {
  stepId: string;
  coatNo: number;
  found: HandFinding;
  /** Where on the area; empty: not told. */
  place: string;
  note: string;
}

/** Something noted of a coat while it is applied, so that every device at it knows: at least one of them. */
export interface ProgressBody {
  stepId: string;
  coatNo: number;
  /** A section covered: its number from 0, of so many equal ones in the order of work. */
  section: { no: number; of: number } | null;
  /** A reading of the wet-film comb: the last tooth wetted and the first that stayed dry, µm. */
  comb: { wetMicrons: number; dryMicrons: number } | null;
  /** Unthinned litres used for the coat so far. */
  usedL: number | null;
  /** How long an edge stays wet, as stated at a section, min; left out or null: not stated. */
  wetEdgeMin?: number | null;
  /** Before spraying, the area is cut in beside lines by brush or roller; left out: not stated. */
  cutIn?: boolean;
}

/** A coat being applied, as one device has it: the start of it, or a change of who is in it. */
export interface SessionBody {
  stepId: string;
  coatNo: number;
  /** The other areas of the boat that are painted in one go with this one. */
  areaIds: string[];
  people: string[];
  device: SessionDevice;
  /** It ended without a coat: what was noted of it and used up for it before no longer counts. */
  ended?: true;
}

export interface NoteBody {
  text: string;
}

/** Takes an entry back: it stays readable, struck out, and no longer counts. */
export interface StrikeBody {
  reason: string;
}

export type EntryBody =
  | { kind: 'batch'; body: BatchBody }
  | { kind: 'batch-end'; body: BatchEndBody }
  | { kind: 'coat'; body: CoatBody }
  | { kind: 'tape'; body: TapeBody }
  | { kind: 'blast'; body: BlastBody }
  | { kind: 'removal'; body: RemovalBody }
  | { kind: 'work'; body: WorkBody }
  | { kind: 'hand-test'; body: HandTestBody }
  | { kind: 'progress'; body: ProgressBody }
  | { kind: 'session'; body: SessionBody }
  | { kind: 'round'; body: RoundBody }
  | { kind: 'note'; body: NoteBody }
  | { kind: 'strike'; body: StrikeBody };

export type EntryKind = EntryBody['kind'];

/** A log entry: never overwritten; a correction is a new entry that names the old one. */
export type EntryInput = EntryBody & {
  id: string;
  areaId: string;
  /** When it happened (a coat: when application began). */
  at: string;
  /** The entry this one takes the place of. */
  corrects: string | null;
};

export type Entry = EntryInput & {
  boatId: string;
  recordedAt: string;
  /** The entry that took this one's place. */
  correctedBy: string | null;
  /** Of a coat: the air of its own hours, worked out when it was logged; null: not recorded. */
  air: CoatAirRecord | null;
};

import type { CoatSpan, CureSheet, TempSeries, WindowSegment } from '../cure/index.ts';

/** What the builder of the plan's problem is given: the yard's work in the words of coatings. Times in ms. */

/** Work before a coat, in its order. */
export interface WorkToPlan {
  id: string;
  /** A wait needs nobody: the hours count from the work before it, or from the film below. */
  kind: 'work' | 'sand' | 'wait';
  ms: number;
  /** Harms wet films in the same air. */
  dusty: boolean;
  /** Steel is bare from its start on, and primed within so long; left out: it is not. */
  bareForMs?: number;
  /** How long masking tape may stay that this work puts on; left out: any time. */
  holdsMs?: number;
}

/** Most sessions of a coat, and goes at a piece of work: more take longer than any plan. */
export const MOST_SESSIONS = 100;

/** A coat left to apply, in one session or several of equal length. */
export interface CoatToPlan {
  id: string;
  productId: string;
  family: string;
  sheet: CureSheet;
  /** As of a film: times as fast as its sheet. */
  factor?: number;
  mustFactor?: number;
  sessions: number;
  /** Of one session: masking and mixing before, applying, cleaning up after. */
  getReadyMs: number;
  applyMs: number;
  cleanUpMs: number;
  people: number;
  /** Its application does not begin before then: its paint is delivered. Left out: at any time. */
  notBeforeMs?: number;
  /** When the application of one session can begin, by the air; in order. */
  starts: readonly CoatSpan[];
  /** Sanding the film below where its window has closed. */
  sandMs: number;
  work: readonly WorkToPlan[];
}

/** A film that is on already, as the clock has it. */
export interface FilmOn {
  /** How long it took to apply, ms. */
  appliedInMs: number;
  /** States of the film towards the next coat or, where it is the last, towards the water. */
  segments: readonly WindowSegment[];
  /** null: not stated. */
  sandableMs: number | null;
  /** Until when dust and wet work harm it; null: no longer. */
  wetUntilMs: number | null;
  /** Until when slings or feet would mark it, ms; null or left out: they no longer do, or its sheet doesn’t say. */
  softUntilMs?: number | null;
}

export interface AreaToPlan {
  id: string;
  boatId: string;
  /** The air it shares with other areas. */
  air: string;
  temps: TempSeries;
  film: FilmOn | null;
  /** By when bare steel must be primed; null: it is not bare. */
  primeByMs: number | null;
  coats: readonly CoatToPlan[];
  /** Nothing is done on it before then: a support still covers it. Left out: at any time. */
  notBeforeMs?: number;
  /** What makes its last film ready for the launch: the event for the water; where it stays out of it, bearing slings and feet, or dry where its sheet doesn’t state that. */
  ready: 'immersion' | 'walk' | 'tack-free';
}

export interface PersonToPlan {
  id: string;
  free: readonly { fromMs: number; toMs: number; costPerHour: number }[];
}

export interface BoatToPlan {
  id: string;
  /** When she can be launched; in order. */
  launches: readonly CoatSpan[];
  /** The date the boat should be afloat; null: as soon as possible. */
  wantedMs: number | null;
  costPerDay: number;
  latePerDay: number;
}

/** Money in the smallest unit of the yard's currency. */
export interface YardToPlan {
  fromMs: number;
  areas: readonly AreaToPlan[];
  boats: readonly BoatToPlan[];
  people: readonly PersonToPlan[];
  /** Tasks that somebody placed: their start by id of the task. */
  pinned?: Readonly<Record<string, number>>;
  /** Nothing more begins before then; left out: the plan's start. */
  nowMs?: number;
  /** Tasks that are done or under way: their start by id of the task. They need nobody any more. */
  done?: Readonly<Record<string, number>>;
}

/** What a task of the problem is. */
export interface PlannedTask {
  id: string;
  kind: 'film' | 'work' | 'coat' | 'launch';
  boatId: string;
  areaId: string | null;
  coatId: string | null;
  workId: string | null;
  /** Number of the session from 0, and how many there are. */
  session: readonly [number, number];
  /** Of a coat: from the task's start to the first strip, and from the last strip to its end. */
  getReadyMs: number;
  cleanUpMs: number;
}

/** An area that is left out of the plan, and why: nothing is assumed where its sheet is silent. */
export interface Unplanned {
  areaId: string;
  coatId: string | null;
  code:
    | 'window-not-stated'
    | 'ready-not-stated'
    /** By the temperatures known and assumed its film is never ready for what comes next. */
    | 'never-ready'
    /** The film on it can no longer be wetted: it needs another coat. */
    | 'closed-for-water'
    /** No hour that anybody works passes the limits of its sheet for a whole session. */
    | 'no-working-hour'
    | 'too-large-for-bare-steel'
    /** Steel is bare, and no working hour is left to prime it in time. */
    | 'bare-too-long';
}

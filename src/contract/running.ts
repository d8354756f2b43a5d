import Joi from 'joi';
import type { FilmEvent } from '../core/cure/index.ts';
import { id, objectOf } from './joi.ts';
import type { TapeBody, WorkBody } from './logBodies.ts';
import { figure, listOf, maybeMoment, moment, uuid, word } from './replies/plain.ts';

/** What runs beside the windows of the films. */
export type RunningKind =
  /** Mixed paint: standing time, then pot life. */
  | 'pot'
  /** Steel blasted bare, to be primed by then. */
  | 'blast'
  /** Hours kept before the next coat. */
  | 'wait'
  /** A film that clogs the paper until then. */
  | 'sanding'
  /** Washed or wiped, and to be coated before it is dirty again. */
  | 'wiped'
  /** Tape that is to come off by then. */
  | 'tape'
  /** Tape under the last coat: pulled while that is wet, at tack-free at the latest. */
  | 'tape-wet'
  /** Aggregate that goes into a wet coat, before that is tack-free at the latest. */
  | 'strew'
  /** Fittings screwed down and lockers filled only after days, where the sheet states no full cure. */
  | 'loading'
  /** A film on its way to an event of its sheet. */
  | FilmEvent;

/** What ends a clock by hand; one that is left out ends by itself, or by the coat that follows. */
export type RunningEnd =
  | { how: 'pot'; entryId: string }
  | { how: 'work'; body: Omit<WorkBody, 'remark'> }
  | { how: 'tape'; body: Pick<TapeBody, 'itemId' | 'name'> };

/** A clock that runs in the yard: since when, until when, and what ends it. */
export interface RunningClock {
  key: string;
  kind: RunningKind;
  areaId: string;
  areaName: string;
  boatId: string;
  boatName: string;
  /** The paint, task or taped item that the timer belongs to. */
  name: string;
  since: string | null;
  /** null: its end is not known or not stated. */
  until: string | null;
  end: RunningEnd | null;
}

export interface RunningView {
  now: string;
  /** Soonest first. */
  clocks: RunningClock[];
  /** How many more there are. */
  more: number;
}

export const runningQuery = objectOf<{ areaId?: string }>({ areaId: id().label('areaId') });

export const runningReply = objectOf<RunningView>({
  now: moment(),
  clocks: listOf(
    objectOf<RunningClock>({
      key: word(),
      kind: word(),
      areaId: uuid(),
      areaName: word(),
      boatId: uuid(),
      boatName: word(),
      name: word(),
      since: maybeMoment(),
      until: maybeMoment(),
      end: Joi.object({ how: word() }).unknown().allow(null).required(),
    }),
  ),
  more: figure(),
});

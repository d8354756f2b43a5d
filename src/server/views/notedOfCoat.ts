import type { AlikeArea, AreaClock, BenchView } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { memoised } from '../../core/units/index.ts';
import type { Context } from '../context.ts';
import { progressOf } from '../rows/progress.ts';
import { sessionNotes } from '../rows/sessions.ts';
import { POT_SHOWN_MS } from './pots.ts';

/** From when notes still count: by the hour, so that what is remembered serves for one. */
const notedSinceMs = (at: number) => Math.floor((at - POT_SHOWN_MS) / HOUR_MS) * HOUR_MS;

/** That of the last coats asked for, until the boat’s log has more. */
const progressSince = memoised(
  (_log: object, db: Context['db'], areaId: string, stepId: string, coatNo: number, sinceMs: number) =>
    progressOf(db, areaId, { stepId, coatNo, since: new Date(sinceMs) }),
  20,
);

/** Sections, readings and litres noted of the coat in hand. */
export const progressOfNext = async (
  log: object,
  db: Context['db'],
  { areaId, next, at }: { areaId: string; next: AreaClock['next']; at: number },
): Promise<BenchView['progress']> =>
  next ? progressSince(log, db, areaId, next.stepId, next.coatNo, notedSinceMs(at)) : [];

/** Notes of the coats being applied on a boat, until her log has more. */
const sessionsSince = memoised(
  (_log: object, db: Context['db'], boatId: string, sinceMs: number) =>
    sessionNotes(db, boatId, new Date(sinceMs)),
  2,
);

/** Who applies the coat in hand, and what else of the boat is painted in one go with it. */
export async function inOneGo(
  log: object,
  db: Context['db'],
  of: {
    areaId: string;
    boatId: string;
    next: AreaClock['next'];
    alike: Omit<AlikeArea, 'progress'>[];
    at: number;
  },
): Promise<Pick<BenchView, 'session' | 'paintedFrom' | 'alike'>> {
  const { areaId, next, alike, at } = of;
  const sinceMs = notedSinceMs(at);
  const notes = await sessionsSince(log, db, of.boatId, sinceMs);
  const session = notes.flatMap(({ entryId, at: noted, areaIds, people, device, ended, ...coat }) =>
    coat.areaId === areaId && coat.stepId === next?.stepId && coat.coatNo === next.coatNo
      ? [{ entryId, at: noted, areaIds, people, device, ended }]
      : [],
  );
  const together = new Set(session.at(-1)?.areaIds);
  const from = alike.find((other) => {
    const theirs = notes.findLast((each) => each.areaId === other.areaId && each.stepId === other.stepId && each.coatNo === other.coatNo); // biome-ignore format: one line
    return theirs?.areaIds.includes(areaId);
  });
  return {
    session,
    paintedFrom: from ? { areaId: from.areaId, areaName: from.areaName } : null,
    alike: await Promise.all(
      alike.map(async (each) => ({
        ...each,
        progress: together.has(each.areaId)
          ? await progressSince(log, db, each.areaId, each.stepId, each.coatNo, sinceMs)
          : [],
      })),
    ),
  };
}

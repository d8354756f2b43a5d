import type { ExtraWork, WorkView } from '../../../contract/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import { BARE_STEEL_HOURS } from '../../../core/inspect/index.ts';
import { PLAN_ASSUMES, type WorkToPlan } from '../../../core/plan/index.ts';
import { type DueTask, SANDING_M2_PER_H, taskState } from '../../../core/system/index.ts';

/** Work before coats, as the plan needs it. */

/** The least that any work takes, ms. */
export const LEAST_MS = PLAN_ASSUMES.leastWorkH * HOUR_MS;

const ms = (at: string | null) => (at === null ? null : Date.parse(at));

/** Work that is still to do, as the plan takes it; what is done with the coat itself takes no time of its own. */
export function workToPlan(
  due: readonly Pick<DueTask, 'taskId' | 'kind' | 'amount' | 'endsMs'>[],
  areaM2: number,
  now: number,
  bareSteel: boolean,
): WorkToPlan[] {
  const last = due.findLastIndex(({ kind }) => kind === 'prepare');
  return due.flatMap(({ taskId: id, kind, amount, endsMs }, i): WorkToPlan[] => {
    if (kind === 'wait') {
      const waitMs = endsMs === null ? (amount ?? 0) * HOUR_MS : Math.max(0, endsMs - now);
      return [{ id, kind, ms: waitMs, dusty: false }];
    }
    const steel = bareSteel && i === last;
    const { washM2PerH, prepareM2PerH, prepareSteelM2PerH } = PLAN_ASSUMES;
    const rate = { wash: washM2PerH, sand: SANDING_M2_PER_H, prepare: steel ? prepareSteelM2PerH : prepareM2PerH, aggregate: washM2PerH, inspect: null }[kind]; // biome-ignore format: a table
    const takes = rate === null ? LEAST_MS : Math.max(LEAST_MS, (areaM2 / rate) * HOUR_MS);
    return [
      {
        id,
        kind: kind === 'sand' ? 'sand' : 'work',
        ms: takes,
        dusty: kind === 'sand' || kind === 'prepare' || kind === 'aggregate',
        ...(steel && { bareForMs: BARE_STEEL_HOURS * HOUR_MS }),
      },
    ];
  });
}

export const extraToPlan = ({ id, kind, hours, dusty }: ExtraWork): WorkToPlan => ({
  id,
  kind,
  ms: hours * HOUR_MS,
  dusty: dusty && kind === 'work',
});

export const stillDue = (work: readonly WorkView[], now: number) =>
  work
    .map(({ doneAt, endsAt, fromAt, ...task }) => ({ ...task, doneMs: ms(doneAt), endsMs: ms(endsAt), fromMs: ms(fromAt) }))
    .filter((task) => ['due', 'running'].includes(taskState(task, now))); // biome-ignore format: one line

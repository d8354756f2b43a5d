import type { AlikeArea, AreaClock, BenchView } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { plannedInOneGo } from '../../core/plan/index.ts';
import type { Context } from '../context.ts';
import { planSetupOf } from '../rows/plan.ts';
import { agreedStarts } from './agreedStart.ts';

/** What the agreed plan applies in one go with the coat in hand. */
export async function togetherInPlan(
  db: Context['db'],
  {
    areaId,
    next,
    ownM2,
    alike,
    m2PerH,
  }: {
    areaId: string;
    next: AreaClock['next'];
    ownM2: number;
    alike: readonly Omit<AlikeArea, 'progress'>[];
    m2PerH: number;
  },
): Promise<BenchView['plannedTogether']> {
  if (!next || alike.length === 0) return null;
  const startOf = agreedStarts(await planSetupOf(db));
  const start = startOf(areaId, next);
  if (start === null) return null;
  const planned = (id: string, at: string, m2: number) => ({
    id,
    startMs: Date.parse(at),
    applyMs: (m2 / m2PerH) * HOUR_MS,
  });
  const others = alike.flatMap((each) => {
    const at = startOf(each.areaId, { ...next, stepId: each.stepId, coatNo: each.coatNo });
    return at === null ? [] : [planned(each.areaId, at, each.leftM2)];
  });
  const areaIds = plannedInOneGo([planned(areaId, start, ownM2), ...others], areaId);
  return areaIds.length > 0 ? { start, areaIds } : null;
}

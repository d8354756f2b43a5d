import type { AreaClock, PlanSetup } from '../../contract/index.ts';
import { coatKey } from './supply/coatSupply.ts';

/** When the agreed plan begins a coat, in its first session; null: it has none, or there is no agreed plan. */
export function agreedStarts({
  agreed,
}: PlanSetup): (areaId: string, next: AreaClock['next']) => string | null {
  const startOf = new Map(agreed.at(-1)?.tasks.map(({ taskId, start }) => [taskId, start]));
  return (areaId, next) => {
    if (!next) return null;
    const id = coatKey(areaId, next.stepId, next.coatNo);
    return startOf.get(id) ?? startOf.get(`${id}#1`) ?? null;
  };
}

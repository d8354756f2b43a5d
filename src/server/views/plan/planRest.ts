import type { NoYardPlan, PlanMove, YardPlan, YardToPlan } from '../../../core/plan/index.ts';
import type { Jobs } from '../../workers/jobs.ts';
import { wetFilmOnly } from './areaStanding.ts';

/** A clash, and the boat that is left out of the plan because of it. */
export interface BoatClash extends NoYardPlan {
  boatId: string;
}

/** What came of planning a yard: the plan of the boats that have one, and what clashes on the others. */
export interface PlannedYard {
  /** null: no boat has one. */
  plan: YardPlan | null;
  /** Tasks that are not where they were agreed to be. */
  moves: readonly PlanMove[];
  /** What a plan would cost that does not keep to the agreed one; null: nothing was agreed. */
  freshCost: number | null;
  /** The yard of those boats. */
  yard: YardToPlan;
  clashes: BoatClash[];
}

/** The same yard has the same plan, as far as the machine is as quick. */
const SEED = 1;

/** The yard without one of its boats: of its areas only the films that are wet count. */
const without = (yard: YardToPlan, boat: string): YardToPlan => ({
  ...yard,
  boats: yard.boats.filter(({ id }) => id !== boat),
  areas: yard.areas.flatMap((area) => {
    if (area.boatId !== boat) return [area];
    return wetFilmOnly(area, area.film) ?? [];
  }),
});

/** Plans a yard. Boats whose wishes clash are left out in turn, so that the others still have a plan. */
export async function planRest(
  jobs: Jobs,
  yard: YardToPlan,
  budgetMs: number,
  agreed: Readonly<Record<string, number>> | null,
): Promise<PlannedYard> {
  const clashes: BoatClash[] = [];
  let rest = yard;
  while (rest.boats.length > 0) {
    const { found, moves, freshCost } = await jobs.run('plan', rest, { seed: SEED, budgetMs }, agreed);
    if (found.ok) return { plan: found, moves, freshCost, yard: rest, clashes };
    const named = new Set(found.clash.map(({ boatId }) => boatId));
    // Of tasks of several boats that clash with each other the last boat gives way.
    const last = rest.boats.findLast(({ id }) => named.has(id)) ?? rest.boats.at(-1);
    if (!last) break;
    clashes.push({ ...found, boatId: last.id });
    rest = without(rest, last.id);
  }
  return { plan: null, moves: [], freshCost: null, yard: rest, clashes };
}

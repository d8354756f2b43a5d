import type { AreaClock, Step, TodayCoat } from '../../contract/index.ts';
import { endsBeforeCoat } from '../../core/supply/index.ts';
import type { Queries } from '../db/open.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import type { BoatMemory } from '../memory/boatMemory.ts';
import { surveyRows } from '../memory/boatRows.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import type { KnownProduct } from '../rows/products.ts';
import { litresForCoat } from './alikeAreas.ts';
import { notPaintedOver } from './openFaultsOf.ts';
import { benchTins } from './supply/benchTins.ts';
import { bareTicks } from './ticks.ts';
import { isLeft } from './workLeft.ts';

/** The present coat: area, step, product, and the part not covered yet. */
export interface CoatInHand {
  state: AreaSnapshot;
  clock: AreaClock;
  step: Step;
  product: KnownProduct;
  leftM2: number;
}

/** Litres of mixed paint that the coat still takes; 0: not known. */
export function litresLeft(
  { state, clock, product, leftM2 }: CoatInHand,
  catalogue: YardReading['catalogue'],
): number {
  const whole = litresForCoat(state, clock, product, catalogue) ?? 0;
  const areaM2 = clock.next?.areaM2 ?? 0;
  return areaM2 > 0 ? (whole * leftM2) / areaM2 : 0;
}

/** Preparations for a coat apart from weather and the film below: tasks, masking, findings, paint. */
export async function beforeCoat(
  db: Queries,
  known: Pick<YardReading, 'stock' | 'trade' | 'catalogue'> & { boat: BoatMemory | undefined; log: object },
  coat: CoatInHand,
  now: number,
): Promise<Pick<TodayCoat, 'workLeft' | 'untaped' | 'openFaults' | 'paintEnds'>> {
  const { state, clock, leftM2 } = coat;
  const { findings } = await surveyRows(db, state.boat.id, known.boat);
  const ticks = await bareTicks(db, state.area, known, now);
  const litres = litresLeft(coat, known.catalogue);
  const colour = clock.next?.colour ?? '';
  const tins = benchTins({ ...coat, colour, litres, areaM2: leftM2 }, { ...known, now }, new Map());
  return {
    workLeft: clock.work.filter((task) => isLeft(task, now)).length,
    // Edges can be cut in by brush: what must stay bare can’t.
    untaped: ticks.filter(({ taped, kind }) => taped !== true && kind !== 'edge').length,
    openFaults: notPaintedOver(state, findings).length,
    paintEnds: tins !== null && endsBeforeCoat({ reachLitres: tins.reachLitres, wantedLitres: litres }),
  };
}

import type { Area, AreaClock, BareTick, NextView } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { waterlineOf } from '../rows/forms.ts';
import { tapeTicks } from '../rows/log.ts';
import { bareItemsOf } from '../rows/survey.ts';

/** What is to be masked on an area, each with its latest tick for the coat in hand. */
export async function bareTicks(db: Queries, area: Area, next: NextView | null): Promise<BareTick[]> {
  const items = (await bareItemsOf(db, area.boatId)).filter(
    ({ areaId }) => areaId === null || areaId === area.id,
  );
  if (items.length === 0) return [];
  const ticks = await tapeTicks(db, area.id);
  return items.map((item) => {
    const last = ticks.findLast(
      (tick) =>
        tick.itemId === item.id &&
        tick.stepId === (next?.stepId ?? null) &&
        tick.coatNo === (next?.coatNo ?? null),
    );
    return { id: item.id, kind: item.kind, name: item.name, taped: last?.on ?? null };
  });
}

/** Parts of the boat across which the waterline runs. */
const CROSSED: readonly Area['zone'][] = ['bottom', 'topsides', 'boot-stripe', 'transom'];

/** Before the first coat hides the old line, it is asked whether the line was saved. */
export async function oldLineAsked(db: Queries, state: AreaSnapshot, clock: AreaClock): Promise<boolean> {
  if (!CROSSED.includes(state.area.zone) || state.coats.length > 0 || !clock.next) return false;
  return (await waterlineOf(db, state.boat.id)).oldLine === 'unknown';
}

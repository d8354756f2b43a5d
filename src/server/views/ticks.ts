import type { Area, AreaClock, BareTick } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import { waterlineOf } from '../rows/forms.ts';
import { tapeTicks } from '../rows/log.ts';
import { bareItemsOf } from '../rows/survey.ts';

/** Masking tape outdoors holds 1–3 days [T, handbook part 10]; which kind it is nobody told, so a tick is good for two. */
const TAPE_HOLDS_MS = 2 * 24 * 3_600_000;

/** What is to be masked on an area, and whether it is taped: a tick holds for the days of the tape, not for one coat. */
export async function bareTicks(db: Queries, area: Area, now: number): Promise<BareTick[]> {
  const items = (await bareItemsOf(db, area.boatId)).filter(
    ({ areaId }) => areaId === null || areaId === area.id,
  );
  if (items.length === 0) return [];
  const ticks = await tapeTicks(db, area.id);
  return items.map((item) => {
    const last = ticks.findLast((tick) => tick.itemId === item.id);
    const old = last?.on === true && now - last.atMs > TAPE_HOLDS_MS;
    return { id: item.id, kind: item.kind, name: item.name, taped: last && !old ? last.on : null };
  });
}

/** Parts of the boat across which the waterline runs. */
const CROSSED: readonly Area['zone'][] = ['bottom', 'topsides', 'boot-stripe', 'transom'];

/** Before the first coat hides the old line, it is asked whether the line was saved. */
export async function oldLineAsked(db: Queries, state: AreaSnapshot, clock: AreaClock): Promise<boolean> {
  if (!CROSSED.includes(state.area.zone) || state.coats.length > 0 || !clock.next) return false;
  return (await waterlineOf(db, state.boat.id)).oldLine === 'unknown';
}

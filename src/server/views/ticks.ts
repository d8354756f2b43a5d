import type { Area, AreaClock, BareTick, TapeKind } from '../../contract/index.ts';
import { memoised } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { Queries } from '../db/open.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';
import type { BoatMemory } from '../memory/boatMemory.ts';
import { surveyRows, waterlineRow } from '../memory/boatRows.ts';
import { tapeTicks } from '../rows/log.ts';

const DAY_MS = 24 * 3_600_000;
/**
 * How long tape stays up and still comes off clean [T, handbook part 10]: masking tape outdoors 1–3 days, fine-line a week
 * at most, hot sun shortens both: in the open two days and five [M]. Where nobody told the kind it is masking tape.
 */
const HOLDS_MS: Record<TapeKind, { open: number; covered: number }> = {
  masking: { open: 2 * DAY_MS, covered: 3 * DAY_MS },
  'fine-line': { open: 5 * DAY_MS, covered: 7 * DAY_MS },
};

/** How long tape of a kind that was put up at a moment (ms) stays up on an area, ms: the sun has had it wherever that stood in the open since. */
export function tapeHoldsMs(
  tape: TapeKind | null | undefined,
  { surroundings, earlierShelters }: Pick<Area, 'surroundings' | 'earlierShelters'>,
  tapedMs: number,
): number {
  const since = earlierShelters.filter(({ until }) => Date.parse(until) > tapedMs);
  const isOpen = [surroundings, ...since.map((each) => each.surroundings)].some(
    ({ kind }) => kind === 'open',
  );
  return HOLDS_MS[tape ?? 'masking'][isOpen ? 'open' : 'covered'];
}

/** Those of the last areas asked for, until the boat’s log has more. */
const ticksOf = memoised((_log: object, db: Queries, areaId: string) => tapeTicks(db, areaId), 20);

/** The edges and the masked items of an area, and whether they are taped: a tick is valid for the days of the tape, not for one coat. */
export async function bareTicks(
  db: Queries,
  area: Area,
  { boat, log }: { boat: BoatMemory | undefined; log: object },
  now: number,
): Promise<BareTick[]> {
  const { bareItems } = await surveyRows(db, area.boatId, boat);
  const edges = { id: area.id, kind: 'edge' as const, name: t`Edges of the area` };
  const items = [edges, ...bareItems.filter(({ areaId }) => areaId === null || areaId === area.id)];
  const ticks = await ticksOf(log, db, area.id);
  return items.map((item) => {
    const last = ticks.findLast((tick) => tick.itemId === item.id);
    const holdsMs = tapeHoldsMs(last?.tape, area, last?.atMs ?? now);
    const old = last?.on === true && now - last.atMs >= holdsMs;
    return {
      id: item.id,
      kind: item.kind,
      name: item.name,
      taped: last && !old ? last.on : null,
      tape: last?.tape ?? null,
      // By then it is to be off, or fresh; said also once it is past.
      offBy: last?.on ? new Date(last.atMs + holdsMs).toISOString() : null,
    };
  });
}

/** Parts of the boat across which the waterline runs. */
const CROSSED: readonly Area['zone'][] = ['bottom', 'topsides', 'boot-stripe', 'transom'];

/** Before the first coat hides the old line, it is asked whether the line was saved. */
export async function oldLineAsked(
  db: Queries,
  state: AreaSnapshot,
  clock: AreaClock,
  known: BoatMemory | undefined,
): Promise<boolean> {
  if (!CROSSED.includes(state.area.zone) || state.coats.length > 0 || !clock.next) return false;
  return (await waterlineRow(db, state.boat.id, known)).oldLine === 'unknown';
}

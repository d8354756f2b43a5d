import type { PlanBoatView, PlanSetup, ShedCrowd } from '../../../contract/index.ts';
import { overfull, type Stay } from '../../../core/plan/index.ts';
import type { YardReading } from '../../memory/yardSnapshots.ts';
import { changesOf, sheltersOf } from './boatsToPlan.ts';

/** Stretches of time that are said. */
const MOST_SAID = 6;

/** When more boats stand in the shed than it holds, planned or not; those in the plan leave it with their launch at the latest. */
export function shedCrowds(
  known: YardReading,
  setup: PlanSetup,
  { boats, fromMs }: { boats: readonly Pick<PlanBoatView, 'boatId' | 'launch'>[]; fromMs: number },
): ShedCrowd[] {
  const { shedPlaces } = setup;
  if (shedPlaces === undefined || shedPlaces === null) return [];
  const launchOf = new Map(boats.map(({ boatId, launch }) => [boatId, launch]));
  const names = new Map(known.boats.map(({ boat }) => [boat.id, boat.name]));
  const stays = [...names.keys()].flatMap((id): Stay[] => {
    const launch = launchOf.get(id);
    const goneMs = launch ? Date.parse(launch) : Number.POSITIVE_INFINITY;
    const changes = changesOf(setup, id).filter(({ atMs }) => atMs > fromMs && atMs < goneMs);
    const stands = [
      { fromMs, isShed: sheltersOf(known, id).includes('shed') },
      ...changes.map(({ atMs, surroundings }) => ({ fromMs: atMs, isShed: surroundings.kind === 'shed' })),
    ];
    return stands.flatMap((each, i) =>
      each.isShed ? [{ id, fromMs: each.fromMs, untilMs: stands[i + 1]?.fromMs ?? goneMs }] : [],
    );
  });
  return overfull({ stays, places: shedPlaces })
    .slice(0, MOST_SAID)
    .map((each) => ({
      from: new Date(each.fromMs).toISOString(),
      until: each.untilMs === Number.POSITIVE_INFINITY ? null : new Date(each.untilMs).toISOString(),
      boatNames: each.ids.map((id) => names.get(id) ?? '').sort(),
    }));
}

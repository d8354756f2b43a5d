import type { AreaClock, AreaGlance, BoardView } from '../../contract/index.ts';
import { urgencyMs } from '../../core/cure/index.ts';
import { remembering } from '../../core/units/index.ts';
import { hourAt, toWeatherHour } from '../air/yardAir.ts';
import type { Context } from '../context.ts';
import type { BoatMemory } from '../memory/boatMemory.ts';
import type { YardReading } from '../memory/yardSnapshots.ts';
import { potViews } from './pots.ts';

/** No foreman reads further; the boats below show the rest. */
const MOST_LINES = 60;

/** By the most urgent of its parts. */
const urgency = (clock: AreaClock) => {
  const of = ({ state, until }: Pick<AreaClock, 'state' | 'until'>) =>
    urgencyMs({ state, untilMs: until === null ? null : Date.parse(until) });
  return clock.parts.length === 0 ? of(clock) : Math.min(of(clock), ...clock.parts.map(of));
};

const toGlance = ({ areaId, areaName, zone, side, state, part }: AreaClock): AreaGlance => ({
  areaId,
  areaName,
  zone,
  side,
  state,
  part,
});

/** Answers to several pages within a second are one: nothing on it moves faster. */
const SAME_FOR_MS = 1000;

/** What runs in the yard, soonest first, and every boat. */
export async function boardView({ memory, room, now }: Context): Promise<BoardView> {
  const at = now();
  const disk = room.look();
  const snapshot = await memory.identity(at);
  return kept(snapshot, [Math.floor(at / SAME_FOR_MS), disk.state], async () => ({
    ...madeAt(await memory.at(at), at),
    disk,
  }));
}

const kept = remembering<Promise<BoardView>>();

function madeAt(known: YardReading, at: number): Omit<BoardView, 'disk'> {
  const clocksOf = new Map<string, AreaClock[]>();
  for (const clock of known.clocks) {
    const list = clocksOf.get(clock.boatId);
    if (list) list.push(clock);
    else clocksOf.set(clock.boatId, [clock]);
  }
  const hour = hourAt(known.hours, at);
  const sorted = known.clocks
    .map((clock) => ({ clock, at: urgency(clock) }))
    .sort((a, b) => a.at - b.at)
    .slice(0, MOST_LINES)
    .map(({ clock }) => clock);
  const boatView = ({ boat, shape }: BoatMemory) => ({
    ...boat,
    areas: (clocksOf.get(boat.id) ?? []).map(toGlance),
    form: shape.table,
  });
  return {
    now: new Date(at).toISOString(),
    boats: known.boats.map(boatView),
    pots: potViews(known.boats, known.catalogue, at),
    clocks: sorted,
    more: Math.max(0, known.clocks.length - MOST_LINES),
    air: hour ? toWeatherHour(hour) : null,
  };
}

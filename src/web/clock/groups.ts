import type { AreaClock } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { notBefore } from '../words/clocks.ts';
import { type BoardLine, isRunningOut } from './urgency.ts';
import { startOfDay } from './wallClock.ts';

/** The groups of the board, in their order. */
export const GROUPS = ['now', 'today', 'later', 'waits', 'not-begun', 'finished'] as const;
export type Group = (typeof GROUPS)[number];

export const GROUP_WORDS: Record<Group, { title: string; meaning: string }> = {
  now: { title: t`Urgent`, meaning: t`mixed pots, bare steel, windows about to close` },
  today: { title: t`Today`, meaning: t`can be worked on today` },
  later: { title: t`Later`, meaning: t`tomorrow or after` },
  waits: { title: t`Blocked`, meaning: t`under a support, window closed, or data missing` },
  'not-begun': { title: t`Not started`, meaning: t`bare, or no system chosen` },
  finished: { title: t`Done`, meaning: t`all coats of the system applied` },
};

const OF_STATE: Partial<Record<AreaClock['state'], Group>> = {
  open: 'today',
  'too-soon': 'today',
  thumb: 'today',
  keyed: 'today',
  'key-first': 'today',
  bare: 'not-begun',
  'no-system': 'not-begun',
  finished: 'finished',
};

/** Which group a line is of, seen from `now` by the yard's calendar. */
export function groupOf(line: BoardLine, now: number, zone: string): Group {
  if (line.kind === 'pot' || line.clock.primeBy !== null || isRunningOut(line, now)) return 'now';
  const group = OF_STATE[line.clock.state] ?? 'waits';
  if (line.clock.state === 'too-soon' && line.clock.until === null) return 'later';
  if (group !== 'today') return group;
  // The film, a wait, or the sanding that comes first may hold the coat back beyond today.
  const waits = notBefore(line.clock, now);
  return waits !== null && Date.parse(waits.at) >= startOfDay(now, zone, 1) ? 'later' : 'today';
}

/** Patches hidden under the supports of one boat, told as one line. */
export interface Hidden {
  boatName: string;
  boatId: string;
  clocks: AreaClock[];
}

/** The lines of each group in their order, hidden patches apart, one line a boat; groups without a line are left out. */
export function grouped(
  lines: readonly BoardLine[],
  now: number,
  zone: string,
): { group: Group; lines: BoardLine[]; hidden: Hidden[] }[] {
  return GROUPS.flatMap((group) => {
    const all = lines.filter((line) => groupOf(line, now, zone) === group);
    const isHidden = (line: BoardLine) => line.kind === 'area' && line.clock.state === 'hidden';
    const byBoat = new Map<string, Hidden>();
    for (const line of all) {
      if (line.kind !== 'area' || !isHidden(line)) continue;
      const { boatId, boatName } = line.clock;
      const known = byBoat.get(boatId) ?? { boatId, boatName, clocks: [] };
      known.clocks.push(line.clock);
      byBoat.set(boatId, known);
    }
    if (all.length === 0) return [];
    return [{ group, lines: all.filter((line) => !isHidden(line)), hidden: [...byBoat.values()] }];
  });
}

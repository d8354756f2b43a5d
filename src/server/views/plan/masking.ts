import { HOUR_MS } from '../../../core/cure/index.ts';
import { PLAN_ASSUMES, type WorkToPlan } from '../../../core/plan/index.ts';
import { type AreaSnapshot, netAreaOf } from '../../memory/areaStates.ts';
import type { BoatMemory } from '../../memory/boatMemory.ts';
import { A_COAT_MS } from '../../memory/needLines.ts';
import type { EdgeTape } from '../../rows/log.ts';
import { maskedEdgeM } from '../supply/maskedEdge.ts';
import { tapeHoldsMs } from '../ticks.ts';

/** Masking in the plan: when tape is put on and pulled, and the hours of it. */

/** The piece of work by which an area is masked. */
export const MASK = 'mask';

/** Masking of an area, and how it stands. */
export interface Masking {
  /** Edges to mask, m. */
  edgeM: number;
  /** When its edges were taped, ms; null: they are not. */
  sinceMs: number | null;
  /** How long the tape may stay on, ms. */
  holdsMs: number;
}

/** Tape put on before a coat, and pulled after it. */
export interface Taping {
  on: boolean;
  off: boolean;
}

/** Hours of masking for a coat: as a task of its own, while getting ready, and while cleaning up. */
export interface MaskHours {
  taskH: number;
  onH: number;
  offH: number;
}

/** Edges to mask of areas that are painted in one go, and the tape on them. */
export function maskingOf(
  group: readonly AreaSnapshot[],
  boats: readonly BoatMemory[],
  tape: EdgeTape | undefined,
): Masking {
  const edges = group.map((each) => {
    const hull = boats.find(({ boat }) => boat.id === each.boat.id);
    return maskedEdgeM(each, netAreaOf(each).areaM2, hull);
  });
  const holds = group.map(({ area }) => tapeHoldsMs(tape?.tape, area.surroundings));
  return {
    edgeM: edges.reduce((sum, m) => sum + m, 0),
    sinceMs: tape?.atMs ?? null,
    holdsMs: Math.min(...holds),
  };
}

/** Whether tape is put on before each of so many coats, and pulled after it: a coat a day, while the tape may stay on. */
export function tapings(
  { sinceMs, holdsMs }: Masking,
  coats: number,
  { now, isBegun }: { now: number; isBegun: boolean },
): Taping[] {
  // The first of them at once, the next a day later.
  const most = (forMs: number) => Math.max(1, Math.ceil(forMs / A_COAT_MS));
  const holdsOn = sinceMs === null ? 0 : sinceMs + holdsMs - now;
  // Where part of a coat is on, somebody has masked for it.
  let left = holdsOn > 0 ? most(holdsOn) : isBegun ? 1 : 0;
  return Array.from({ length: coats }, (_, i) => {
    const on = left === 0;
    if (on) left = most(holdsMs);
    left -= 1;
    return { on, off: left === 0 || i === coats - 1 };
  });
}

export function maskHours({ edgeM }: Masking, taping: Taping | undefined): MaskHours {
  const { maskMPerH, unmaskMPerH, leastMaskH } = PLAN_ASSUMES;
  const onH = taping?.on ? edgeM / maskMPerH : 0;
  const isTask = onH >= leastMaskH;
  return { taskH: isTask ? onH : 0, onH: isTask ? 0 : onH, offH: taping?.off ? edgeM / unmaskMPerH : 0 };
}

/** Masking comes last, after the dust; before steel is blasted, so that none of its bare hours go into it. */
export function withMasking(work: readonly WorkToPlan[], taskH: number): WorkToPlan[] {
  if (taskH === 0) return [...work];
  const mask: WorkToPlan = { id: MASK, kind: 'work', ms: taskH * HOUR_MS, dusty: false };
  const bared = work.findIndex(({ bareForMs }) => bareForMs !== undefined);
  return work.toSpliced(bared < 0 ? work.length : bared, 0, mask);
}

import type { PlanTaskView } from '../../../contract/index.ts';
import { HOUR_MS } from '../../../core/cure/index.ts';
import { PLAN_ASSUMES, type WorkToPlan } from '../../../core/plan/index.ts';
import { type AreaSnapshot, netAreaOf } from '../../memory/areaStates.ts';
import type { BoatMemory } from '../../memory/boatMemory.ts';
import { A_COAT_MS } from '../../memory/needLines.ts';
import type { EdgeTape } from '../../rows/log.ts';
import { maskedEdgeM } from '../supply/maskedEdge.ts';
import { tapeHoldsMs } from '../ticks.ts';

/** Masking in the plan: before which coats, the hours of it, and the age of the tape. */

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

/** A coat, and whether its edges are masked before it or while getting ready for it. */
export interface MaskedCoat {
  masking: Masking;
  isMasked: boolean;
}

/** Hours of masking for a coat: as a task of its own, and while getting ready. */
export interface MaskHours {
  taskH: number;
  readyH: number;
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
  const holds = group.map(({ area }) =>
    tapeHoldsMs(tape?.tape, area, tape?.atMs ?? Number.POSITIVE_INFINITY),
  );
  return {
    edgeM: edges.reduce((sum, m) => sum + m, 0),
    sinceMs: tape?.atMs ?? null,
    holdsMs: Math.min(...holds),
  };
}

/** Before which of so many coats the edges are masked: a coat a day, while the tape may stay on. */
export function tapings(
  { sinceMs, holdsMs }: Masking,
  coats: number,
  { now, isBegun }: { now: number; isBegun: boolean },
): boolean[] {
  // The first of them at once, the next a day later.
  const most = (forMs: number) => Math.max(1, Math.ceil(forMs / A_COAT_MS));
  const holdsOn = sinceMs === null ? 0 : sinceMs + holdsMs - now;
  // Where part of a coat is on, somebody has masked for it.
  let left = holdsOn > 0 ? most(holdsOn) : isBegun ? 1 : 0;
  return Array.from({ length: coats }, () => {
    const isMasked = left === 0;
    if (isMasked) left = most(holdsMs);
    left -= 1;
    return isMasked;
  });
}

export function maskHours({ edgeM }: Masking, isMasked: boolean): MaskHours {
  const { maskMPerH, leastMaskH } = PLAN_ASSUMES;
  const hours = isMasked ? edgeM / maskMPerH : 0;
  const isTask = hours >= leastMaskH;
  return { taskH: isTask ? hours : 0, readyH: isTask ? 0 : hours };
}

/** Coats that by their planned times come under tape that is too old by then: it is pulled and put on afresh before. */
export function underOldTape(
  tasks: readonly PlanTaskView[],
  named: ReadonlyMap<string, MaskedCoat>,
  coatOf: (taskId: string) => string | null,
): Set<string> {
  const old = new Set<string>();
  const maskedMs = new Map<string, number>();
  for (const { id, kind, work, areaId, start, end, applyTo } of tasks) {
    if (areaId === null) continue;
    if (work === MASK) maskedMs.set(areaId, Date.parse(end));
    const coat = kind === 'coat' && applyTo ? named.get(coatOf(id) ?? '') : undefined;
    if (!coat) continue;
    const known = maskedMs.get(areaId) ?? coat.masking.sinceMs;
    // Masked while getting ready for it.
    const sinceMs = coat.isMasked && !isOwnTask(coat) ? Date.parse(start) : known;
    if (sinceMs === null) continue;
    maskedMs.set(areaId, sinceMs);
    if (Date.parse(applyTo as string) - sinceMs > coat.masking.holdsMs) old.add(id);
  }
  return old;
}

const isOwnTask = ({ masking, isMasked }: MaskedCoat) => maskHours(masking, isMasked).taskH > 0;

/** Masking comes last, after the dust; before steel is blasted, so that none of its bare hours go into it. */
export function withMasking(work: readonly WorkToPlan[], taskH: number, holdsMs: number): WorkToPlan[] {
  if (taskH === 0) return [...work];
  const mask: WorkToPlan = { id: MASK, kind: 'work', ms: taskH * HOUR_MS, dusty: false, holdsMs };
  const bared = work.findIndex(({ bareForMs }) => bareForMs !== undefined);
  return work.toSpliced(bared < 0 ? work.length : bared, 0, mask);
}

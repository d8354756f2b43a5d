import { moment } from '../units/index.ts';
import type { FindingKind, Judged } from './findings.ts';

/** A finding as it bears on an area. Time in ms. */
export interface FoundOnArea extends Pick<Judged, 'verdict'> {
  kind: FindingKind;
  atMs: number;
  /** Where on the area; null: told of the whole of it. */
  place: object | null;
}

/** Faults of what lay there: blasted or stripped to the ground, they are gone with it [T]. */
const GONE_WITH_THE_OLD: ReadonlySet<FindingKind> = new Set(['rust', 'blisters', 'adhesion', 'old-paint']);

/**
 * The findings that speak against painting and that nothing has settled since: no later one of their kind that is not
 * bad, at the same place or of the whole area; nor, for what lay on the old ground, a blasting or a strip.
 *
 * Salt 80 mg/m², washed, salt 20: none. Salt 80, blasted: still open, since salt is measured again.
 *
 * @param baredMs when the area was last blasted or stripped to the ground; null: never, as far as is logged
 */
export function openFaults<F extends FoundOnArea>(findings: readonly F[], baredMs: number | null): F[] {
  for (const { atMs } of findings) moment('time of a finding', atMs);
  if (baredMs !== null) moment('time of the blasting', baredMs);
  const samePlace = (a: F, b: F) => JSON.stringify(a.place) === JSON.stringify(b.place);
  return findings.filter((fault) => {
    if (fault.verdict !== 'bad') return false;
    if (baredMs !== null && fault.atMs < baredMs && GONE_WITH_THE_OLD.has(fault.kind)) return false;
    // A later reading at the same place takes its place, good or bad.
    return !findings.some(
      (later) =>
        later.kind === fault.kind &&
        later.atMs > fault.atMs &&
        (samePlace(later, fault) || (later.place === null && later.verdict !== 'bad')),
    );
  });
}

const MINUTE_MS = 60_000;

/**
 * When a fault was first painted over, ms; null: not yet. Times are noted to the minute: a coat that ends in the minute of
 * the finding is over it.
 *
 * Rust found at 10:00; coats ended at 9:30 and 12:00: painted over at 12:00.
 *
 * @param coatEndsMs ends of the coats that lie on the area
 */
export function paintedOverMs(foundMs: number, coatEndsMs: readonly number[]): number | null {
  moment('time of a finding', foundMs);
  const over = coatEndsMs.filter((endMs) => moment('end of a coat', endMs) > foundMs - MINUTE_MS);
  return over.length > 0 ? Math.min(...over) : null;
}

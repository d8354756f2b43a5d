import { moment, QuantityError, within } from '../units/index.ts';
import { type Method, TYPICAL_RATE_M2_PER_H } from './quantity.ts';

/** A coat while it is applied: the sections covered, the film by the comb, and the paint used so far. */

/** Most sections that an area is divided into. */
export const MOST_SECTIONS = 200;
/** The longest that an edge is said to stay wet, min. */
export const MOST_WET_EDGE_MIN = 240;
/** A section for roll and tip on a deck: 1 × 1 to 1.2 × 1.2 m [T, handbook part 8]; the middle of them, m². */
const ROLL_AND_TIP_M2 = 1.2;
/** Minutes that one section of any other method takes at the usual pace [M]. */
const SECTION_MIN = 20;

/**
 * Into how many equal sections an area is divided, so that each can be joined while the edge of the last is wet.
 *
 * 34 m² by roller at 12 m²/h: sections of up to 4 m², so 9 of 3.8 m².
 *
 * @throws {QuantityError} on an area that is none
 */
export function sectionsOf(areaM2: number, method: Method): number {
  const area = within('area (m²)', areaM2, 0, 100_000);
  const size =
    method === 'roll-and-tip' ? ROLL_AND_TIP_M2 : (TYPICAL_RATE_M2_PER_H[method] * SECTION_MIN) / 60;
  return Math.min(MOST_SECTIONS, Math.max(1, Math.ceil(area / size - 1e-9)));
}

/** One thing noted while a coat is applied, on any device. */
export interface ProgressNote {
  id: string;
  atMs: number;
  /** A section covered: its number from 0, of so many equal ones in the order of work; null: none. */
  section: { no: number; of: number } | null;
  /** The last tooth wetted and the first that stayed dry, µm; null: no reading. */
  comb: { wetMicrons: number; dryMicrons: number } | null;
  /** Unthinned litres used for the coat so far; null: not stated. */
  usedL: number | null;
  /** How long an edge stays wet, min; left out or null: not stated. */
  wetEdgeMin?: number | null;
  /** Before spraying, the last 200 mm beside lines are cut in by brush or roller; left out or null: not stated. */
  cutIn?: boolean | null;
}

/** What the notes of a coat come to. */
export interface CoatProgress {
  /** The sections in their order, as the first note of one divides the area: when each was covered, and by which notes; empty: none was. */
  sections: { atMs: number | null; notes: string[] }[];
  /** Share of the area covered, 0–1. */
  coveredShare: number;
  usedL: number | null;
  /** The note that says so; null: none does. */
  usedNote: string | null;
  combs: { id: string; wetMicrons: number; dryMicrons: number }[];
  /** How long an edge stays wet, as stated last, min; null: nobody said. */
  wetEdgeMin: number | null;
  /** Cut in beside lines, as stated last. */
  cutIn: boolean;
}

const EPSILON = 1e-9;

/** Stretches from 0 to 1, joined where they meet. */
function joined(stretches: readonly (readonly [number, number])[]): [number, number][] {
  const found: [number, number][] = [];
  for (const [from, to] of [...stretches].sort(([a], [b]) => a - b)) {
    const last = found.at(-1);
    if (last && from <= last[1] + EPSILON) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

function checkNote({ atMs, section, comb, usedL, wetEdgeMin = null }: ProgressNote): void {
  moment('time of a note', atMs);
  if (section) {
    const of = within('sections', section.of, 1, MOST_SECTIONS);
    const no = within('section', section.no, 0, of - 1);
    if (!Number.isInteger(of) || !Number.isInteger(no))
      throw new QuantityError('section', no, 'a whole number');
  }
  if (comb)
    within(
      'first dry tooth (µm)',
      comb.dryMicrons,
      within('last tooth wetted (µm)', comb.wetMicrons, 0, 1e5),
      1e5,
    );
  if (usedL !== null) within('litres used', usedL, 0, 10_000);
  if (wetEdgeMin !== null) within('wet edge (min)', wetEdgeMin, 1, MOST_WET_EDGE_MIN);
}

/**
 * The state of a coat from the notes of several devices. The order in which they arrive makes no difference.
 *
 * The earliest note of a section decides how the area is divided. Notes with another division count for their part of the area. A
 * section counts as covered once its whole area is covered.
 *
 * @throws {QuantityError} on a time, section, reading or amount that cannot be
 */
export function coatProgress(notes: readonly ProgressNote[]): CoatProgress {
  for (const note of notes) checkNote(note);
  const inOrder = [...notes].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1));
  const covered = inOrder.flatMap(({ id, atMs, section }) => {
    if (!section) return [];
    const { no, of } = section;
    return [{ id, atMs, of, from: no / of, to: (no + 1) / of }];
  });
  const count = covered[0]?.of ?? 0;
  const parts = joined(covered.map(({ from, to }) => [from, to] as const));
  const used = inOrder.findLast(({ usedL }) => usedL !== null);
  return {
    sections: Array.from({ length: count }, (_, no) => {
      const [from, to] = [no / count, (no + 1) / count];
      const over = covered.filter((each) => each.from < to - EPSILON && each.to > from + EPSILON);
      const isWhole = parts.some(([low, high]) => low <= from + EPSILON && high >= to - EPSILON);
      return {
        atMs: isWhole ? Math.max(...over.map(({ atMs }) => atMs)) : null,
        notes: over.map(({ id }) => id),
      };
    }),
    coveredShare: Math.min(
      1,
      parts.reduce((sum, [from, to]) => sum + to - from, 0),
    ),
    usedL: used?.usedL ?? null,
    usedNote: used?.id ?? null,
    combs: inOrder.flatMap(({ id, comb }) => (comb ? [{ id, ...comb }] : [])),
    wetEdgeMin: inOrder.findLast((each) => (each.wetEdgeMin ?? null) !== null)?.wetEdgeMin ?? null,
    cutIn: inOrder.findLast((each) => (each.cutIn ?? null) !== null)?.cutIn ?? false,
  };
}

/**
 * How far a second lap straight on may go without overtaking the cure. A section is ready once the film below is ready all over it;
 * the first lap took as long for each [T, handbook part 8].
 *
 * Five sections, ready at 10:00 where the first lap began and at 11:00 where it ended: at 10:30 two are ready, the third at 10:36.
 *
 * @returns sections ready, from the first on, and when the next is, ms; null: all are ready
 * @throws {QuantityError} on times or a number of sections that cannot be
 */
export function lapReady(of: { startMs: number; farEndMs: number; sections: number; nowMs: number }): {
  ready: number;
  nextMs: number | null;
} {
  const startMs = moment('start of the lap', of.startMs);
  const farEndMs = moment('end of the lap', of.farEndMs);
  const nowMs = moment('time', of.nowMs);
  const sections = within('sections', of.sections, 1, MOST_SECTIONS);
  if (!Number.isInteger(sections)) throw new QuantityError('sections', sections, 'a whole number');
  if (farEndMs < startMs) throw new QuantityError('end of the lap', farEndMs, `at least ${startMs}`);
  if (nowMs >= farEndMs) return { ready: sections, nextMs: null };
  const each = (farEndMs - startMs) / sections;
  const ready = Math.max(0, Math.floor((nowMs - startMs) / each + EPSILON));
  return { ready, nextMs: startMs + (ready + 1) * each };
}

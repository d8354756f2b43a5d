import type { MadeMark } from './strike.ts';

/** Marks at the same station are those within a thousandth of a millimetre of each other, m. */
const SAME_STATION_M = 1e-6;

/** The marks with one recorded again: a second reading at a station and side replaces the first. */
export function withMark(marks: readonly MadeMark[], mark: MadeMark): MadeMark[] {
  const others = marks.filter(
    (each) => each.side !== mark.side || Math.abs(each.xM - mark.xM) > SAME_STATION_M,
  );
  return [...others, mark];
}

import { clockText, dayText, momentOf, monthText, startOfDay, wallOf } from '../../clock/wallClock.ts';
import type { Span } from './span.ts';

const HOUR = 3_600_000;
/** Marks stand so many hours apart: as close as leaves room for a dozen, or for half as many dates. */
const STEPS_H = [0.25, 0.5, 1, 3, 6, 12, 24, 48, 7 * 24, 14 * 24, 28 * 24] as const;

export interface AxisMark {
  at: number;
  text: string;
  /** A midnight among hours. */
  strong: boolean;
}

/** Where hours and days are marked on a time axis, by the yard's clock: a day of the year has 23 hours, one 25. */
export function axisMarks({ from, to }: Span, zone: string): AxisMark[] {
  const stepH =
    STEPS_H.find((hours) => (to - from) / (hours * HOUR) <= (hours >= 48 ? 7 : 14)) ?? STEPS_H[10];
  // A mark at the very edge would hang over it.
  const edge = (to - from) / 36;
  const marks: AxisMark[] = [];
  let day = startOfDay(from, zone);
  while (day < to) {
    const next = startOfDay(day, zone, Math.max(1, stepH / 24));
    const date = wallOf(day, zone);
    // Counted by the wall's clock within the day: a mark says the hour that it stands at.
    for (let hour = 0; hour < (stepH >= 24 ? 1 : 24); hour += stepH) {
      const at = momentOf({ ...date, hour: Math.floor(hour), minute: (hour % 1) * 60 }, zone);
      // An hour that a night of the clock change leaves out falls on the one after it.
      if (at <= from + edge || at >= to - edge || at >= next || at === marks.at(-1)?.at) continue;
      const wall = wallOf(at, zone);
      const dateText = stepH >= 48 ? `${wall.day} ${monthText(wall)}` : `${dayText(wall)} ${wall.day}`;
      const text = hour === 0 ? dateText : stepH < 1 ? clockText(wall) : clockText(wall).slice(0, 2);
      marks.push({ at, text, strong: hour === 0 && stepH < 48 });
    }
    day = next;
  }
  return marks;
}

import { DateTime } from 'luxon';
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
  let day = DateTime.fromMillis(from, { zone }).startOf('day');
  while (day.toMillis() < to) {
    const next = day.plus({ days: Math.max(1, stepH / 24) });
    // Counted by the wall's clock within the day: a mark says the hour that it stands at.
    for (let hour = 0; hour < (stepH >= 24 ? 1 : 24); hour += stepH) {
      const time = day.set({ hour: Math.floor(hour), minute: (hour % 1) * 60 });
      const at = time.toMillis();
      // An hour that a night of the clock change leaves out falls on the one after it.
      if (at <= from + edge || at >= to - edge || at >= next.toMillis() || at === marks.at(-1)?.at) continue;
      const format = hour === 0 ? (stepH >= 48 ? 'd LLL' : 'ccc d') : stepH < 1 ? 'HH:mm' : 'HH';
      marks.push({ at, text: time.toFormat(format), strong: hour === 0 && stepH < 48 });
    }
    day = next;
  }
  return marks;
}

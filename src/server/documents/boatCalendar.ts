import { createEvents, type EventAttributes } from 'ics';
import type { AreaClock } from '../../contract/index.ts';
import { t } from '../../words.ts';

/** Minutes that a moment takes up in a calendar, so that it can be seen. */
const SHOWN_MIN = 15;
/** How long before a window closes it is called; an opening is called when it comes. */
const CALL_BEFORE_H = 3;

const OPEN = new Set<AreaClock['state']>(['open', 'thumb']);

/** Moments of an area still to come: its window opens, closes; bare steel that must be primed. */
function momentsOf(clock: AreaClock, now: number) {
  const next = clock.next
    ? t`${clock.next.productName}, coat ${clock.next.coatNo + 1} of ${clock.next.coats}`
    : clock.nextIsWater
      ? t`the water`
      : null;
  if (next === null) return [];
  const found: { key: string; at: number; title: string; early: boolean }[] = [];
  const put = (key: string, at: number, title: string, early: boolean) => {
    if (at > now) found.push({ key, at, title, early });
  };
  if (clock.primeBy)
    put('prime', Date.parse(clock.primeBy), t`Must: prime the bare steel with ${next}`, true);
  for (const [i, { state, from, to }] of clock.segments.entries()) {
    if (!OPEN.has(state)) continue;
    const before = clock.segments[i - 1];
    if (!before || !OPEN.has(before.state)) put(`opens-${i}`, Date.parse(from), `May: ${next}`, false);
    const after = clock.segments[i + 1];
    if (to !== null && (!after || !OPEN.has(after.state)))
      put(`closes-${i}`, Date.parse(to), t`Must: ${next}, before it closes`, true);
  }
  return found;
}

/**
 * A boat's windows as a calendar (RFC 5545): "may" when one opens, "must" when it closes, each with an alarm, that of a
 * closing three hours before it.
 *
 * @throws {Error} where the calendar cannot be written
 */
export function boatCalendar(
  boat: { id: string; name: string },
  clocks: readonly AreaClock[],
  now: number,
): string {
  const events = clocks.flatMap((clock) =>
    momentsOf(clock, now).map(({ key, at, title, early }): EventAttributes => {
      const where = `${clock.areaName}, ${clock.boatName}`;
      return {
        uid: `${clock.areaId}-${key}@jack-plane`,
        start: at,
        startInputType: 'utc',
        startOutputType: 'utc',
        duration: { minutes: SHOWN_MIN },
        title: `${title} (${where})`,
        description:
          'Worked out from the weather data available when this calendar was last updated. Times change with the forecast. Check the board before you act.',
        location: where,
        busyStatus: 'FREE',
        alarms: [
          {
            action: 'display',
            description: title,
            trigger: { hours: early ? CALL_BEFORE_H : 0, minutes: 0, before: true },
          },
        ],
      };
    }),
  );
  if (events.length === 0) {
    return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:jack-plane', 'END:VCALENDAR', ''].join('\r\n');
  }
  const { error, value } = createEvents(events, { calName: boat.name, productId: 'jack-plane' });
  if (error || !value) throw error ?? new Error('The calendar is empty');
  return value;
}

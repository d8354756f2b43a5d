import { createEvents, type EventAttributes } from 'ics';
import { type PlanTaskView, planTaskName } from '../../contract/index.ts';

/**
 * Tasks of the plan as a calendar (RFC 5545), each with its time, its place and its people.
 *
 * @throws {Error} where the calendar cannot be written
 */
export function planCalendar(name: string, tasks: readonly PlanTaskView[]): string {
  const events = tasks.map((task): EventAttributes => {
    const place = task.areaName ? `${task.areaName}, ${task.boatName}` : task.boatName;
    const startMs = Date.parse(task.sandFrom ?? task.start);
    return {
      uid: `${task.id.replaceAll(/[^\w-]+/g, '_')}@jack-plane`,
      start: startMs,
      startInputType: 'utc',
      startOutputType: 'utc',
      end: Date.parse(task.end),
      endInputType: 'utc',
      endOutputType: 'utc',
      title: `${planTaskName(task)} (${place})`,
      description: [
        ...(task.people.length > 0 ? [task.people.join(', ')] : []),
        ...(task.sandFrom ? ['Begins with sanding: the window has closed by then.'] : []),
        'From the plan as it was when this was downloaded. Check the conditions at the bench before you start.',
      ].join('\n'),
      location: place,
    };
  });
  if (events.length === 0)
    return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:jack-plane', 'END:VCALENDAR', ''].join('\r\n');
  const { error, value } = createEvents(events, { calName: name, productId: 'jack-plane' });
  if (error || !value) throw error ?? new Error('the calendar is empty');
  return value;
}

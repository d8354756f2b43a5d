import { DateTime } from 'luxon';
import { type PlanTaskView, type PlanView, planTaskName } from '../../../contract/index.ts';
import { t } from '../../../words.ts';
import { listPdf, type PdfTable } from '../../documents/listPdf.ts';

/** The plan on paper: the launches, then the work of each day. */

const who = ({ people }: PlanTaskView) => people.join(', ');
const where = ({ areaName, boatName }: PlanTaskView) => (areaName ? `${boatName}, ${areaName}` : boatName);

/** @param yard its name, and the zone of its clock */
export async function planPdf(view: PlanView, { name, zone }: { name: string; zone: string }) {
  const local = (at: string) => DateTime.fromISO(at, { zone });
  const moment = (at: string) => local(at).toFormat('ccc d LLL, HH:mm');
  const begin = ({ sandFrom, start }: PlanTaskView) => sandFrom ?? start;
  const days = new Map<string, PlanTaskView[]>();
  for (const task of view.tasks.toSorted((a, b) => begin(a).localeCompare(begin(b)))) {
    const day = local(begin(task)).toFormat('cccc d LLLL yyyy');
    days.set(day, [...(days.get(day) ?? []), task]);
  }
  const table = ([heading, tasks]: [string, PlanTaskView[]]): PdfTable => ({
    heading,
    columns: [
      { head: t`Time`, share: 2 },
      { head: t`Task`, share: 5 },
      { head: t`Where`, share: 4 },
      { head: t`Who`, share: 2 },
    ],
    rows: tasks.map((task) => [
      `${local(begin(task)).toFormat('HH:mm')}–${local(task.end).toFormat('HH:mm')}`,
      `${planTaskName(task)}${task.sandFrom ? t`, after sanding` : ''}${task.tapeTooOld ? t`, after masking again` : ''}${task.applyFrom ? t`, apply from ${local(task.applyFrom).toFormat('HH:mm')}` : ''}`,
      where(task),
      who(task),
    ]),
    sums: [],
  });
  return listPdf({
    title: t`Plan: ${name}`,
    yard: name,
    intro: [
      t`Made ${moment(view.now)}. The times hold if the weather is as forecast. Before each coat, check the conditions at the boat.`,
      ...view.boats.map(
        ({ boatName, launch, unplanned }) =>
          `${boatName}: ${launch ? t`ready to launch ${moment(launch)}` : t`no launch date`}${unplanned > 0 ? t` (${unplanned} ${unplanned === 1 ? 'area' : 'areas'} not included)` : ''}.`,
      ),
    ],
    tables: [...days].map(table),
    closing: view.unplanned.map(({ areaName, boatName }) => t`Not in the plan: ${areaName}, ${boatName}.`),
  });
}

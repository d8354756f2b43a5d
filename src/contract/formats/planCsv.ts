import type { PlanView } from '../planView.ts';
import { planTaskName } from './planTaskName.ts';
import { writeCsv } from './safeCsv.ts';

/** The plan as a table, a task a line. @param local an instant as the yard's wall clock has it */
export const writePlanCsv = ({ tasks }: Pick<PlanView, 'tasks'>, local: (at: string) => string): string =>
  writeCsv([
    ['start', 'end', 'apply from', 'apply until', 'task', 'area', 'boat', 'people', 'sanding from'],
    ...tasks.map((task) => [
      local(task.start),
      local(task.end),
      task.applyFrom && local(task.applyFrom),
      task.applyTo && local(task.applyTo),
      planTaskName(task),
      task.areaName,
      task.boatName,
      task.people.join(', '),
      task.sandFrom && local(task.sandFrom),
    ]),
  ]);

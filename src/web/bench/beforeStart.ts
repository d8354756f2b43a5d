import type { BenchView } from '../../contract/index.ts';
import { workLeft } from '../state/workStates.ts';
import { counted } from '../words/counted.ts';
import { sayTask } from '../words/systems.ts';
import { endsBefore } from './TinsReach.tsx';

/**
 * What is to be done before a coat, whatever film and air allow: its work, its masking, the paint for it, the findings that
 * are open.
 *
 * @param missing litres still to be mixed; null: not known
 */
export function beforeStart(view: BenchView, now: number, missing: number | null): string[] {
  const work = workLeft(view.clock.work, now).map((task) => sayTask({ ...task, note: '' }));
  const untaped = view.bare.filter(({ taped }) => taped !== true).length;
  return [
    ...work,
    ...(untaped > 0 ? [`mask ${counted(untaped, 'item')}`] : []),
    ...(endsBefore(view.tins, missing) ? ['get more paint: the tins end before the coat does'] : []),
    ...(view.faults.length > 0 ? [`settle ${counted(view.faults.length, 'open finding')}`] : []),
  ];
}

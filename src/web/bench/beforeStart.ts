import type { BenchView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { workLeft } from '../state/workStates.ts';
import { counted } from '../words/counted.ts';
import { sayTask } from '../words/systems.ts';
import { endsBefore } from './TinsReach.tsx';

/**
 * The tasks before a coat, independent of film and weather: its work, its masking, the paint for it, the findings that
 * are open.
 *
 * @param missing litres not mixed yet; null: unknown
 * @param ofWork false: its work is named elsewhere
 */
export function beforeStart(
  view: BenchView,
  now: number,
  { missing, ofWork }: { missing: number | null; ofWork: boolean },
): string[] {
  const work = ofWork ? workLeft(view.clock.work, now).map((task) => sayTask({ ...task, note: '' })) : [];
  // Edges can be cut in by brush: what must stay bare can’t.
  const untaped = view.bare.filter(({ taped, kind }) => taped !== true && kind !== 'edge').length;
  const open = view.faults.filter(({ paintedOverAt }) => paintedOverAt == null).length;
  return [
    ...work,
    ...(untaped > 0 ? [t`mask ${counted(untaped, 'item')}`] : []),
    ...(endsBefore(view.tins, missing) ? [t`get more paint: the tins end before the coat does`] : []),
    ...(open > 0 ? [t`settle ${counted(open, 'open finding')}`] : []),
  ];
}

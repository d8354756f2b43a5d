import { t } from '../../words.ts';
import type { PlanTaskView } from '../planView.ts';

const WORK: Record<string, string> = {
  prepare: t`Prepare`,
  wash: t`Wash`,
  sand: t`Sand`,
  inspect: t`Inspect`,
  aggregate: t`Sweep up the aggregate`,
  mask: t`Mask the edges`,
  extra: t`Extra work`,
};

/** Work in a word. */
export const planWorkName = (work: string | null): string => WORK[work ?? ''] ?? t`Work`;

type Named = Pick<PlanTaskView, 'kind' | 'what' | 'work' | 'coatNo' | 'coats' | 'session' | 'sessions'>;

/** What a task of the plan is called, on screens and in files: "Thrift Barrier, grey: coat 2 of 4", "Sand", "Launch". */
export function planTaskName({ kind, what, work, coatNo, coats, session, sessions }: Named): string {
  if (kind === 'launch') return t`Launch, or leave the yard`;
  if (kind === 'film') return t`Existing film`;
  const part = sessions > 1 ? t`, part ${session + 1} of ${sessions}` : '';
  if (kind === 'work') return `${planWorkName(work)}${what === '' ? '' : `: ${what}`}${part}`;
  return t`${what}: coat ${(coatNo ?? 0) + 1} of ${coats}${part}`;
}

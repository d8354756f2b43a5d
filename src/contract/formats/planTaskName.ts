import type { PlanTaskView } from '../planView.ts';

const WORK: Record<string, string> = {
  prepare: 'Prepare',
  wash: 'Wash',
  sand: 'Sand',
  inspect: 'Inspect',
  aggregate: 'Sweep up the aggregate',
  mask: 'Mask the edges',
  extra: 'Extra work',
};

/** Work in a word. */
export const planWorkName = (work: string | null): string => WORK[work ?? ''] ?? 'Work';

type Named = Pick<PlanTaskView, 'kind' | 'what' | 'work' | 'coatNo' | 'coats' | 'session' | 'sessions'>;

/** What a task of the plan is called, on screens and in files: "Thrift Barrier, grey: coat 2 of 4", "Sand", "Launch". */
export function planTaskName({ kind, what, work, coatNo, coats, session, sessions }: Named): string {
  if (kind === 'launch') return 'Launch, or leave the yard';
  if (kind === 'film') return 'Existing film';
  const part = sessions > 1 ? `, part ${session + 1} of ${sessions}` : '';
  if (kind === 'work') return `${planWorkName(work)}${what === '' ? '' : `: ${what}`}${part}`;
  return `${what}: coat ${(coatNo ?? 0) + 1} of ${coats}${part}`;
}

import type { PlanRehearsalView, PlanStepView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { sayTask } from './plan.ts';

/** The rehearsal in words. */

const WHY: Record<NonNullable<PlanStepView['why']>, string> = {
  'not-ready': t`what comes before wasn’t ready`,
  weather: t`the weather wasn’t suitable`,
  rain: t`rain reached the wet coat`,
  dew: t`dew reached the wet coat`,
  'too-soon': t`the film below wasn’t ready`,
  'too-late': t`the overcoat window of the film below had closed, and it wasn’t sanded`,
  'not-next': t`the step before it isn’t finished`,
  'nobody-free': t`nobody is free for the whole task then`,
  'no-paint': t`its paint isn’t delivered by then`,
  'behind-support': t`a support still covers the area then`,
};

/** Why a step was put off, spoilt or refused. */
export const sayWhy = ({ why }: PlanStepView): string => (why === null ? '' : WHY[why]);

const MISTAKES: Record<
  PlanStepView['mistakes'][number]['code'],
  (at: string | null, isLaunch: boolean) => string
> = {
  'too-soon': (at, isLaunch) =>
    t`Too soon: ${isLaunch ? t`the paint was` : t`the film below was`} ready ${at ? t`from ${at}` : t`much later`}.`,
  'too-late': (at, isLaunch) =>
    isLaunch
      ? t`Too late: the paint had to be in the water${at ? ` by ${at}` : ' sooner'}.`
      : t`Too late: the overcoating window closed${at ? ` ${at}` : ''}, and the film wasn’t sanded.`,
  dust: () => t`Dust landed on a wet film nearby.`,
  weather: () => t`The weather was outside a limit of the data sheet before the coat was safe.`,
};

/** Mistakes in a task that the user started. @param say a moment in words */
export const sayMistakes = ({ mistakes, task }: PlanStepView, say: (at: string) => string): string[] =>
  mistakes.map(({ code, at }) => MISTAKES[code](at && say(at), task?.kind === 'launch'));

/** An event in one sentence: "Port, Old Tansy: Thrift Barrier, grey: coat 2 of 4 started (One person)". */
export function sayStep({ kind, task, why }: PlanStepView): string {
  const where = task ? [task.areaName, task.boatName].filter((each) => each !== '').join(', ') : '';
  const what = task ? `${where}: ${sayTask(task)}` : t`A task that no longer exists`;
  if (kind === 'put-off') return t`${what}: put off, ${WHY[why ?? 'weather']}`;
  if (kind === 'spoilt') return t`${what}: spoilt, ${WHY[why ?? 'rain']}. Sand the coat and apply it again`;
  if (kind === 'refused') return t`${what}: couldn’t start, ${WHY[why ?? 'not-next']}`;
  if (task?.kind === 'launch') return t`${task.boatName}: launched, or left the yard`;
  const people = task?.people.join(', ') ?? '';
  return t`${what}: started${people === '' ? '' : ` (${people})`}${task?.sandFrom ? t`, after sanding: the window had closed` : ''}`;
}

/** Conditions of an area in a rehearsal. */
export type PlayedState =
  | 'waiting'
  | 'work'
  | 'applying'
  | 'wet'
  | 'curing'
  | 'ready'
  | 'complete'
  | 'spoilt'
  | 'afloat';
export const PLAYED: Record<PlayedState, string> = {
  waiting: t`work not started`,
  work: t`work under way`,
  applying: t`coat being applied`,
  wet: t`wet: keep rain, dew and dust away`,
  curing: t`curing: not ready for the next step`,
  ready: t`ready for the next step`,
  complete: t`ready for the launch`,
  spoilt: t`spoilt: sand the coat and apply it again`,
  afloat: t`afloat`,
};

/** What the decisions changed: launches and cost, as two columns. */
export interface Compared {
  label: string;
  planned: string;
  decided: string;
}
export function comparedRows(
  planned: PlanRehearsalView,
  decided: PlanRehearsalView,
  say: { moment: (at: string) => string; money: (minor: number) => string },
): Compared[] {
  const launch = (of: PlanRehearsalView, id: string) => {
    const at = of.launches.find(({ boatId }) => boatId === id)?.at;
    return at ? say.moment(at) : t`not within two weeks of the plan`;
  };
  const counts = (of: PlanRehearsalView, is: (step: PlanStepView) => boolean) =>
    String(of.steps.filter(is).length);
  const cost = ({ cost: minor }: PlanRehearsalView) =>
    minor === null ? t`not known: a boat was not launched` : say.money(minor);
  const row = (label: string, of: (view: PlanRehearsalView) => string): Compared => ({ label, planned: of(planned), decided: of(decided) }); // biome-ignore format: one line
  return [
    ...planned.launches.map(({ boatId, boatName }) =>
      row(t`${boatName}: launch`, (of) => launch(of, boatId)),
    ),
    row(t`Cost`, cost),
    row(t`Coats spoilt and applied again`, (of) => counts(of, ({ kind }) => kind === 'spoilt')),
    row(t`Films sanded because a window had closed`, (of) =>
      counts(of, ({ kind, task }) => kind === 'done' && task?.sandFrom != null),
    ),
    row(t`Tasks put off`, (of) => counts(of, ({ kind }) => kind === 'put-off')),
  ];
}

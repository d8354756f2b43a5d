import { Check } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { BenchView, EntryInput, WorkBody, WorkView } from '../../contract/index.ts';
import { type taskState, WASH } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { entryWrite, strikeWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { useMinute } from '../clock/now.ts';
import { sayTime } from '../clock/say.ts';
import { workStates } from '../state/workStates.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayTask } from '../words/systems.ts';
import { Strewn } from './Strewn.tsx';

/** What the system wants done before this coat: each ticked when done, an inspection with what it found. */
export function WorkBefore({ view, zone }: { view: BenchView; zone: string }) {
  const now = useMinute();
  const { mutate: log, isPending: sending } = useQueued();
  const { show } = useUnits();
  const { next } = view.clock;
  const work = workStates(
    view.clock.work.map((task) => oneGrit(task, view.clock)),
    now,
  );
  if (!next) return null;
  const washes = work.filter(({ task }) => task.kind === 'wash');
  // A washed area is washed again after a night outside or a neighbour’s dust.
  const again = washes.every(({ state }) => state === 'done');
  const open = work.filter(({ state }) => state !== 'done').length;
  const send = (entry: EntryInput, onSuccess = () => {}) => log(entryWrite(entry), { onSuccess });
  const start = { areaId: view.area.id, corrects: null };
  const entryOf = (task: WorkView, more: Partial<WorkBody>): EntryInput => ({
    ...start,
    id: uuidv7(),
    at: new Date().toISOString(),
    kind: 'work',
    body: {
      stepId: next.stepId,
      coatNo: next.coatNo,
      taskId: task.taskId,
      kind: task.kind,
      amount: task.amount,
      note: task.note,
      outcome: 'done',
      remark: '',
      ...more,
    },
  });
  const tick = (task: WorkView, outcome: 'done' | 'faults', remark = '', onKept = () => {}) =>
    send(entryOf(task, { outcome, remark }), onKept);
  const untick = (entryId: string) => log(strikeWrite(view.area.id, entryId, t`ticked by mistake`));
  const washAgain = again && (
    <button
      type="button"
      className="btn target"
      onClick={() => tick(washes.at(-1)?.task ?? UNPLANNED_WASH, 'done')}
    >
      {washes.length > 0 ? t`Mark as washed again now` : t`Mark as washed or wiped now`}
    </button>
  );
  if (work.length === 0) return <p>{washAgain}</p>;
  return (
    <section aria-labelledby="work-before" className="max-w-3xl space-y-2">
      <h2 id="work-before" className="batten pb-1 text-lg">
        {t`Before this coat ${open > 0 ? t`(${open} to do)` : t`(all done)`}`}
      </h2>
      <ol className="divide-base-300 divide-y">
        {work.map(({ task, state }) => (
          <li key={task.taskId} className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-48 flex-1">
              <strong className="inline-block first-letter:uppercase">
                {sayTask({ ...task, note: '' })}
              </strong>
              {task.note && `: ${task.note}`}
              <span className="block text-sm">{sayState(task, state, { zone, now, show })}</span>
            </span>
            {state === 'done' ? (
              task.entryId && (
                <button
                  type="button"
                  className="btn btn-ghost target"
                  onClick={() => untick(task.entryId as string)}
                >
                  {t`Undo`}
                  <span className="sr-only"> {sayTask(task)}</span>
                </button>
              )
            ) : task.kind === 'inspect' ? (
              <Inspect
                task={task}
                boatId={view.boat.id}
                sending={sending}
                onFound={(outcome, remark, onKept) => tick(task, outcome, remark, onKept)}
              />
            ) : task.kind === 'aggregate' ? (
              <Strewn
                task={task}
                entryOf={(outcome, aggregate) => entryOf(task, { outcome, ...(aggregate && { aggregate }) })}
                onDone={send}
                onUndo={untick}
              />
            ) : (
              <button type="button" className="btn target" onClick={() => tick(task, 'done')}>
                <Check size={18} aria-hidden="true" /> {task.kind === 'wait' ? t`End wait` : t`Mark as done`}
                <span className="sr-only">: {sayTask(task)}</span>
              </button>
            )}
          </li>
        ))}
      </ol>
      {washAgain}
    </section>
  );
}

/** A window that was missed wants its own grit: of the one planned and that one the coarser. */
const oneGrit = (task: WorkView, { state, keyGrit }: BenchView['clock']): WorkView =>
  state === 'key-first' && task.kind === 'sand' && keyGrit !== null ? { ...task, amount: keyGrit } : task;

const UNPLANNED_WASH: WorkView = {
  ...{ taskId: WASH, kind: 'wash', amount: null, note: t`not planned` },
  ...{ doneAt: null, entryId: null, endsAt: null, fromAt: null, sandableAt: null, strewn: null },
};

function sayState(
  task: WorkView,
  state: ReturnType<typeof taskState>,
  { zone, now, show }: { zone: string; now: number; show: ReturnType<typeof useUnits>['show'] },
): string {
  if (state === 'done' && task.doneAt) return t`✓ done ${sayTime(task.doneAt, zone, now)}`;
  if (task.endsAt) return `${state === 'done' ? t`over since` : 'until'} ${sayTime(task.endsAt, zone, now)}`;
  if (task.sandableAt && Date.parse(task.sandableAt) > now)
    return t`to do; sandpaper will clog until ${sayTime(task.sandableAt, zone, now)} (data sheet: sandable)`;
  if (task.strewn) {
    const kg = task.strewn.kg === null ? '' : `${show(task.strewn.kg, 'mass')} `;
    return t`${kg}strewn ${sayTime(task.strewn.at, zone, now)}; sweep up the surplus next day`;
  }
  if (task.kind === 'wait') return t`starts when the task before it is ticked off`;
  return t`to do`;
}

/** The result of an inspection: no faults, or the faults found, which leave it to do. The form stays until they are kept. */
function Inspect({
  task,
  boatId,
  sending,
  onFound,
}: {
  task: WorkView;
  boatId: string;
  sending: boolean;
  onFound: (outcome: 'done' | 'faults', remark: string, onKept?: () => void) => void;
}) {
  const [remark, setRemark] = useState<string | null>(null);
  if (remark === null) {
    return (
      <span className="join">
        <button type="button" className="btn target join-item" onClick={() => onFound('done', '')}>
          {t`No faults`}
          <span className="sr-only">: {sayTask(task)}</span>
        </button>
        <button type="button" className="btn target join-item" onClick={() => setRemark('')}>
          {t`Report faults`}
          <span className="sr-only">: {sayTask(task)}</span>
        </button>
      </span>
    );
  }
  return (
    <form
      className="flex w-full flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onFound('faults', remark.trim(), () => setRemark(null));
      }}
    >
      <label className="min-w-56 grow">
        <span className="label-caps block pb-1">{t`Faults found`}</span>
        <input
          className="input target w-full"
          value={remark}
          maxLength={1000}
          onChange={(event) => setRemark(event.target.value)}
        />
      </label>
      <button
        type="submit"
        className="btn btn-primary target"
        disabled={sending || remark.trim() === ''}
      >{t`Log faults`}</button>
      <button
        type="button"
        className="btn btn-ghost target"
        onClick={() => setRemark(null)}
      >{t`Cancel`}</button>
      <Link
        className="link py-3"
        to={`/boats/${boatId}/findings`}
      >{t`Add readings and photos in Findings`}</Link>
    </form>
  );
}

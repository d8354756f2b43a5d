import { useState } from 'react';
import type { AgreedPlan, PlanMoveView, PlanTaskView, PlanView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { counted } from '../words/counted.ts';
import { sayMove, sayTask } from '../words/plan.ts';
import { sayMoney } from '../words/supply.ts';
import { sayMoment } from './planTimes.ts';
import { useSetupWrite } from './planWrite.ts';

/** Agreements that are kept for undo. */
const MOST_AGREED = 5;

const asAgreed = ({ now, cost, boats, tasks }: PlanView): AgreedPlan => ({
  at: now,
  cost,
  launches: boats.flatMap(({ boatId, launch }) => (launch ? [{ boatId, at: launch }] : [])),
  tasks: tasks.map(({ id, start }) => ({ taskId: id, start })),
});

const placeOf = ({ areaName, boatName }: PlanTaskView) => (areaName ? `${areaName}, ${boatName}` : boatName);

/** The plan that was agreed to, what has moved since and why, and what it does to the launches. */
export function Agreed({ view, zone }: { view: PlanView; zone: string }) {
  const { agreed } = view.setup;
  const last = agreed.at(-1);
  const { isPending, change } = useSetupWrite(view);
  /** Agreements taken back on this page, the last one first to come again. */
  const [undone, setUndone] = useState<AgreedPlan[]>([]);
  const again = undone.at(-1);
  const inForce = new Set(last?.tasks.map(({ taskId }) => taskId));
  const fresh = last ? view.tasks.filter(({ id }) => !inForce.has(id)) : [];
  const differs = !last || view.moves.length > 0 || fresh.length > 0;
  return (
    <section aria-labelledby="agreed" className="space-y-2">
      <h2 id="agreed" className="batten pb-1 text-lg">
        {last ? t`Changes since the agreed plan` : t`Agree to this plan`}
      </h2>
      {last ? (
        <>
          <p>
            {t`Agreed ${sayMoment(last.at, zone)}. ${
              differs
                ? t`${counted(view.moves.length, 'task')} moved${fresh.length > 0 ? t`, ${counted(fresh.length, 'task')} added` : ''}.`
                : t`Every task is where it was agreed to be.`
            }`}
          </p>
          <Launches view={view} last={last} zone={zone} />
          <Moves view={view} zone={zone} />
          {fresh.length > 0 && (
            <ul className="list-disc pl-5">
              {fresh.map((task) => (
                <li key={task.id}>
                  {t`Added: ${sayTask(task)}, ${placeOf(task)}, ${sayMoment(task.start, zone)}`}
                </li>
              ))}
            </ul>
          )}
        </>
      ) : (
        <p>{t`Tasks of an agreed plan stay where they are. Only what no longer holds moves, and the plan says why.`}</p>
      )}
      <div className="flex flex-wrap gap-3 print:hidden">
        {differs && (
          <button
            type="button"
            className="btn target"
            disabled={isPending}
            onClick={() => {
              setUndone([]);
              change({ agreed: [...agreed, asAgreed(view)].slice(-MOST_AGREED) });
            }}
          >
            {last ? t`Agree to the changed plan` : t`Agree to this plan`}
          </button>
        )}
        {last && view.freshCost !== null && view.cost !== null && view.freshCost < view.cost && (
          <p className="w-full">{t`A plan made afresh would cost ${sayMoney(view.freshCost, view.currency)} instead of ${sayMoney(view.cost, view.currency)}.`}</p>
        )}
        {last && (
          <button
            type="button"
            className="btn target"
            disabled={isPending}
            onClick={() => {
              setUndone([...undone, last]);
              change({ agreed: agreed.slice(0, -1) });
            }}
          >
            {agreed.length > 1
              ? t`Undo: return to the previous agreement`
              : t`Undo: plan without an agreement`}
          </button>
        )}
        {again && (
          <button
            type="button"
            className="btn target"
            disabled={isPending}
            onClick={() => {
              setUndone(undone.slice(0, -1));
              change({ agreed: [...agreed, again].slice(-MOST_AGREED) });
            }}
          >
            {t`Redo: return to the plan agreed ${sayMoment(again.at, zone)}`}
          </button>
        )}
      </div>
    </section>
  );
}

/** Launches and cost before and after. */
function Launches({ view, last, zone }: { view: PlanView; last: AgreedPlan; zone: string }) {
  const moved = view.boats.flatMap(({ boatId, boatName, launch }) => {
    const was = last.launches.find((each) => each.boatId === boatId)?.at ?? null;
    return was === launch || was === null ? [] : [{ boatId, boatName, was, launch }];
  });
  const dearer = last.cost !== null && view.cost !== null && last.cost !== view.cost;
  if (moved.length === 0 && !dearer) return null;
  return (
    <ul className="list-disc pl-5">
      {moved.map(({ boatId, boatName, was, launch }) => (
        <li key={boatId}>
          <strong>{boatName}</strong>
          {t`: launch ${sayMoment(was, zone)} → `}
          <strong>{launch ? sayMoment(launch, zone) : t`no date`}</strong>
        </li>
      ))}
      {dearer && (
        <li>
          {t`Cost from now on: ${sayMoney(last.cost ?? 0, view.currency)} when agreed, now ${sayMoney(view.cost ?? 0, view.currency)}`}
        </li>
      )}
    </ul>
  );
}

/** Moved tasks in sight; the others are folded. */
const SHOWN = 5;

function Moves({ view, zone }: { view: PlanView; zone: string }) {
  const [all, setAll] = useState(false);
  if (view.moves.length === 0) return null;
  const byId = new Map(view.tasks.map((task) => [task.id, task]));
  const line = (move: PlanMoveView) => {
    const task = byId.get(move.taskId);
    if (!task) return null;
    const because = move.because === null ? undefined : byId.get(move.because);
    return (
      <li key={move.taskId} className="border-line border-b py-1">
        <strong>{sayTask(task)}</strong>, {placeOf(task)}: {sayMoment(move.from, zone)} →{' '}
        <strong>{sayMoment(task.start, zone)}</strong>
        <span className="block text-sm">
          {sayMove(move.why, because && `${sayTask(because)}, ${placeOf(because)}`)}
        </span>
      </li>
    );
  };
  const moves = [...view.moves].sort((a, b) => a.from.localeCompare(b.from));
  // One more than the limit is not worth a fold.
  const first = moves.length > SHOWN + 1 ? SHOWN : moves.length;
  return (
    <>
      <ol>{moves.slice(0, first).map(line)}</ol>
      {moves.length > first && (
        <>
          <ol className={all ? '' : 'hidden print:block'}>{moves.slice(first).map(line)}</ol>
          <button
            type="button"
            className="btn btn-sm target mt-2 print:hidden"
            aria-expanded={all}
            onClick={() => setAll(!all)}
          >
            {all ? t`Show fewer` : t`Show ${counted(moves.length - first, 'more moved task')}`}
          </button>
        </>
      )}
    </>
  );
}

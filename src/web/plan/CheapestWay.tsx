import { useEffect, useRef, useState } from 'react';
import type { LeverCode, LeverView, PlanView } from '../../contract/index.ts';
import { cheapestWay, PLAN_ASSUMES, type WaySought } from '../../core/plan/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { leverNames } from '../words/plan.ts';
import { sayMoney } from '../words/supply.ts';
import { sayChance } from './Chances.tsx';
import { allOutcomes, type outcomeOf, patiently } from './useOdds.ts';

/** The chance that is aimed at, draws of each set, and changes made together at the most. */
const GOAL = 0.9;
const DRAWS = 60;
const TOGETHER = 2;

/** With a later crane each date is kept if the boat is launched so much later. */
const graceMs = (levers: readonly LeverCode[]): number =>
  levers.includes('later-launch') ? PLAN_ASSUMES.laterLaunchDays * 24 * 3_600_000 : 0;

/** The cheapest changes with which every boat keeps its date nine times out of ten: sought while one looks on. */
export function CheapestWay({ view, changes }: { view: PlanView; changes: readonly LeverCode[] }) {
  const [sought, setSought] = useState<WaySought<LeverCode> | null>(null);
  const [failed, setFailed] = useState(false);
  const [isRunning, setRunning] = useState(false);
  /** Number of the search under way; another one, or leaving the page, ends those before it. */
  const run = useRef(0);
  useEffect(
    () => () => {
      run.current++;
    },
    [],
  );
  /** When each boat should be afloat: the date wanted, or else the one now planned. */
  const dates = new Map(
    view.boats.flatMap(({ boatId, launch, wanted }) => {
      const by = wanted ?? launch;
      return by ? [[boatId, Date.parse(by)] as const] : [];
    }),
  );
  const lastMs = Math.max(...dates.values());
  const search = async () => {
    const own = ++run.current;
    setRunning(true);
    setFailed(false);
    try {
      const ways = cheapestWay<LeverCode>({
        changes,
        mostTogether: TOGETHER,
        goal: GOAL,
        draws: DRAWS,
        plan: async (levers) => {
          const { launch, cost, leftOut } = await patiently(() =>
            api<LeverView>('GET', `/plan/with?levers=${levers.join()}`),
          );
          const inTime = launch !== null && Date.parse(launch) <= lastMs + graceMs(levers);
          return launch && cost !== null ? { cost, inTime, leftOut } : null;
        },
        follow: async (levers, first, count) => {
          const half = Math.ceil(count / 2);
          const parts = await Promise.all([
            allOutcomes(levers, first, half),
            allOutcomes(levers, first + half, count - half),
          ]);
          const inTime = ({ launches }: ReturnType<typeof outcomeOf>) =>
            [...dates].every(
              ([boatId, by]) => (launches[boatId] ?? Number.POSITIVE_INFINITY) <= by + graceMs(levers),
            );
          return parts.flat().filter(inTime).length;
        },
      });
      for await (const each of ways) {
        if (run.current !== own) return;
        setSought(each);
      }
    } catch {
      if (run.current === own) setFailed(true);
    }
    if (run.current === own) setRunning(false);
  };
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="btn target"
          disabled={isRunning}
          onClick={search}
        >{t`Find the cheapest way to ${GOAL * 100} %`}</button>
        {isRunning && (
          <button
            type="button"
            className="btn target"
            onClick={() => {
              run.current++;
              setRunning(false);
            }}
          >{t`Stop`}</button>
        )}
      </div>
      {failed && <p role="alert">{t`The search stopped because the server did not answer. Try again.`}</p>}
      {sought && <Found sought={sought} isRunning={isRunning} view={view} />}
    </div>
  );
}

function Found(of: { sought: WaySought<LeverCode>; isRunning: boolean; view: PlanView }) {
  const { sought, isRunning, view } = of;
  const names = leverNames(useUnits().show);
  const say = (changes: readonly LeverCode[]) =>
    changes.length === 0 ? t`No change` : changes.map((code) => names[code]).join(' + ');
  const { found, tried, done, planned, sets, draws } = sought;
  return (
    <>
      <p role="status">
        {found ? (
          <strong>
            {t`${say(found.way.changes)}: ${sayMoney(found.way.cost, view.currency)}, ${sayChance(found.chance)} to keep every date.`}
          </strong>
        ) : done ? (
          t`None of the combinations tried keeps every date ${GOAL * 100} times out of 100.`
        ) : (
          t`${isRunning ? '' : 'Stopped. '}${planned} of ${sets} combinations planned, ${draws} simulations done`
        )}
      </p>
      {tried.length > 0 && (
        <Scroller label={t`Combinations tried`}>
          <table className="table">
            <thead>
              <tr>
                <th scope="col">{t`Changes`}</th>
                <th scope="col" className="text-right">{t`Cost`}</th>
                <th scope="col" className="text-right">{t`Areas not in the plan`}</th>
                <th scope="col" className="text-right">{t`Chance to keep every date`}</th>
              </tr>
            </thead>
            <tbody>
              {tried.map(({ way, chance }) => (
                <tr key={way.changes.join()}>
                  <th scope="row">{say(way.changes)}</th>
                  <td className="text-right whitespace-nowrap tabular-nums">
                    {sayMoney(way.cost, view.currency)}
                  </td>
                  <td className="text-right tabular-nums">{way.leftOut}</td>
                  <td className="text-right whitespace-nowrap tabular-nums">{sayChance(chance)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scroller>
      )}
    </>
  );
}

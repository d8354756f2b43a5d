import { useState } from 'react';
import type { PlanRehearsalView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { startOfDay } from '../clock/wallClock.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { comparedRows, sayMistakes, sayStep } from '../words/rehearsal.ts';
import { sayMoney } from '../words/supply.ts';
import { sayMoment } from './planTimes.ts';
import { pastAt } from './played.ts';

/** Events shown at first. */
const SHOWN = 8;

/** Events of a rehearsal up to an hour, latest first. */
export function Happened({ view, at, zone }: { view: PlanRehearsalView; at: number; zone: string }) {
  const past = pastAt(view, at);
  const say = (moment: string) => sayMoment(moment, zone);
  const today = startOfDay(at, zone);
  const [isAll, setAll] = useState(false);
  const shown = isAll ? past : past.slice(0, SHOWN);
  return (
    <section aria-labelledby="happened" className="space-y-2">
      <h2 id="happened" className="batten pb-1 text-lg">{t`Events`}</h2>
      {past.length === 0 && <p>{t`Nothing yet. Press “Play”.`}</p>}
      <ol className="space-y-1">
        {shown.map((step) => {
          const mistakes = sayMistakes(step, say);
          const isBad = step.kind === 'spoilt' || step.kind === 'refused' || mistakes.length > 0;
          return (
            <li
              key={`${step.at} ${step.kind} ${step.task?.id}`}
              className={`border-l-4 pl-2 ${isBad ? 'border-error' : 'border-base-300'} ${startOfDay(Date.parse(step.at), zone) === today ? '' : 'opacity-80'}`}
            >
              <span className="text-sm tabular-nums">{say(step.at)}</span>
              <br />
              {step.kind === 'refused' && <strong>{t`Not possible: `}</strong>}
              {mistakes.length > 0 && <strong>{t`Mistake: `}</strong>}
              {sayStep(step)}. {mistakes.join(' ')}
            </li>
          );
        })}
      </ol>
      {past.length > SHOWN && (
        <button type="button" className="btn target" onClick={() => setAll(!isAll)}>
          {isAll ? t`Show the latest only` : t`Show all ${past.length} events`}
        </button>
      )}
    </section>
  );
}

/** Result of a rehearsal beside that of the plan. */
export function Outcome(of: {
  planned: PlanRehearsalView;
  decided: PlanRehearsalView;
  hasOrders: boolean;
  zone: string;
  currency: Parameters<typeof sayMoney>[1];
}) {
  const { planned, decided, hasOrders, zone, currency } = of;
  const say = (moment: string) => sayMoment(moment, zone);
  const rows = comparedRows(planned, decided, { moment: say, money: (minor) => sayMoney(minor, currency) });
  const early = decided.steps.filter(({ task, mistakes }) => task?.kind === 'launch' && mistakes.length > 0);
  return (
    <section aria-labelledby="outcome" className="space-y-2">
      <h2 id="outcome" className="batten pb-1 text-lg">{t`Outcome`}</h2>
      <Scroller label={t`Outcome`}>
        <table className="table">
          <thead>
            <tr>
              <th scope="col">{t`In this weather`}</th>
              <th scope="col">{t`Following the plan`}</th>
              {hasOrders && <th scope="col">{t`With your decisions`}</th>}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ label, planned: before, decided: after }) => (
              <tr key={label}>
                <th scope="row">{label}</th>
                <td>{before}</td>
                {hasOrders && <td className={before === after ? '' : 'font-semibold'}>{after}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
      {early.map((step) => (
        <p key={step.at} role="alert" className="border-error border-l-4 pl-3">
          <strong>
            {step.task?.boatName}
            {t` was launched at the wrong time.`}
          </strong>
          {t` ${sayMistakes(step, say).join(' ')} The cost above leaves out hauling the boat out and coating it again.`}
        </p>
      ))}
      <p className="text-sm">{t`Choose another simulated weather above to see another outcome. The plan shows the chances over many.`}</p>
    </section>
  );
}

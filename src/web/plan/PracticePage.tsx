import { useState } from 'react';
import { Link } from 'react-router';
import {
  PRACTICE_CASES,
  type PracticeCase,
  type PracticeDone,
  type PracticeFault,
  practiceTime,
  reviewPractice,
  thumbOn,
} from '../../core/practice/index.ts';
import { t } from '../../words.ts';
import { Choice } from '../forms/Choice.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { CASES, POURS, sayPracticeFault, THUMB } from '../words/practice.ts';
import { sayMoment } from './planTimes.ts';

/** The practice yard keeps this time. */
const ZONE = 'UTC';
const HALF_HOUR_MS = 1_800_000;
const say = (ms: number) => sayMoment(new Date(ms).toISOString(), ZONE);

/** Six small jobs to decide on: the review names each mistake and the rule that prevents it. */
export function PracticePage() {
  const [code, setCode] = useState(PRACTICE_CASES[0]?.code ?? 'late-start');
  const at = PRACTICE_CASES.findIndex((each) => each.code === code);
  const chosen = PRACTICE_CASES[at] as PracticeCase;
  const next = PRACTICE_CASES[at + 1];
  return (
    <div className="max-w-3xl space-y-4 p-3 md:p-6">
      <h1 className="text-2xl">{t`Practice cases`}</h1>
      <p>{t`Decide, then see the review. Boats, products and weather are made up for practice. On a real boat, follow the data sheet and the safety data sheet.`}</p>
      <Choice
        label={t`Case`}
        value={code}
        choices={PRACTICE_CASES.map((each, i) => [each.code, `${i + 1}. ${CASES[each.code].title}`] as const)}
        onChange={(value) => setCode(value as PracticeCase['code'])}
      />
      <OneCase key={code} of={chosen} onNext={next ? () => setCode(next.code) : null} />
      <p>
        <Link className="link" to="/plan/rehearsal">{t`Rehearse your own plan`}</Link>
      </p>
    </div>
  );
}

function OneCase({ of, onNext }: { of: PracticeCase; onNext: (() => void) | null }) {
  const { show } = useUnits();
  const [done, setDone] = useState(of.hurried);
  const [reviewed, setReviewed] = useState<PracticeFault[] | null>(null);
  const change = (next: PracticeDone) => {
    setDone(next);
    setReviewed(null);
  };
  return (
    <section aria-labelledby="case" className="space-y-4">
      <h2 id="case" className="batten pb-1 text-lg">
        {CASES[of.code].title}
      </h2>
      <p className="max-w-prose">{CASES[of.code].job(show)}</p>
      <Decisions of={of} done={done} onChange={change} />
      <button
        type="button"
        className="btn btn-primary target"
        onClick={() => setReviewed(reviewPractice(of.job, done))}
      >{t`Show the review`}</button>
      <div role="status">{reviewed && <Review faults={reviewed} />}</div>
      {reviewed?.length === 0 && onNext && (
        <button type="button" className="btn target" onClick={onNext}>{t`Next case`}</button>
      )}
    </section>
  );
}

/** Half hours of a day, or of three days for a launch. */
const times = (fromDay: number, days: number, [from, to]: readonly [number, number]): number[] =>
  Array.from({ length: days }, (_, day) =>
    Array.from({ length: (to - from) * 2 + 1 }, (_slot, i) => practiceTime(fromDay + day, from + i / 2)),
  ).flat();

function Decisions(of: { of: PracticeCase; done: PracticeDone; onChange: (done: PracticeDone) => void }) {
  const { done, onChange } = of;
  const { asks, job } = of.of;
  const { show } = useUnits();
  const last = done.coats.length - 1;
  const coat = done.coats[last] as PracticeDone['coats'][number];
  const withLast = (over: Partial<typeof coat>) =>
    onChange({ ...done, coats: done.coats.map((each, i) => (i === last ? { ...each, ...over } : each)) });
  const withAll = (over: Partial<typeof coat>) =>
    onChange({ ...done, coats: done.coats.map((each) => ({ ...each, ...over })) });
  const litres = job.areaM2 * (job.coats[0]?.litresPerM2 ?? 0);
  const moments = (list: readonly number[]) => list.map((ms) => [String(ms), say(ms)] as const);
  return (
    <div className="flex flex-wrap items-end gap-3">
      {asks.includes('start') && (
        <Choice
          label={t`Start`}
          value={String(coat.startMs)}
          choices={moments(times(0, 1, [last === 0 ? 6 : 10.5, 22]))}
          onChange={(value) => withLast({ startMs: Number(value), isTested: false })}
        />
      )}
      {asks.includes('test') && (
        <ThumbTest of={of.of} done={done} onTested={() => withLast({ isTested: true })} />
      )}
      {asks.includes('batches') && (
        <Choice
          label={t`Batches`}
          value={String(coat.batches)}
          choices={[1, 2, 3, 4, 5, 6].map((count) => [
            String(count),
            `${counted(count, 'batch')} of ${show(litres / count, 'volume')}`,
          ])}
          onChange={(value) => withLast({ batches: Number(value) })}
        />
      )}
      {asks.includes('blasted') && (
        <Choice
          label={t`Blast today`}
          value={String(done.blastedM2)}
          choices={[10, 15, 20, 25, 30, 40, 50, 60].map((m2) => [String(m2), show(m2, 'area')] as const)}
          onChange={(value) => onChange({ ...done, blastedM2: Number(value) })}
        />
      )}
      {asks.includes('poured') && (
        <Choice
          label={t`Measure`}
          value={String(
            POURS.findIndex(({ parts, by }) => by === coat.poured.by && parts[0] === coat.poured.parts[0]),
          )}
          choices={POURS.map(({ word }, i) => [String(i), word] as const)}
          onChange={(value) => {
            const { parts, by } = POURS[Number(value)] as (typeof POURS)[number];
            withAll({ poured: { parts, by } });
          }}
        />
      )}
      {asks.includes('launch') && (
        <Choice
          label={t`Launch`}
          value={String(done.launchMs)}
          choices={moments(times(0, 4, [7, 18]).filter((ms) => ms > coat.startMs + 4 * HALF_HOUR_MS))}
          onChange={(value) => onChange({ ...done, launchMs: Number(value) })}
        />
      )}
    </div>
  );
}

function ThumbTest({ of, done, onTested }: { of: PracticeCase; done: PracticeDone; onTested: () => void }) {
  const last = done.coats.length - 1;
  const { startMs, isTested } = done.coats[last] as PracticeDone['coats'][number];
  return (
    <>
      <button
        type="button"
        className="btn target"
        onClick={onTested}
      >{t`Press a thumb on the film at this time`}</button>
      <p role="status" className="basis-full font-semibold">
        {isTested && THUMB[thumbOn(of.job, done, last - 1, startMs)]}
      </p>
    </>
  );
}

function Review({ faults }: { faults: PracticeFault[] }) {
  const { show } = useUnits();
  if (faults.length === 0)
    return (
      <p className="border-success border-l-4 pl-3 text-lg font-semibold">{t`Well done: no mistakes.`}</p>
    );
  return (
    <>
      <h3 className="text-lg font-semibold">{t`Review: ${counted(faults.length, 'mistake')}`}</h3>
      <ul className="space-y-3 pt-2">
        {faults.map((fault) => {
          const { title, what, rule } = sayPracticeFault(fault, { show, moment: say });
          return (
            <li
              key={`${fault.code} ${'coat' in fault ? fault.coat : ''}`}
              className="border-error border-l-4 pl-3"
            >
              <p className="font-semibold">{title}</p>
              <p>{what}</p>
              <p className="text-sm">{rule}</p>
            </li>
          );
        })}
      </ul>
      <p className="pt-2">{t`Change your decision and look at the review again.`}</p>
    </>
  );
}

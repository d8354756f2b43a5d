import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import type { BenchView } from '../../contract/index.ts';
import { MOST_PEOPLE } from '../../core/film/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { andList } from '../words/counted.ts';
import type { BenchSession } from './session.ts';

const ENDED = {
  title: t`End this session without a coat?`,
  text: t`Sections, readings and pots used up until now no longer count for this coat. They stay in the record.`,
  action: t`End session`,
};

/** Since when the coat is applied, by whom, and on which devices. */
export function SessionLine({
  session,
  end,
  view,
  zone,
}: Pick<BenchSession, 'session' | 'end'> & { view: BenchView; zone: string }) {
  const ask = useConfirm();
  if (!session) return null;
  const now = Date.parse(view.now);
  const { startedMs, people, devices } = session;
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <p className="text-sm">
        {t`Begun ${sayTime(startedMs, zone, now)}`}
        {people.length > 0 && ` by ${andList(people)}`}
        {t`, on ${devices.length === 1 ? `a ${devices[0]?.kind}` : t`${devices.length} devices`}.`}
      </p>
      {/* A pot in use is used up or discarded first: its paint counts, or does not. */}
      {view.pots.length === 0 && (
        <button
          type="button"
          className="btn btn-ghost target no-print"
          onClick={async () => {
            if (await ask(ENDED)) end();
          }}
        >{t`Nothing applied?`}</button>
      )}
    </div>
  );
}

/** The bench at which this area’s coat is in hand too. */
export function PaintedFrom({ area }: { area: BenchView['paintedFrom'] }) {
  if (!area) return null;
  return (
    <p className="border-line border-l-4 pl-3">
      {t`This area is painted in one go with ${area.areaName}. `}
      <Link className="link" to={`/bench/${area.areaId}`}>
        {t`Go to the bench of ${area.areaName}`}
      </Link>
    </p>
  );
}

/** The people who apply the coat. Their names go into its log entry. */
export function People({ session, change }: BenchSession) {
  const [name, setName] = useState('');
  const people = session?.people ?? [];
  const add = (event: FormEvent) => {
    event.preventDefault();
    const whole = name.trim();
    if (whole !== '' && !people.includes(whole)) change({ people: [...people, whole] });
    setName('');
  };
  return (
    <section aria-labelledby="people" className="max-w-3xl space-y-2">
      <h2 id="people" className="label-caps">{t`Applied by`}</h2>
      {people.length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {people.map((each) => (
            <li key={each}>
              <button
                type="button"
                className="btn target"
                aria-label={t`Remove ${each}`}
                onClick={() => change({ people: people.filter((other) => other !== each) })}
              >
                {each} <span aria-hidden="true">×</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {people.length < MOST_PEOPLE && (
        <form className="flex max-w-md items-end gap-2" onSubmit={add}>
          <label htmlFor="person" className="sr-only">{t`Name of a person`}</label>
          <input
            id="person"
            className="input target min-w-0 grow"
            placeholder={t`Name`}
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button type="submit" className="btn target" disabled={name.trim() === ''}>{t`Add person`}</button>
        </form>
      )}
    </section>
  );
}

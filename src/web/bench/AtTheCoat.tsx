import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import type { BenchView } from '../../contract/index.ts';
import { MOST_PEOPLE } from '../../core/film/index.ts';
import { sayTime } from '../clock/say.ts';
import { andList } from '../words/counted.ts';
import type { BenchSession } from './session.ts';

/** Since when the coat is applied, by whom, and on which devices. */
export function SessionLine({
  session,
  zone,
  now,
}: Pick<BenchSession, 'session'> & { zone: string; now: number }) {
  if (!session) return null;
  const { startedMs, people, devices } = session;
  return (
    <p className="text-sm">
      Begun {sayTime(startedMs, zone, now)}
      {people.length > 0 && ` by ${andList(people)}`}, on{' '}
      {devices.length === 1 ? `a ${devices[0]?.kind}` : `${devices.length} devices`}.
    </p>
  );
}

/** The bench at which this area’s coat is in hand too. */
export function PaintedFrom({ area }: { area: BenchView['paintedFrom'] }) {
  if (!area) return null;
  return (
    <p className="border-line border-l-4 pl-3">
      This area is painted in one go with {area.areaName}.{' '}
      <Link className="link" to={`/bench/${area.areaId}`}>
        Go to the bench of {area.areaName}
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
      <h2 id="people" className="label-caps">
        Applied by
      </h2>
      {people.length > 0 && (
        <ul className="flex flex-wrap gap-2">
          {people.map((each) => (
            <li key={each}>
              <button
                type="button"
                className="btn target"
                aria-label={`Remove ${each}`}
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
          <label htmlFor="person" className="sr-only">
            Name of a person
          </label>
          <input
            id="person"
            className="input target min-w-0 grow"
            placeholder="Name"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button type="submit" className="btn target" disabled={name.trim() === ''}>
            Add person
          </button>
        </form>
      )}
    </section>
  );
}

import { DateTime } from 'luxon';
import { useState } from 'react';
import type { LookAheadView, StartView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useLookAhead } from '../api/benchQueries.ts';
import { fromLocalField, sayRange, saySpan, sayTime, toLocalField } from '../clock/say.ts';
import { TimeInput } from '../forms/TimeInput.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { counted } from '../words/counted.ts';

/** Stretches are listed up to here. */
const MOST = 4;

interface Props {
  areaId: string;
  zone: string;
  now: number;
  safeHours: number | null;
}

/** Questions about the days ahead: two coats in a row, a launch, a start on a drying surface. Fetched when opened. */
export function LookAhead(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <details
      className="border-base-300 border-y py-2"
      onToggle={(event) => setOpen((event.currentTarget as HTMLDetailsElement).open)}
    >
      <summary className="target cursor-pointer py-2">{t`More checks: two coats, launch date, damp surface`}</summary>
      {open && <Asked {...props} />}
    </details>
  );
}

function Asked({ areaId, zone, now, safeHours }: Props) {
  const eight = DateTime.fromMillis(now, { zone })
    .plus({ days: 1 })
    .set({ hour: 8, minute: 0, second: 0, millisecond: 0 });
  const [launch, setLaunch] = useState(toLocalField(eight.toMillis(), zone));
  const [damp, setDamp] = useState(false);
  const launchAt = fromLocalField(launch, zone);
  const ahead = useLookAhead(areaId, { safeHours, launchAt, damp });
  return (
    <div className="space-y-3 pt-2">
      <div className="grid gap-3 sm:grid-cols-2">
        <div>
          <TimeInput label={t`Launch date and time`} value={launch} onChange={setLaunch} />
        </div>
        <label className="flex items-start gap-3 pt-1">
          <input
            type="checkbox"
            className="checkbox mt-0.5"
            checked={damp}
            onChange={(event) => setDamp(event.target.checked)}
          />
          <span>
            {t`Allow a damp start if it is drying`}
            <span className="block text-sm">{t`Allows humidity up to 5 percentage points above the data sheet’s limit if it falls to the limit within an hour. A gloss that turns pebbly may flow better. This is a choice of method that goes against the data sheet.`}</span>
          </span>
        </label>
      </div>
      <QueryBoundary query={ahead}>{(view) => <Answers view={view} zone={zone} damp={damp} />}</QueryBoundary>
    </div>
  );
}

function Answers({ view, zone, damp }: { view: LookAheadView; zone: string; damp: boolean }) {
  const now = Date.parse(view.now);
  const list = (starts: readonly StartView[]) =>
    starts
      .slice(0, MOST)
      .map(({ from, to }) => sayRange(from, to, zone, now))
      .join('; ') + (starts.length > MOST ? `; ${counted(starts.length - MOST, 'more period')}` : '');
  return (
    <ul className="list-disc space-y-1 pl-5" aria-live="polite">
      {view.second && (
        <li>
          <strong>{t`Two coats without sanding: `}</strong>
          {view.second.length > 0 ? t`start ${list(view.second)}` : t`no start time leaves room for both`}.
        </li>
      )}
      {view.launch && <li>{sayLaunch(view.launch, zone, now)}</li>}
      {damp && (
        <li>
          <strong>{t`Damp but drying: `}</strong>
          {view.damp.length > 0 ? t`start ${list(view.damp)}` : t`no suitable start time in the next 3 days`}.
        </li>
      )}
    </ul>
  );
}

/** One sentence: coats left, the last start of the next one, and by how much it fits or misses. */
function sayLaunch(launch: NonNullable<LookAheadView['launch']>, zone: string, now: number): string {
  const left = t`${counted(launch.coatsLeft, 'coat')} left before the launch ${sayTime(launch.at, zone, now)}`;
  if (!launch.stated)
    return t`${left}. A data sheet doesn’t say when its coat is ready. Ask the manufacturer.`;
  if (launch.ready === null)
    return t`${left}. Can’t say whether they fit: the forecast ends ${sayTime(launch.knownUntil, zone, now)}, before the last coat is ready.`;
  const spareMs = Date.parse(launch.at) - Date.parse(launch.ready);
  const by = saySpan(Math.abs(spareMs));
  return launch.startBy === null || spareMs < 0
    ? t`${left}. Late by ${by}: ready ${sayTime(launch.ready, zone, now)} at the earliest.`
    : t`${left}. Start the next coat by ${sayTime(launch.startBy, zone, now)}. Fits with ${by} to spare. Work between the coats isn’t counted.`;
}

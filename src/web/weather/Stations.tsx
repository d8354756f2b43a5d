import { useState } from 'react';
import type { Station, StationInput, StationsView } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { useStations } from '../api/queries.ts';
import { saySpan, sayTime } from '../clock/say.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { counted } from '../words/counted.ts';
import { StationForm } from './StationForm.tsx';
import { TokenShown } from './TokenShown.tsx';

/** A station that measures is silent when it gave nothing for so long. */
const SILENT_MS = 2 * HOUR_MS;

/** Where the air comes from: the order in which sources count, each with what it gave last and what was wrong. */
export function Stations({ zone }: { zone: string }) {
  const stations = useStations();
  return (
    <section aria-labelledby="stations" className="space-y-3">
      <h2 id="stations" className="batten pb-1 text-lg">{t`Weather stations`}</h2>
      <p>{t`If sources overlap: files and manual entries first, then stations in this order, then simulated weather.`}</p>
      <QueryBoundary query={stations}>{(view) => <List view={view} zone={zone} />}</QueryBoundary>
    </section>
  );
}

function List({ view, zone }: { view: StationsView; zone: string }) {
  const [token, setToken] = useState<{ station: Station; token: string } | null>(null);
  const [added, setAdded] = useState(0);
  const { mutate: write, isPending, error } = useWrite({ atForm: true });
  const { mutate: askToken, error: tokenError } = useWrite<{ token: string }>({ atForm: true });
  const { stations } = view;
  const now = Date.parse(view.now);
  const change = (station: Station, some: Partial<StationInput>) => {
    const { hasToken: _t, lastAt: _a, lastHours: _h, fault: _f, ...input } = station;
    write({ method: 'PUT', path: `/stations/${station.id}`, body: { ...input, ...some } });
  };
  const earlier = (at: number) => {
    const [station, before] = [stations[at], stations[at - 1]];
    if (!station || !before) return;
    change(station, { rank: at - 1 });
    change(before, { rank: at });
  };
  const newToken = (station: Station) =>
    askToken(
      { method: 'POST', path: `/stations/${station.id}/token` },
      { onSuccess: (answer) => setToken({ station, token: answer.token }) },
    );
  const problem = error ?? tokenError;
  return (
    <div className="space-y-4">
      {stations.length === 0 && <p className="opacity-80">{t`No stations yet.`}</p>}
      <ol className="space-y-3">
        {stations.map((station, at) => (
          <li key={station.id} className="border-base-300 space-y-1 border-b pb-3">
            <StationLine station={station} now={now} zone={zone} />
            <StationButtons
              station={station}
              busy={isPending}
              onEarlier={at > 0 ? () => earlier(at) : null}
              onChange={(some) => change(station, some)}
              onToken={() => newToken(station)}
              onRevoke={() => write({ method: 'DELETE', path: `/stations/${station.id}/token` })}
              onAway={() => write({ method: 'DELETE', path: `/stations/${station.id}` })}
            />
            {token?.station.id === station.id && (
              <TokenShown token={token.token} station={station} onSeen={() => setToken(null)} />
            )}
          </li>
        ))}
      </ol>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem.message}
        </p>
      )}
      <details key={added}>
        <summary className="target cursor-pointer py-2">{t`Add station`}</summary>
        <StationForm rank={Math.min(100, stations.length)} onSaved={() => setAdded(added + 1)} />
      </details>
      <ForecastErrors errors={view.forecastErrors} />
    </div>
  );
}

function StationLine({ station, now, zone }: { station: Station; now: number; zone: string }) {
  const { name, gives, way, everyMin, on, lastAt, lastHours, fault, rainInterval } = station;
  const since = lastAt === null ? null : now - Date.parse(lastAt);
  const silent = on && gives === 'measured' && since !== null && since > SILENT_MS;
  return (
    <>
      <p>
        <strong>{name}</strong>
        {t`: ${gives === 'measured' ? 'measures' : t`a forecast`}, ${way === 'posts' ? t`posts its readings` : t`polled every ${everyMin} min`}, rain ${rainInterval === 'before' ? 'before' : 'after'} the timestamp`}
        {!on && t`, switched off`}.{' '}
        {lastAt === null
          ? t`No data yet.`
          : t`Last data ${sayTime(lastAt, zone, now)}, ${counted(lastHours ?? 0, 'hour')}.`}
      </p>
      {silent && (
        <p className="font-semibold">{t`No data for ${saySpan(since)}. Until the station is back, other sources are used and gaps are interpolated.`}</p>
      )}
      {fault && <p className="font-semibold">{t`Problem: ${fault}.`}</p>}
    </>
  );
}

interface ButtonsProps {
  station: Station;
  busy: boolean;
  onEarlier: (() => void) | null;
  onChange: (some: Partial<StationInput>) => void;
  onToken: () => void;
  onRevoke: () => void;
  onAway: () => void;
}

function StationButtons({ station, busy, onEarlier, onChange, onToken, onRevoke, onAway }: ButtonsProps) {
  const confirm = useConfirm();
  const { name, way, on, hasToken } = station;
  const sure = async (title: string, text: string, action: string, then: () => void) => {
    if (await confirm({ title, text, action })) then();
  };
  const replace = () =>
    hasToken
      ? sure(t`Create a new token for ${name}?`, t`The old token stops working.`, t`Create token`, onToken)
      : onToken();
  return (
    <div className="flex flex-wrap gap-2">
      {onEarlier && (
        <button
          type="button"
          className="btn btn-sm"
          disabled={busy}
          onClick={onEarlier}
        >{t`Move ${name} up`}</button>
      )}
      <button type="button" className="btn btn-sm" disabled={busy} onClick={() => onChange({ on: !on })}>
        {t`Switch ${name} ${on ? t`off` : t`on`}`}
      </button>
      {way === 'posts' && (
        <button type="button" className="btn btn-sm" onClick={() => void replace()}>
          {t`${hasToken ? t`New token` : t`Token`} for ${name}`}
        </button>
      )}
      {hasToken && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() =>
            void sure(
              t`Revoke the token for ${name}?`,
              t`The station can’t send readings until you create a new token.`,
              t`Revoke token`,
              onRevoke,
            )
          }
        >
          {t`Revoke token for ${name}`}
        </button>
      )}
      <button
        type="button"
        className="btn btn-sm btn-ghost"
        onClick={() =>
          void sure(
            t`Delete ${name}?`,
            t`No more data comes from this station. Data it has already sent is kept.`,
            t`Delete station`,
            onAway,
          )
        }
      >
        {t`Delete ${name}`}
      </button>
    </div>
  );
}

/** How wrong the forecasts have been here, by how far ahead; what is gone by where little has been compared. */
function ForecastErrors({ errors }: { errors: StationsView['forecastErrors'] }) {
  const compared = errors.reduce((sum, { hours }) => sum + hours, 0);
  return (
    <details>
      <summary className="target cursor-pointer py-2">{t`Local forecast accuracy`}</summary>
      <table className="table-sm table w-auto">
        <thead>
          <tr>
            <th scope="col">{t`Lead time`}</th>
            <th scope="col">{t`Air temperature error (±)`}</th>
            <th scope="col">{t`Hours compared`}</th>
          </tr>
        </thead>
        <tbody>
          {errors.map(({ leadH, sdC, hours }) => (
            <tr key={leadH}>
              <th scope="row">{leadH === 0 ? 'now' : `${leadH} h`}</th>
              <td>± {sdC.toFixed(1)} °C</td>
              <td>{hours}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm">
        {t`${
          compared === 0
            ? t`No forecasts compared yet. These are typical values.`
            : t`From stored forecasts compared with later measurements, one forecast per lead time and day. With few hours compared, typical values still count.`
        } Earliest and latest overcoat times allow for these errors.`}
      </p>
    </details>
  );
}

import type { Station } from '../../contract/index.ts';
import { t } from '../../words.ts';

/** A token, this once, with how a logger uses it. */
export function TokenShown({
  token,
  station,
  onSeen,
}: {
  token: string;
  station: Pick<Station, 'id' | 'name'>;
  onSeen: () => void;
}) {
  const address = `${window.location.origin}/api/v1/stations/${station.id}/readings`;
  const example = t`curl -X POST ${address} \\
  -H 'Authorization: Bearer ${token}' -H 'Content-Type: application/json' \\
  -d '{"readings":[{"at":"${new Date().toISOString()}","airC":14.2,"rhPercent":71,"windMs":2.5,"rainMm":0,"surfaceC":13.1,"cloudTenths":4}]}'`;
  return (
    <div role="status" className="border-line space-y-2 border-2 p-3">
      <p>{t`Token for ${station.name} (shown once; only a hash is stored). Send up to 2000 readings per request. Wind, rain, surface and cloud are optional.`}</p>
      <pre className="bg-base-200 overflow-x-auto p-2 text-sm whitespace-pre-wrap break-all">{example}</pre>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => void navigator.clipboard?.writeText(token)}
        >{t`Copy token`}</button>
        <button type="button" className="btn btn-sm" onClick={onSeen}>{t`Done`}</button>
      </div>
    </div>
  );
}

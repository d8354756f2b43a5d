import type { AlikeArea, BenchView } from '../../contract/index.ts';
import { MOST_TOGETHER } from '../../core/film/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { andList, counted } from '../words/counted.ts';

interface Props {
  alike: readonly AlikeArea[];
  planned: BenchView['plannedTogether'];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
  zone: string;
  now: number;
}

/** Other areas that get the same coat: ticked, one need, one pot and one entry form serve them all. */
export function Together({ alike, planned, chosen, onChange, zone, now }: Props) {
  const { show } = useUnits();
  if (alike.length === 0) return null;
  const toggle = (areaId: string) => {
    const left = new Set(chosen);
    if (!left.delete(areaId)) left.add(areaId);
    onChange(left);
  };
  const inPlan = alike.filter(({ areaId }) => planned?.areaIds.includes(areaId));
  const toTick = inPlan.filter(
    ({ areaId, readyFrom }) => !chosen.has(areaId) && Date.parse(readyFrom) <= now,
  );
  return (
    <fieldset className="max-w-3xl">
      <legend className="label-caps pb-1">{t`The same coat elsewhere on this boat: apply it in one go`}</legend>
      {planned && inPlan.length > 0 && (
        <div className="border-line space-y-1 border-l-4 pl-3">
          <p>{t`The agreed plan applies it in one go with ${andList(inPlan.map(({ areaName }) => areaName))}, from ${sayTime(planned.start, zone, now)}.`}</p>
          {toTick.length > 0 && (
            <button
              type="button"
              className="btn target"
              disabled={chosen.size + toTick.length > MOST_TOGETHER}
              onClick={() => onChange(new Set([...chosen, ...toTick.map(({ areaId }) => areaId)]))}
            >{t`Select these areas`}</button>
          )}
        </div>
      )}
      <ul>
        {alike.map(({ areaId, areaName, leftM2, litres, workLeft, readyFrom }) => {
          const ready = Date.parse(readyFrom) <= now;
          return (
            <li key={areaId}>
              <label className="target flex flex-wrap items-center gap-x-3">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={chosen.has(areaId)}
                  disabled={(!ready || chosen.size >= MOST_TOGETHER) && !chosen.has(areaId)}
                  onChange={() => toggle(areaId)}
                />
                <span>
                  {areaName}, {show(leftM2, 'area')}: {show(litres, 'volume')}
                </span>
                {ready && workLeft > 0 && (
                  <span className="text-warning text-sm font-semibold">
                    {t`${counted(workLeft, 'task')} before it not ticked`}
                  </span>
                )}
                {!ready && (
                  <span className="text-sm">{t`not ready before ${sayTime(readyFrom, zone, now)}`}</span>
                )}
              </label>
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}

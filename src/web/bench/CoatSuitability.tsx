import { useState } from 'react';
import type { BenchView, LoggedConditions } from '../../contract/index.ts';
import {
  type AirConditionCode,
  type AirVerdict,
  isUnderCover,
  judgeConditions,
} from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import { coatLimitsOf, type ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { heldBack } from '../words/clocks.ts';
import { AgainstIt, ConditionList } from './airLists.tsx';
import { beforeStart } from './beforeStart.ts';
import { SPOKEN } from './ReadAloud.tsx';
import { Starts } from './Starts.tsx';

/** The sheet's limits for the coat in hand, by the method it is applied by. */
const limitsHere = ({ step }: BenchView, sheet: ProductSheet) =>
  coatLimitsOf(sheet, step?.method ?? 'roller');

/**
 * The conditions of this hour against the sheet. Rain and the wetness it left come from the weather data, even if
 * is measured of the air, until somebody at the boat says that it is dry.
 */
function judgeNow(
  view: BenchView,
  sheet: ProductSheet,
  conditions: LoggedConditions,
  seenDry: boolean,
): AirVerdict {
  const wet = view.hours[0]?.reasons.find(({ code }) => code === 'wet-surface')?.value ?? 0;
  return judgeConditions({
    conditions: {
      airC: conditions.airC,
      rh: conditions.rh,
      surfaceC: conditions.surfaceC ?? conditions.airC,
      rainMm: seenDry ? 0 : (view.air?.rainMm ?? undefined),
      wetHours: seenDry ? 0 : wet,
      windMs: view.air?.windMs ?? undefined,
    },
    limits: limitsHere(view, sheet),
    underCover: isUnderCover(view.area.surroundings),
  });
}

const SAFE_BY = {
  'dew-safe': t`data sheet: safe from dew`,
  'tack-free': t`data sheet: tack-free; no separate time for dew and rain`,
  entered: t`your figure`,
} as const;

interface Props {
  view: BenchView;
  sheet: ProductSheet;
  conditions: LoggedConditions;
  zone: string;
  safeHours: number | null;
  onSafeHours: (hours: number) => void;
  /** Litres not mixed yet; null: unknown. */
  missing: number | null;
}

/** The verdict in two or three words. */
function Headline({
  held,
  ok,
  unknown,
  conditional,
}: {
  held: string | null;
  ok: boolean;
  unknown: boolean;
  conditional: boolean;
}) {
  if (held !== null) return <strong className="text-error">{held}</strong>;
  if (ok && !conditional) return <strong className="text-success">{t`Suitable now`}</strong>;
  if (ok) return <strong className="text-warning">{t`Suitable now, on a condition`}</strong>;
  if (unknown) return <strong className="text-warning">{t`Suitable this hour, unknown after that`}</strong>;
  return <strong className="text-error">{t`Not suitable now`}</strong>;
}

/** What has to be seen to over the coat. A surface measured at the boat no longer depends on the sun, in this hour. */
const openConditions = ({ outlook, now }: BenchView, { source }: LoggedConditions) =>
  (outlook?.conditions ?? []).filter(
    ({ code, at }) =>
      code !== 'depends-on-sun' || source !== 'typed' || Date.parse(at) > Date.parse(now) + HOUR_MS,
  );

/** May the coat be applied now: this hour, every hour of its application, and on until dew and rain cannot hurt it. */
export function CoatSuitability(props: Props) {
  const { view, sheet, conditions: measured, zone, safeHours, onSafeHours, missing } = props;
  const { show } = useUnits();
  const [seenDry, setSeenDry] = useState(false);
  const verdict = judgeNow(view, sheet, measured, seenDry);
  const wetByAir = judgeNow(view, sheet, measured, false).reasons.some(
    ({ code }) => code === 'rain' || code === 'wet-surface',
  );
  const limits = limitsHere(view, sheet);
  const { outlook } = view;
  const now = Date.parse(view.now);
  const held = heldBack(view.clock, now, (at) => sayTime(at, zone, now));
  // A reading at the boat applies to this hour; the weather data to the hours ahead.
  const later = (outlook?.failures ?? []).filter(({ at }) => Date.parse(at) > now);
  const asked = outlook !== null && outlook.safeBy === null;
  const ok = verdict.ok && outlook !== null && outlook.safeBy !== null && later.length === 0;
  // Seen at the boat, this hour's rain is known; the hours ahead are not.
  const open = openConditions(view, measured);
  const conditions = new Set([...verdict.conditions, ...open.map(({ code }) => code)]);
  const [seen, setSeen] = useState<ReadonlySet<AirConditionCode>>(new Set());
  const todo = beforeStart(view, now, { missing, ofWork: !held?.byWork });
  // The hours ahead are unknown, or when it is safe is: this hour's verdict alone is no leave.
  const unknown = verdict.ok && !ok && later.every(({ code }) => code === 'not-known');
  return (
    <>
      <Why
        figure={
          <span className="text-xl" {...SPOKEN}>
            <Headline
              held={held?.headline ?? null}
              ok={ok}
              unknown={unknown}
              conditional={[...conditions].some((code) => !seen.has(code)) || todo.length > 0}
            />
          </span>
        }
      >
        <p>{t`Dew point ${show(verdict.dewPointC, 'temperature')}, from air temperature and humidity (Magnus formula, WMO Guide No. 8). The surface (${show(measured.surfaceC ?? measured.airC, 'temperature')}) is ${show(Math.abs(verdict.marginC), 'temperatureDifference')} ${verdict.marginC < 0 ? t`below` : t`above`} the dew point. Minimum ${show(limits.dewMarginC, 'temperatureDifference')} above ${
          sheet.limits.dewMarginC === null
            ? t` (ISO 8502-4 guidance; not on the data sheet)`
            : t` (data sheet)`
        }. ${
          limits.rhMax === null
            ? t`No humidity limit`
            : t`Maximum humidity ${Math.round(limits.rhMax * 100)} %`
        } ${sheet.limits.rhMax === null ? t` (usual practice, ISO 12944-7)` : t` (data sheet)`}.`}</p>
        <p>{t`Every hour is checked, from now until the coat is safe from dew and rain. In sun or under a clear sky, the surface temperature is estimated from the weather. Measure the surface when it is close to a limit.`}</p>
      </Why>
      {held && (
        <p className="text-lg font-semibold">
          {held.reason.replace(/^./, (first) => first.toUpperCase())}.{' '}
          {ok ? t`The weather and the surface would be suitable now.` : ''}
        </p>
      )}
      <ConditionList
        seen={seen}
        onSeen={setSeen}
        surface={open.find(({ surface }) => surface !== null)?.surface ?? null}
        limitC={limits.surfaceMaxC}
        codes={new Set([...conditions, ...(outlook?.starts ?? []).flatMap((each) => each.conditions)])}
      />
      {todo.length > 0 && <p className="text-lg font-semibold">{t`Before you start: ${todo.join('; ')}.`}</p>}
      <AgainstIt reasons={verdict.reasons} later={later} zone={zone} now={now} />
      {wetByAir && (
        <label className="target flex items-center gap-3">
          <input
            type="checkbox"
            className="checkbox"
            checked={seenDry}
            onChange={(event) => setSeenDry(event.target.checked)}
          />
          {t`Checked at the boat: no rain, and the surface is dry to the touch`}
        </label>
      )}
      {outlook === null && <p>{t`No forecast, so the coming hours can’t be checked.`}</p>}
      {/* While the film below holds it back, a coat begun now is no question. */}
      {held === null && outlook?.safeBy && (
        <p>{t`If you start now: finished about ${sayTime(outlook.end, zone, now)}. ${
          outlook.safe
            ? t`Safe from dew and rain ${sayTime(outlook.safe, zone, now)} (${SAFE_BY[outlook.safeBy]})`
            : t`Not safe from dew and rain before the forecast ends`
        }.`}</p>
      )}
      {outlook && <Starts outlook={outlook} now={now} zone={zone} />}
      {view.hours[0]?.marginFalls && (
        <p>{t`The margin above the dew point is falling. Measure again before you start.`}</p>
      )}
      {(asked || outlook?.safeBy === 'entered') && (
        <Stepper
          label={t`Safe from dew and rain after (not on the data sheet; ask the manufacturer)`}
          unit="h"
          value={safeHours ?? 0}
          step={1}
          min={0}
          max={240}
          onChange={onSafeHours}
        />
      )}
    </>
  );
}

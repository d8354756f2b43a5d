import { useState } from 'react';
import type { BenchView, LoggedConditions } from '../../contract/index.ts';
import { isUnderCover, judgeConditions, surfaceTempC } from '../../core/air/index.ts';
import { limitsOf, type ProductSheet } from '../../core/system/index.ts';
import { fromCanonical, shownUnit, toCanonical } from '../../core/units/index.ts';
import { sayTime } from '../clock/say.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { HoursAhead } from './HoursAhead.tsx';
import { sayReason } from './sayReason.ts';

interface Props {
  view: BenchView;
  sheet: ProductSheet;
  conditions: LoggedConditions | null;
  onChange: (conditions: LoggedConditions | null) => void;
  zone: string;
}

/** The air of the present hour as the series has it, with the surface as the surroundings make it. */
export function conditionsFrom(view: BenchView): LoggedConditions | null {
  const { air, area } = view;
  if (!air) return null;
  const surfaceC = surfaceTempC(
    {
      at: Date.parse(air.at),
      airC: air.airC,
      rh: air.rh,
      windMs: air.windMs ?? undefined,
      rainMm: air.rainMm ?? undefined,
      surfaceC: air.surfaceC ?? undefined,
    },
    area.surroundings,
  );
  return { airC: air.airC, rh: air.rh, surfaceC, source: air.source };
}

/** May it be laid now? Air and surface from the series or as measured on the spot, judged against the sheet. */
// biome-ignore lint/complexity/noExcessiveCognitiveComplexity: to be taken apart with the figures of the bench
export function Conditions({ view, sheet, conditions, onChange, zone }: Props) {
  const { show, system } = useUnits();
  const [typing, setTyping] = useState(conditions?.source === 'typed' || conditions === null);
  const limits = limitsOf(sheet);
  const underCover = isUnderCover(view.area.surroundings);
  const verdict = conditions
    ? judgeConditions({
        conditions: {
          ...conditions,
          surfaceC: conditions.surfaceC ?? conditions.airC,
          rainMm: conditions.source === 'typed' ? undefined : (view.air?.rainMm ?? undefined),
        },
        limits,
        underCover,
      })
    : null;
  const unit = shownUnit('temperature', system);
  const shown = (celsius: number) => fromCanonical(celsius, unit);
  const symbol = system === 'us' ? '°F' : '°C';
  const base: LoggedConditions = conditions ?? { airC: 15, rh: 0.65, surfaceC: 15, source: 'typed' };
  const put = (change: Partial<LoggedConditions>) => onChange({ ...base, ...change, source: 'typed' });
  return (
    <section aria-labelledby="air-now" className="space-y-3">
      <h2 id="air-now" className="batten pb-1 text-lg">
        Air and surface now
      </h2>
      {verdict && conditions ? (
        <>
          <Why
            figure={
              <span className="text-xl">
                <strong className={verdict.ok ? 'text-success' : 'text-error'}>
                  {verdict.ok ? 'Fit to lay' : 'Not fit to lay'}
                </strong>
              </span>
            }
          >
            <p>
              Dew point {show(verdict.dewPointC, 'temperature')} from air and humidity (Magnus form, WMO Guide
              No. 8). Surface {show(conditions.surfaceC ?? conditions.airC, 'temperature')} is{' '}
              {show(verdict.marginC, 'temperatureDifference')} above it;{' '}
              {show(limits.dewMarginC, 'temperatureDifference')} wanted
              {sheet.limits.dewMarginC === null
                ? ' (ISO 8502-4 guidance; the sheet says nothing)'
                : ' by the sheet'}
              . RH limit {limits.rhMax === null ? 'none' : `${Math.round(limits.rhMax * 100)} %`}
              {sheet.limits.rhMax === null ? ' (usual practice, ISO 12944-7)' : ' by the sheet'}.
            </p>
          </Why>
          {verdict.reasons.length > 0 && (
            <ul className="list-disc pl-5 text-lg">
              {verdict.reasons.map((reason) => (
                <li key={reason.code}>{sayReason(reason, show)}</li>
              ))}
            </ul>
          )}
          <p>
            Air {show(conditions.airC, 'temperature')}, RH {Math.round(conditions.rh * 100)} %, surface{' '}
            {show(conditions.surfaceC ?? conditions.airC, 'temperature')}, dew point{' '}
            {show(verdict.dewPointC, 'temperature')}
            {conditions.source !== 'typed' && (
              <span className="opacity-80">
                {' '}
                ({conditions.source}
                {view.air?.simulated ? ', simulated' : ''}; surface estimated)
              </span>
            )}
          </p>
        </>
      ) : (
        <p>No air is known for this hour. Measure it and set it here, or add a weather file.</p>
      )}
      {typing ? (
        <div className="grid gap-3 sm:grid-cols-3 lg:grid-cols-1">
          <Stepper
            label="Air"
            unit={symbol}
            value={shown(base.airC)}
            step={1}
            min={shown(-20)}
            max={shown(50)}
            onChange={(value) => put({ airC: toCanonical(value, unit) })}
          />
          <Stepper
            label="Relative humidity"
            unit="%"
            value={Math.round(base.rh * 100)}
            step={1}
            min={5}
            max={100}
            onChange={(value) => put({ rh: value / 100 })}
          />
          <Stepper
            label="Surface"
            unit={symbol}
            value={shown(base.surfaceC ?? base.airC)}
            step={1}
            min={shown(-20)}
            max={shown(80)}
            onChange={(value) => put({ surfaceC: toCanonical(value, unit) })}
          />
        </div>
      ) : (
        <button type="button" className="btn target" onClick={() => setTyping(true)}>
          Measured otherwise: set it
        </button>
      )}
      {typing && view.air && (
        <button
          type="button"
          className="btn btn-ghost target"
          onClick={() => {
            onChange(conditionsFrom(view));
            setTyping(false);
          }}
        >
          Back to the {view.air.source} air of {sayTime(view.air.at, zone, Date.parse(view.now))}
        </button>
      )}
      <HoursAhead hours={view.hours} zone={zone} />
    </section>
  );
}

import { useState } from 'react';
import type { BenchView, LoggedConditions } from '../../contract/index.ts';
import { airAround, dewPointC, surfaceTempC } from '../../core/air/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { fromCanonical, shownUnit, toCanonical } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { sayTime } from '../clock/say.ts';
import { Stepper } from '../forms/Stepper.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { CoatSuitability } from './CoatSuitability.tsx';

interface Props {
  view: BenchView;
  sheet: ProductSheet;
  conditions: LoggedConditions | null;
  onChange: (conditions: LoggedConditions | null) => void;
  zone: string;
  safeHours: number | null;
  onSafeHours: (hours: number) => void;
  /** Litres not mixed yet; null: unknown. */
  missing: number | null;
}

/** The weather and the surface in the present hour, from the weather data; null: no data. */
export function conditionsFrom(view: BenchView): LoggedConditions | null {
  const { air, area } = view;
  if (!air) return null;
  const hour = {
    at: Date.parse(air.at),
    airC: air.airC,
    rh: air.rh,
    windMs: air.windMs ?? undefined,
    rainMm: air.rainMm ?? undefined,
    surfaceC: air.surfaceC ?? undefined,
  };
  // The server knows what the hours before did to the surface.
  const surfaceC = view.hours[0]?.surfaceC ?? surfaceTempC(hour, area.surroundings);
  return {
    ...airAround(hour, area.surroundings),
    surfaceC,
    source: air.simulated ? 'simulated' : air.source,
  };
}

/** Narrower than this the surface is said as one figure, K. */
const WORTH_SAYING_K = 1;

/** How the surface was come by, and how far off it may be. */
function sayEstimate(view: BenchView, show: ReturnType<typeof useUnits>['show']): string {
  if (view.air?.surfaceC !== null && view.air?.surfaceC !== undefined) return t`surface measured`;
  const hour = view.hours[0];
  if (!hour || hour.surfaceHighC - hour.surfaceLowC < WORTH_SAYING_K) return t`surface estimated`;
  const wanting = [
    view.air?.cloudTenths === null && 'cloud',
    (view.boat.headingDeg ?? null) === null && t`where the bow points`,
  ].filter(Boolean);
  const why = wanting.length > 0 ? t`: ${wanting.join(' and ')} not known` : t`: it faces more than one way`;
  return t`surface estimated, between ${show(hour.surfaceLowC, 'temperature')} and ${show(hour.surfaceHighC, 'temperature')}${why}`;
}

/** Air and surface from the series or as measured on the spot, and whether the coat may be applied in them. */
export function Conditions(props: Props) {
  const { view, sheet, conditions, onChange, zone, safeHours, onSafeHours, missing } = props;
  const { show, system } = useUnits();
  const [typing, setTyping] = useState(conditions?.source === 'typed' || conditions === null);
  const unit = shownUnit('temperature', system);
  const shown = (celsius: number) => fromCanonical(celsius, unit);
  const symbol = system === 'us' ? '°F' : '°C';
  const base: LoggedConditions = conditions ?? { airC: 15, rh: 0.65, surfaceC: 15, source: 'typed' };
  const put = (change: Partial<LoggedConditions>) => onChange({ ...base, ...change, source: 'typed' });
  return (
    <section aria-labelledby="air-now" className="space-y-3">
      <h2 id="air-now" tabIndex={-1} className="batten scroll-mt-20 pb-1 text-lg">{t`Conditions now`}</h2>
      {conditions ? (
        <>
          <CoatSuitability
            // What somebody saw at the boat holds for this coat and this hour.
            key={`${view.step?.id} ${view.clock.next?.coatNo} ${Math.floor(Date.parse(view.now) / HOUR_MS)}`}
            view={view}
            sheet={sheet}
            conditions={conditions}
            zone={zone}
            safeHours={safeHours}
            onSafeHours={onSafeHours}
            missing={missing}
          />
          <p>
            {t`Air ${show(conditions.airC, 'temperature')}, RH ${Math.round(conditions.rh * 100)} %, surface ${show(conditions.surfaceC ?? conditions.airC, 'temperature')}, dew point ${show(dewPointC({ airC: conditions.airC, rh: conditions.rh }), 'temperature')}`}
            {conditions.source !== 'typed' && (
              <span className="opacity-80">
                {' '}
                ({conditions.source}; {sayEstimate(view, show)})
              </span>
            )}
          </p>
        </>
      ) : (
        <p>{t`No weather data for this hour. Enter your own reading here, or import a weather file.`}</p>
      )}
      {typing ? (
        <div className="grid gap-3 sm:grid-cols-3 lg:grid-cols-1">
          <Stepper
            label={t`Air temperature`}
            unit={symbol}
            value={shown(base.airC)}
            step={1}
            min={shown(-20)}
            max={shown(50)}
            onChange={(value) => put({ airC: toCanonical(value, unit) })}
          />
          <Stepper
            label={t`Relative humidity`}
            unit="%"
            value={Math.round(base.rh * 100)}
            step={1}
            min={5}
            max={100}
            onChange={(value) => put({ rh: value / 100 })}
          />
          <Stepper
            label={t`Surface temperature`}
            unit={symbol}
            value={shown(base.surfaceC ?? base.airC)}
            step={1}
            min={shown(-20)}
            max={shown(80)}
            onChange={(value) => put({ surfaceC: toCanonical(value, unit) })}
          />
        </div>
      ) : (
        <button
          type="button"
          className="btn target"
          onClick={() => setTyping(true)}
        >{t`Enter your own reading`}</button>
      )}
      {typing && view.air && (
        <button
          type="button"
          className="btn btn-ghost target"
          onClick={() => {
            onChange(conditionsFrom(view));
            setTyping(false);
          }}
        >{t`Use ${view.air.source} weather data (${sayTime(view.air.at, zone, Date.parse(view.now))})`}</button>
      )}
    </section>
  );
}

import { useMemo, useRef, useState } from 'react';
import type { StripHour } from '../../../contract/index.ts';
import type { Site } from '../../../core/air/index.ts';
import { fromCanonical, shownUnit } from '../../../core/units/index.ts';
import { t } from '../../../words.ts';
import { useMinute } from '../../clock/now.ts';
import { useUnits } from '../../units/UnitsContext.tsx';
import { AirLegend } from './AirLegend.tsx';
import { AirLines, BLOCKED_ROW } from './AirLines.tsx';
import { airShapes } from './airShapes.ts';
import { hoursTogether } from './envelope.ts';
import { nightsPath } from './nightsShown.ts';
import { sayHour } from './sayHour.ts';
import { type SpanStore, useSpan } from './span.ts';
import { useSpanGestures } from './useSpanGestures.ts';
import { useStripAir } from './useStripAir.ts';

const HOUR = 3_600_000;
const WIDTH = 1000;
/** Keys of the panel: hours that the reading moves, shares of the strip, times as close. */
const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowDown: -1, ArrowUp: 1 };
const PANS: Record<string, number> = { PageDown: -0.5, PageUp: 0.5 };
const ZOOMS: Record<string, number> = { '+': 2, '=': 2, '-': 0.5 };

interface Props {
  areaId: string | null;
  store: SpanStore;
  zone: string;
  site: Site;
  height?: number;
  /** Below this the film's clock stands; left out: not drawn. */
  stopC?: number | undefined;
}

/** Air, surface and dew point above the lanes of a strip, hour by hour, with what blocks a coat; each hour can be read. */
export function AirPanel(props: Props) {
  const now = useMinute();
  const { data, isError } = useStripAir(props.areaId, props.store, now);
  if (!data)
    return (
      <p className="h-28 p-2 text-sm">
        {isError ? t`Couldn’t load weather data. Check the connection and try again.` : t`Loading chart…`}
      </p>
    );
  if (data.hours.length === 0) return <p className="p-2 text-sm">{t`No weather data for these days.`}</p>;
  return (
    <Panel {...props} hours={data.hours} simulated={data.simulated} whose={data.productName} now={now} />
  );
}

/** Index of the hour that contains a moment. */
function hourAt(hours: readonly StripHour[], ms: number): number {
  const first = Date.parse(hours[0]?.at ?? '');
  return Math.min(hours.length - 1, Math.max(0, Math.floor((ms - first) / HOUR)));
}

function Panel({
  store,
  zone,
  site,
  height = 120,
  stopC,
  hours,
  simulated,
  whose,
  now,
}: Props & { hours: readonly StripHour[]; simulated: boolean; whose: string | null; now: number }) {
  const { show, system } = useUnits();
  const unit = shownUnit('temperature', system);
  const span = useSpan(store);
  const { from, to } = span;
  const box = useRef<HTMLDivElement>(null);
  useSpanGestures(box, store, { wheelFree: false });
  const [readMs, setReadMs] = useState<number | null>(null);
  const together = hoursTogether(to - from);
  const shapes = useMemo(
    () => airShapes(hours, height - BLOCKED_ROW, (celsius) => fromCanonical(celsius, unit), stopC, together),
    [hours, height, unit, stopC, together],
  );
  const i = hourAt(hours, readMs ?? now);
  const wording = sayHour(hours[i] as StripHour, { show, zone, now });
  const atMs = Date.parse((hours[i] as StripHour).at);
  const x = (ms: number) => ((ms - from) / (to - from)) * WIDTH;
  const read = (index: number) => {
    const hour = hours[Math.min(hours.length - 1, Math.max(0, index))] as StripHour;
    const ms = Date.parse(hour.at);
    setReadMs(ms);
    // Keeps the selected hour in view.
    if (ms < from) store.pan((ms - from) / (to - from) - 0.1);
    if (ms >= to) store.pan((ms - to) / (to - from) + 0.1);
  };
  const press = (key: string): boolean => {
    const step = STEPS[key];
    if (step) read(i + step);
    else if (key in PANS) store.pan(PANS[key] as number);
    else if (key in ZOOMS) store.zoom(ZOOMS[key] as number);
    else if (key === 'Home') {
      store.reset();
      setReadMs(null);
    } else return false;
    return true;
  };
  return (
    <div className="space-y-1">
      <div className="text-sm">
        <p className="min-h-10">{wording}</p>
        <AirLegend
          whose={whose}
          simulated={simulated}
          blocked={shapes.blocked.length > 0}
          filled={shapes.filled.length > 0}
        />
      </div>
      <div
        ref={box}
        className="relative cursor-crosshair"
        style={{ height, touchAction: 'pan-y' }}
        role="slider"
        tabIndex={0}
        aria-label={t`Time on the weather chart`}
        aria-valuemin={0}
        aria-valuemax={hours.length - 1}
        aria-valuenow={i}
        aria-valuetext={wording}
        aria-keyshortcuts={t`ArrowLeft ArrowRight PageUp PageDown + - Home`}
        title={t`Zoom: Ctrl + scroll or pinch. Pan: drag. Keys: arrows for the hour, Page Up/Down to pan, + and − to zoom, Home to reset.`}
        onKeyDown={(event) => {
          if (event.ctrlKey || event.metaKey || event.altKey) return;
          if (press(event.key)) event.preventDefault();
        }}
        onPointerMove={(event) => {
          const { left, width } = event.currentTarget.getBoundingClientRect();
          setReadMs(from + ((event.clientX - left) / width) * (to - from));
        }}
        onPointerLeave={(event) => {
          if (event.pointerType === 'mouse') setReadMs(null);
        }}
      >
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          preserveAspectRatio="none"
          className="absolute inset-0 h-full w-full"
          aria-hidden="true"
        >
          <path d={nightsPath(span, site)} fill="var(--color-base-300)" opacity="0.45" />
          {shapes.ticks.map((tick) => (
            <line
              key={tick}
              x1="0"
              x2={WIDTH}
              y1={shapes.y(tick)}
              y2={shapes.y(tick)}
              stroke="var(--color-base-300)"
              vectorEffect="non-scaling-stroke"
            />
          ))}
          {stopC !== undefined && (
            <line
              x1="0"
              x2={WIDTH}
              y1={shapes.at(stopC)}
              y2={shapes.at(stopC)}
              stroke="var(--line)"
              strokeDasharray="1 4"
              strokeWidth="1.6"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <AirLines shapes={shapes} span={span} width={WIDTH} height={height} />
          {readMs !== null && (
            <line
              x1={x(atMs)}
              x2={x(atMs)}
              y1="0"
              y2={height}
              stroke="var(--line)"
              strokeDasharray="2 3"
              vectorEffect="non-scaling-stroke"
            />
          )}
          {now >= from && now <= to && (
            <line
              x1={x(now)}
              x2={x(now)}
              y1="0"
              y2={height}
              stroke="var(--line)"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
            />
          )}
        </svg>
        {shapes.ticks.map((tick) => (
          <span
            key={tick}
            className="bg-base-100 absolute left-0 -translate-y-1/2 px-0.5 text-xs leading-none"
            style={{ top: shapes.y(tick) }}
            aria-hidden="true"
          >
            {tick}°
          </span>
        ))}
        {stopC !== undefined && (
          <span
            className="bg-base-100 absolute right-0 -translate-y-1/2 px-0.5 text-xs leading-none"
            style={{ top: shapes.at(stopC) }}
            aria-hidden="true"
          >
            {t`no cure below ${show(stopC, 'temperature', { digits: 0 })}`}
          </span>
        )}
      </div>
    </div>
  );
}

import { memo, useRef } from 'react';
import type { SegmentView } from '../../../contract/index.ts';
import type { Site } from '../../../core/air/index.ts';
import { useMinute } from '../../clock/now.ts';
import { STATES } from '../../state/states.ts';
import { nightsPath } from './nightsShown.ts';
import type { SpanStore } from './span.ts';
import { useSpanWhileSeen } from './useSpanWhileSeen.ts';

interface Props {
  segments: readonly SegmentView[];
  store: SpanStore;
  /** Where the nights are; null: not shaded. */
  site: Site | null;
  height?: number;
  label: string;
}

const WIDTH = 1000;

/** A film's window on a time axis shared by all lanes: each state by its pattern, nights shaded, the present as a plumb line. */
export const StripLane = memo(function StripLane({ segments, store, site, height = 22, label }: Props) {
  const lane = useRef<SVGSVGElement>(null);
  const span = useSpanWhileSeen(store, lane);
  const now = useMinute();
  const { from, to } = span;
  const x = (ms: number) => ((Math.min(Math.max(ms, from), to) - from) / (to - from)) * WIDTH;
  return (
    <svg
      ref={lane}
      viewBox={`0 0 ${WIDTH} ${height}`}
      preserveAspectRatio="none"
      className="block w-full"
      height={height}
      role="img"
      aria-label={label}
    >
      <line x1="0" y1={height - 0.5} x2={WIDTH} y2={height - 0.5} stroke="var(--color-base-300)" />
      {site && <path d={nightsPath(span, site)} fill="var(--color-base-300)" opacity="0.45" />}
      {segments.map((segment) => {
        const left = x(Date.parse(segment.from));
        const right = x(segment.to === null ? to : Date.parse(segment.to));
        if (right - left < 0.5) return null;
        const { paint } = STATES[segment.state];
        return (
          <rect
            key={segment.from}
            x={left}
            y={3}
            width={right - left}
            height={height - 6}
            fill={`url(#st-${paint})`}
            stroke={`var(--st-${paint})`}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
      {now >= from && now <= to && (
        <line
          x1={x(now)}
          y1="0"
          x2={x(now)}
          y2={height}
          stroke="var(--line)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
});

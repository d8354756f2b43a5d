import type { SegmentView } from '../../contract/index.ts';
import { STATES } from '../state/states.ts';

interface Props {
  segments: readonly SegmentView[];
  from: number;
  to: number;
  now: number;
  height?: number;
  label: string;
  /** Nights, shaded behind. */
  nights?: readonly { fromMs: number; toMs: number }[];
}

const WIDTH = 1000;

/** A film's window on a time axis shared by all lines: each state by its pattern, the present as a plumb line. */
export function WindowBand({ segments, from, to, now, height = 22, label, nights = [] }: Props) {
  const x = (ms: number) => ((Math.min(Math.max(ms, from), to) - from) / (to - from)) * WIDTH;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      preserveAspectRatio="none"
      className="block w-full"
      height={height}
      role="img"
      aria-label={label}
    >
      <line x1="0" y1={height - 0.5} x2={WIDTH} y2={height - 0.5} stroke="var(--color-base-300)" />
      {nights.map(({ fromMs, toMs }) => (
        <rect
          key={fromMs}
          x={x(fromMs)}
          y="0"
          width={Math.max(0, x(toMs) - x(fromMs))}
          height={height}
          fill="var(--color-base-300)"
          opacity="0.45"
        />
      ))}
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
}

/** Where the day changes and every sixth hour on the axis, for the head above the bands. */
export function AxisHead({
  from,
  to,
  now,
  marks,
}: {
  from: number;
  to: number;
  now: number;
  marks: readonly { at: number; text: string; strong: boolean }[];
}) {
  const percent = (ms: number) => `${((ms - from) / (to - from)) * 100}%`;
  return (
    <div className="relative h-9 text-xs" aria-hidden="true">
      {marks.map((mark) => (
        <span
          key={mark.at}
          className={`absolute bottom-0 -translate-x-1/2 ${mark.strong ? 'font-semibold' : 'opacity-80'}`}
          style={{ left: percent(mark.at) }}
        >
          {mark.text}
        </span>
      ))}
      {now >= from && now <= to && (
        <span className="absolute top-0 -translate-x-1/2 font-semibold" style={{ left: percent(now) }}>
          now
        </span>
      )}
    </div>
  );
}

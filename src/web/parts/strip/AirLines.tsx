import { AIR_LINES, type AirShapes } from './airShapes.ts';
import type { Span } from './span.ts';

const HOUR = 3_600_000;

interface Props {
  shapes: AirShapes;
  span: Span;
  /** Of the drawing, in its own units. */
  width: number;
  height: number;
}

/** Height of the row of blocked hours below the lines. */
export const BLOCKED_ROW = 12;

/** The air's lines with their bands, gaps bridged and hours blocked: paths made once and moved as a whole. */
export function AirLines({ shapes, span, width, height }: Props) {
  const perHour = width / ((span.to - span.from) / HOUR);
  const shift = ((shapes.originMs - span.from) / HOUR) * perHour;
  const bottom = height - BLOCKED_ROW;
  const seen = ({ from, to }: { from: number; to: number }) => {
    const [left, right] = [Math.max(0, shift + from * perHour), Math.min(width, shift + to * perHour)];
    return right > left ? { x: left, width: right - left } : null;
  };
  return (
    <>
      {shapes.filled.map((run) => {
        const at = seen(run);
        return at && <rect key={run.from} {...at} y={0} height={bottom} fill="url(#st-hidden)" />;
      })}
      <g transform={`translate(${shift} 0) scale(${perHour} 1)`}>
        {AIR_LINES.map(({ key, stroke }) => (
          <path key={key} d={shapes[`${key}Band`]} fill={stroke} opacity="0.13" />
        ))}
        {AIR_LINES.map(({ key, stroke, dash, weight }) => (
          <path
            key={key}
            d={shapes[key]}
            fill="none"
            stroke={stroke}
            strokeWidth={weight}
            strokeDasharray={dash}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </g>
      {shapes.blocked.map((run) => {
        const at = seen(run);
        return (
          at && (
            <rect
              key={run.from}
              {...at}
              y={bottom + 2}
              height={BLOCKED_ROW - 3}
              fill="url(#st-closed)"
              stroke="var(--st-closed)"
              vectorEffect="non-scaling-stroke"
            />
          )
        );
      })}
    </>
  );
}

import type { StripView } from '../../../contract/index.ts';
import type { Site } from '../../../core/air/index.ts';
import { t } from '../../../words.ts';
import { STATES } from '../../state/states.ts';
import { AirLines, BLOCKED_ROW } from './AirLines.tsx';
import { AIR_LINES, airShapes } from './airShapes.ts';
import { axisMarks } from './axisMarks.ts';
import type { Lane } from './lanes.ts';
import { nightsShown } from './nightsShown.ts';
import type { Span } from './span.ts';

const WIDTH = 1400;
const LEFT = 330;
const PLOT = WIDTH - LEFT - 20;
const AIR = 220;
const LANE = 30;
const TOP = 96;
const STATE_COLUMNS = 5;

interface Props {
  title: string;
  subtitle: string;
  lanes: readonly Lane[];
  air: StripView | undefined;
  span: Span;
  now: number;
  zone: string;
  site: Site;
  /** Temperatures in the unit that is shown, and its symbol. */
  shown: (celsius: number) => number;
  symbol: string;
}

/** A strip as one drawing to take away: air above, a lane per film, what the patterns mean below. */
export function StripFigure({ title, subtitle, lanes, air, span, now, zone, site, shown, symbol }: Props) {
  const { from, to } = span;
  const x = (ms: number) => ((Math.min(Math.max(ms, from), to) - from) / (to - from)) * PLOT;
  const shapes = air && air.hours.length > 0 ? airShapes(air.hours, AIR - BLOCKED_ROW, shown) : null;
  const airHeight = shapes ? AIR + 26 : 0;
  const states = [...new Set(lanes.flatMap(({ segments }) => segments.map(({ state }) => state)))];
  const lanesTop = TOP + airHeight + 24;
  const legendTop = lanesTop + lanes.length * LANE + 26;
  const height = legendTop + Math.ceil(states.length / STATE_COLUMNS) * 30 + 30;
  const plumb = now >= from && now <= to && x(now);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} fontSize="15" fill="var(--line)">
      <title>{`${title}, ${subtitle}`}</title>
      <defs>
        <clipPath id="strip-plot">
          <rect width={PLOT} height={height} />
        </clipPath>
      </defs>
      <text x="20" y="40" fontSize="26" fontWeight="650">
        {title}
      </text>
      <text x="20" y="66">
        {subtitle}
      </text>
      <g transform={`translate(${LEFT} ${TOP})`}>
        {nightsShown(span, site).map((night) => (
          <rect
            key={night.from}
            x={x(night.from)}
            width={x(night.to) - x(night.from)}
            height={lanesTop - TOP + lanes.length * LANE}
            fill="var(--color-base-300)"
            opacity="0.45"
          />
        ))}
        {shapes && (
          <>
            {shapes.ticks.map((tick) => (
              <g key={tick}>
                <line x2={PLOT} y1={shapes.y(tick)} y2={shapes.y(tick)} stroke="var(--color-base-300)" />
                <text x="-10" y={shapes.y(tick) + 5} textAnchor="end">
                  {tick} {symbol}
                </text>
              </g>
            ))}
            <g clipPath="url(#strip-plot)">
              <AirLines shapes={shapes} span={span} width={PLOT} height={AIR} />
            </g>
            {AIR_LINES.map(({ key, word, stroke, dash, weight }, i) => (
              <g key={key} transform={`translate(${20 - LEFT} ${24 + i * 26})`}>
                <line x2="40" y1="-5" y2="-5" stroke={stroke} strokeWidth={weight} strokeDasharray={dash} />
                <text x="50">{word}</text>
              </g>
            ))}
            {shapes.blocked.length > 0 && (
              <text x={20 - LEFT} y={AIR}>
                {t`Hatched: ${air?.productName ? t`not suitable for ${air.productName}` : t`too cold, damp or wet to coat`}`}
              </text>
            )}
          </>
        )}
        {axisMarks(span, zone).map((mark) => (
          <text
            key={mark.at}
            x={x(mark.at)}
            y={airHeight + 12}
            textAnchor="middle"
            fontWeight={mark.strong ? 650 : 400}
          >
            {mark.text}
          </text>
        ))}
        <g transform={`translate(0 ${lanesTop - TOP})`}>
          {lanes.map(({ key, name, segments }, row) => (
            <g key={key} transform={`translate(0 ${row * LANE})`}>
              <text x={20 - LEFT} y="20">
                {name.length > 34 ? `${name.slice(0, 33)}…` : name}
              </text>
              <line x2={PLOT} y1={LANE} y2={LANE} stroke="var(--color-base-300)" />
              {segments.map((segment) => {
                const [left, right] = [
                  x(Date.parse(segment.from)),
                  x(segment.to === null ? to : Date.parse(segment.to)),
                ];
                const { paint } = STATES[segment.state];
                return (
                  right > left && (
                    <rect
                      key={segment.from}
                      x={left}
                      y="4"
                      width={right - left}
                      height={LANE - 8}
                      fill={`url(#st-${paint})`}
                      stroke={`var(--st-${paint})`}
                    />
                  )
                );
              })}
            </g>
          ))}
        </g>
        {plumb !== false && (
          <>
            <line
              x1={plumb}
              x2={plumb}
              y2={lanesTop - TOP + lanes.length * LANE}
              stroke="var(--line)"
              strokeWidth="2"
            />
            <text x={plumb} y="-6" textAnchor="middle" fontWeight="650">{t`now`}</text>
          </>
        )}
      </g>
      {states.map((state, i) => (
        <g
          key={state}
          transform={`translate(${20 + (i % STATE_COLUMNS) * 270} ${legendTop + Math.floor(i / STATE_COLUMNS) * 30})`}
        >
          <rect
            width="30"
            height="18"
            fill={`url(#st-${STATES[state].paint})`}
            stroke={`var(--st-${STATES[state].paint})`}
          />
          <text x="40" y="15">
            {STATES[state].word}
          </text>
        </g>
      ))}
    </svg>
  );
}

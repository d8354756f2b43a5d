import { type KeyboardEvent, useId } from 'react';
import type { Area, Boat } from '../../contract/index.ts';
import { type Point, profileLines, type Zone } from '../../core/hull/index.ts';
import { type ClockState, STATES } from '../state/states.ts';
import { useUnits } from '../units/UnitsContext.tsx';

export interface DrawnArea {
  id: string;
  name: string;
  zone: Zone;
  side: Area['side'];
  state: ClockState;
  /** Balloon number, as in the list beside the drawing. */
  number: number;
}

interface Props {
  boat: Pick<Boat, 'name' | 'kind' | 'dimensions'>;
  areas: readonly DrawnArea[];
  /** From which side the boat is seen; areas of the other side are not drawn. */
  seenFrom?: 'port' | 'starboard';
  selectedId?: string | undefined;
  onSelect?: (id: string) => void;
  /** Dimension lines and balloons: off for a thumbnail. */
  detailed?: boolean;
}

/** Drawing units a metre: keeps strokes and letters in proportion whatever the boat. */
const ACROSS = 1000;

/** Painted in this order, so that what lies nearer covers what lies behind. */
const ORDER: readonly Zone[] = [
  'rudder',
  'keel',
  'bottom',
  'bilge',
  'cabin',
  'deck',
  'topsides',
  'transom',
  'boot-stripe',
];

/** The boat in profile, drawn to her own proportions, her areas told by pattern, colour and number. */
export function BoatDrawing({ boat, areas, seenFrom = 'starboard', selectedId, onSelect, detailed }: Props) {
  const clip = useId();
  const { show } = useUnits();
  const { loaM, draughtM } = boat.dimensions;
  const lines = profileLines({ kind: boat.kind, dimensions: boat.dimensions });
  const scale = ACROSS / loaM;
  const margin = detailed ? 74 : 18;
  const below = detailed ? 62 : 12;
  const flip = seenFrom === 'port';
  const x = (p: Point) => (flip ? loaM - p.x : p.x) * scale;
  const y = (z: number) => (lines.maxZ - z) * scale;
  const path = (outline: readonly Point[]) =>
    `${outline.map((p, i) => `${i ? 'L' : 'M'}${x(p).toFixed(1)} ${y(p.z).toFixed(1)}`).join('')}Z`;
  const height = (lines.maxZ - lines.minZ) * scale;
  const seen = areas.filter((a) => a.side === seenFrom || a.side === 'both' || a.side === 'centre');
  const pick = (id: string) => (event: KeyboardEvent) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      onSelect?.(id);
    }
  };

  const zones = ORDER.flatMap((zone) => {
    const outline = lines.zones[zone];
    const here = seen.filter((a) => a.zone === zone);
    // The bilge shows only on a boat that has one in hand.
    if (!outline || (zone === 'bilge' && here.length === 0)) return [];
    return [{ zone, outline, areas: here }];
  });

  return (
    <svg
      viewBox={`${-margin} ${-margin * 0.6} ${ACROSS + 2 * margin} ${height + margin * 0.6 + below}`}
      className="block h-auto w-full"
      role={onSelect ? 'group' : 'img'}
      aria-label={`${boat.name} in profile, seen from ${seenFrom}`}
    >
      <g stroke="var(--line)" strokeWidth={detailed ? 1.4 : 2.4} strokeLinejoin="round">
        {zones.map(({ zone, outline, areas: here }) => {
          const xs = outline.map(x);
          const left = Math.min(...xs);
          const width = Math.max(...xs) - left;
          if (here.length === 0) {
            return <path key={zone} d={path(outline)} fill="var(--board)" />;
          }
          return here.map((area, i) => {
            const part = { x: left + (width * i) / here.length, width: width / here.length };
            const { paint, word } = STATES[area.state];
            const chosen = area.id === selectedId;
            const shape = (
              <>
                <path d={path(outline)} fill="var(--board)" />
                <path
                  d={path(outline)}
                  fill={`url(#st-${paint})`}
                  strokeWidth={chosen ? 5 : undefined}
                  strokeDasharray={area.state === 'no-system' ? '8 6' : undefined}
                />
              </>
            );
            return (
              <g
                key={area.id}
                clipPath={here.length > 1 ? `url(#${clip}-${zone}-${i})` : undefined}
                {...(onSelect && {
                  role: 'button',
                  tabIndex: 0,
                  'aria-label': `${area.number}. ${area.name}: ${word}`,
                  'aria-pressed': chosen,
                  className: 'cursor-pointer',
                  onClick: () => onSelect(area.id),
                  onKeyDown: pick(area.id),
                })}
              >
                {here.length > 1 && (
                  <clipPath id={`${clip}-${zone}-${i}`}>
                    <rect x={part.x} y={-margin} width={part.width} height={height + 2 * margin} />
                  </clipPath>
                )}
                {shape}
              </g>
            );
          });
        })}
        <line
          x1={x(lines.waterline[0])}
          x2={x(lines.waterline[1])}
          y1={y(0)}
          y2={y(0)}
          strokeWidth={detailed ? 1 : 1.6}
          strokeDasharray="14 5 3 5"
        />
      </g>
      {detailed && (
        <>
          <Balloons zones={zones} x={x} y={y} selectedId={selectedId} />
          <Dimension from={0} to={ACROSS} at={height + 34} text={`${show(loaM, 'length')} over all`} />
          <DraughtMark at={ACROSS + 44} top={y(0)} bottom={y(-draughtM)} text={show(draughtM, 'length')} />
        </>
      )}
    </svg>
  );
}

/** Where along its zone a balloon hangs, so that zones lying over each other keep theirs apart. */
const BALLOON_AT: Partial<Record<Zone, number>> = {
  'boot-stripe': 0.82,
  bilge: 0.25,
  bottom: 0.6,
  deck: 0.85,
  topsides: 0.4,
};

function Balloons({
  zones,
  x,
  y,
  selectedId,
}: {
  zones: readonly { zone: Zone; outline: readonly Point[]; areas: readonly DrawnArea[] }[];
  x: (p: Point) => number;
  y: (z: number) => number;
  selectedId: string | undefined;
}) {
  return (
    <g pointerEvents="none" fontSize="22" fontWeight="650" textAnchor="middle">
      {zones.flatMap(({ zone, outline, areas }) => {
        const xs = outline.map(x);
        const ys = outline.map((p) => y(p.z));
        const left = Math.min(...xs);
        const width = Math.max(...xs) - left;
        const middle = (Math.min(...ys) + Math.max(...ys)) / 2;
        return areas.map((area, i) => {
          const cx = left + (width * (i + (BALLOON_AT[zone] ?? 0.5))) / areas.length;
          const chosen = area.id === selectedId;
          return (
            <g key={area.id}>
              <circle
                cx={cx}
                cy={middle}
                r="18"
                fill={chosen ? 'var(--line)' : 'var(--board)'}
                stroke="var(--line)"
                strokeWidth="1.5"
              />
              <text x={cx} y={middle + 8} fill={chosen ? 'var(--board)' : 'var(--line)'}>
                {area.number}
              </text>
            </g>
          );
        });
      })}
    </g>
  );
}

function Dimension({ from, to, at, text }: { from: number; to: number; at: number; text: string }) {
  return (
    <g stroke="var(--line)" strokeWidth="1" fontSize="22">
      <path d={`M${from} ${at - 10}v20M${to} ${at - 10}v20M${from} ${at}H${to}`} fill="none" />
      <path d={`M${from} ${at}l12 -4v8zM${to} ${at}l-12 -4v8z`} fill="var(--line)" stroke="none" />
      <rect x={(from + to) / 2 - 110} y={at - 14} width="220" height="28" fill="var(--board)" stroke="none" />
      <text x={(from + to) / 2} y={at + 8} textAnchor="middle" fill="var(--line)" stroke="none">
        {text}
      </text>
    </g>
  );
}

function DraughtMark({ at, top, bottom, text }: { at: number; top: number; bottom: number; text: string }) {
  return (
    <g stroke="var(--line)" strokeWidth="1" fontSize="22">
      <path d={`M${at - 10} ${top}h20M${at - 10} ${bottom}h20M${at} ${top}V${bottom}`} fill="none" />
      <text
        x={at}
        y={(top + bottom) / 2}
        fill="var(--line)"
        stroke="var(--board)"
        strokeWidth="6"
        paintOrder="stroke"
        textAnchor="middle"
        transform={`rotate(-90 ${at} ${(top + bottom) / 2})`}
        dy="-8"
      >
        {text}
      </text>
    </g>
  );
}

import type { KeyboardEvent } from 'react';
import { STATES } from '../../state/states.ts';
import type { Drawn, DrawnArea } from './drawn.ts';

/** One area: its outline filled with the pattern of its state, picked by click and by keyboard. */
export function AreaShape({
  area,
  d,
  clip,
  drawn,
}: {
  area: DrawnArea;
  d: string;
  clip?: { id: string; x: number; width: number } | undefined;
  drawn: Drawn;
}) {
  const { paint, word } = STATES[area.state];
  const chosen = area.id === drawn.selectedId;
  const { onSelect } = drawn;
  return (
    <g
      clipPath={clip ? `url(#${clip.id})` : undefined}
      {...(onSelect && {
        role: 'button',
        tabIndex: 0,
        'aria-label': `${area.number}. ${area.name}: ${word}`,
        'aria-pressed': chosen,
        className: 'cursor-pointer',
        onClick: () => onSelect(area.id),
        onKeyDown: (event: KeyboardEvent) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          onSelect(area.id);
        },
      })}
    >
      {clip && (
        <clipPath id={clip.id}>
          <rect x={clip.x} y={-2000} width={clip.width} height={6000} />
        </clipPath>
      )}
      <path d={d} fill="var(--board)" />
      <path
        d={d}
        fill={`url(#st-${paint})`}
        strokeWidth={chosen ? 5 : undefined}
        strokeDasharray={area.state === 'no-system' ? '8 6' : undefined}
      />
    </g>
  );
}

/** A balloon with the number by which the list beside the drawing knows an area. */
export function Balloon({
  at: [cx, cy],
  text,
  chosen,
}: {
  at: readonly [number, number];
  text: string;
  chosen: boolean;
}) {
  return (
    <g pointerEvents="none">
      <circle
        cx={cx}
        cy={cy}
        r="18"
        fill={chosen ? 'var(--line)' : 'var(--board)'}
        stroke="var(--line)"
        strokeWidth="1.5"
      />
      <text
        x={cx}
        y={cy + 8}
        stroke="none"
        fill={chosen ? 'var(--board)' : 'var(--line)'}
        fontSize="22"
        fontWeight="650"
        textAnchor="middle"
      >
        {text}
      </text>
    </g>
  );
}

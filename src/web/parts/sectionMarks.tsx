import type { Bond } from '../../core/system/index.ts';

/** Where the film stands on the drawing of a section, from left to right. */
export const LEFT = 62;
export const FILM_RIGHT = 205;

interface LevelAt {
  y: number;
  /** Where its words stand: higher than its mark where the next mark below is too near. */
  textY: number;
  text: string;
}

/** Marks from the lowest up, their words kept a line apart. */
export function levelsAt(marks: readonly { y: number; text: string }[]): LevelAt[] {
  let free = Number.POSITIVE_INFINITY;
  return marks.map(({ y, text }) => {
    const textY = Math.min(y, free);
    free = textY - 14;
    return { y, textY, text };
  });
}

/** A joint by how it holds: one wavy film, teeth, a double line, or a gap. */
export function Joint({ bond, y, to }: { bond: Bond; y: number; to: number }) {
  const from = LEFT + 6;
  const n = 17;
  const step = (to - from) / n;
  if (bond === 'fused') return null;
  if (bond === 'tie') {
    return (
      <path d={`M${from} ${y - 2}H${to}M${from} ${y + 2}H${to}`} stroke="var(--line)" strokeWidth="1.4" />
    );
  }
  if (bond === 'none') {
    return (
      <g>
        <path d={`M${from} ${y}H${to}`} stroke="var(--board)" strokeWidth="6" />
        <path d={`M${from} ${y}H${to}`} stroke="var(--color-error)" strokeWidth="3" strokeDasharray="10 6" />
      </g>
    );
  }
  const teeth = Array.from({ length: n }, () => `l${step / 2} -5l${step / 2} 5`).join('');
  return <path d={`M${from} ${y}${teeth}`} fill="none" stroke="var(--line)" strokeWidth="1.2" />;
}

export function Level({ y, textY, text }: LevelAt) {
  return (
    <g>
      <path d={`M${FILM_RIGHT + 2} ${y}h14`} stroke="var(--line)" strokeWidth="2" />
      <text
        x={FILM_RIGHT + 18}
        y={textY + 4}
        fontSize="12"
        stroke="var(--board)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {text}
      </text>
    </g>
  );
}

/** A dimension line with its figure. */
export function Dimension({ from, to, at, text }: { from: number; to: number; at: number; text: string }) {
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

/** A height beside the drawing, lettered upwards. */
export function HeightMark({
  at,
  top,
  bottom,
  text,
}: {
  at: number;
  top: number;
  bottom: number;
  text: string;
}) {
  const middle = (top + bottom) / 2;
  return (
    <g stroke="var(--line)" strokeWidth="1" fontSize="22">
      <path d={`M${at - 10} ${top}h20M${at - 10} ${bottom}h20M${at} ${top}V${bottom}`} fill="none" />
      <text
        x={at}
        y={middle}
        fill="var(--line)"
        stroke="var(--board)"
        strokeWidth="6"
        paintOrder="stroke"
        textAnchor="middle"
        transform={`rotate(-90 ${at} ${middle})`}
        dy="-8"
      >
        {text}
      </text>
    </g>
  );
}

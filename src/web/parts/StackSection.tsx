import { useUnits } from '../units/UnitsContext.tsx';

export interface DrawnStep {
  id: string;
  product: string;
  coats: number;
  micronsPerCoat: number;
  /** Drawn colours in turn, #rrggbb. */
  colours: readonly string[];
  laid: number;
}

const WIDTH = 560;
const HEIGHT = 330;
const LEFT = 62;
const FILM_RIGHT = 300;
const GROUND = 34;

/** Round figure for the scale's ticks: about six of them. */
function tickOf(total: number): number {
  const rough = total / 6;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((n) => n * power >= rough) ?? 10) * power;
}

/** The stack cut through, to scale: every coat in its own colour, coats that lie filled, those to come in outline. */
export function StackSection({ steps, substrate }: { steps: readonly DrawnStep[]; substrate: string }) {
  const { show } = useUnits();
  const total = steps.reduce((sum, step) => sum + step.coats * step.micronsPerCoat, 0);
  if (!(total > 0)) return null;
  const scale = (HEIGHT - 20) / total;
  const tick = tickOf(total);
  const y = (microns: number) => HEIGHT - microns * scale;
  let height = 0;
  const bands = steps.map((step) => {
    const from = height;
    height += step.coats * step.micronsPerCoat;
    return { step, from, to: height };
  });
  // Labels keep their distance even where a step is a thin line.
  const labelAt: number[] = [];
  for (const { from, to } of bands) {
    const wanted = y((from + to) / 2);
    const below = labelAt.at(-1);
    labelAt.push(below === undefined ? wanted : Math.min(wanted, below - 40));
  }
  const ticks = Array.from({ length: Math.floor(total / tick) + 1 }, (_, i) => i * tick);
  const top = Math.min(0, (labelAt.at(-1) ?? 0) - 24);
  return (
    <svg
      viewBox={`0 ${top} ${WIDTH} ${HEIGHT + GROUND - top + 6}`}
      className="block h-auto w-full"
      role="img"
      aria-label={`Section through the system: ${steps.map((s) => `${s.product}, ${s.coats} coats of ${show(s.micronsPerCoat, 'film')}, ${s.laid} laid`).join('; ')}`}
    >
      <defs>
        <pattern id="ground" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v9" stroke="var(--line)" strokeWidth="1.5" />
        </pattern>
      </defs>
      <g fontSize="13" fill="var(--color-base-content)">
        {ticks.map((microns) => (
          <g key={microns}>
            <path d={`M${LEFT - 8} ${y(microns)}H${LEFT}`} stroke="var(--line)" />
            <text x={LEFT - 12} y={y(microns) + 4} textAnchor="end">
              {show(microns, 'film').replace(/ .*/, '')}
            </text>
          </g>
        ))}
        <text x={LEFT - 12} y={HEIGHT + 24} textAnchor="end">
          {show(1, 'film').replace(/^[\d.]+ /, '')} dry
        </text>
        <path d={`M${LEFT} ${y(total)}V${HEIGHT}`} stroke="var(--line)" />
        {bands.map(({ step, from }) =>
          Array.from({ length: step.coats }, (_, coat) => {
            const base = from + coat * step.micronsPerCoat;
            const there = coat < step.laid;
            return (
              <rect
                // biome-ignore lint/suspicious/noArrayIndexKey: a coat is its number
                key={`${step.id}-${coat}`}
                x={LEFT + 6}
                y={y(base + step.micronsPerCoat)}
                width={FILM_RIGHT - LEFT - 6}
                height={step.micronsPerCoat * scale}
                fill={step.colours[coat % step.colours.length]}
                fillOpacity={there ? 1 : 0.28}
                stroke="var(--line)"
                strokeWidth={there ? 1.2 : 0.9}
                strokeDasharray={there ? undefined : '5 4'}
              />
            );
          }),
        )}
        <rect
          x={LEFT + 6}
          y={HEIGHT}
          width={FILM_RIGHT - LEFT - 6}
          height={GROUND}
          fill="url(#ground)"
          stroke="var(--line)"
        />
        <text x={FILM_RIGHT + 44} y={HEIGHT + 22}>
          {substrate}
        </text>
        {bands.map(({ step, from, to }, i) => (
          <g key={step.id}>
            <path
              d={`M${FILM_RIGHT} ${y((from + to) / 2)}L${FILM_RIGHT + 36} ${labelAt[i]}`}
              fill="none"
              stroke="var(--line)"
              strokeWidth="0.8"
            />
            <text x={FILM_RIGHT + 44} y={(labelAt[i] ?? 0) - 2} fontWeight="650">
              {step.product}
            </text>
            <text x={FILM_RIGHT + 44} y={(labelAt[i] ?? 0) + 14}>
              {step.coats} × {show(step.micronsPerCoat, 'film')}, {step.laid} laid
            </text>
          </g>
        ))}
      </g>
    </svg>
  );
}

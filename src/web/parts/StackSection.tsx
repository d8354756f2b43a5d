import type { Bond } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { FILM_RIGHT, Joint, LEFT, Level, levelsAt } from './sectionMarks.tsx';

export interface DrawnStep {
  id: string;
  product: string;
  coats: number;
  micronsPerCoat: number;
  /** Least and most a coat by the sheet, µm. */
  film: { min: number; max: number };
  /** Drawn colour of each coat, #rrggbb. */
  colours: readonly string[];
  /** Dry film of each coat that lies, as applied, µm. */
  applied: readonly number[];
  /** How each coat holds to what is below it: as applied where it lies, as planned where not. */
  bonds: readonly Bond[];
  /** The band it is applied on, where that is not the whole area. */
  band: string | null;
}

const WIDTH = 500;
const HEIGHT = 330;
const BAND_RIGHT = 140;
const GROUND = 34;
/** Three lines of a step's label. */
const LABEL_HEIGHT = 56;
/** As many characters as fit right of the leader lines. */
const MOST_CHARS = 24;
const cutShort = (text: string) => (text.length > MOST_CHARS ? `${text.slice(0, MOST_CHARS - 1)}…` : text);

/** Round figure for the scale's ticks: about six of them. */
function tickOf(total: number): number {
  const rough = total / 6;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((n) => n * power >= rough) ?? 10) * power;
}

const BOND_WORDS: Record<Bond, string> = {
  fused: t`chemical bond`,
  keyed: t`mechanical bond`,
  tie: t`tie coat`,
  none: t`no bond`,
};

interface Coat {
  key: string;
  from: number;
  to: number;
  colour: string;
  there: boolean;
  bond: Bond;
  /** Where it ends on the right: a band is drawn over part of the width. */
  right: number;
}

/** The coats of a step one on the other: as applied where they lie, as planned where they do not. */
function coatsOf(step: DrawnStep, base: number): Coat[] {
  let from = base;
  return Array.from({ length: Math.max(step.coats, step.applied.length) }, (_, i) => {
    const thick = step.applied[i] ?? step.micronsPerCoat;
    const coat = {
      key: `${step.id}-${i}`,
      from,
      to: from + thick,
      colour: step.colours[i % step.colours.length] ?? '#999999',
      there: i < step.applied.length,
      bond: step.bonds[i] ?? 'fused',
      right: step.band ? BAND_RIGHT : FILM_RIGHT,
    };
    from = coat.to;
    return coat;
  });
}

/**
 * A section through the system, to scale: applied coats filled and as thick as measured, planned coats in outline, the
 * target beside them, and each joint drawn by how it holds.
 */
export function StackSection({ steps, substrate }: { steps: readonly DrawnStep[]; substrate: string }) {
  const { show } = useUnits();
  const planned = steps.reduce((sum, step) => sum + step.coats * step.micronsPerCoat, 0);
  if (!(planned > 0)) return null;
  let base = 0;
  const drawn = steps.map((step) => {
    const coats = coatsOf(step, base);
    const from = base;
    base = coats.at(-1)?.to ?? base;
    return { step, coats, from, to: base };
  });
  const least = steps.reduce((sum, step) => sum + step.coats * step.film.min, 0);
  const most = steps.reduce((sum, step) => sum + step.coats * step.film.max, 0);
  // The most the sheets allow is marked, but not where that would shrink the coats.
  const mostShown = most <= planned * 1.3;
  const total = Math.max(planned, base, mostShown ? most : 0);
  const scale = (HEIGHT - 20) / total;
  const tick = tickOf(total);
  const y = (microns: number) => HEIGHT - microns * scale;
  // Labels keep their distance even where a step is a thin line.
  const labelAt: number[] = [];
  for (const { from, to } of drawn) {
    const wanted = y((from + to) / 2);
    // The lowest stays clear of the ground's own label.
    const below = labelAt.at(-1) ?? HEIGHT + 30;
    labelAt.push(Math.min(wanted, below - LABEL_HEIGHT));
  }
  const ticks = Array.from({ length: Math.floor(total / tick) + 1 }, (_, i) => i * tick);
  const top = Math.min(-10, (labelAt.at(-1) ?? 0) - 24);
  const levels = levelsAt([
    ...(least < planned ? [{ y: y(least), text: t`min ${show(least, 'film')}` }] : []),
    { y: y(planned), text: `target ${show(planned, 'film')}` },
    ...(!mostShown
      ? [{ y: y(total) - 16, text: t`max ${show(most, 'film')} ↑` }]
      : most > planned
        ? [{ y: y(most), text: t`max ${show(most, 'film')}` }]
        : []),
  ]);
  const texts = steps.map(
    (s) =>
      t`${s.product}, ${counted(s.coats, 'coat')} of ${show(s.micronsPerCoat, 'film')}, ${s.applied.length} applied, ${BOND_WORDS[s.bonds[0] ?? 'keyed']}${s.band ? t`, only on the ${s.band}` : ''}`,
  );
  return (
    <svg
      viewBox={`0 ${top} ${WIDTH} ${HEIGHT + GROUND - top + 6}`}
      className="block h-auto w-full"
      role="img"
      aria-label={t`Section through the system: ${texts.join('; ')}`}
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
        <text x={LEFT - 12} y={HEIGHT + 18} textAnchor="end">
          <tspan>{t`dry film`}</tspan>
          <tspan x={LEFT - 12} dy="15">
            {show(1, 'film').replace(/^[\d.]+ /, '')}
          </tspan>
        </text>
        <path d={`M${LEFT} ${y(total)}V${HEIGHT}`} stroke="var(--line)" />
        {drawn.flatMap(({ coats }) =>
          coats.map((coat) => (
            <rect
              key={coat.key}
              x={LEFT + 6}
              y={y(coat.to)}
              width={coat.right - LEFT - 6}
              height={Math.max(0.5, (coat.to - coat.from) * scale)}
              fill={coat.colour}
              fillOpacity={coat.there ? 1 : 0.28}
              stroke="var(--line)"
              strokeWidth={coat.there ? 1.2 : 0.9}
              strokeDasharray={coat.there ? undefined : '5 4'}
            />
          )),
        )}
        {drawn.flatMap(({ coats }) =>
          coats.map((coat) => <Joint key={coat.key} bond={coat.bond} y={y(coat.from)} to={coat.right} />),
        )}
        <rect
          x={LEFT + 6}
          y={HEIGHT}
          width={FILM_RIGHT - LEFT - 6}
          height={GROUND}
          fill="url(#ground)"
          stroke="var(--line)"
        />
        <text x={FILM_RIGHT + 116} y={HEIGHT + 22}>
          {substrate}
        </text>
        {drawn.map(({ step, from, to }, i) => (
          <g key={step.id}>
            <path
              d={`M${FILM_RIGHT} ${y((from + to) / 2)}L${FILM_RIGHT + 110} ${labelAt[i]}`}
              fill="none"
              stroke="var(--line)"
              strokeWidth="0.8"
            />
            <text x={FILM_RIGHT + 116} y={(labelAt[i] ?? 0) - 10} fontWeight="650">
              <title>{step.product}</title>
              {cutShort(step.product)}
            </text>
            <text x={FILM_RIGHT + 116} y={(labelAt[i] ?? 0) + 6}>
              {t`${step.coats} × ${show(step.micronsPerCoat, 'film')}, ${step.applied.length} applied`}
            </text>
            <text x={FILM_RIGHT + 116} y={(labelAt[i] ?? 0) + 22}>
              {t`${BOND_WORDS[step.bonds[0] ?? 'keyed']} below`}
              {step.band && `; ${step.band}`}
            </text>
          </g>
        ))}
        {levels.map((level) => (
          <Level key={level.text} {...level} />
        ))}
      </g>
    </svg>
  );
}

import { useId } from 'react';
import type { Waterline } from '../../contract/index.ts';
import { hullLines, type Point } from '../../core/hull/index.ts';
import type { StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { pathOf, type XY } from '../parts/drawing/drawn.ts';
import type { HullView } from './strikeView.ts';

const ACROSS = 1000;

/** The boat as it stands on the level floor: turned by its trim, with the datum, the marks and the waterline. */
export function LineDrawing({ view, plan, struck }: { view: HullView; plan: Waterline; struck: StruckLine }) {
  const arrow = useId();
  const { boat } = view;
  const lines = hullLines({ ...boat, form: view.form });
  const scale = ACROSS / lines.lengthM;
  const { fit } = struck;
  const trim = Math.asin(Math.max(-1, Math.min(1, fit.bMmPerM / 1000)));
  // Upright heights above the datum, m, bow to the right.
  const at = ({ x, z }: Point): XY => [
    (x * Math.cos(trim) - z * Math.sin(trim)) * scale,
    -(fit.aMm / 1000 + x * Math.sin(trim) + z * Math.cos(trim)) * scale,
  ];
  const outline = Object.entries(lines.profile.zones).filter(
    ([zone]) => zone !== 'bilge' && zone !== 'boot-stripe' && zone !== 'transom',
  );
  const all = outline.flatMap(([, points]) => points.map(at));
  const top = Math.min(...all.map(([, y]) => y));
  const low = Math.max(...all.map(([, y]) => y), 0);
  const rise = struck.raiseMm / 1000;
  const lineAt = (z: number) => {
    const rows = struck.sheet.filter((row) => row.side === 'starboard');
    const [first, last] = [rows[0]?.xM ?? 0, rows.at(-1)?.xM ?? lines.lengthM];
    return [
      { x: first, z },
      { x: last, z },
    ];
  };
  const bad = fit.outliers.verdict === 'named' ? fit.outliers.indices : [];
  return (
    <svg
      viewBox={`-30 ${top - 20} ${ACROSS + 60} ${low - top + 74}`}
      className="block h-auto w-full"
      role="img"
      aria-label={t`${boat.name} as it stands ashore, bow ${Math.abs(fit.trimDeg).toFixed(2)} degrees ${fit.trimDeg < 0 ? 'down' : 'up'}, with the datum and reference marks`}
    >
      <g stroke="var(--line)" strokeWidth="1.4" fill="var(--board)" strokeLinejoin="round">
        {outline.map(([zone, points]) => (
          <path key={zone} d={pathOf(points.map(at))} />
        ))}
      </g>
      <g fill="none" stroke="var(--line)">
        <path d={pathOf(lineAt(0).map(at), false)} strokeDasharray="14 5 3 5" strokeWidth="1" />
        <path d={pathOf(lineAt(rise).map(at), false)} strokeWidth="4" />
        <path d={`M-20 0H${ACROSS + 20}`} strokeWidth="1.4" strokeDasharray="3 6" />
      </g>
      <text x={ACROSS + 18} y="34" textAnchor="end" fontSize="30" fill="var(--line)">{t`level datum`}</text>
      {plan.marks.map((mark, i) => {
        const [x] = at({ x: mark.xM, z: 0 });
        const y = -(mark.readingMm / 1000) * scale;
        return (
          <g key={mark.id} stroke="var(--line)" strokeWidth="2">
            <title>{t`Mark ${i + 1}`}</title>
            <path d={`M${x} 0V${y}`} strokeWidth="0.7" strokeDasharray="2 5" />
            {bad.includes(i) ? (
              <path d={`M${x - 12} ${y - 12}l24 24M${x + 12} ${y - 12}l-24 24`} strokeWidth="4" />
            ) : (
              <circle cx={x} cy={y} r="10" fill={mark.side === 'port' ? 'var(--board)' : 'var(--line)'} />
            )}
            <text
              id={`${arrow}-${i}`}
              x={x}
              y={y - 16}
              fontSize="32"
              fontWeight="650"
              textAnchor="middle"
              fill="var(--line)"
              stroke="var(--board)"
              strokeWidth="5"
              paintOrder="stroke"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

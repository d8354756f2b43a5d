import { t } from '../../../words.ts';
import { type Drawn, pathOf, type XY } from './drawn.ts';

/** The body plan: sections forward of midships to the right of the centreline, aft ones to the left. */
export function SectionsView({ drawn }: { drawn: Drawn }) {
  const { lines, scale } = drawn;
  const top = lines.profile.maxZ;
  const y = (z: number) => (top - z) * scale;
  const middle = lines.halfBeamM * scale;
  const foot = Math.min(...lines.sections.flatMap((s) => s.points.map((p) => p.z)));
  return (
    <g stroke="var(--line)" fill="none" strokeLinejoin="round">
      {lines.sections.map(({ x, points, fore }) => {
        const side = (p: { y: number; z: number }): XY => [middle + (fore ? 1 : -1) * p.y * scale, y(p.z)];
        return <path key={x} d={pathOf(points.map(side), false)} strokeWidth="1.2" />;
      })}
      <line x1={-16} x2={2 * middle + 16} y1={y(0)} y2={y(0)} strokeWidth="1" strokeDasharray="14 5 3 5" />
      <line
        x1={middle}
        x2={middle}
        y1={y(top) + 8}
        y2={y(foot) + 12}
        strokeWidth="0.8"
        strokeDasharray="20 5 4 5"
      />
      <g fontSize="20" stroke="none" fill="var(--line)" textAnchor="middle">
        <text x={middle / 2} y={y(foot) + 30}>{t`aft`}</text>
        <text x={middle * 1.5} y={y(foot) + 30}>{t`fore`}</text>
      </g>
    </g>
  );
}

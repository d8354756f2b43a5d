import type { PlanPoint } from '../../../core/hull/index.ts';
import { Balloon } from './AreaShape.tsx';
import { ACROSS, type Drawn, type DrawnArea, fromLeft, onSide, pathOf, type XY } from './drawn.ts';
import { ZoneShapes } from './ZoneShapes.tsx';

/** Height of the half-breadth plan in drawing units: the whole beam. */
export const planHeight = ({ lines, scale }: Drawn) => 2 * lines.halfBeamM * scale;

/** The boat from above on one half, from below on the other: deck and house above the centreline, waterlines under it. */
export function PlanView({ drawn }: { drawn: Drawn }) {
  const { lines, areas, seenFrom, scale, detailed, selectedId } = drawn;
  const flip = seenFrom === 'port';
  const middle = lines.halfBeamM * scale;
  const x = (m: number) => (flip ? lines.lengthM - m : m) * scale;
  const above = (p: PlanPoint): XY => [x(p.x), middle - p.y * scale];
  const below = (p: PlanPoint): XY => [x(p.x), middle + p.y * scale];
  const { sheer, waterlines, cabin } = lines.plan;
  const floating = waterlines.find((each) => each.z === 0)?.points ?? [];
  const toCentre = (points: readonly XY[]): XY[] => {
    const [first, last] = [points[0], points.at(-1)];
    return first && last ? [[first[0], middle], ...points, [last[0], middle]] : [];
  };
  const here = (zone: DrawnArea['zone']) =>
    areas.filter(
      (a) =>
        a.zone === zone && onSide(a.side, seenFrom) && a.part?.kind !== 'patch' && a.part?.kind !== 'spot',
    );
  const zones = [
    { zone: 'deck' as const, points: toCentre(sheer.map(above)) },
    { zone: 'cabin' as const, points: cabin ? toCentre(cabin.map(above)) : [] },
    { zone: 'topsides' as const, points: toCentre(sheer.map(below)) },
    // Of two hulls the line is a ring by itself, away from the centreline.
    {
      zone: 'bottom' as const,
      points: lines.form.apartM === undefined ? toCentre(floating.map(below)) : floating.map(below),
    },
  ].filter((each) => each.points.length > 2);
  return (
    <g stroke="var(--line)" strokeWidth="1.4" strokeLinejoin="round">
      {zones.map(({ zone, points }) => (
        <ZoneShapes key={zone} outline={points} areas={here(zone)} drawn={drawn} />
      ))}
      {waterlines.map(({ z, points }) => (
        <path
          key={z}
          d={pathOf(points.map(below), false)}
          fill="none"
          strokeWidth={z === 0 ? 1.2 : 0.7}
          strokeDasharray={z === 0 ? '14 5 3 5' : undefined}
        />
      ))}
      <line x1={-12} x2={ACROSS + 12} y1={middle} y2={middle} strokeWidth="1" strokeDasharray="20 5 4 5" />
      {detailed &&
        zones.flatMap(({ zone, points }) => {
          const xs = points.map(([px]) => px);
          const [left, width] = [Math.min(...xs), Math.max(...xs) - Math.min(...xs)];
          const at = { deck: [0.14, 0.5], cabin: [0.5, 0.3], topsides: [0.42, 0.88], bottom: [0.6, 0.4] }[
            zone
          ] as [number, number];
          const sign = zone === 'deck' || zone === 'cabin' ? -1 : 1;
          return here(zone).map((area, i, list) => (
            <Balloon
              key={area.id}
              at={[
                left + (width * (fromLeft(i, list.length, seenFrom) + at[0])) / list.length,
                middle + sign * middle * at[1],
              ]}
              text={String(area.number)}
              chosen={area.id === selectedId}
            />
          ));
        })}
    </g>
  );
}

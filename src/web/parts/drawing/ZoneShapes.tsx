import { useId } from 'react';
import { AreaShape } from './AreaShape.tsx';
import { type Drawn, type DrawnArea, fromLeft, pathOf, type XY } from './drawn.ts';

/** One part of the boat with its areas: one fills it, several share it side by side from aft, none leaves the board. */
export function ZoneShapes({
  outline,
  areas,
  drawn,
}: {
  outline: readonly XY[];
  areas: readonly DrawnArea[];
  drawn: Drawn;
}) {
  const clip = useId();
  const d = pathOf(outline);
  if (areas.length === 0) return <path d={d} fill="var(--board)" />;
  const xs = outline.map(([x]) => x);
  const left = Math.min(...xs);
  const width = (Math.max(...xs) - left) / areas.length;
  return areas.map((area, i) => (
    <AreaShape
      key={area.id}
      area={area}
      d={d}
      drawn={drawn}
      clip={
        areas.length > 1
          ? { id: `${clip}-${i}`, x: left + width * fromLeft(i, areas.length, drawn.seenFrom), width }
          : undefined
      }
    />
  ));
}

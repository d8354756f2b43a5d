import type { Area } from '../../contract/index.ts';
import { equalStrips, hasHull, hullLines, type Point } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useBoat } from '../api/boatQueries.ts';
import { areaOutlines } from '../parts/drawing/areaOutline.ts';
import { pathOf } from '../parts/drawing/drawn.ts';
import { orProblem } from './batchInHand.ts';

/** More strips than this are too narrow for a thumb, and for their numbers. */
const MOST_DRAWN = 16;
const ACROSS = 1000;
/** A long low area is drawn taller than it is, for the thumb: at least this share of its length. */
const LEAST_HEIGHT = 0.2;

interface Props {
  boatId: string;
  areaId: string;
  /** A part of the area was covered on an earlier day: nobody noted which. */
  isPart: boolean;
  count: number;
  isCovered: (no: number) => boolean;
  onTap: (no: number) => void;
}

/** The area as one stands before it, in sections of equal size from the left. The buttons beside it do the same for keys and for readers aloud. */
export function SectionsDrawing({ boatId, areaId, isPart, count, isCovered, onTap }: Props) {
  const { data } = useBoat(boatId);
  const area = data?.areas.find(({ id }) => id === areaId);
  if (!data || !area || !hasHull(data.boat) || isPart || count < 2 || count > MOST_DRAWN) return null;
  const { kind, dimensions } = data.boat;
  const { value: strips } = orProblem(() => {
    const outlines = areaOutlines(hullLines({ kind, dimensions, form: data.form }), area, data.areas);
    return outlines.length > 0 ? equalStrips(outlines, count) : null;
  });
  if (!strips) return null;
  const { at, height } = frameOf(strips.flat(2));
  return (
    <figure className="space-y-1">
      <svg
        viewBox={`-6 -6 ${ACROSS + 12} ${(height + 12).toFixed(0)}`}
        className="block h-auto max-h-72 w-full max-w-3xl"
        aria-hidden="true"
      >
        {strips.map((strip, no) => {
          const pieces = strip.map((piece) => piece.map(at));
          const [xs, ys] = [pieces.flat().map(([x]) => x), pieces.flat().map(([, y]) => y)];
          const covered = isCovered(no);
          return (
            // biome-ignore lint/a11y/noStaticElementInteractions: the button of the section beside it does the same
            <g
              // biome-ignore lint/suspicious/noArrayIndexKey: a section is its number
              key={no}
              className="cursor-pointer"
              onClick={() => onTap(no)}
            >
              <path
                d={pieces.map((piece) => pathOf(piece)).join('')}
                fill={covered ? 'var(--line)' : 'var(--board)'}
                stroke={covered ? 'var(--board)' : 'var(--line)'}
                strokeWidth="3"
                strokeLinejoin="round"
              />
              <text
                x={(Math.min(...xs) + Math.max(...xs)) / 2}
                y={(Math.min(...ys) + Math.max(...ys)) / 2 + 15}
                fontSize={count > 10 ? 34 : 44}
                fontWeight="650"
                textAnchor="middle"
                fill={covered ? 'var(--board)' : 'var(--line)'}
              >
                {covered ? `✓${no + 1}` : no + 1}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-sm">
        {t`${lookedAt(area)} Sections of equal size; the drawing is not to scale.`}
      </figcaption>
    </figure>
  );
}

/** From where the area is seen. */
function lookedAt({ zone, side }: Area): string {
  if (zone === 'deck') return t`From above, bow to the right.`;
  if (side === 'both' && zone !== 'bilge')
    return t`As you walk round the bow: starboard on the left, port on the right.`;
  return t`As you face it: the bow is on the ${side === 'port' && zone !== 'bilge' ? 'left' : 'right'}.`;
}

/** Where a point lies on the drawing, and how tall that is. */
function frameOf(points: readonly Point[]) {
  const [xs, zs] = [points.map(({ x }) => x), points.map(({ z }) => z)];
  const [left, top] = [Math.min(...xs), Math.max(...zs)];
  const scale = ACROSS / (Math.max(...xs) - left);
  const tall = Math.max(top - Math.min(...zs), 1e-6) * scale;
  const stretch = Math.max(1, (LEAST_HEIGHT * ACROSS) / tall);
  return {
    height: tall * stretch,
    at: ({ x, z }: Point) => [(x - left) * scale, (top - z) * scale * stretch] as const,
  };
}

import type { MouseEvent, RefObject } from 'react';
import { hasHull } from '../../../core/hull/index.ts';
import { t } from '../../../words.ts';
import { useUnits } from '../../units/UnitsContext.tsx';
import { Dimension, HeightMark } from './Dimensions.tsx';
import { ACROSS, type DrawingView, type Drawn, type DrawnHull } from './drawn.ts';
import { PlanView, planHeight } from './PlanView.tsx';
import { ProfileView, profileFrame } from './ProfileView.tsx';
import { SectionsView } from './SectionsView.tsx';
import { TitleBlock } from './TitleBlock.tsx';
import { type DrawingProps, useDrawn } from './useDrawn.ts';

interface Props extends DrawingProps {
  view?: DrawingView;
  /** A place is being picked: called with it, metres from aft and above the waterline. */
  onPlace?: ((place: { xM: number; zM: number }) => void) | undefined;
  drawing?: RefObject<SVGSVGElement | null>;
}

const VIEW_WORDS: Record<DrawingView, string> = {
  profile: t`in profile`,
  plan: t`in plan`,
  sections: t`in section`,
  sheet: t`in profile, plan and section`,
};

/** The boat drawn to her own proportions: profile, plan, sections, or all on one sheet; areas told by pattern and number. */
export function BoatDrawing(props: Props) {
  return hasHull(props.boat) ? <HullDrawing {...props} boat={props.boat} /> : null;
}

function HullDrawing(props: Props & { boat: DrawnHull }) {
  const { boat, areas, view = 'profile', seenFrom = 'starboard', detailed = false, onPlace } = props;
  const { show } = useUnits();
  const { loaM, beamM, draughtM } = boat.dimensions;
  const drawn = useDrawn({ ...props, boat, onSelect: onPlace ? undefined : props.onSelect });
  const { lines, scale } = drawn;
  const { x, y, height } = profileFrame(drawn);
  const frame = frameOf(view, drawn, height);
  const pick = (event: MouseEvent<SVGSVGElement>) => {
    const svg = event.currentTarget;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()?.inverse());
    const along = at.x / scale;
    onPlace?.({
      xM: seenFrom === 'port' ? lines.lengthM - along : along,
      zM: lines.profile.maxZ - at.y / scale,
    });
  };
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: a place can be typed as well, in the fields beside
    <svg
      ref={props.drawing}
      viewBox={frame.box.map((n) => n.toFixed(1)).join(' ')}
      className={`block h-auto max-h-[70vh] w-full ${onPlace ? 'cursor-crosshair' : ''}`}
      role={props.onSelect ? 'group' : 'img'}
      aria-label={t`${boat.name} ${VIEW_WORDS[view]}, viewed from ${seenFrom}`}
      onClick={onPlace ? pick : undefined}
    >
      {(view === 'profile' || view === 'sheet') && (
        <>
          <ProfileView drawn={drawn} />
          {detailed && (
            <>
              <Dimension
                from={0}
                to={ACROSS}
                at={frame.dimensionAt}
                text={t`length overall ${show(loaM, 'length')}`}
              />
              <HeightMark
                at={ACROSS + 44}
                top={y(0)}
                bottom={y(Math.min(-draughtM, 0))}
                text={show(draughtM, 'length')}
              />
            </>
          )}
        </>
      )}
      {(view === 'plan' || view === 'sheet') && (
        <g transform={`translate(0 ${frame.planAt})`}>
          <PlanView drawn={drawn} />
          {detailed && (
            <HeightMark
              at={ACROSS + 44}
              top={0}
              bottom={planHeight(drawn)}
              text={t`beam ${show(beamM, 'length')}`}
            />
          )}
        </g>
      )}
      {(view === 'sections' || view === 'sheet') && (
        <g transform={`translate(${frame.sectionsAt} 0)`}>
          <SectionsView drawn={drawn} />
        </g>
      )}
      {view === 'sheet' && (
        <TitleBlock boat={boat} areas={areas} at={frame.titleAt} lengthM={lines.lengthM} />
      )}
      {view === 'profile' && onPlace && <line x1={x(0)} x2={x(0)} y1={0} y2={0} />}
    </svg>
  );
}

/** The position of each view on the drawing, and the box round every view. */
function frameOf(view: DrawingView, drawn: Drawn, height: number) {
  const { detailed, stands } = drawn;
  const margin = detailed ? 74 : 18;
  const ground = stands.length > 0 ? 26 : 0;
  const below = (detailed ? 62 : 12) + ground;
  const top = detailed ? margin * 0.6 : margin * 0.5;
  const dimensionAt = height + ground + 34;
  const beam = planHeight(drawn);
  if (view === 'plan') {
    return place({ box: [-margin, -24, ACROSS + 2 * margin, beam + 48], planAt: 0, dimensionAt });
  }
  if (view === 'sections') {
    return place({ box: [-40, -top, beam + 80, height + top + 50], dimensionAt });
  }
  if (view === 'sheet') {
    const right = ACROSS + 120;
    const planAt = height + below + 40;
    const width = right + Math.max(beam, 380) + 60;
    return place({
      box: [-50, -50, width + 50, planAt + Math.max(beam, 290) + 90],
      planAt,
      sectionsAt: right + Math.max(0, (380 - beam) / 2),
      titleAt: [right - 10, planAt],
      dimensionAt,
    });
  }
  return place({ box: [-margin, -top, ACROSS + 2 * margin, height + top + below], dimensionAt });
}

const place = (frame: {
  box: [number, number, number, number];
  planAt?: number;
  sectionsAt?: number;
  titleAt?: [number, number];
  dimensionAt: number;
}) => ({ planAt: 0, sectionsAt: 0, titleAt: [0, 0] as [number, number], ...frame });

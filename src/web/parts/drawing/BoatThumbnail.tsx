import { hasHull } from '../../../core/hull/index.ts';
import { t } from '../../../words.ts';
import { ACROSS, type DrawnHull } from './drawn.ts';
import { ProfileView, profileFrame } from './ProfileView.tsx';
import { type DrawingProps, useDrawn } from './useDrawn.ts';

type Props = Pick<DrawingProps, 'boat' | 'areas'>;

/** The boat in profile, as small as in a list of boats. It stands apart from the drawing with all views, so that the first screen needn’t load them. */
export const BoatThumbnail = (props: Props) =>
  hasHull(props.boat) ? <HullThumbnail {...props} boat={props.boat} /> : null;

function HullThumbnail(props: Props & { boat: DrawnHull }) {
  const drawn = useDrawn(props);
  const { height } = profileFrame(drawn);
  return (
    <svg
      viewBox={`-18 -9 ${ACROSS + 36} ${(height + 21).toFixed(1)}`}
      className="block h-auto max-h-[70vh] w-full"
      role="img"
      aria-label={t`${props.boat.name} in profile, viewed from starboard`}
    >
      <ProfileView drawn={drawn} />
    </svg>
  );
}

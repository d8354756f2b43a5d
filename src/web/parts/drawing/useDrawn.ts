import { useMemo } from 'react';
import { hullLines } from '../../../core/hull/index.ts';
import { ACROSS, type Drawn, type DrawnArea, type DrawnBoat, type DrawnHull, type Seen } from './drawn.ts';

export interface DrawingProps {
  boat: DrawnBoat;
  areas: readonly DrawnArea[];
  stands?: Drawn['stands'];
  findings?: Drawn['findings'];
  /** From which side the boat is seen; areas of the other side are not drawn. */
  seenFrom?: Seen;
  selectedId?: string | undefined;
  onSelect?: ((id: string) => void) | undefined;
  /** Dimension lines and balloons: off for a thumbnail. */
  detailed?: boolean;
}

/** The lines of a hull at the scale of the drawing, with what is drawn on them. */
export function useDrawn(props: DrawingProps & { boat: DrawnHull }): Drawn {
  const { kind, dimensions, form = null } = props.boat;
  const { loaM, lwlM, beamM, draughtM, freeboardM } = dimensions;
  const lines = useMemo(
    () => hullLines({ kind, dimensions: { loaM, lwlM, beamM, draughtM, freeboardM }, form }),
    [kind, loaM, lwlM, beamM, draughtM, freeboardM, form],
  );
  return {
    lines,
    areas: props.areas,
    stands: props.stands ?? [],
    findings: props.findings ?? [],
    seenFrom: props.seenFrom ?? 'starboard',
    selectedId: props.selectedId,
    onSelect: props.onSelect,
    detailed: props.detailed ?? false,
    scale: ACROSS / lines.lengthM,
  };
}

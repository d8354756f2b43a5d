import type { Area, Boat, Finding, Stand } from '../../../contract/index.ts';
import type { Hull, HullLines, OffsetTable, Zone } from '../../../core/hull/index.ts';
import type { ClockState } from '../../state/states.ts';

/** An area as the drawing shows it. */
export interface DrawnArea {
  id: string;
  name: string;
  zone: Zone;
  side: Area['side'];
  state: ClockState;
  /** Balloon number, as in the list beside the drawing. */
  number: number;
  part?: Area['part'];
}

/** A boat to be drawn; one without a hull, or of unknown dimensions, is not. */
export type DrawnBoat = Pick<Boat, 'name' | 'kind' | 'dimensions'> & { form?: OffsetTable | null };
export type DrawnHull = Hull<DrawnBoat>;
export type Seen = 'port' | 'starboard';
export type DrawingView = 'profile' | 'plan' | 'sections' | 'sheet';

/** The contents of the drawing, and how they can be selected. */
export interface Drawn {
  lines: HullLines;
  areas: readonly DrawnArea[];
  stands: readonly Stand[];
  findings: readonly (Pick<Finding, 'id' | 'place' | 'verdict' | 'kind'> & { letter: string })[];
  seenFrom: Seen;
  selectedId: string | undefined;
  onSelect: ((id: string) => void) | undefined;
  detailed: boolean;
  /** Drawing units a metre. */
  scale: number;
}

/** Drawing units across the length overall: keeps strokes and letters in proportion for any boat. */
export const ACROSS = 1000;

export type XY = readonly [x: number, y: number];

export const pathOf = (points: readonly XY[], closed = true): string =>
  points.length === 0
    ? ''
    : `${points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')}${closed ? 'Z' : ''}`;

export const onSide = (side: Area['side'], seen: Seen): boolean =>
  side === seen || side === 'both' || side === 'centre';

/** Which of some areas that share a part of the boat from aft comes first from the left: seen from port the bow is there. */
export const fromLeft = (index: number, count: number, seen: Seen): number =>
  seen === 'port' ? count - 1 - index : index;

import type { AreaInput, PartKind } from '../../contract/index.ts';
import type { AreaWay, Craft, Shape, Zone } from '../../core/hull/index.ts';
import { FAMILIES } from '../../core/system/index.ts';
import type { Units } from '../units/UnitsContext.tsx';

/** Choices as the screens say them, in the order they are offered. */

export const KIND_WORDS: Record<Craft, string> = {
  'long-keel': 'Long keel',
  'fin-keel': 'Fin keel',
  'bilge-keel': 'Bilge keels',
  'hard-chine-motor': 'Hard-chine motor boat',
  'flat-bottomed': 'Flat-bottomed canal or river boat',
  'open-dinghy': 'Open dinghy or gig',
  catamaran: 'Catamaran',
  workboat: 'Workboat',
  parts: 'Parts only (tank, locker, doors, panels)',
};

export const ZONE_WORDS: Record<Zone, string> = {
  topsides: 'Topsides',
  'boot-stripe': 'Boot stripe',
  bottom: 'Bottom',
  keel: 'Keel',
  rudder: 'Rudder',
  transom: 'Transom',
  deck: 'Deck',
  cabin: 'Cabin',
  bilge: 'Bilge',
  other: 'Other (not on the drawing)',
};

export const SIDE_WORDS: Record<AreaInput['side'], string> = {
  both: 'Both sides',
  port: 'Port',
  starboard: 'Starboard',
  centre: 'Centre',
};

export const SERVICE_WORDS: Record<AreaInput['service'], string> = {
  immersed: 'Immersed',
  splash: 'Splash zone',
  daylight: 'Daylight and weather',
  interior: 'Interior',
  bilge: 'Bilge',
  tank: 'Inside a tank',
};

export const SURROUNDING_WORDS: Record<AreaInput['surroundings']['kind'], string> = {
  open: 'Open (no cover)',
  shaded: 'Shaded',
  tent: 'Tent',
  shed: 'Shed',
  heated: 'Heated to a set temperature',
};

/** Where an area stands or stood: "Tent", "Heated to 18 °C". */
export const sayShelter = (surroundings: AreaInput['surroundings'], show: Units['show']): string =>
  surroundings.kind === 'heated'
    ? `Heated to ${show(surroundings.setPointC, 'temperature')}`
    : SURROUNDING_WORDS[surroundings.kind];

export const SHAPE_WORDS: Record<Shape['kind'], string> = {
  rectangle: 'Rectangle',
  triangle: 'Triangle',
  trapezium: 'Trapezium',
  circle: 'Circle',
  girths: 'Girths at stations',
};

export const WAY_WORDS: Record<AreaWay, string> = {
  hand: 'Hand measurements',
  rule: 'Rule of thumb',
  offsets: 'Table of offsets',
  mesh: 'Surface mesh',
  paint: 'Paint used last time',
};

export const choices = <T extends string>(words: Record<T, string>) => Object.entries(words) as [T, string][];

/** A part that was split off from an area, with the reason. */
export const PART_WORDS: Record<PartKind, string> = {
  patch: 'Patch under a support',
  spot: 'Spot (starts bare)',
  piece: 'Split-off piece (keeps its earlier coats)',
};

/** What may lie on an area from before. */
export const OLD_COATING_WORDS: Record<NonNullable<AreaInput['oldCoating']> | '', string> = {
  '': 'none, or removed',
  unknown: 'unknown paint',
  ...FAMILIES,
};

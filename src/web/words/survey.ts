import type { AreaInput, PartKind } from '../../contract/index.ts';
import type { AreaWay, Craft, Shape, Zone } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import type { Units } from '../units/UnitsContext.tsx';
import { FAMILY_WORDS } from './systems.ts';

/** Choices as the screens say them, in the order they are offered. */

export const KIND_WORDS: Record<Craft, string> = {
  'long-keel': t`Long keel`,
  'fin-keel': t`Fin keel`,
  'bilge-keel': t`Bilge keels`,
  'hard-chine-motor': t`Hard-chine motor boat`,
  'flat-bottomed': t`Flat-bottomed canal or river boat`,
  'open-dinghy': t`Open dinghy or gig`,
  catamaran: t`Catamaran`,
  workboat: t`Workboat`,
  parts: t`Parts only (tank, locker, doors, panels)`,
};

export const ZONE_WORDS: Record<Zone, string> = {
  topsides: t`Topsides`,
  'boot-stripe': t`Boot stripe`,
  bottom: t`Bottom`,
  keel: t`Keel`,
  rudder: t`Rudder`,
  transom: t`Transom`,
  deck: t`Deck`,
  cabin: t`Cabin`,
  bilge: t`Bilge`,
  other: t`Other (not on the drawing)`,
};

export const SIDE_WORDS: Record<AreaInput['side'], string> = {
  both: t`Both sides`,
  port: t`Port`,
  starboard: t`Starboard`,
  centre: t`Centre`,
};

export const SERVICE_WORDS: Record<AreaInput['service'], string> = {
  immersed: t`Immersed`,
  splash: t`Splash zone`,
  daylight: t`Daylight and weather`,
  interior: t`Interior`,
  bilge: t`Bilge`,
  tank: t`Inside a tank`,
};

export const SURROUNDING_WORDS: Record<AreaInput['surroundings']['kind'], string> = {
  open: t`Open (no cover)`,
  shaded: t`Shaded`,
  tent: t`Tent`,
  shed: t`Shed`,
  heated: t`Heated to a set temperature`,
};

/** Where an area stands or stood: "Tent", "Heated to 18 °C". */
export const sayShelter = (surroundings: AreaInput['surroundings'], show: Units['show']): string =>
  surroundings.kind === 'heated'
    ? t`Heated to ${show(surroundings.setPointC, 'temperature')}`
    : SURROUNDING_WORDS[surroundings.kind];

export const SHAPE_WORDS: Record<Shape['kind'], string> = {
  rectangle: t`Rectangle`,
  triangle: t`Triangle`,
  trapezium: t`Trapezium`,
  circle: t`Circle`,
  girths: t`Girths at stations`,
};

export const WAY_WORDS: Record<AreaWay, string> = {
  hand: t`Hand measurements`,
  rule: t`Rule of thumb`,
  offsets: t`Table of offsets`,
  mesh: t`Surface mesh`,
  paint: t`Paint used last time`,
};

export const choices = <T extends string>(words: Record<T, string>) => Object.entries(words) as [T, string][];

/** A part that was split off from an area, with the reason. */
export const PART_WORDS: Record<PartKind, string> = {
  patch: t`Patch under a support`,
  spot: t`Spot (starts bare)`,
  piece: t`Split-off piece (keeps its earlier coats)`,
};

/** What may lie on an area from before. */
export const OLD_COATING_WORDS: Record<NonNullable<AreaInput['oldCoating']> | '', string> = {
  '': t`none, or removed`,
  unknown: t`unknown paint`,
  ...FAMILY_WORDS,
};

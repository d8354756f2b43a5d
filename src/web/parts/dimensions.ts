import type { Dimensions } from '../../core/hull/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { FormReader } from '../forms/canonical.ts';

/** Main dimensions as typed. */
export type DimensionValues = Record<keyof Dimensions, string>;

export const DIMENSION_WORDS: Record<keyof Dimensions, string> = {
  loaM: t`Length overall`,
  lwlM: t`Waterline length`,
  beamM: t`Beam`,
  draughtM: t`Draught`,
  freeboardM: t`Mean freeboard`,
};

const KEYS = Object.keys(DIMENSION_WORDS) as (keyof Dimensions)[];

const each = <T>(value: (key: keyof Dimensions) => T) =>
  Object.fromEntries(KEYS.map((key) => [key, value(key)])) as Record<keyof Dimensions, T>;

export const dimensionsToValues = (dimensions: Dimensions | null, system: UnitSystem): DimensionValues =>
  each((key) => (dimensions ? fieldText(fromCanonical(dimensions[key], shownUnit('length', system))) : ''));

/** All five, or null where none is told; a few of them are refused at those that lack. */
export function valuesToDimensions(values: DimensionValues, read: FormReader): Dimensions | null {
  if (KEYS.every((key) => values[key].trim() === '')) return null;
  return each((key) =>
    read.quantity(`dimensions.${key}`, DIMENSION_WORDS[key].toLowerCase(), values[key], 'length'),
  );
}

import type { BoatInput } from '../../contract/index.ts';
import type { Craft } from '../../core/hull/index.ts';
import { fieldText, type UnitSystem } from '../../core/units/index.ts';
import type { FormReader } from '../forms/canonical.ts';
import { type DimensionValues, dimensionsToValues, valuesToDimensions } from '../parts/dimensions.ts';

/** A boat as typed. */
export interface BoatValues {
  name: string;
  kind: Craft;
  dimensions: DimensionValues;
  heading: string;
  note: string;
}

export const EMPTY_BOAT: BoatValues = {
  name: '',
  kind: 'fin-keel',
  dimensions: dimensionsToValues(null, 'metric'),
  heading: '',
  note: '',
};

export const boatToValues = (boat: BoatInput, system: UnitSystem): BoatValues => ({
  name: boat.name,
  kind: boat.kind,
  dimensions: dimensionsToValues(boat.dimensions, system),
  heading: boat.headingDeg == null ? '' : fieldText(boat.headingDeg),
  note: boat.note,
});

export const valuesToBoat = (values: BoatValues, id: string, read: FormReader): BoatInput => ({
  id,
  name: values.name.trim(),
  kind: values.kind,
  dimensions: values.kind === 'parts' ? null : valuesToDimensions(values.dimensions, read),
  headingDeg: read.optionalNumber('heading', 'heading', values.heading),
  note: values.note,
});

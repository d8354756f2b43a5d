import type { BoatInput } from '../../contract/index.ts';
import type { BoatKind } from '../../core/hull/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';
import type { FormReader } from '../forms/canonical.ts';

/** A boat as typed. */
export interface BoatValues {
  name: string;
  kind: BoatKind;
  dimensions: { loaM: string; lwlM: string; beamM: string; draughtM: string; freeboardM: string };
  note: string;
}

export const DIMENSION_WORDS: Record<keyof BoatValues['dimensions'], string> = {
  loaM: 'Length over all',
  lwlM: 'Waterline length',
  beamM: 'Beam',
  draughtM: 'Draught',
  freeboardM: 'Mean freeboard',
};

export const EMPTY_BOAT: BoatValues = {
  name: '',
  kind: 'fin-keel',
  dimensions: { loaM: '', lwlM: '', beamM: '', draughtM: '', freeboardM: '' },
  note: '',
};

export function boatToValues(boat: BoatInput, system: UnitSystem): BoatValues {
  const length = (m: number) => fieldText(fromCanonical(m, shownUnit('length', system)));
  const { loaM, lwlM, beamM, draughtM, freeboardM } = boat.dimensions;
  return {
    name: boat.name,
    kind: boat.kind,
    dimensions: {
      loaM: length(loaM),
      lwlM: length(lwlM),
      beamM: length(beamM),
      draughtM: length(draughtM),
      freeboardM: length(freeboardM),
    },
    note: boat.note,
  };
}

export function valuesToBoat(values: BoatValues, id: string, read: FormReader): BoatInput {
  const length = (key: keyof BoatValues['dimensions']) =>
    read.quantity(`dimensions.${key}`, DIMENSION_WORDS[key].toLowerCase(), values.dimensions[key], 'length');
  return {
    id,
    name: values.name.trim(),
    kind: values.kind,
    dimensions: {
      loaM: length('loaM'),
      lwlM: length('lwlM'),
      beamM: length('beamM'),
      draughtM: length('draughtM'),
      freeboardM: length('freeboardM'),
    },
    note: values.note,
  };
}

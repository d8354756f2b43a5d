import Joi from 'joi';
import type { Craft, Dimensions } from '../core/hull/index.ts';
import { t } from '../words.ts';
import { between, id, objectOf, oneOf, text, title, version } from './joi.ts';

export interface BoatInput {
  id: string;
  name: string;
  kind: Craft;
  /** null: not told; asked for where something needs them. Parts have none. */
  dimensions: Dimensions | null;
  /** Where the bow points, degrees clockwise from north: decides which side the sun is on; null or left out: not told. */
  headingDeg?: number | null;
  note: string;
}

export interface Boat extends BoatInput {
  version: number;
  archived: boolean;
}

const kinds = oneOf<Craft>({
  'long-keel': true,
  'fin-keel': true,
  'bilge-keel': true,
  'hard-chine-motor': true,
  'flat-bottomed': true,
  'open-dinghy': true,
  catamaran: true,
  workboat: true,
  parts: true,
});

const dimensions = objectOf<Dimensions>({
  loaM: between(t`Length overall (m)`, 0.5, 120).required(),
  lwlM: between(t`waterline length (m)`, 0.5, 120).required(),
  beamM: between('beam (m)', 0.1, 40).required(),
  draughtM: between('draught (m)', 0.01, 12).required(),
  freeboardM: between('freeboard (m)', 0.01, 12).required(),
})
  .custom((value: Dimensions, helpers) =>
    value.lwlM > value.loaM ? helpers.error('dimensions.lwl', { lwl: value.lwlM, loa: value.loaM }) : value,
  )
  .messages({
    'dimensions.lwl': t`Waterline length ({#lwl} m) can’t be more than length overall ({#loa} m)`,
  });

const fields = {
  name: title(t`boat name`).required(),
  kind: kinds.label(t`Boat type`).required(),
  dimensions: dimensions
    .allow(null)
    .when('kind', {
      is: 'parts',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.valid(null).messages({
        'any.only': t`A boat record for parts only can’t have hull dimensions`,
      }),
    })
    .required(),
  headingDeg: between('Heading (°)', 0, 360).allow(null).default(null),
  note: text(2000).label(t`note`).required(),
};

export const boatInput = objectOf<BoatInput>({ id: id().required(), ...fields });
export const boatUpdate = objectOf<BoatInput & { version: number }>({
  id: id().required(),
  ...fields,
  version: version(1),
});

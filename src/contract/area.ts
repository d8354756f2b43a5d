import Joi from 'joi';
import type { Surroundings } from '../core/air/index.ts';
import type { AreaWay, Measure, Shape, WayResult, Zone } from '../core/hull/index.ts';
import type { Family, ServiceKind, Substrate } from '../core/system/index.ts';
import { t } from '../words.ts';
import { families, substrates } from './families.ts';
import type { EarlierShelter } from './formats/shelters.ts';
import { between, fraction, id, instant, objectOf, oneOf, text, title, version } from './joi.ts';
import { earlierShelters, surroundings } from './shelter.ts';

/** What the area has to stand. */
export type Service = ServiceKind;
export type Side = 'port' | 'starboard' | 'both' | 'centre';

/** m² by a way other than hand measures, with what it was reckoned from. */
export interface Estimate extends WayResult {
  way: Exclude<AreaWay, 'hand'>;
  basis: string;
}

/** Why a piece was cut out of an area: hidden by a stand, found different, or simply divided. */
export type PartKind = 'patch' | 'spot' | 'piece';

/** What an area was cut out of; its m² count there no more. */
export interface PartOf {
  areaId: string;
  kind: PartKind;
  /** The stand that hides it, of a patch. */
  standId: string | null;
  /** The part uses the present system of the area it was split off from. */
  sharesSystem: boolean;
  /** When it was cut out: coats applied on the whole before then lie on a piece too. */
  at: string;
}

export interface AreaInput {
  id: string;
  boatId: string;
  name: string;
  zone: Zone;
  side: Side;
  substrate: Substrate;
  service: Service;
  surroundings: Surroundings;
  /** Where it stood before, in order; left out of a change: a new shelter counts from now on. */
  earlierShelters?: EarlierShelter[];
  /** The existing coating; null: bare. */
  oldCoating: Family | 'unknown' | null;
  /** Wears faster than the rest: leading edges, the band at the waterline. */
  highWear: boolean;
  part: PartOf | null;
  measures: Measure[];
  /** What other ways than the hand measures gave. */
  estimates: Estimate[];
  /** The way used; null: the one with the least spread. */
  chosenWay: AreaWay | null;
  /** Spread of the measures as a fraction. */
  spread: number;
  note: string;
}

export interface Area extends AreaInput {
  earlierShelters: EarlierShelter[];
  version: number;
  archived: boolean;
}

const metres = (label: string) => between(`${label} (m)`, 0.001, 200).required();

const shape = Joi.alternatives<Shape>().conditional('.kind', {
  switch: [
    {
      is: 'rectangle',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.object({
        kind: Joi.valid('rectangle').required(),
        lengthM: metres('length'),
        widthM: metres('width'),
      }),
    },
    {
      is: 'triangle',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.object({
        kind: Joi.valid('triangle').required(),
        baseM: metres('base'),
        heightM: metres('height'),
      }),
    },
    {
      is: 'trapezium',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.object({
        kind: Joi.valid('trapezium').required(),
        sideAM: metres(t`first side`),
        sideBM: metres(t`second side`),
        heightM: metres('height'),
      }),
    },
    {
      is: 'circle',
      // biome-ignore lint/suspicious/noThenProperty: Joi's own word for the branch
      then: Joi.object({ kind: Joi.valid('circle').required(), diameterM: metres('diameter') }),
    },
  ],
  otherwise: Joi.object({
    kind: Joi.valid('girths').required(),
    spacingM: metres(t`station spacing`),
    girthsM: Joi.array()
      .items(between('Girth (m)', 0, 200))
      .min(2)
      .max(400)
      .label(t`girths`)
      .required(),
    rule: Joi.valid('simpson', 'trapezoid').label(t`Integration rule`).required(),
  }),
});

const measure = Joi.object<Measure>({
  shape: shape.required(),
  count: Joi.number().integer().min(1).max(100).label(t`Quantity`).required(),
  opening: Joi.boolean().required(),
  note: text(200).label(t`Measurement note`),
});

const estimateFields = {
  way: oneOf<Estimate['way']>({ rule: true, offsets: true, mesh: true, paint: true })
    .label(t`Source of the estimate`)
    .required(),
  areaM2: between('area (m²)', 0.0001, 10_000).required(),
  spread: fraction(t`Uncertainty`, 0, 1).required(),
  basis: text(300).label(t`Basis of the estimate`).required(),
};
const estimate = objectOf<Estimate>(estimateFields);

const part = objectOf<PartOf>({
  areaId: id().label(t`Original area`).required(),
  kind: oneOf<PartKind>({ patch: true, spot: true, piece: true }).label(t`Type of split-off`).required(),
  standId: id().label(t`Support`).allow(null).required(),
  sharesSystem: Joi.boolean().required(),
  at: instant().label(t`Time of the split`).required(),
});

/** The parts of a boat an area may lie on. */
export const zoneOf = oneOf<Zone>({
  topsides: true,
  'boot-stripe': true,
  bottom: true,
  keel: true,
  rudder: true,
  transom: true,
  deck: true,
  cabin: true,
  bilge: true,
  other: true,
});

const fields = {
  boatId: id().required(),
  name: title(t`area name`).required(),
  zone: zoneOf.label(t`Part of the boat`).required(),
  side: oneOf<Side>({ port: true, starboard: true, both: true, centre: true }).label(t`side`).required(),
  substrate: oneOf<Substrate>(substrates).label(t`substrate`).required(),
  service: oneOf<Service>({
    immersed: true,
    splash: true,
    daylight: true,
    interior: true,
    bilge: true,
    tank: true,
  })
    .label(t`Exposure`)
    .required(),
  surroundings: surroundings.label(t`Shelter`).required(),
  oldCoating: oneOf<Family | 'unknown'>({ ...families, unknown: true })
    .allow(null)
    .label(t`Existing coating`)
    .required(),
  highWear: Joi.boolean().label(t`high wear`).required(),
  part: part.allow(null).label(t`Split off from`).required(),
  measures: Joi.array().items(measure).max(60).label(t`Measurements`).required(),
  estimates: Joi.array().items(estimate).max(4).unique('way').label(t`Estimates`).required(),
  chosenWay: oneOf<AreaWay>({ hand: true, rule: true, offsets: true, mesh: true, paint: true })
    .allow(null)
    .label(t`Estimate used`)
    .required(),
  spread: fraction(t`Uncertainty`, 0, 1).required(),
  note: text(2000).label(t`note`).required(),
};

export const areaInput = objectOf<AreaInput>({
  id: id().required(),
  ...fields,
  earlierShelters: earlierShelters.default([]),
});
export const areaUpdate = objectOf<AreaInput & { version: number }>({
  id: id().required(),
  ...fields,
  earlierShelters,
  version: version(1),
});

/** Several areas at once: every one is saved, or no area is. */
export const areasInput = objectOf<{ areas: AreaInput[] }>({
  areas: Joi.array().items(areaInput).min(1).max(60).unique('id').label(t`areas`).required(),
});

/** m² by one way for several areas at once: each takes the place of what that way gave before. */
export interface EstimatesInput {
  estimates: (Estimate & { areaId: string })[];
}
export const estimatesInput = objectOf<EstimatesInput>({
  estimates: Joi.array()
    .items(
      objectOf<Estimate & { areaId: string }>({ ...estimateFields, areaId: id().label(t`area`).required() }),
    )
    .min(1)
    .max(60)
    .label(t`estimates`)
    .required(),
});

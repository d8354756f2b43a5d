import Joi from 'joi';
import type { HullCuts, Hydrostatics, OffsetTable, Placement, Zone } from '../core/hull/index.ts';
import { t } from '../words.ts';
import { zoneOf } from './area.ts';
import { between, objectOf, oneOf, text, title, version } from './joi.ts';

/** Stored with a mesh file: its placement, how it was divided, and the result. */
export interface MeshRecord {
  fileName: string;
  bytes: number;
  /** SHA-256 of the file, as the ETag of the answer to sending it said; left out: the file sent last. */
  fileHash?: string;
  faces: number;
  placement: Placement;
  cuts: HullCuts;
  zones: { name: string; zone: Zone; portM2: number; starboardM2: number }[];
  /** null where the surface is not closed under water. */
  hydrostatics: Hydrostatics | null;
  warnings: string[];
  /** The hull read off it at stations and waterlines, for drawing and for the line. */
  table: OffsetTable;
}

/** What a boat's shape is taken from. */
export type FormSource = 'dimensions' | 'offsets' | 'mesh';

export interface HullFormInput {
  offsets: OffsetTable | null;
  mesh: MeshRecord | null;
  /** The source for drawings and waterline; null: the best available. */
  use: FormSource | null;
  version: number;
}

export interface HullForm extends HullFormInput {
  boatId: string;
  /** Whether the mesh's file is kept on the server. */
  meshKept: boolean;
}

const MOST = 200;
const metres = (label: string) => between(`${label} (m)`, -200, 200);

const table = objectOf<OffsetTable>({
  stationsM: Joi.array().items(metres('station')).min(2).max(MOST).label(t`stations`).required(),
  waterlinesM: Joi.array().items(metres('waterline')).min(2).max(MOST).label(t`waterlines`).required(),
  halfBreadthsM: Joi.array()
    .items(
      Joi.array()
        .items(between('half-breadth (m)', 0, 60).allow(null))
        .max(MOST)
        .label(t`Offsets of a station`),
    )
    .min(2)
    .max(MOST)
    .label(t`half-breadths`)
    .required(),
  sheer: Joi.array()
    .items(
      Joi.object({
        zM: metres(t`height of the sheer`).required(),
        yM: between(t`Sheer half-breadth (m)`, 0, 60).required(),
      }).allow(null),
    )
    .max(MOST)
    .label(t`sheer`),
  apartM: between(t`centreline of a hull from that of the boat (m)`, 0, 30),
});

const axis = oneOf<Placement['up']>({
  '+x': true,
  '-x': true,
  '+y': true,
  '-y': true,
  '+z': true,
  '-z': true,
});

export const placement = objectOf<Placement>({
  unit: oneOf<Placement['unit']>({ mm: true, cm: true, m: true, in: true, ft: true })
    .label(t`unit`)
    .required(),
  up: axis.label(t`Up axis`).required(),
  bow: axis.label(t`Bow axis`).required(),
  half: Joi.boolean().required(),
  heelDeg: between('heel (°)', -45, 45).required(),
  trimDeg: between('trim (°)', -45, 45).required(),
  waterlineM: between(t`height of the waterline (m)`, -50, 50).required(),
});

const height = (label: string) => between(`${label} (m)`, -50, 50).required();

const cuts = objectOf<HullCuts>({
  topOfPaintM: height(t`top of the antifouling`),
  stripe: Joi.object({
    lowerM: height(t`lower edge of the stripe`),
    upperM: height(t`upper edge of the stripe`),
  })
    .allow(null)
    .required(),
  transomXM: metres('transom').allow(null).required(),
  keel: Joi.object({
    aftM: metres(t`after end of the keel`).required(),
    foreM: metres(t`fore end of the keel`).required(),
    topM: height(t`top of the keel`),
  })
    .allow(null)
    .required(),
  sheer: Joi.object({
    aftM: height(t`sheer aft`),
    foreM: height(t`sheer forward`),
    lengthM: between('length (m)', 0.1, 200).required(),
  })
    .allow(null)
    .required(),
  stationsM: Joi.array().items(metres('station')).max(4).unique().label(t`Extra stations`).required(),
});

const figure = (label: string) => between(label, 0, 1e9).required();
const hydrostatics = objectOf<Hydrostatics>({
  volumeM3: figure('volume (m³)'),
  displacementKg: figure('displacement (kg)'),
  waterplaneM2: figure('waterplane (m²)'),
  wettedM2: figure(t`wetted surface (m²)`),
  lwlM: figure(t`waterline length (m)`),
  bwlM: figure(t`waterline beam (m)`),
  draughtM: figure('draught (m)'),
  cb: figure(t`block coefficient`),
  cwp: figure(t`waterplane coefficient`),
  kgPerCm: figure(t`kg per cm`),
});

const mesh = objectOf<MeshRecord>({
  fileName: title(t`file name`).max(200).required(),
  bytes: between(t`File size`, 1, 400 * 1024 * 1024).required(),
  fileHash: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .label(t`hash of the file`)
    .optional(),
  faces: between(t`Faces`, 1, 20_000_000).integer().required(),
  placement: placement.required(),
  cuts: cuts.required(),
  zones: Joi.array()
    .items(
      Joi.object({
        name: title(t`Zone`).required(),
        zone: zoneOf.required(),
        portM2: figure(t`area to port (m²)`),
        starboardM2: figure(t`area to starboard (m²)`),
      }),
    )
    .max(16)
    .required(),
  hydrostatics: hydrostatics.allow(null).required(),
  warnings: Joi.array().items(text(400)).max(20).required(),
  table: table.required(),
});

export const hullFormInput = objectOf<HullFormInput>({
  offsets: table.allow(null).label(t`table of offsets`).required(),
  mesh: mesh.allow(null).label(t`mesh`).required(),
  use: oneOf<FormSource>({ dimensions: true, offsets: true, mesh: true })
    .allow(null)
    .label(t`Hull form source`)
    .required(),
  version: version(0),
});

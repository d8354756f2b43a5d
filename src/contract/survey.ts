import Joi from 'joi';
import type { FindingGrade, FindingKind, Judged } from '../core/inspect/index.ts';
import { t } from '../words.ts';
import { between, day, id, instant, objectOf, oneOf, text, title, version } from './joi.ts';

/** A support that the boat stands on; it hides a patch of the hull. */
export type StandKind = 'stand' | 'block' | 'cradle' | 'sling';

export interface StandInput {
  id: string;
  boatId: string;
  name: string;
  kind: StandKind;
  side: 'port' | 'starboard' | 'centre';
  /** Middle of the pad: from the aftermost point, and above the waterline, m. */
  xM: number;
  zM: number;
  /** Size of the pad, m. */
  lengthM: number;
  widthM: number;
  /** Day the yard shifts it, YYYY-MM-DD. */
  shiftOn: string | null;
  note: string;
}

export interface Stand extends StandInput {
  /** When it was shifted away; null while it stands. */
  shiftedAt: string | null;
  version: number;
  archived: boolean;
}

/** A stand with the patches it makes, one for each area it hides: all set down at once. */
export interface StandWithPatches {
  stand: StandInput;
  patches: { id: string; areaId: string }[];
}

/** What must stay bare of paint. */
export type BareKind = 'anode' | 'transducer' | 'log' | 'earth-plate' | 'shaft-face' | 'glue-face' | 'other';

export interface BareItemInput {
  id: string;
  boatId: string;
  /** The area it lies on; null: on any. */
  areaId: string | null;
  kind: BareKind;
  name: string;
  note: string;
}

export interface BareItem extends BareItemInput {
  version: number;
  archived: boolean;
}

export interface Place {
  xM: number;
  zM: number;
  side: 'port' | 'starboard';
}

export interface FindingInput {
  id: string;
  boatId: string;
  areaId: string | null;
  /** When it was read. */
  at: string;
  kind: FindingKind;
  value: number | null;
  grade: FindingGrade | null;
  limit: number | null;
  place: Place | null;
  photoIds: string[];
  note: string;
}

export interface Finding extends FindingInput, Judged {
  version: number;
  archived: boolean;
}

/** A finding that speaks against painting over it and that nothing has settled. */
export interface OpenFault {
  findingId: string;
  areaId: string;
  kind: FindingKind;
  reason: string;
  at: string;
  /** End of the first coat that lies over it; null: not painted over. */
  paintedOverAt: string | null;
}

const atVersion = version(1);

const standFields = {
  boatId: id().required(),
  name: title(t`Support name`).required(),
  kind: oneOf<StandKind>({ stand: true, block: true, cradle: true, sling: true })
    .label(t`Support type`)
    .required(),
  side: oneOf<StandInput['side']>({ port: true, starboard: true, centre: true }).label(t`side`).required(),
  xM: between(t`Distance from aft (m)`, -5, 125).required(),
  zM: between(t`height above the waterline (m)`, -15, 15).required(),
  lengthM: between(t`Pad length (m)`, 0.01, 5).required(),
  widthM: between(t`Pad width (m)`, 0.01, 5).required(),
  shiftOn: day(t`Date moved`).allow(null).required(),
  note: text(500).label(t`note`).required(),
};
export const standInput = objectOf<StandInput>({ id: id().required(), ...standFields });
export const standUpdate = objectOf<StandInput & { version: number }>({
  id: id().required(),
  ...standFields,
  version: atVersion,
});
export const standWithPatches = objectOf<StandWithPatches>({
  stand: standInput.required(),
  patches: Joi.array()
    .items(Joi.object({ id: id().required(), areaId: id().label(t`Area under the support`).required() }))
    .max(12)
    .unique('id')
    .unique('areaId')
    .label(t`Patches`)
    .required(),
});

const bareFields = {
  boatId: id().required(),
  areaId: id().label(t`area`).allow(null).required(),
  kind: oneOf<BareKind>({
    anode: true,
    transducer: true,
    log: true,
    'earth-plate': true,
    'shaft-face': true,
    'glue-face': true,
    other: true,
  })
    .label(t`Type`)
    .required(),
  name: title('name').required(),
  note: text(500).label(t`note`).required(),
};
export const bareItemInput = objectOf<BareItemInput>({ id: id().required(), ...bareFields });
export const bareItemUpdate = objectOf<BareItemInput & { version: number }>({
  id: id().required(),
  ...bareFields,
  version: atVersion,
});

const findingFields = {
  boatId: id().required(),
  areaId: id().label(t`area`).allow(null).required(),
  at: instant().label(t`time`).required(),
  kind: oneOf<FindingKind>({
    rust: true,
    blisters: true,
    moisture: true,
    adhesion: true,
    plate: true,
    'old-paint': true,
    salt: true,
    profile: true,
    'solvent-rub': true,
    converter: true,
    other: true,
  })
    .label(t`Finding type`)
    .required(),
  value: between('reading', -1e6, 1e6).allow(null).required(),
  grade: oneOf<FindingGrade>({
    A: true,
    B: true,
    C: true,
    D: true,
    hard: true,
    softens: true,
    black: true,
    red: true,
  })
    .label(t`grade`)
    .allow(null)
    .required(),
  limit: between('limit', -1e6, 1e6).allow(null).required(),
  place: objectOf<Place>({
    xM: between(t`Distance from aft (m)`, -5, 125).required(),
    zM: between(t`height above the waterline (m)`, -15, 30).required(),
    side: oneOf<Place['side']>({ port: true, starboard: true }).label(t`side`).required(),
  })
    .allow(null)
    .label(t`Location`)
    .required(),
  photoIds: Joi.array().items(id()).max(12).unique().label(t`photos`).required(),
  note: text(2000).label(t`note`).required(),
};
export const findingInput = objectOf<FindingInput>({ id: id().required(), ...findingFields });
export const findingUpdate = objectOf<FindingInput & { version: number }>({
  id: id().required(),
  ...findingFields,
  version: atVersion,
});

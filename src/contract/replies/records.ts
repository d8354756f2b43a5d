import Joi from 'joi';
import { type Area, type AreaInput, areaInput } from '../area.ts';
import { type Boat, type BoatInput, boatInput } from '../boat.ts';
import type { CoatAirRecord } from '../coatAir.ts';
import { type HullForm, type HullFormInput, hullFormInput } from '../form.ts';
import { objectOf } from '../joi.ts';
import { entryInput } from '../log.ts';
import type { Entry } from '../logBodies.ts';
import { type Product, type ProductInput, productInput } from '../product.ts';
import {
  type BareItem,
  type BareItemInput,
  bareItemInput,
  type Finding,
  type FindingInput,
  findingInput,
  type Stand,
  type StandInput,
  standInput,
} from '../survey.ts';
import { type Waterline, type WaterlineInput, waterlineInput } from '../waterline.ts';
import type { Yard } from '../yard.ts';
import { extended, figure, flag, listOf, maybeMoment, maybeUuid, moment, uuid, word } from './plain.ts';

/** Records as they are given back: what was sent, and what the server adds. */

const kept = { version: figure(), archived: flag() };

export const yardReply = objectOf<Yard>({
  id: uuid(),
  name: word(),
  zone: word(),
  latitude: figure(),
  longitude: figure(),
  demo: flag(),
  version: figure(),
});
export const boatReply = extended<BoatInput, Boat>(boatInput, kept);
export const areaReply = extended<AreaInput, Area>(areaInput, kept);
export const productReply = extended<ProductInput, Product>(productInput, kept);
export const standReply = extended<StandInput, Stand>(standInput, { ...kept, shiftedAt: maybeMoment() });
export const bareItemReply = extended<BareItemInput, BareItem>(bareItemInput, kept);
export const findingReply = extended<FindingInput, Finding>(findingInput, {
  ...kept,
  verdict: Joi.valid('fine', 'watch', 'bad', 'noted').required(),
  reason: word(),
});
export const hullFormReply = extended<HullFormInput, HullForm>(hullFormInput, {
  boatId: uuid(),
  meshKept: flag(),
});
export const waterlineReply = extended<WaterlineInput, Waterline>(waterlineInput, { boatId: uuid() });
const range = () => Joi.object({ min: figure(), max: figure() });
export const failureReply = Joi.object({
  at: moment(),
  code: word(),
  value: figure(),
  limit: figure(),
  phase: word(),
});
export const coatAirReply = objectOf<CoatAirRecord>({
  airC: range().required(),
  rh: range().required(),
  surfaceC: range().allow(null).required(),
  surface: Joi.valid('measured', 'estimated').required(),
  source: Joi.valid('typed', 'measured', 'forecast', 'filled', 'simulated').required(),
  failures: listOf(failureReply),
});
export const entryReply = entryInput.keys({
  boatId: uuid(),
  recordedAt: moment(),
  correctedBy: maybeUuid(),
  air: coatAirReply.allow(null).required(),
}) as unknown as Joi.ObjectSchema<Entry>;

/** The id of what was written, or the ids. */
export const idReply = objectOf<{ id: string }>({ id: uuid() });
export const idsReply = Joi.array().items(Joi.string().guid());

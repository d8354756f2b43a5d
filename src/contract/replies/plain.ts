import Joi from 'joi';
import { instant } from '../joi.ts';

/** Building stones of replies: what the server promises, looser than what it takes. */

export const figure = () => Joi.number().required();
export const maybeFigure = () => Joi.number().allow(null).required();
export const word = () => Joi.string().allow('').required();
export const maybeWord = () => Joi.string().allow('', null).required();
export const flag = () => Joi.boolean().required();
export const uuid = () => Joi.string().guid().required();
export const maybeUuid = () => Joi.string().guid().allow(null).required();
export const moment = () => instant().required();
export const maybeMoment = () => instant().allow(null).required();
export const listOf = (item: Joi.Schema) => Joi.array().items(item).required();
/** What no data says of the air. */
export const airCondition = () => Joi.valid('no-rain-data', 'no-wind-data', 'depends-on-sun');
/** Values by name. */
export const byName = (value: Joi.Schema) => Joi.object().pattern(Joi.string(), value).required();

/** A record as it was sent, with every field the server adds: the type checker sees that none is forgotten. */
export const extended = <Base extends object, T extends Base>(
  sent: Joi.ObjectSchema<Base>,
  added: { [K in Exclude<keyof T, keyof Base>]: Joi.Schema },
): Joi.ObjectSchema<T> =>
  sent.keys(added as unknown as Joi.PartialSchemaMap<Base>) as unknown as Joi.ObjectSchema<T>;

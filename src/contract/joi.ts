import Joi from 'joi';

/**
 * One wording for every refusal: the field by its name, the value given, the limit.
 * Values are canonical (metric), so limits name their unit in the label.
 */
export const messages: Joi.LanguageMessages = {
  'any.required': '{#label} is missing',
  'any.only': '{#label} "{#value}" is not one of: {#valids}',
  'any.invalid': '{#label} {#value} is not allowed',
  'string.empty': '{#label} is empty',
  'string.min': '{#label} "{#value}" is shorter than {#limit} characters',
  'string.max': '{#label} is longer than {#limit} characters',
  'string.guid': '{#label} "{#value}" is not an id',
  'string.isoDate': '{#label} "{#value}" is not a time',
  'string.base': '{#label} "{#value}" is not text',
  'string.pattern.base': '{#label} "{#value}" is not of the expected form',
  'number.base': '{#label} "{#value}" is not a number',
  'number.unsafe': '{#label} {#value} is beyond any sensible size',
  'number.infinity': '{#label} {#value} is not a finite number',
  'number.min': '{#label} {#value} is below the limit of {#limit}',
  'number.max': '{#label} {#value} is above the limit of {#limit}',
  'number.greater': '{#label} {#value} must be above {#limit}',
  'number.integer': '{#label} {#value} must be a whole number',
  'array.min': '{#label} has {#value.length} entries, needs at least {#limit}',
  'array.max': '{#label} has {#value.length} entries, takes at most {#limit}',
  'array.unique': '{#label} stands twice',
  'object.unknown': '{#label} is not a known field',
  'object.base': '{#label} is not of the expected form',
};

/** Options for every validation at the border: all errors at once, nothing unknown, nothing converted silently. */
export const strict: Joi.ValidationOptions = {
  abortEarly: false,
  convert: false,
  allowUnknown: false,
  messages,
  errors: { wrap: { label: '' } },
};

/** A client-made UUIDv7. */
export const id = () => Joi.string().guid({ version: ['uuidv7'] });

/** An instant as ISO 8601 with its offset or Z. */
export const instant = () =>
  Joi.string().pattern(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,3})?)?(Z|[+-]\d\d:\d\d)$/);

export const text = (most: number) => Joi.string().allow('').max(most);
export const title = (label: string) => Joi.string().trim().min(1).max(80).label(label);

/** A number above 0 up to `most`. */
export const above0 = (label: string, most: number) => Joi.number().greater(0).max(most).label(label);
export const between = (label: string, least: number, most: number) =>
  Joi.number().min(least).max(most).label(label);

/** One of the keys of a record that the type checker holds complete. */
export const oneOf = <T extends string>(keys: Record<T, true>) =>
  Joi.string().valid(...(Object.keys(keys) as T[]));

/** An object schema that must name every field of `T` and no other: the type checker sees to it. */
export const objectOf = <T extends object>(fields: { [K in keyof Required<T>]: Joi.Schema }) =>
  Joi.object<T>(fields);

import Joi from 'joi';
import { figure } from '../core/units/index.ts';
import { t } from '../words.ts';

/**
 * One wording for every refusal: the field by its name, the value given, the limit.
 * Values are canonical (metric), so limits name their unit in the label.
 */
export const messages: Joi.LanguageMessages = {
  'any.required': t`{#label} is required`,
  'any.only': t`{#label} must be one of: {#valids}, but is “{#value}”`,
  'any.invalid': t`{#label} can’t be {#value}`,
  'string.empty': t`{#label} is required`,
  'string.min': t`{#label} must be at least {#limit} characters long, but is “{#value}”`,
  'string.max': t`{#label} can be at most {#limit} characters long`,
  'string.guid': t`{#label} must be a valid id (UUIDv7), but is “{#value}”`,
  'string.isoDate': t`{#label} must be a valid date and time, but is “{#value}”`,
  'string.base': t`{#label} must be text, but is {#value}`,
  'string.untellable': t`{#label} contains a character that can’t be displayed`,
  'string.trim': t`{#label} can’t start or end with a space`,
  'time.day': t`{#label} must be a valid date between 1900 and 2200, but is “{#value}”`,
  'string.pattern.base': t`{#label} “{#value}” isn’t in the expected format`,
  'number.base': t`{#label} must be a number, but is “{#value}”`,
  'number.unsafe': t`{#label} {#value} is too large`,
  'number.infinity': t`{#label} must be a finite number`,
  'number.min': t`{#label} must be {#limit} or more, but is {#value}`,
  'number.max': t`{#label} must be {#limit} or less, but is {#value}`,
  'fraction.min': t`{#label} must be {#limit} % or more, but is {#value} %`,
  'fraction.max': t`{#label} must be {#limit} % or less, but is {#value} %`,
  'number.tiny': t`{#label} {#value} is too small`,
  'number.integer': t`{#label} must be a whole number, but is {#value}`,
  'array.min': t`{#label} must have {#limit} or more entries, but has {#value.length}`,
  'array.max': t`{#label} can have at most {#limit} entries, but has {#value.length}`,
  'array.unique': t`{#label} is in the list twice`,
  'object.unknown': t`{#label} isn’t a known field`,
  'object.base': t`{#label} isn’t in the expected format`,
};

/** A refusal as a sentence: the label’s first letter a capital; the name of a query parameter stays as it is. */
export const asSentence = (message: string): string =>
  /^[a-z]+[A-Z]/.test(message) ? message : message.charAt(0).toUpperCase() + message.slice(1);

/** Options for every validation at the border: all errors at once, nothing unknown, nothing converted silently. */
export const strict: Joi.ValidationOptions = {
  abortEarly: false,
  convert: false,
  allowUnknown: false,
  messages,
  errors: { wrap: { label: false } },
};

/** A client-made UUIDv7. */
export const id = () => Joi.string().guid({ version: ['uuidv7'] });

const INSTANT =
  /^(\d{4}-\d\d-\d\d)T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,3})?)?(Z|[+-]([01]\d|2[0-3]):[0-5]\d)$/;
const DAY = /^\d{4}-\d\d-\d\d$/;
const [FIRST_YEAR, LAST_YEAR] = [1900, 2200];

/** Whether `YYYY-MM-DD` is a day that a calendar has, within the years a boat's record can hold. */
function isDay(text: string): boolean {
  const [year = 0, month = 0, day = 0] = text.split('-').map(Number);
  if (!(year >= FIRST_YEAR && year <= LAST_YEAR)) return false;
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
}

/**
 * An instant as ISO 8601 with its offset or Z, on a day that exists, in 1900–2200; taken in the one way of writing it, in UTC to the
 * millisecond: `2026-05-14T13:00+01:00` → `2026-05-14T12:00:00.000Z`.
 */
export const instant = () =>
  Joi.string()
    .pattern(INSTANT)
    .custom((value: string, helpers) => {
      if (!INSTANT.test(value)) return value;
      return isDay(value.slice(0, 10)) ? new Date(value).toISOString() : helpers.error('time.day');
    });

/** A calendar day, `YYYY-MM-DD`. */
export const day = (label: string) =>
  Joi.string()
    .pattern(DAY)
    .custom((value: string, helpers) =>
      !DAY.test(value) || isDay(value) ? value : helpers.error('time.day'),
    )
    .label(label);

/** Control characters that no text holds, and halves of characters: neither can be kept or shown. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
const UNTELLABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]|\p{Surrogate}/u;

const sayable = (value: string, helpers: Joi.CustomHelpers) =>
  UNTELLABLE.test(value) ? helpers.error('string.untellable') : value;

export const text = (most: number) => Joi.string().allow('').max(most).custom(sayable);
/** Text that must say something: a file's content. */
export const content = (label: string, most: number) =>
  Joi.string().min(1).max(most).custom(sayable).label(label);
/** Text that must say something, without blanks at its ends. */
export const line = (label: string, least: number, most: number) =>
  Joi.string().trim().min(least).max(most).custom(sayable).label(label);
export const title = (label: string) => line(label, 1, 80);

/** Nothing measured in a yard is so small and yet not nothing; such a figure would blow up what is divided by it. */
const TINIEST = 1e-9;

/** A number within its least and most sensible values. Where nothing is one of them, the noise of a sum (0.1 + 0.2 − 0.3) is nothing. */
export const between = (label: string, least: number, most: number) =>
  Joi.number()
    .min(least)
    .max(most)
    .custom((value: number, helpers) => {
      // One refusal a fault: what is out of bounds is said to be that.
      if (value < least || value > most || value === 0 || Math.abs(value) >= TINIEST) return value;
      return least <= 0 && most >= 0 ? 0 : helpers.error('number.tiny');
    })
    .label(label);

const inPercent = (fraction: number) => figure(fraction * 100);
const OUTSIDE: Record<string, string> = { 'number.min': 'fraction.min', 'number.max': 'fraction.max' };

/** A fraction, refused in percent, as its field has it: `Volume solids must be 100 % or less, but is 5200 %`. */
export const fraction = (label: string, least: number, most: number) =>
  between(label, least, most).error((errors) =>
    errors.map((report) => {
      const { limit, value } = report.local as { limit?: number; value?: number };
      const code = OUTSIDE[report.code];
      if (!code || limit === undefined || value === undefined) return report;
      return Object.assign(report, {
        code,
        local: { ...report.local, limit: inPercent(limit), value: inPercent(value) },
      });
    }),
  );

/** The version of a record that is written against. */
export const version = (least: 0 | 1) => Joi.number().integer().min(least).max(1e9).required();

/** One of the keys of a record that the type checker holds complete. */
export const oneOf = <T extends string>(keys: Record<T, true>) =>
  Joi.string().valid(...(Object.keys(keys) as T[]));

/** An object schema that must name every field of `T` and no other: the type checker sees to it. */
export const objectOf = <T extends object>(fields: { [K in keyof Required<T>]: Joi.Schema }) =>
  Joi.object<T>(fields);

import type Joi from 'joi';
import { asSentence, strict } from '../../contract/index.ts';
import { memoised } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { badFields } from './problem.ts';

/** Deeper than anything the API takes. */
const DEEPEST = 24;
/** More fields than any object it takes, more entries than any of its lists. */
const MOST_KEYS = 400;
const MOST_ENTRIES = 5000;
/** For bodies with more values than this only the first error is reported: finding every error takes too long. */
const MANY_VALUES = 3000;

interface Nested {
  path: string;
  value: object;
}

/** How many values lie in an object or list. @throws {HttpProblem} when that is more than anything of ours has */
function countOf({ path, value }: Nested): number {
  const list = Array.isArray(value);
  const count = list ? value.length : Object.keys(value).length;
  const most = list ? MOST_ENTRIES : MOST_KEYS;
  if (count <= most) return count;
  const what = list ? 'entries' : 'fields';
  const message = t`${path || t`the body`} has ${count} ${what}, takes at most ${most}`;
  throw badFields([{ path, message }]);
}

const within = ({ path, value }: Nested): Nested[] =>
  Object.entries(value).flatMap(([key, each]) =>
    typeof each === 'object' && each !== null
      ? [{ path: path ? `${path}.${key}` : key, value: each as object }]
      : [],
  );

/**
 * Looks at the shape of a body before anything is done with it that could recurse or multiply.
 *
 * @returns how many values it holds
 */
function checkShape(body: unknown): number {
  let values = 0;
  let level: Nested[] = typeof body === 'object' && body !== null ? [{ path: '', value: body }] : [];
  for (let depth = 1; level.length > 0; depth++) {
    if (depth > DEEPEST) {
      throw badFields([{ path: '', message: t`the body is nested deeper than ${DEEPEST} levels` }]);
    }
    for (const each of level) values += countOf(each);
    level = level.flatMap(within);
  }
  return values;
}

/** A fault repeats the value it is about; a long one says no more in full. */
const LONGEST_FAULT = 300;
const shortened = (message: string) =>
  message.length <= LONGEST_FAULT
    ? message
    : `${message.slice(0, LONGEST_FAULT / 2)} … ${message.slice(-LONGEST_FAULT / 2)}`;

/** A schema with our ways of checking: preferences given with each value would be compiled again each time. */
const withPrefs = memoised(
  (schema: Joi.Schema, abortEarly: boolean) => schema.prefs({ ...strict, abortEarly }),
  2,
);

/** The body, query or param as the contract describes it, or a 422 naming the fields at fault. */
export function validate<T>(schema: Joi.Schema<T>, value: unknown): T {
  const given = value ?? {};
  const abortEarly = checkShape(given) > MANY_VALUES;
  const result = withPrefs(schema, abortEarly).validate(given);
  if (!result.error) return result.value as T;
  throw badFields(
    result.error.details.map(({ path, message }) => ({
      path: path.join('.'),
      message: shortened(asSentence(message)),
    })),
  );
}

import {
  type FieldError,
  PROBLEM_TYPES,
  type Problem,
  type ProblemCode,
  problemType,
} from '../../contract/index.ts';
import { t } from '../../words.ts';

/** An answer that is not a success, thrown by an endpoint and sent as `application/problem+json`. */
export class HttpProblem extends Error {
  readonly problem: Problem;

  constructor(status: number, code: ProblemCode, detail: string, more: Partial<Problem> = {}) {
    super(detail);
    this.name = 'HttpProblem';
    const [title] = PROBLEM_TYPES[code];
    this.problem = { type: problemType(code), title, status, detail, ...more };
  }
}

export const notFound = (what: string, id: string) =>
  new HttpProblem(404, 'not-found', t`No ${what} found with id ${id}.`);

/** Faults listed one by one; more of them only fill a screen. */
const MOST_FAULTS = 50;

export function badFields(errors: readonly FieldError[]): HttpProblem {
  const listed = errors.slice(0, MOST_FAULTS);
  const more = errors.length - listed.length;
  const detail = listed.map((e) => e.message).join('; ') + (more > 0 ? t`; ${more} more errors` : '');
  return new HttpProblem(422, 'invalid-data', detail, { errors: listed });
}

export const idTaken = (what: string, id: string) =>
  new HttpProblem(409, 'id-already-used', t`Another ${what} already has the id ${id}.`);

/** The record was changed by someone else since it was read: says what differs and how it now stands. */
export function conflict(what: string, current: object, sent: object): HttpProblem {
  const changed = Object.entries(sent)
    .filter(
      ([key, value]) => key !== 'version' && !sameRecord(value, (current as Record<string, unknown>)[key]),
    )
    .map(([key]) => key);
  return new HttpProblem(
    409,
    'changed-elsewhere',
    t`Someone else changed this ${what} after you opened it.${changed.length ? t` Changed fields: ${changed.join(', ')}.` : ''}`,
    { current, changed },
  );
}

/**
 * A value in the one way of writing it: keys in order, nothing that is left out. Instants are made one at the border, by their
 * schema; a text is never taken for one by its look.
 */
export function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, each]) => each !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, each]) => [key, canonical(each)]),
  );
}

/** Equal as data: key order and how a database prints JSON do not matter. */
export const sameRecord = (a: unknown, b: unknown): boolean =>
  JSON.stringify(canonical(a)) === JSON.stringify(canonical(b));

import type { FieldError, Problem } from '../../contract/index.ts';

/** An answer that is not a success, thrown by a route and sent as `application/problem+json`. */
export class HttpProblem extends Error {
  readonly problem: Problem;

  constructor(status: number, title: string, detail: string, more: Partial<Problem> = {}) {
    super(detail);
    this.name = 'HttpProblem';
    this.problem = { type: 'about:blank', title, status, detail, ...more };
  }
}

export const notFound = (what: string, id: string) =>
  new HttpProblem(404, 'Not found', `There is no ${what} ${id} here.`);

export const badFields = (errors: FieldError[]) =>
  new HttpProblem(422, 'Not accepted', errors.map((e) => e.message).join('; '), { errors });

/** The record was changed by someone else since it was read: says what differs and how it now stands. */
export function conflict(what: string, current: object, sent: object): HttpProblem {
  const changed = Object.entries(sent)
    .filter(
      ([key, value]) => key !== 'version' && !sameJson(value, (current as Record<string, unknown>)[key]),
    )
    .map(([key]) => key);
  return new HttpProblem(
    409,
    'Changed meanwhile',
    `This ${what} was changed elsewhere since you opened it${changed.length ? `; different now: ${changed.join(', ')}` : ''}.`,
    { current, changed },
  );
}

/** Equal as data: key order, and how a database prints JSON, do not matter. */
export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) =>
    sameJson((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
  );
}

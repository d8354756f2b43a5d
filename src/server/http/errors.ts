import type { ErrorRequestHandler } from 'express';
import type { Problem, ProblemCode } from '../../contract/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { DiskFull, ReadOnly } from '../db/diskRoom.ts';
import { TooLarge, WrongKind } from '../db/files.ts';
import { Missing, Stale } from '../rows/missing.ts';
import { JobRefused } from '../workers/jobRefused.ts';
import { badFields, HttpProblem, notFound } from './problem.ts';

/** What PostgreSQL says of values it will not keep, by its SQLSTATE; those not named here are faults of ours. */
const REFUSED: Record<string, [status: number, code: ProblemCode, detail: string]> = {
  '23505': [409, 'id-already-used', t`Another record already has one of these ids.`],
  '23503': [422, 'invalid-data', t`A record referred to by id doesn’t exist.`],
  '23514': [422, 'invalid-data', t`The values don’t fit together.`],
  '22003': [422, 'invalid-data', t`A number is too large to store.`],
  '22007': [422, 'invalid-data', t`A date or time isn’t valid.`],
  '22008': [422, 'invalid-data', t`A date or time is outside the range that can be stored.`],
  '22021': [422, 'invalid-data', t`A text contains a character that can’t be stored.`],
  '22P02': [422, 'invalid-data', t`An id isn’t valid.`],
  '22P05': [422, 'invalid-data', t`A text contains a character that can’t be stored.`],
};
/** Error codes of a full disk, of the database and of the system. */
const FULL = ['53100', 'ENOSPC', 'EDQUOT'];

/** The code of an error or of what caused it. */
export function codesOf(error: unknown): string[] {
  const codes: string[] = [];
  for (let each = error; each instanceof Error; each = each.cause) {
    const { code } = each as { code?: unknown };
    if (typeof code === 'string') codes.push(code);
  }
  return codes;
}

function toProblem(error: unknown, requestId: string): Problem {
  if (error instanceof HttpProblem) return error.problem;
  if (error instanceof Missing) return notFound(error.what, error.id).problem;
  if (error instanceof Stale) return new HttpProblem(409, 'changed-elsewhere', error.message).problem;
  if (error instanceof QuantityError || error instanceof JobRefused) {
    return badFields([{ path: error instanceof JobRefused ? error.path : '', message: error.message }])
      .problem;
  }
  if (error instanceof TooLarge) return new HttpProblem(413, 'file-too-large', error.message).problem;
  if (error instanceof WrongKind) return new HttpProblem(415, 'unsupported-file-type', error.message).problem;
  if (error instanceof ReadOnly) return new HttpProblem(507, 'read-only', error.message).problem;
  if (error instanceof DiskFull) return new HttpProblem(507, 'disk-full', error.message).problem;
  const codes = codesOf(error);
  if (codes.some((code) => FULL.includes(code))) {
    return new HttpProblem(507, 'disk-full', new DiskFull(0, t`Nothing was saved.`).message).problem;
  }
  const known = codes.map((code) => REFUSED[code]).find((each) => each !== undefined);
  if (known) return new HttpProblem(...known).problem;
  const status = (error as { status?: unknown } | null)?.status;
  if (typeof status === 'number' && status >= 400 && status < 500) {
    const detail =
      status === 413
        ? t`The request body is larger than the server accepts.`
        : t`The server couldn’t read the request.`;
    return new HttpProblem(status, 'bad-request', detail).problem;
  }
  return new HttpProblem(
    500,
    'server-error',
    t`Something went wrong on the server. Nothing was changed. Details are in the server log under request ${requestId}.`,
    { instance: `urn:uuid:${requestId}` },
  ).problem;
}

/** Last in the chain: every error becomes problem+json; what is ours to mend is logged, never shown. */
export const sendProblem: ErrorRequestHandler = (error, req, res, _next) => {
  const problem = toProblem(error, String(req.id));
  if (problem.status >= 500 && problem.status !== 507) req.log.error({ err: error }, 'request failed');
  if (res.headersSent) {
    res.destroy();
    return;
  }
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

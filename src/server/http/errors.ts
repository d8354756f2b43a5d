import type { ErrorRequestHandler } from 'express';
import type { Problem } from '../../contract/index.ts';
import { QuantityError } from '../../core/units/index.ts';
import { HttpProblem } from './problem.ts';

function toProblem(error: unknown): Problem {
  if (error instanceof HttpProblem) return error.problem;
  if (error instanceof QuantityError) {
    return {
      type: 'about:blank',
      title: 'Not accepted',
      status: 422,
      detail: error.message,
      errors: [{ path: '', message: error.message }],
    };
  }
  const status = (error as { status?: unknown } | null)?.status;
  if (typeof status === 'number' && status >= 400 && status < 500) {
    const detail =
      status === 413 ? 'The body is larger than this server takes.' : 'The request could not be read.';
    return { type: 'about:blank', title: 'Bad request', status, detail };
  }
  return {
    type: 'about:blank',
    title: 'Server error',
    status: 500,
    detail: 'Something went wrong on the server; nothing was changed. The log on the server says more.',
  };
}

/** Last in the chain: every error becomes problem+json; what is ours to mend is logged, never shown. */
export const sendProblem: ErrorRequestHandler = (error, req, res, _next) => {
  const problem = toProblem(error);
  if (problem.status >= 500) req.log.error({ err: error }, 'request failed');
  res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
};

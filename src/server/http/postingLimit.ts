import { rateLimit } from 'express-rate-limit';
import { HttpProblem } from './problem.ts';

/** A logger posts every few minutes: every posting works the clocks of the yard out anew. */
const POSTINGS_A_MINUTE = 12;

/** How often one station may post; what was refused for another reason does not count, so that nobody else can use it up. */
export const postingLimit = () =>
  rateLimit({
    windowMs: 60_000,
    limit: POSTINGS_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipFailedRequests: true,
    keyGenerator: (req) => String(req.params.id),
    handler: (_req, _res, next) => {
      next(
        new HttpProblem(
          429,
          'Too often',
          `A station may post ${POSTINGS_A_MINUTE} times a minute; several readings fit into one posting.`,
        ),
      );
    },
  });

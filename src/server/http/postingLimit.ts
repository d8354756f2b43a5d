import { rateLimit, type Store } from 'express-rate-limit';
import { t } from '../../words.ts';
import type { Db } from '../db/open.ts';
import { countOne, countOneLess, forgetCount } from '../rows/rateCounts.ts';
import { HttpProblem } from './problem.ts';

/** A logger sends readings every few minutes: each request recalculates the yard’s cure times. */
const POSTINGS_A_MINUTE = 12;
const WINDOW_MS = 60_000;

/** Counts in the database, where several processes serve one yard. */
const counted = (db: Db): Store => ({
  increment: async (key) => {
    const { hits, endsAt } = await countOne(db, key, { now: Date.now(), windowMs: WINDOW_MS });
    return { totalHits: hits, resetTime: endsAt };
  },
  decrement: (key) => countOneLess(db, key),
  resetKey: (key) => forgetCount(db, key),
});

/** How often one station may post; what was refused for another reason does not count, so that nobody else can use it up. */
export const postingLimit = ({ db, shared }: { db: Db; shared: boolean }) =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: POSTINGS_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skipFailedRequests: true,
    ...(shared && { store: counted(db) }),
    keyGenerator: (req) => String(req.params.id),
    handler: (_req, _res, next) => {
      next(
        new HttpProblem(
          429,
          'too-many-requests',
          t`A station can send ${POSTINGS_A_MINUTE} requests a minute. Put several readings in one request.`,
        ),
      );
    },
  });

/** Lines a second that one process takes of all network scales together: each is a write to the disk. */
const SCALE_LINES_A_SECOND = 50;

/** Limits all network scales together: their ids are not known beforehand. */
export const scaleLimit = () =>
  rateLimit({
    windowMs: 1000,
    limit: SCALE_LINES_A_SECOND,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: () => 'scales',
    handler: (_req, _res, next) => {
      next(
        new HttpProblem(
          429,
          'too-many-requests',
          t`Scales can send ${SCALE_LINES_A_SECOND} lines a second in all. Five a second are enough for each.`,
        ),
      );
    },
  });

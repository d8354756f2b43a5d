import type { Router } from 'express';
import { notFound } from './problem.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Refuses an address whose id could be no id of ours, before it is asked of the database. */
export function guardIds(router: Router): Router {
  for (const name of ['id', 'areaId']) {
    router.param(name, (_req, _res, next, value: string) => {
      next(UUID.test(value) ? undefined : notFound('record', value.slice(0, 60)));
    });
  }
  return router;
}

import { register } from 'tsx/esm/api';

/** The jobs read from their source: in development and in tests, where nothing is built. */
register();
export const { weather, sheets, plan, odds, rehearsal, places, starts, purchase, readings } = await import(
  './worker.ts'
);

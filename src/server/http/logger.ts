import { type Logger, pino } from 'pino';

/** One structured line for each request and error, on standard error; one line an event. */
export function makeLogger(quiet: boolean): Logger {
  return pino(
    {
      level: quiet ? 'error' : 'info',
      base: null,
      timestamp: pino.stdTimeFunctions.isoTime,
    },
    pino.destination(2),
  );
}

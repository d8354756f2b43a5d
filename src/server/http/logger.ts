import { type Logger, pino } from 'pino';

/** One structured line for each request and error, on standard error; headers and bodies stay out of it. */
export function makeLogger(quiet: boolean): Logger {
  return pino(
    {
      level: quiet ? 'error' : 'info',
      base: null,
      timestamp: pino.stdTimeFunctions.isoTime,
      serializers: {
        req: (req: { method: string; url: string }) => ({ method: req.method, url: req.url }),
        res: (res: { statusCode: number }) => ({ status: res.statusCode }),
      },
    },
    pino.destination(2),
  );
}

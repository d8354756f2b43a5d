import { type DestinationStream, type Logger, pino } from 'pino';

/** Lines of a stack that say where, not what with. */
const frames = (stack: string | undefined) => stack?.split('\n').filter((line) => /^\s+at /.test(line)) ?? [];

/** Where an error happened, and its code: never its message, which may repeat what was sent. */
function where(error: unknown): object {
  if (!(error instanceof Error)) return { name: typeof error };
  const { code, constraint, table, routine } = error as unknown as Record<string, unknown>;
  return {
    name: error.name,
    ...Object.fromEntries(
      Object.entries({ code, constraint, table, routine }).filter(([, value]) => typeof value === 'string'),
    ),
    at: frames(error.stack),
    ...(error.cause instanceof Error && { cause: where(error.cause) }),
  };
}

/**
 * One structured line for each request and error, on standard error. No line holds a body, a header or what a query was
 * sent with.
 */
export function makeLogger(quiet: boolean, to: DestinationStream = pino.destination(2)): Logger {
  return pino(
    {
      level: quiet ? 'error' : 'info',
      base: null,
      timestamp: pino.stdTimeFunctions.isoTime,
      serializers: { err: where },
    },
    to,
  );
}

/** An address without its query, and without the secret of a calendar's. */
const pathOf = (url: string) => url.split('?')[0]?.replace(/\/calendars\/[^/]+/, '/calendars/…');

/** What a line says of a request: no query either, which may hold what somebody looks for. */
export const serializers = {
  req: (req: { method: string; url: string }) => ({ method: req.method, path: pathOf(req.url) }),
  res: (res: { statusCode: number }) => ({ status: res.statusCode }),
  err: where,
};

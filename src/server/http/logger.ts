import { type DestinationStream, type Logger, pino } from 'pino';

/** Lines of a stack that say where, not what with. */
const frames = (stack: string | undefined) => stack?.split('\n').filter((line) => /^\s+at /.test(line)) ?? [];

/** What a query was sent with stands behind this in its error. */
const SENT_WITH = /\nparams:[\s\S]*/;
const LONGEST = 500;
/** Codes of the database, whose messages repeat the value at fault. */
const SQLSTATE = /^[0-9A-Z]{5}$/;

/** The error and its place, with its code; without the values of a query, which may be private. */
function where(error: unknown): object {
  if (!(error instanceof Error)) return { name: typeof error, message: String(error).slice(0, LONGEST) };
  const { code, constraint, table, routine } = error as unknown as Record<string, unknown>;
  return {
    name: error.name,
    ...(!SQLSTATE.test(String(code)) && { message: error.message.replace(SENT_WITH, '').slice(0, LONGEST) }),
    ...Object.fromEntries(
      Object.entries({ code, constraint, table, routine }).filter(([, value]) => typeof value === 'string'),
    ),
    at: frames(error.stack),
    ...(error.cause instanceof Error && { cause: where(error.cause) }),
  };
}

/**
 * One structured line for each request and error, on standard error. Lines never contain a body, a header or the values a query was
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

/** An address without its query, and without the secret of a calendar link, however it is spelled. */
function pathOf(url: string): string {
  const [path = ''] = url.split('?');
  let plain = path;
  try {
    for (let i = 0; i < 3 && /%[0-9a-f]{2}/i.test(plain); i++) plain = decodeURIComponent(plain);
  } catch {
    // No address of ours: its spelling tells nobody a secret, but might hide one.
    return '/… (not readable)';
  }
  return /calendars/i.test(plain) ? '/api/v1/calendars/…' : path;
}

/** What a line says of a request: no query either, which may hold what somebody looks for. */
export const serializers = {
  req: (req: { id?: unknown; method: string; url: string }) => ({
    id: req.id,
    method: req.method,
    path: pathOf(req.url),
  }),
  res: (res: { statusCode: number }) => ({ status: res.statusCode }),
  err: where,
};

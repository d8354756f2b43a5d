import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import path from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { ownPagesOnly } from './access/ownPages.ts';
import type { Context } from './context.ts';
import { ENDPOINTS } from './endpoints/index.ts';
import { sendProblem } from './http/errors.ts';
import { serializers } from './http/logger.ts';
import { mount } from './http/mount.ts';
import { openApi } from './http/openApi.ts';
import { postingLimit, scaleLimit } from './http/postingLimit.ts';
import { notFound } from './http/problem.ts';
import { ReadTurns } from './http/readTurns.ts';

/** Nothing but our own files may run, load or be framed. */
const csp = {
  useDefaults: false,
  directives: {
    'default-src': ["'none'"],
    'script-src': ["'self'"],
    'style-src': ["'self'"],
    'img-src': ["'self'", 'data:', 'blob:'],
    'font-src': ["'self'"],
    'connect-src': ["'self'"],
    'worker-src': ["'self'"],
    'manifest-src': ["'self'"],
    'base-uri': ["'none'"],
    'form-action': ["'self'"],
    'frame-ancestors': ["'none'"],
  },
};

/** The built pages: every address of a place gives the same page; a file that is not there is a 404. */
function servePages(app: Express, webFolder: string): void {
  app.use(compression());
  const assets = path.join(webFolder, 'assets');
  app.use('/assets', express.static(assets, { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(webFolder, { index: false }));
  app.get('/{*page}', (req, res) => {
    if (path.extname(req.path) !== '') throw notFound('file', req.path.slice(0, 100));
    res.set('cache-control', 'no-cache').sendFile(path.join(webFolder, 'index.html'));
  });
}

export interface AppOptions {
  logger: Logger;
  webFolder: string;
  /** Host names of the server, in addition to those of the loopback. */
  hosts?: readonly string[];
  /** Holds every reply against the description of the API; in tests. */
  checkReplies?: boolean;
}

/** The whole server: API under /api/v1, the built pages beside it. */
export function makeApp(context: Context, options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  // Answers are not stored, so there is nothing to compare a tag with; files bring their own.
  app.disable('etag');
  app.enable('case sensitive routing');
  const turns = new ReadTurns();
  app.use((req, _res, next) => {
    if (req.method === 'GET') void turns.take().then(() => next());
    else next();
  });
  app.use(
    pinoHttp({
      logger: options.logger,
      serializers,
      // Else an error reaches our serializer already as a plain object that says nothing.
      wrapSerializers: false,
      genReqId: (_req, res) => {
        const id = randomUUID();
        res.setHeader('x-request-id', id);
        return id;
      },
      autoLogging: { ignore: (req) => req.url === '/api/v1/events' },
    }),
  );
  app.use(helmet({ contentSecurityPolicy: csp, strictTransportSecurity: false }));
  app.use(ownPagesOnly(options.hosts));

  // Addresses are spelled one way: another spelling is another address.
  const api = express.Router({ caseSensitive: true });
  // Answers aren’t cached; files that never change set their own header.
  api.use((_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  api.get('/events', context.live.serve);
  // Not compressed: it only ever crosses the loopback, where packing costs more than it saves.
  api.get('/openapi.json', (_req, res) => {
    res.json(openApi(ENDPOINTS));
  });
  api.post('/stations/:id/readings', postingLimit(context));
  api.put('/scales/:id', scaleLimit());
  api.use(mount(ENDPOINTS, context, { checkReplies: options.checkReplies ?? false }));
  api.use((req) => {
    throw notFound('route', `${req.method} ${req.path.slice(0, 100)}`);
  });
  app.use('/api/v1', api);

  if (existsSync(options.webFolder)) servePages(app, options.webFolder);
  app.use((req) => {
    throw notFound('page', `${req.method} ${req.path.slice(0, 100)}`);
  });
  app.use(sendProblem);
  return app;
}

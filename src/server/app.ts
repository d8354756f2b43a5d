import { existsSync } from 'node:fs';
import path from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Context } from './context.ts';
import { sendProblem } from './http/errors.ts';
import { notFound } from './http/problem.ts';
import { openApi } from './openapi.ts';
import { areaRoutes } from './routes/areas.ts';
import { boatRoutes } from './routes/boats.ts';
import { formRoutes } from './routes/form.ts';
import { logRoutes } from './routes/log.ts';
import { photoRoutes } from './routes/photos.ts';
import { productRoutes } from './routes/products.ts';
import { slipRoutes } from './routes/slip.ts';
import { stackRoutes } from './routes/stacks.ts';
import { standRoutes } from './routes/stands.ts';
import { surveyRecordRoutes } from './routes/surveyRecords.ts';
import { templateRoutes } from './routes/templates.ts';
import { waterlineRoutes } from './routes/waterline.ts';
import { weatherRoutes } from './routes/weather.ts';
import { yardRoutes } from './routes/yard.ts';

/** What a log line says of a request: no headers, no bodies. */
const serializers = {
  req: (req: { method: string; url: string }) => ({ method: req.method, url: req.url }),
  res: (res: { statusCode: number }) => ({ status: res.statusCode }),
};

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

/** Only pages of our own may write: a browser names the site a request comes from. */
const ownPagesOnly: express.RequestHandler = (req, res, next) => {
  const site = req.get('sec-fetch-site');
  const safe = req.method === 'GET' || req.method === 'HEAD';
  if (safe || site === undefined || site === 'same-origin' || site === 'none') return next();
  res.status(403).end();
};

/** The whole server: API under /api/v1, the built pages beside it. */
export function makeApp(context: Context, options: { logger: Logger; webFolder: string }): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: options.logger,
      serializers,
      autoLogging: { ignore: (req) => req.url === '/api/v1/events' },
    }),
  );
  app.use(helmet({ contentSecurityPolicy: csp, strictTransportSecurity: false }));
  app.use(ownPagesOnly);

  const api = express.Router();
  api.get('/events', context.live.serve);
  // Not compressed: it only ever crosses the loopback, where packing costs more than it saves.
  api.use(express.json({ limit: '5mb' }));
  api.get('/openapi.json', (_req, res) => {
    res.json(openApi());
  });
  for (const routes of [
    slipRoutes,
    yardRoutes,
    boatRoutes,
    areaRoutes,
    stackRoutes,
    standRoutes,
    surveyRecordRoutes,
    photoRoutes,
    formRoutes,
    waterlineRoutes,
    templateRoutes,
    productRoutes,
    logRoutes,
    weatherRoutes,
  ]) {
    api.use(routes(context));
  }
  api.use((req) => {
    throw notFound('route', `${req.method} ${req.path}`);
  });
  app.use('/api/v1', api);

  if (existsSync(options.webFolder)) {
    app.use(compression());
    app.use(
      '/assets',
      express.static(path.join(options.webFolder, 'assets'), { immutable: true, maxAge: '1y' }),
    );
    app.use(express.static(options.webFolder, { index: false }));
    app.get('/{*page}', (_req, res) => {
      res.set('cache-control', 'no-cache').sendFile(path.join(options.webFolder, 'index.html'));
    });
  }
  app.use(sendProblem);
  return app;
}

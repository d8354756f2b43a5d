import { pipeline } from 'node:stream';
import express, { type Request, type Response, Router } from 'express';
import Joi from 'joi';
import { type ChangeSet, strict } from '../../contract/index.ts';
import { memoised } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { Context } from '../context.ts';
import type { Endpoint, HandedOut } from './endpoint.ts';
import { badFields, HttpProblem, notFound } from './problem.ts';
import { runWrite } from './runWrite.ts';
import { validate } from './validate.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;
const NO_QUERY = Joi.object({});
/** Says in the answer to a write what it changed, so that its own page need not wait to be told. */
const CHANGES = 'x-changes';

/** By which a page knows its own write again when it hears of it. */
const REVISION = 'x-revision';
/** Longer than this no header gets through every proxy. */
const LONGEST_HEADER = 2000;

/** Changes as a header: past a length of one kind each, of every boat and product. */
function boundedHeader(changes: ChangeSet): string {
  const all = JSON.stringify(changes);
  if (all.length <= LONGEST_HEADER) return all;
  return JSON.stringify([...new Set(changes.map(({ of }) => of))].map((of) => ({ of })));
}

/** The ids of an address. One that could be no id of ours is not asked of the database. */
function idsOf(req: Request): Record<string, string> {
  const ids: Record<string, string> = {};
  for (const [name, value] of Object.entries(req.params)) {
    if (typeof value !== 'string' || !UUID.test(value)) throw notFound('record', String(value).slice(0, 60));
    ids[name] = value.toLowerCase();
  }
  return ids;
}

/** The token of a program that is no page of ours. */
const bearerOf = (req: Request): string | undefined =>
  /^Bearer ([\w-]{16,200})$/.exec(req.get('authorization') ?? '')?.[1];

/** A body with the id of its address in it, where its schema wants one. */
function bodyOf(schema: Joi.ObjectSchema, req: Request, params: Record<string, string>): unknown {
  const body: unknown = req.body;
  if (Number(req.get('content-length') ?? 0) > 0 && !req.is('json')) {
    throw new HttpProblem(415, 'unsupported-media-type', t`Send the request body as application/json.`);
  }
  const named =
    params.id !== undefined && req.method === 'PUT' && '$_terms' in schema && hasKey(schema, 'id');
  if (!named || typeof body !== 'object' || body === null || Array.isArray(body)) return body;
  const own = (body as { id?: unknown }).id;
  if (own !== undefined && String(own).toLowerCase() !== params.id) {
    throw badFields([
      { path: 'id', message: t`The id ${String(own).slice(0, 60)} doesn’t match the id in the address` },
    ]);
  }
  return { ...body, id: params.id };
}

const keysOf = memoised((schema: Joi.ObjectSchema) => (schema.describe() as { keys?: object }).keys ?? {});
const hasKey = (schema: Joi.ObjectSchema, key: string): boolean => key in keysOf(schema);

function handOut(res: Response, { name, type, content, immutable, inline }: HandedOut): void {
  if (immutable) res.set('cache-control', 'private, max-age=31536000, immutable');
  if (!inline) res.attachment(name);
  res.type(type);
  if (typeof content === 'string') res.send(content);
  // Whoever hangs up in the middle leaves no file open; a file that cannot be read ends the answer.
  else pipeline(content, res, () => {});
}

/** Holds a reply against what the description of the API promises; in tests, where it costs nobody's time. */
function checkReply(endpoint: { path: string; reply: Joi.Schema }, reply: unknown): void {
  const { error } = endpoint.reply.validate(JSON.parse(JSON.stringify(reply)), strict);
  if (error) throw new Error(`Reply of ${endpoint.path} doesn’t match the API description: ${error.message}`);
}

/** A reply as it is sent: one that is given to several is written once. */
const written = (body: unknown): Buffer | string =>
  typeof body === 'object' && body !== null ? bytesOf(body) : JSON.stringify(body);
const bytesOf = memoised((body: object) => Buffer.from(JSON.stringify(body)));

/** What every route of one kind is made with. */
interface Mounting {
  router: Router;
  context: Context;
  reply: (
    endpoint: { path: string; reply: Joi.Schema },
    res: Response,
    status: number,
    body: unknown,
  ) => void;
}
type Of<Kind extends Endpoint['kind']> = Extract<Endpoint, { kind: Kind }>;

function mountRead(endpoint: Of<'read'>, { router, context, reply }: Mounting): void {
  router.get(endpoint.path, async (req, res) => {
    const params = idsOf(req);
    const query = validate(endpoint.query ?? NO_QUERY, { ...req.query });
    reply(endpoint, res, 200, await endpoint.run({ params, query, body: undefined }, context));
  });
}

function mountHandout(endpoint: Of<'handout'>, { router, context }: Mounting): void {
  router.get(endpoint.path, async (req, res) => {
    const params = idsOf(req);
    const query = endpoint.query ? validate(endpoint.query, { ...req.query }) : {};
    handOut(res, await endpoint.run({ params, query, body: undefined }, context));
  });
}

/** Refuses a file by what its headers say, before anything of it is read. */
function checkUpload({ types, mostBytes }: Of<'upload'>, req: Request): number {
  const length = Number(req.get('content-length') ?? 0);
  if (req.is('json') || (types && !req.is([...types]))) {
    const wanted = types ? types.join(', ') : 'application/octet-stream';
    throw new HttpProblem(415, 'unsupported-file-type', t`Send the file as ${wanted}.`);
  }
  if (length > mostBytes) {
    throw new HttpProblem(
      413,
      'file-too-large',
      t`The file is larger than the maximum of ${Math.floor(mostBytes / 1e6)} MB.`,
    );
  }
  return length;
}

function mountUpload(endpoint: Of<'upload'>, { router, context, reply }: Mounting): void {
  router.put(endpoint.path, async (req, res) => {
    context.room.require(checkUpload(endpoint, req));
    const request = { params: idsOf(req), query: {}, body: undefined, content: req };
    const { made, hash, reply: body } = await endpoint.run(request, context);
    if (hash !== undefined) res.set('etag', `"${hash}"`);
    const described = endpoint.reply;
    if (described) reply({ path: endpoint.path, reply: described }, res, made ? 201 : 200, body);
    else res.status(204).end();
  });
}

const parse = express.json({ limit: '5mb' });

function mountWrite(endpoint: Of<'write'>, { router, context, reply }: Mounting): void {
  router[endpoint.method](endpoint.path, parse, async (req, res) => {
    const params = idsOf(req);
    validate(NO_QUERY, { ...req.query });
    const body = endpoint.body ? validate(endpoint.body, bodyOf(endpoint.body, req, params)) : {};
    const request = {
      params,
      query: {},
      body: body as Record<string, unknown>,
      address: req.path,
      bearer: bearerOf(req),
    };
    const outcome = await runWrite(endpoint as never, request, context);
    res.set(CHANGES, boundedHeader(outcome.changes));
    if (outcome.n !== undefined) res.set(REVISION, String(outcome.n));
    if (endpoint.method === 'delete') res.status(204).end();
    else reply(endpoint, res, endpoint.status ?? (outcome.made ? 201 : 200), outcome.reply);
  });
}

/** Makes the routes of all endpoints. */
export function mount(
  endpoints: readonly Endpoint[],
  context: Context,
  options: { checkReplies: boolean },
): Router {
  const mounting: Mounting = {
    router: Router({ caseSensitive: true }),
    context,
    reply: (endpoint, res, status, body) => {
      if (options.checkReplies) checkReply(endpoint, body);
      res.status(status).type('json').send(written(body));
    },
  };
  for (const endpoint of endpoints) {
    if (endpoint.kind === 'read') mountRead(endpoint, mounting);
    else if (endpoint.kind === 'handout') mountHandout(endpoint, mounting);
    else if (endpoint.kind === 'upload') mountUpload(endpoint, mounting);
    else mountWrite(endpoint, mounting);
  }
  return mounting.router;
}

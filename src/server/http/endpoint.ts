import type { Readable } from 'node:stream';
import type Joi from 'joi';
import type { ChangeKind, ChangeSet } from '../../contract/index.ts';
import type { Air } from '../air/surfaces.ts';
import type { Context } from '../context.ts';
import type { Tx } from '../db/open.ts';
import type { YardClocks } from '../memory/yardSnapshots.ts';

/** An endpoint is one value: from it come the route, the checks, the transaction, the answer and its description. */

/** The ids an address names: `ParamsOf<'/boats/:id/photos/:photoId'>` → `{ id: string; photoId: string }`. */
export type ParamsOf<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Record<Name, string> & ParamsOf<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Record<Name, string>
    : Record<never, string>;

/** What a request asks with, checked. */
export interface Asked<Path extends string, Query, Body> {
  params: ParamsOf<Path>;
  query: Query;
  body: Body;
  /** The token sent as `Authorization: Bearer …`; left out: no token. */
  bearer?: string | undefined;
}

interface Described<Path extends string, Query, Reply> {
  path: Path;
  /** One line for the description of the API. */
  summary: string;
  query?: Joi.ObjectSchema<Query>;
  reply: Joi.Schema<Reply>;
}

/** Reads and answers. */
export interface Read<Path extends string = string, Query = unknown, Reply = unknown>
  extends Described<Path, Query, Reply> {
  kind: 'read';
  run: (request: Asked<Path, Query, undefined>, context: Context) => Promise<Reply>;
}

/** A file handed out; its name and type are ours. */
export interface HandedOut {
  name: string;
  type: string;
  content: string | Readable;
  /** Never changes under its address. */
  immutable?: boolean;
  /** Shown in the page rather than saved. */
  inline?: boolean;
}

/** Hands out a file. */
export interface Handout<Path extends string = string, Query = unknown>
  extends Omit<Described<Path, Query, never>, 'reply'> {
  kind: 'handout';
  /** Accepted content types. */
  types: readonly string[];
  run: (request: Asked<Path, Query, undefined>, context: Context) => Promise<HandedOut>;
}

/** What a write may use: its own transaction, and time as it stood when it began. */
export interface Writing extends Omit<Context, 'now'> {
  tx: Tx;
  now: number;
  /** The clocks as they stood before, where the endpoint asked for them. */
  before: YardClocks | null;
}

/** What a write answers, and what it changed. */
/** `placeOf`: no more than where the area is, its air and its sheets, which no entry changes. */
export type Before = 'yard' | { areaId: string } | { boatId: string } | { placeOf: string } | null;

export interface Wrote<Reply> {
  reply: Reply;
  changes: ChangeSet;
  /** Weather that was read on the way, as it stands after this write: readers need not read it again. */
  air?: Air;
  /** Nothing that a snapshot of the yard holds is changed, as by a note: the latest one stands for this write too. */
  keepsSnapshot?: boolean;
  /** Clean-up after the commit. */
  afterCommit?: () => Promise<void>;
}

/** A record made under an id of the sender's: the same one sent again changes nothing, another one is refused. */
export interface Creates<Body, Reply> {
  what: string;
  id: (body: Body) => string;
  /** The record under the id, if there is one. */
  find: (tx: Tx, body: Body) => Promise<Reply | undefined>;
  /** The record as it would have been sent; to know a repeat of what was kept before writes were remembered. */
  sent: (record: Reply) => unknown;
}

/** A record replaced under its version. Its body names the version it was made from. */
export interface Replaces<Path extends string, Reply> {
  what: string;
  find: (tx: Tx, params: ParamsOf<Path>) => Promise<Reply & { version: number }>;
}

/** Changes something: in one transaction, told after its commit. */
export interface Write<Path extends string = string, Body = unknown, Reply = unknown>
  extends Described<Path, unknown, Reply> {
  kind: 'write';
  method: 'post' | 'put' | 'delete';
  body?: Joi.ObjectSchema<Body>;
  /** Status where it is not 200, or 201 for a record made. */
  status?: 201;
  /** The domains it can change. */
  touches: readonly ChangeKind[];
  creates?: Creates<Body, Reply>;
  replaces?: Replaces<Path, Reply>;
  /** Which clocks to know as they stand before it; asked for outside the transaction. */
  before?: (request: Asked<Path, unknown, Body>) => Before;
  /** Work before the transaction that must not hold it up: reading a file in a worker. */
  prepare?: (request: Asked<Path, unknown, Body>, context: Context) => Promise<unknown>;
  run: (
    request: Asked<Path, unknown, Body> & { prepared: unknown },
    writing: Writing,
  ) => Promise<Wrote<Reply>>;
}

/** Takes bytes as they come, as a stream. Their SHA-256 is the ETag of the answer, where a record is to name them by it. */
export interface Upload<Path extends string = string, Reply = unknown>
  extends Omit<Described<Path, unknown, Reply>, 'query' | 'reply'> {
  kind: 'upload';
  /** None: it answers with nothing but a 204. */
  reply?: Joi.Schema<Reply>;
  method: 'put';
  /** Content types taken; none: any but JSON. */
  types: readonly string[] | null;
  mostBytes: number;
  run: (
    request: Asked<Path, unknown, undefined> & { content: Readable },
    context: Context,
  ) => Promise<{ reply: Reply; made: boolean; hash?: string }>;
}

export type Endpoint = (Read | Handout | Write | Upload) & { path: string };

// Each definition is checked against its own types; the list doesn’t need to know those.
const erased = (endpoint: unknown) => endpoint as Endpoint;

export const read = <Path extends string, Query, Reply>(
  definition: Omit<Read<Path, Query, Reply>, 'kind'>,
): Endpoint => erased({ kind: 'read', ...definition });

export const handout = <Path extends string, Query>(
  definition: Omit<Handout<Path, Query>, 'kind'>,
): Endpoint => erased({ kind: 'handout', ...definition });

export const write = <Path extends string, Body, Reply>(
  definition: Omit<Write<Path, Body, Reply>, 'kind'>,
): Endpoint => erased({ kind: 'write', ...definition });

export const upload = <Path extends string, Reply>(definition: Omit<Upload<Path, Reply>, 'kind'>): Endpoint =>
  erased({ kind: 'upload', ...definition });

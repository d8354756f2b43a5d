import fc from 'fast-check';

/** Requests made up from the published description of the API: some of the right shape, most of them wrong somewhere. */

interface Schema {
  type?: string | string[];
  enum?: unknown[];
  properties?: Record<string, Schema>;
  items?: Schema;
  anyOf?: Schema[];
  oneOf?: Schema[];
  minimum?: number;
  maximum?: number;
  format?: string;
}
interface Described {
  paths: Record<
    string,
    Record<
      string,
      {
        parameters?: { name: string; in: string }[];
        requestBody?: { content: Record<string, { schema?: Schema }> };
      }
    >
  >;
}

/** Values that have toppled servers before. */
const WILD: readonly unknown[] = [
  null,
  '',
  '\u0000',
  '\ud800',
  '=1+1',
  '../../etc/passwd',
  '0000-00-00T00:00:00Z',
  '2026-02-30T25:61:00Z',
  '-000001-01-01T00:00:00Z',
  'x'.repeat(5000),
  0,
  -1,
  5e-324,
  1e308,
  -0,
  Number.MAX_SAFE_INTEGER,
  true,
  [],
  {},
  [[[[[[]]]]]],
  { __proto__: 1, constructor: 2 },
];

const wild = fc.constantFrom(...WILD);

function typed({ type }: Schema): string | undefined {
  return Array.isArray(type) ? type[0] : type;
}

/** A value a schema might take, or one it should not. */
function madeFor(schema: Schema, ids: readonly string[], depth = 0): fc.Arbitrary<unknown> {
  const choices = schema.anyOf ?? schema.oneOf;
  if (depth > 6) return wild;
  let right: fc.Arbitrary<unknown>;
  if (choices?.length) right = fc.oneof(...choices.map((each) => madeFor(each, ids, depth + 1)));
  else if (schema.enum?.length) right = fc.constantFrom(...schema.enum);
  else if (typed(schema) === 'object' || schema.properties) {
    right = fc.record(
      Object.fromEntries(
        Object.entries(schema.properties ?? {}).map(([key, each]) => [key, madeFor(each, ids, depth + 1)]),
      ),
      { requiredKeys: [] },
    );
  } else if (typed(schema) === 'array') {
    right = fc.array(madeFor(schema.items ?? {}, ids, depth + 1), { maxLength: 3 });
  } else if (typed(schema) === 'number' || typed(schema) === 'integer') {
    right = fc.double({ min: schema.minimum ?? -1e3, max: schema.maximum ?? 1e3, noNaN: true });
  } else if (typed(schema) === 'boolean') right = fc.boolean();
  else if (ids.length > 0 && schema.format === 'uuid') right = fc.constantFrom(...ids);
  else right = fc.oneof(fc.string(), fc.constantFrom(...ids, '2026-05-14T12:00:00Z', 'Name'));
  return fc.oneof({ weight: 9, arbitrary: right }, { weight: 1, arbitrary: wild });
}

/** Ids that are there, so that some requests get past the first door. */
async function knownIds(address: string): Promise<string[]> {
  const get = async (path: string) =>
    (await (await fetch(`${address}/api/v1${path}`)).json()) as { id: string }[];
  const boats = (await get('/boats')).slice(0, 3).map(({ id }) => id);
  const board = (await (await fetch(`${address}/api/v1/board`)).json()) as { clocks: { areaId: string }[] };
  const products = (await get('/products')).slice(0, 3).map(({ id }) => id);
  return [...boats, ...board.clocks.slice(0, 5).map(({ areaId }) => areaId), ...products];
}

export interface Fuzzed {
  statuses: Record<number, number>;
  /** Server errors, and errors that are no problem+json, with what was asked. */
  faults: string[];
}

/** Sends made-up requests, several at a time. The same seed makes the same ones. */
export async function fuzz(options: { address: string; requests: number; seed: number }): Promise<Fuzzed> {
  const { address, requests, seed } = options;
  const described = (await (await fetch(`${address}/api/v1/openapi.json`)).json()) as Described;
  const ids = [...(await knownIds(address)), '01900000-0000-7000-8000-000000000000', 'undefined', '%00'];
  const calls = Object.entries(described.paths).flatMap(([path, methods]) =>
    path === '/events'
      ? []
      : Object.entries(methods).map(([method, call]) => ({ path, method: method.toUpperCase(), call })),
  );
  const made = fc.constantFrom(...calls).chain(({ path, method, call }) => {
    const schema = call.requestBody?.content['application/json']?.schema;
    const names = [...path.matchAll(/\{(\w+)\}/g)];
    return fc.record({
      method: fc.constant(method),
      path: fc
        .array(fc.constantFrom(...ids), { minLength: names.length, maxLength: names.length })
        .map((list) => list.reduce((at, id) => at.replace(/\{\w+\}/, id), path)),
      query: fc.option(fc.tuple(fc.constantFrom('back', 'before', 'limit', '__proto__', 'x'), fc.string()), {
        nil: null,
      }),
      body: schema ? madeFor(schema, ids) : fc.option(wild, { nil: undefined }),
      type: fc.constantFrom(
        'application/json',
        'application/json',
        'application/json',
        'text/plain',
        'image/png',
      ),
    });
  });
  const found: Fuzzed = { statuses: {}, faults: [] };
  const list = fc.sample(made, { numRuns: requests, seed });
  const ask = async ({ method, path, query, body, type }: (typeof list)[number]) => {
    const asked = query
      ? `?${encodeURIComponent(query[0])}=${encodeURIComponent(query[1].replaceAll(/\p{Surrogate}/gu, '?'))}`
      : '';
    const sends = method !== 'GET' && body !== undefined;
    const response = await fetch(`${address}/api/v1${path}${asked}`, {
      method,
      ...(sends && { body: JSON.stringify(body), headers: { 'content-type': type } }),
    });
    const { status } = response;
    found.statuses[status] = (found.statuses[status] ?? 0) + 1;
    const bodyText = await response.text();
    const isProblem = response.headers.get('content-type')?.includes('problem+json') ?? false;
    if (status >= 500 || (status >= 400 && !isProblem))
      found.faults.push(
        `${status} ${method} ${path}${asked} ${JSON.stringify(body)?.slice(0, 300)} ${bodyText.slice(0, 200)}`,
      );
  };
  const AT_ONCE = 8;
  for (let i = 0; i < list.length; i += AT_ONCE) await Promise.all(list.slice(i, i + AT_ONCE).map(ask));
  return found;
}

import type Joi from 'joi';
import parse from 'joi-to-json';
import type { Endpoint } from './endpoint.ts';

const problem = {
  description: 'Problem',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
};

const json = (schema: Joi.Schema) => ({ 'application/json': { schema: parse(schema, 'open-api-3.1') } });

/** Answers of an endpoint when it does what it is asked. */
function successOf(endpoint: Endpoint): Record<string, object> {
  switch (endpoint.kind) {
    case 'handout':
      return {
        200: {
          description: 'The file',
          content: Object.fromEntries(endpoint.types.map((type) => [type, {}])),
        },
      };
    case 'read':
      return { 200: { description: 'As asked', content: json(endpoint.reply) } };
    case 'upload':
      if (!endpoint.reply) return { 204: { description: 'Kept' } };
      return {
        200: { description: 'Was there already', content: json(endpoint.reply) },
        201: { description: 'Kept', content: json(endpoint.reply) },
      };
    case 'write':
      if (endpoint.method === 'delete') return { 204: { description: 'Done' } };
      return {
        [endpoint.status ?? 200]: {
          description: endpoint.creates ? 'Was there already' : 'Done',
          content: json(endpoint.reply),
        },
        ...(endpoint.creates && { 201: { description: 'Made', content: json(endpoint.reply) } }),
      };
  }
}

function requestOf(endpoint: Endpoint): object {
  if (endpoint.kind === 'write' && endpoint.body)
    return { requestBody: { required: true, content: json(endpoint.body) } };
  if (endpoint.kind === 'upload') {
    const types = endpoint.types ?? ['application/octet-stream'];
    return {
      requestBody: { required: true, content: Object.fromEntries(types.map((type) => [type, {}])) },
    };
  }
  return {};
}

function queryOf(endpoint: Endpoint): object[] {
  if (endpoint.kind !== 'read' || !endpoint.query) return [];
  const { properties = {} } = parse(endpoint.query, 'open-api-3.1') as { properties?: object };
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    schema: schema as object,
  }));
}

/** OpenAPI 3.1 of the whole API, made from the endpoints themselves. */
export function openApi(endpoints: readonly Endpoint[]): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const endpoint of endpoints) {
    const address = endpoint.path.replaceAll(/:(\w+)/g, '{$1}');
    const ids = [...address.matchAll(/\{(\w+)\}/g)].map((match) => match[1]);
    const method = 'method' in endpoint ? endpoint.method : 'get';
    paths[address] = {
      ...paths[address],
      [method]: {
        summary: endpoint.summary,
        parameters: [
          ...ids.map((name) => ({
            name,
            in: 'path',
            required: true,
            schema: { type: 'string', format: 'uuid' },
          })),
          ...queryOf(endpoint),
        ],
        ...requestOf(endpoint),
        responses: { ...successOf(endpoint), '4XX': problem },
        ...(endpoint.kind === 'write' && { 'x-touches': endpoint.touches }),
      },
    };
  }
  paths['/events'] = {
    get: {
      summary: 'Stream changes as server-sent events',
      responses: { 200: { description: 'A stream', content: { 'text/event-stream': {} } }, '4XX': problem },
    },
  };
  return {
    openapi: '3.1.0',
    info: { title: 'Jack Plane', version: '1' },
    servers: [{ url: '/api/v1' }],
    paths,
    components: {
      schemas: {
        Problem: {
          type: 'object',
          description: 'Problem details (RFC 9457), with the fields that were rejected',
          required: ['type', 'title', 'status', 'detail'],
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string' },
            errors: {
              type: 'array',
              items: {
                type: 'object',
                properties: { path: { type: 'string' }, message: { type: 'string' } },
              },
            },
            current: {},
            changed: { type: 'array', items: { type: 'string' } },
          },
        },
      },
    },
  };
}

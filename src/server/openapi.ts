import type Joi from 'joi';
import parse from 'joi-to-json';
import {
  areaInput,
  areasInput,
  areaUpdate,
  boatInput,
  boatUpdate,
  entryInput,
  productInput,
  productUpdate,
  stackInput,
  standInRequest,
  weatherImport,
  yardInput,
} from '../contract/index.ts';

/** Every route: method, path under /api/v1, what it does, and the schema of its body. */
const ROUTES: [string, string, string, Joi.Schema?][] = [
  ['get', '/slip', 'What runs in the yard, soonest first'],
  ['get', '/bench/{areaId}', 'Everything for laying the next coat on an area'],
  ['get', '/yard', 'The yard'],
  ['put', '/yard', 'Change the yard', yardInput],
  ['get', '/boats', 'All boats'],
  ['post', '/boats', 'Add a boat', boatInput],
  ['get', '/boats/{id}', 'A boat with its areas and their clocks'],
  ['put', '/boats/{id}', 'Change a boat', boatUpdate],
  ['delete', '/boats/{id}', 'Take a boat off the slip; its record is kept'],
  ['post', '/boats/{id}/restore', 'Bring a boat back'],
  ['get', '/boats/{id}/stacks', 'The stacks of all areas of a boat'],
  ['get', '/boats/{id}/log', 'The log of a boat'],
  ['post', '/areas', 'Add an area', areaInput],
  ['post', '/boats/{id}/areas', 'Add several areas, all or none', areasInput],
  ['get', '/areas/{id}', 'An area'],
  ['put', '/areas/{id}', 'Change an area', areaUpdate],
  ['delete', '/areas/{id}', 'Remove an area; its log is kept'],
  ['post', '/areas/{id}/restore', 'Bring an area back'],
  ['put', '/areas/{id}/stack', 'Replace the stack of an area', stackInput],
  ['get', '/areas/{id}/clock', 'The window of an area with the air it was reckoned over'],
  ['get', '/products', 'All product sheets'],
  ['post', '/products', 'Add a product sheet', productInput],
  ['get', '/products/{id}', 'A product sheet'],
  ['put', '/products/{id}', 'A new version of a product sheet', productUpdate],
  ['post', '/log', 'Append a log entry or a correction', entryInput],
  ['get', '/log/{id}', 'A log entry'],
  ['get', '/weather', 'Air hour by hour, measured up to now and forecast after'],
  ['post', '/weather', 'Check or import hourly weather from CSV', weatherImport],
  ['post', '/weather/stand-in', 'Fill in simulated weather', standInRequest],
  ['get', '/weather.csv', 'The weather series as CSV'],
  ['get', '/events', 'Server-sent events: what changed'],
];

/** OpenAPI 3.1 of the whole API, its bodies from the same Joi schemas that guard the border. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [method, path, summary, schema] of ROUTES) {
    const names = [...path.matchAll(/\{(\w+)\}/g)].map((match) => match[1]);
    const problem = {
      description: 'Problem',
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    };
    paths[path] = {
      ...paths[path],
      [method]: {
        summary,
        parameters: names.map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
        ...(schema && {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: parse(schema, 'open-api-3.1') } },
          },
        }),
        responses: { '2XX': { description: 'Done' }, '4XX': problem },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Jack Plane', version: '1' },
    servers: [{ url: '/api/v1' }],
    paths,
    components: {
      schemas: {
        Problem: {
          type: 'object',
          description: 'RFC 9457, with the fields at fault',
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

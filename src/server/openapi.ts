import type Joi from 'joi';
import parse from 'joi-to-json';
import {
  areaInput,
  areasInput,
  areaUpdate,
  bareItemInput,
  bareItemUpdate,
  boatInput,
  boatUpdate,
  entryInput,
  estimatesInput,
  findingInput,
  findingUpdate,
  hullFormInput,
  ownTemplate,
  productInput,
  productUpdate,
  sheetsImport,
  stackForAreas,
  stackInput,
  standInRequest,
  standUpdate,
  standWithPatches,
  waterlineInput,
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
  ['post', '/boats/{id}/estimates', 'm² by one way for several areas, all or none', estimatesInput],
  ['get', '/areas/{id}', 'An area'],
  ['put', '/areas/{id}', 'Change an area', areaUpdate],
  ['delete', '/areas/{id}', 'Remove an area; its log is kept'],
  ['post', '/areas/{id}/restore', 'Bring an area back'],
  ['put', '/areas/{id}/stack', 'Replace the stack of an area', stackInput],
  ['post', '/boats/{id}/stacks', 'One stack for several areas without coats, all or none', stackForAreas],
  ['get', '/templates', 'Stacks kept under a name'],
  ['post', '/templates', 'Keep a stack under a name', ownTemplate],
  ['delete', '/templates/{id}', 'Put a template away'],
  ['post', '/templates/{id}/restore', 'Bring a template back'],
  ['get', '/areas/{id}/clock', 'The window of an area with the air it was reckoned over'],
  ['post', '/stands', 'Set down a stand with the patches it hides', standWithPatches],
  ['put', '/stands/{id}', 'Change a stand', standUpdate],
  ['delete', '/stands/{id}', 'Take a stand and its patches off the list'],
  ['post', '/stands/{id}/restore', 'Bring a stand and its patches back'],
  ['post', '/stands/{id}/shift', 'The stand was shifted: its patches are free'],
  ['post', '/stands/{id}/put-back', 'The stand was not shifted after all'],
  ['post', '/bare-items', 'Add to the leave-bare list', bareItemInput],
  ['put', '/bare-items/{id}', 'Change a thing to leave bare', bareItemUpdate],
  ['delete', '/bare-items/{id}', 'Take off the leave-bare list'],
  ['post', '/bare-items/{id}/restore', 'Put back on the leave-bare list'],
  ['post', '/findings', 'Set down a finding; it is judged', findingInput],
  ['put', '/findings/{id}', 'Change a finding', findingUpdate],
  ['delete', '/findings/{id}', 'Remove a finding'],
  ['post', '/findings/{id}/restore', 'Bring a finding back'],
  ['put', '/boats/{id}/photos/{photoId}', 'Send a photograph (JPEG, PNG or WebP as the body)'],
  ['get', '/photos/{id}', 'A photograph'],
  ['get', '/boats/{id}/form', 'What is known of the shape of a boat'],
  ['put', '/boats/{id}/form', 'Set the table of offsets, the mesh record, and which counts', hullFormInput],
  ['get', '/boats/{id}/offsets.csv', 'The table of offsets as CSV'],
  ['put', '/boats/{id}/mesh', 'Keep the file of a mesh (the bytes as the body, up to 300 MB)'],
  ['get', '/boats/{id}/mesh', 'The file of the mesh as it came'],
  ['get', '/boats/{id}/waterline', 'The marks of the line and how it is struck'],
  [
    'put',
    '/boats/{id}/waterline',
    'Keep the line; with enough marks it is struck and its stripe becomes an area',
    waterlineInput,
  ],
  ['get', '/boats/{id}/marks.csv', 'Reference marks and marks made by hand as CSV'],
  ['get', '/boats/{id}/mark-sheet.csv', 'The mark sheet as CSV'],
  ['get', '/boats/{id}/mark-sheet.pdf', 'The mark sheet as PDF'],
  ['get', '/products', 'All product sheets'],
  ['post', '/products', 'Add a product sheet', productInput],
  ['get', '/products.csv', 'All sheets as CSV'],
  ['post', '/products/csv', 'Sheets from CSV, all or none', sheetsImport],
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

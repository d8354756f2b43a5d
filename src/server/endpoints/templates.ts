import { ownTemplate, templatesReply } from '../../contract/index.ts';
import { read, write } from '../http/endpoint.ts';
import { found } from '../rows/missing.ts';
import { allTemplates, archiveTemplate, insertTemplate, templateById } from '../rows/templates.ts';

/** Stacks kept under a name of the yard's own. */
export const templateEndpoints = [
  read({
    path: '/templates',
    summary: 'Stacks kept under a name',
    reply: templatesReply,
    run: (_asked, { db }) => allTemplates(db),
  }),
  write({
    method: 'post',
    path: '/templates',
    summary: 'Keep a stack under a name',
    body: ownTemplate,
    reply: ownTemplate,
    touches: ['templates'],
    creates: {
      what: 'template',
      id: (body) => body.id,
      find: (tx, body) => templateById(tx, body.id),
      sent: (record) => record,
    },
    run: async ({ body }, { tx }) => {
      await insertTemplate(tx, body);
      return { reply: body, changes: [{ of: 'templates' }] };
    },
  }),
  write({
    method: 'delete',
    path: '/templates/:id',
    summary: 'Put a template away',
    reply: ownTemplate,
    touches: ['templates'],
    run: async ({ params }, { tx }) => {
      await archiveTemplate(tx, params.id, true);
      return {
        reply: found(await templateById(tx, params.id), 'template', params.id),
        changes: [{ of: 'templates' }],
      };
    },
  }),
  write({
    method: 'post',
    path: '/templates/:id/restore',
    summary: 'Bring a template back',
    reply: ownTemplate,
    touches: ['templates'],
    run: async ({ params }, { tx }) => {
      await archiveTemplate(tx, params.id, false);
      return {
        reply: found(await templateById(tx, params.id), 'template', params.id),
        changes: [{ of: 'templates' }],
      };
    },
  }),
];

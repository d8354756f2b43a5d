import { IANAZone } from 'luxon';
import { PROBLEM_TYPES, problemKinds, yardInput, yardReply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { read, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { theYard, updateYard } from '../rows/yard.ts';

export const yardEndpoints = [
  read({
    path: '/problems',
    summary: 'The kinds of problem (RFC 9457), by the code in their type',
    reply: problemKinds,
    run: async () =>
      Object.entries(PROBLEM_TYPES).map(([code, [title, meaning]]) => ({ code, title, meaning })),
  }),
  read({
    path: '/yard',
    summary: 'The yard',
    reply: yardReply,
    run: (_asked, { db }) => theYard(db),
  }),
  write({
    method: 'put',
    path: '/yard',
    summary: 'Update the yard',
    body: yardInput,
    reply: yardReply,
    touches: ['yard'],
    replaces: { what: 'yard', find: (tx) => theYard(tx) },
    run: async ({ body }, { tx }) => {
      if (!IANAZone.isValidZone(body.zone)) {
        throw badFields([{ path: 'zone', message: t`Time zone “${body.zone}” doesn’t exist` }]);
      }
      await updateYard(tx, await theYard(tx), body);
      return { reply: await theYard(tx), changes: [{ of: 'yard' }] };
    },
  }),
];

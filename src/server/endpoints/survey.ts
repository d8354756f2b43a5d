import type Joi from 'joi';
import {
  type BareItem,
  type BareItemInput,
  bareItemInput,
  bareItemReply,
  bareItemUpdate,
  type Finding,
  type FindingInput,
  findingInput,
  findingReply,
  findingUpdate,
} from '../../contract/index.ts';
import { type FindingGrade, GRADES_OF, judgeFinding } from '../../core/inspect/index.ts';
import { t } from '../../words.ts';
import type { Queries, Tx } from '../db/open.ts';
import { type Endpoint, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { areaById } from '../rows/areas.ts';
import { theBoat } from '../rows/boats.ts';
import { found } from '../rows/missing.ts';
import {
  bareItemById,
  findingById,
  insertBareItem,
  insertFinding,
  updateBareItem,
  updateFinding,
} from '../rows/survey.ts';

/** Masked items and findings: records of one shape of life. */

interface Input {
  id: string;
  boatId: string;
  areaId: string | null;
}
interface Kept {
  version: number;
  archived: boolean;
}

/** How one kind of survey record is read, written and checked. */
interface Kind<I extends Input, R extends I & Kept, Path extends string> {
  path: Path;
  word: string;
  summaries: { add: string; change: string; remove: string; restore: string };
  input: Joi.ObjectSchema<I>;
  update: Joi.ObjectSchema<I & { version: number }>;
  reply: Joi.ObjectSchema<R>;
  sent: (record: R) => unknown;
  byId: (db: Queries, id: string) => Promise<R | undefined>;
  insert: (db: Queries, input: I) => Promise<void>;
  set: (db: Queries, current: R, values: Partial<I> & { archived?: boolean }) => Promise<void>;
  check?: (input: I) => void;
}

async function checkArea(tx: Tx, { areaId, boatId }: Input): Promise<void> {
  if (areaId === null) return;
  const area = await areaById(tx, areaId);
  if (area?.boatId !== boatId) {
    throw badFields([{ path: 'areaId', message: t`there is no such area on this boat` }]);
  }
}

function endpointsOf<I extends Input, R extends I & Kept, Path extends string>(
  kind: Kind<I, R, Path>,
): Endpoint[] {
  const { path, word, summaries, reply } = kind;
  const touches = ['survey'] as const;
  const the = async (tx: Tx, id: string): Promise<R> => found(await kind.byId(tx, id), word, id);
  const wrote = async (tx: Tx, id: string) => {
    const record = await the(tx, id);
    return { reply: record, changes: [{ of: 'survey' as const, boatId: record.boatId }] };
  };
  const setArchived = async (tx: Tx, id: string, archived: boolean) => {
    const current = await the(tx, id);
    if (current.archived !== archived) {
      await kind.set(tx, current, { archived } as Partial<I> & { archived: boolean });
    }
    return wrote(tx, id);
  };
  return [
    write({
      method: 'post',
      path,
      summary: summaries.add,
      body: kind.input,
      reply,
      touches,
      creates: {
        what: word,
        id: (body: I) => body.id,
        find: (tx: Tx, body: I) => kind.byId(tx, body.id),
        sent: kind.sent,
      },
      run: async ({ body }, { tx }) => {
        kind.check?.(body);
        await theBoat(tx, body.boatId);
        await checkArea(tx, body);
        await kind.insert(tx, body);
        return wrote(tx, body.id);
      },
    }),
    write({
      method: 'put',
      path: `${path}/:id` as '/:id',
      summary: summaries.change,
      body: kind.update,
      reply,
      touches,
      replaces: { what: word, find: (tx: Tx, params: { id: string }) => the(tx, params.id) },
      run: async ({ params, body }, { tx }) => {
        kind.check?.(body);
        const current = await the(tx, params.id);
        if (current.boatId !== body.boatId) {
          throw badFields([{ path: 'boatId', message: t`A ${word} can’t be moved to another boat` }]);
        }
        await checkArea(tx, body);
        const { version: _v, ...values } = body;
        await kind.set(tx, current, values as unknown as Partial<I>);
        return wrote(tx, params.id);
      },
    }),
    write({
      method: 'delete',
      path: `${path}/:id` as '/:id',
      summary: summaries.remove,
      reply,
      touches,
      run: ({ params }, { tx }) => setArchived(tx, params.id, true),
    }),
    write({
      method: 'post',
      path: `${path}/:id/restore` as '/:id/restore',
      summary: summaries.restore,
      reply,
      touches,
      run: ({ params }, { tx }) => setArchived(tx, params.id, false),
    }),
  ];
}

/** The core has the last word on readings. */
function checkFinding(input: FindingInput): void {
  try {
    judgeFinding(input);
  } catch (error) {
    const wrongGrade = GRADES_OF[input.kind]?.includes(input.grade as FindingGrade) === false;
    throw badFields([{ path: wrongGrade ? 'grade' : 'value', message: (error as Error).message }]);
  }
}

export const surveyEndpoints: Endpoint[] = [
  ...endpointsOf<BareItemInput, BareItem, '/bare-items'>({
    path: '/bare-items',
    word: t`masked item`,
    summaries: {
      add: 'Add a masked item',
      change: 'Change a masked item',
      remove: 'Delete a masked item',
      restore: 'Restore a masked item',
    },
    input: bareItemInput,
    update: bareItemUpdate,
    reply: bareItemReply,
    sent: ({ version: _v, archived: _a, ...sent }) => sent,
    byId: bareItemById,
    insert: insertBareItem,
    set: updateBareItem,
  }),
  ...endpointsOf<FindingInput, Finding, '/findings'>({
    path: '/findings',
    word: 'finding',
    summaries: {
      add: 'Add a finding and rate it',
      change: 'Update a finding',
      remove: 'Remove a finding',
      restore: 'Bring a finding back',
    },
    input: findingInput,
    update: findingUpdate,
    reply: findingReply,
    sent: ({ version: _v, archived: _a, verdict: _j, reason: _r, ...sent }) => sent,
    byId: findingById,
    insert: insertFinding,
    set: updateFinding,
    check: checkFinding,
  }),
];

import { and, eq } from 'drizzle-orm';
import { Router } from 'express';
import type Joi from 'joi';
import {
  type BareItem,
  type BareItemInput,
  bareItemInput,
  bareItemUpdate,
  type Finding,
  type FindingInput,
  findingInput,
  findingUpdate,
} from '../../contract/index.ts';
import { type FindingGrade, GRADES_OF, judgeFinding } from '../../core/inspect/index.ts';
import type { Context } from '../context.ts';
import type { Queries } from '../db/open.ts';
import { toBareItem, toFinding } from '../db/rows.ts';
import { area, bareItem, finding } from '../db/schema.ts';
import { guardIds } from '../http/ids.ts';
import { badFields, conflict, HttpProblem, notFound, sameJson } from '../http/problem.ts';
import { accept } from '../http/validate.ts';
import { findBoat } from './boats.ts';

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
interface Kind<I extends Input, R extends I & Kept> {
  path: string;
  word: string;
  input: Joi.Schema<I>;
  update: Joi.Schema<I & { version: number }>;
  /** What a record holds beyond what was sent. */
  added: readonly (keyof R)[];
  find: (db: Queries, id: string) => Promise<R | undefined>;
  insert: (db: Queries, input: I) => Promise<void>;
  set: (db: Queries, id: string, values: Partial<I> & Partial<Kept>) => Promise<void>;
  check?: (input: I) => void;
}

const bareItems: Kind<BareItemInput, BareItem> = {
  path: 'bare-items',
  word: 'thing to leave bare',
  input: bareItemInput,
  update: bareItemUpdate,
  added: ['version', 'archived'],
  find: async (db, id) => {
    const [row] = await db.select().from(bareItem).where(eq(bareItem.id, id));
    return row && toBareItem(row);
  },
  insert: async (db, input) => {
    await db.insert(bareItem).values(input);
  },
  set: async (db, id, values) => {
    await db.update(bareItem).set(values).where(eq(bareItem.id, id));
  },
};

const findingRow = <T extends Partial<FindingInput>>({ at, ...rest }: T) => ({
  ...rest,
  ...(at !== undefined && { at: new Date(at) }),
});

const findings: Kind<FindingInput, Finding> = {
  path: 'findings',
  word: 'finding',
  input: findingInput,
  update: findingUpdate,
  added: ['version', 'archived', 'verdict', 'reason'],
  find: async (db, id) => {
    const [row] = await db.select().from(finding).where(eq(finding.id, id));
    return row && toFinding(row);
  },
  insert: async (db, input) => {
    await db.insert(finding).values({ ...input, at: new Date(input.at) });
  },
  set: async (db, id, values) => {
    await db.update(finding).set(findingRow(values)).where(eq(finding.id, id));
  },
  // The core has the last word on readings.
  check: (input) => {
    try {
      judgeFinding(input);
    } catch (error) {
      throw badFields([
        {
          path: GRADES_OF[input.kind]?.includes(input.grade as FindingGrade) === false ? 'grade' : 'value',
          message: (error as Error).message,
        },
      ]);
    }
    if (Number.isNaN(Date.parse(input.at))) {
      throw badFields([{ path: 'at', message: `time "${input.at}" is not a time` }]);
    }
  },
};

async function checkArea(db: Queries, input: Input): Promise<void> {
  if (input.areaId === null) return;
  const [row] = await db
    .select({ id: area.id })
    .from(area)
    .where(and(eq(area.id, input.areaId), eq(area.boatId, input.boatId)));
  if (!row) throw badFields([{ path: 'areaId', message: 'there is no such area on this boat' }]);
}

function routesOf<I extends Input, R extends I & Kept>(
  router: Router,
  kind: Kind<I, R>,
  { db, live }: Context,
): void {
  const found = async (tx: Queries, id: string): Promise<R> => {
    const record = await kind.find(tx, id);
    if (!record) throw notFound(kind.word, id);
    return record;
  };
  router.post(`/${kind.path}`, async (req, res) => {
    const input = accept(kind.input, req.body);
    kind.check?.(input);
    await findBoat(db, input.boatId);
    const { made, saved } = await db.transaction(async (tx) => {
      const known = await kind.find(tx, input.id);
      if (known) {
        const sent = Object.fromEntries(
          Object.entries(known).filter(([key]) => !kind.added.includes(key as keyof R)),
        );
        if (!sameJson(sent, input)) {
          throw new HttpProblem(409, 'Id taken', `There is another ${kind.word} with the id ${input.id}.`);
        }
        return { made: false, saved: known };
      }
      await checkArea(tx, input);
      await kind.insert(tx, input);
      return { made: true, saved: await found(tx, input.id) };
    });
    live.tell('survey');
    res.status(made ? 201 : 200).json(saved);
  });
  router.put(`/${kind.path}/:id`, async (req, res) => {
    const input = accept(kind.update, { ...req.body, id: req.params.id });
    kind.check?.(input);
    const saved = await db.transaction(async (tx) => {
      const current = await found(tx, input.id);
      if (current.version !== input.version) throw conflict(kind.word, current, input);
      await checkArea(tx, input);
      await kind.set(tx, input.id, { ...input, version: current.version + 1 });
      return found(tx, input.id);
    });
    live.tell('survey');
    res.json(saved);
  });
  router.delete(`/${kind.path}/:id`, async (req, res) => {
    await found(db, req.params.id);
    await kind.set(db, req.params.id, { archived: true } as Partial<I> & Partial<Kept>);
    live.tell('survey');
    res.status(204).end();
  });
  router.post(`/${kind.path}/:id/restore`, async (req, res) => {
    await found(db, req.params.id);
    await kind.set(db, req.params.id, { archived: false } as Partial<I> & Partial<Kept>);
    live.tell('survey');
    res.json(await found(db, req.params.id));
  });
}

/** The leave-bare list and the findings of a survey: records of one shape of life. */
export function surveyRecordRoutes(context: Context): Router {
  const router = guardIds(Router());
  routesOf(router, bareItems, context);
  routesOf(router, findings, context);
  return router;
}

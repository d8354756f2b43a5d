import { readFileSync } from 'node:fs';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { v7 as uuidv7 } from 'uuid';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aStep } from '../../../test/examples.ts';
import { dumpFile } from '../../../test/migratedDump.ts';
import { ownTemplate, strict } from '../../contract/index.ts';
import { readDump } from './open.ts';
import { projectRoot } from './places.ts';

let pg: PGlite;
beforeAll(async () => {
  pg = await PGlite.create({ loadDataDir: await readDump(dumpFile()) });
});
afterAll(() => pg.close());

it('work kept before tasks had ids gets them, in its order, and what was kept is taken by the border again', async () => {
  const { band: _b, order: _o, ...old } = aStep(uuidv7());
  const before = [
    { kind: 'wash', amount: null, note: 'rinse' },
    { kind: 'wait', amount: 24, note: '' },
    { kind: 'sand', amount: 80, note: '' },
  ];
  const kept = { id: uuidv7(), name: 'Kept long ago' };
  await pg.query('INSERT INTO own_template (id, name, steps) VALUES ($1, $2, $3)', [
    kept.id,
    kept.name,
    JSON.stringify([
      { ...old, before },
      { ...old, id: uuidv7() },
    ]),
  ]);
  const sql = readFileSync(path.join(projectRoot(), 'src/server/db/migrations/0004_work.sql'), 'utf8');
  const updates = sql.split('--> statement-breakpoint').filter((statement) => /UPDATE/.test(statement));
  expect(updates).toHaveLength(2);
  for (const update of updates) await pg.query(update);
  const { rows } = await pg.query<{ steps: ReturnType<typeof aStep>[] }>('SELECT steps FROM own_template');
  const steps = rows[0]?.steps ?? [];
  expect(steps[0]?.before.map(({ kind }) => kind)).toEqual(['wash', 'wait', 'sand']);
  expect(steps[1]?.before).toEqual([]);
  expect(ownTemplate.validate({ ...kept, steps }, strict).error).toBeUndefined();
});

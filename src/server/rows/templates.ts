import { asc, eq } from 'drizzle-orm';
import { AS_USUAL, type OwnTemplate } from '../../contract/index.ts';
import type { Queries } from '../db/open.ts';
import { ownTemplate } from '../db/schema.ts';
import { found } from './missing.ts';

const toTemplate = ({ archived: _, ...row }: typeof ownTemplate.$inferSelect): OwnTemplate => ({
  ...row,
  // One kept before these were chosen has them as usual.
  steps: row.steps.map((each) => ({ ...AS_USUAL, ...each })),
});

export async function allTemplates(db: Queries): Promise<OwnTemplate[]> {
  const rows = await db
    .select()
    .from(ownTemplate)
    .where(eq(ownTemplate.archived, false))
    .orderBy(asc(ownTemplate.name), asc(ownTemplate.id));
  return rows.map(toTemplate);
}

export async function templateById(db: Queries, id: string): Promise<OwnTemplate | undefined> {
  const [row] = await db.select().from(ownTemplate).where(eq(ownTemplate.id, id));
  return row && toTemplate(row);
}

export async function insertTemplate(db: Queries, input: OwnTemplate): Promise<void> {
  await db.insert(ownTemplate).values(input);
}

export async function archiveTemplate(db: Queries, id: string, archived: boolean): Promise<void> {
  found(await templateById(db, id), 'template', id);
  await db.update(ownTemplate).set({ archived }).where(eq(ownTemplate.id, id));
}

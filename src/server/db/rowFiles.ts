import { Readable } from 'node:stream';
import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { type FileStore, Measured, type Written } from './files.ts';
import type { Db } from './open.ts';
import { fileChunk, storedFile } from './schema.ts';

const CHUNK_BYTES = 256 * 1024;

/** Chunks of one size from chunks of any size. */
async function* evenly(source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
  let held = Buffer.alloc(0);
  for await (const piece of source) {
    held = Buffer.concat([held, piece]);
    for (; held.length >= CHUNK_BYTES; held = held.subarray(CHUNK_BYTES)) yield held.subarray(0, CHUNK_BYTES);
  }
  if (held.length > 0) yield held;
}

/** Files in rows of a database server, which every process that serves it sees. */
export class RowFiles implements FileStore {
  readonly #db: Db;

  constructor(db: Db) {
    this.#db = db;
  }

  async has(name: string): Promise<boolean> {
    const rows = await this.#db
      .select({ name: storedFile.name })
      .from(storedFile)
      .where(eq(storedFile.name, name));
    return rows.length > 0;
  }

  async names(): Promise<string[]> {
    return (await this.#db.select({ name: storedFile.name }).from(storedFile)).map(({ name }) => name);
  }

  read(name: string): Readable {
    return Readable.from(this.#chunks(name));
  }

  async *#chunks(name: string): AsyncGenerator<Buffer> {
    const [file] = await this.#db.select().from(storedFile).where(eq(storedFile.name, name));
    if (!file) throw new Error(`there is no file ${name}`);
    for (let no = 0; ; no++) {
      const [chunk] = await this.#db
        .select({ data: fileChunk.data })
        .from(fileChunk)
        .where(and(eq(fileChunk.contentId, file.contentId), eq(fileChunk.no, no)));
      if (!chunk) return;
      yield Buffer.from(chunk.data);
    }
  }

  async write(
    name: string,
    from: Readable,
    most: number,
    check: (written: Written) => void | Promise<void> = () => {},
  ): Promise<Written> {
    const contentId = uuidv7();
    const measured = new Measured(most);
    try {
      let no = 0;
      for await (const data of evenly(measured.through(from)))
        await this.#db.insert(fileChunk).values({ contentId, no: no++, data });
      const written = measured.written();
      await check(written);
      const { hash, bytes } = written;
      await this.#put({ name, contentId, hash, bytes });
      return written;
    } catch (error) {
      await this.#db.delete(fileChunk).where(eq(fileChunk.contentId, contentId));
      throw error;
    }
  }

  async rename(from: string, to: string): Promise<void> {
    const file = await this.#file(from);
    await this.#put({ ...file, name: to });
    await this.remove(from);
  }

  async alias(name: string, also: string): Promise<void> {
    await this.#put({ ...(await this.#file(name)), name: also });
  }

  async remove(name: string): Promise<void> {
    await this.#db.transaction(async (tx) => {
      const [gone] = await tx.delete(storedFile).where(eq(storedFile.name, name)).returning();
      if (gone) await tx.execute(dropUnused(gone.contentId));
    });
  }

  async #file(name: string): Promise<typeof storedFile.$inferSelect> {
    const [file] = await this.#db
      .select()
      .from(storedFile)
      .where(eq(storedFile.name, name))
      .orderBy(asc(storedFile.name));
    if (!file) throw new Error(`there is no file ${name}`);
    return file;
  }

  async #put(file: typeof storedFile.$inferInsert): Promise<void> {
    await this.#db.transaction(async (tx) => {
      const [before] = await tx.select().from(storedFile).where(eq(storedFile.name, file.name));
      const { name: _, ...set } = file;
      await tx.insert(storedFile).values(file).onConflictDoUpdate({ target: storedFile.name, set });
      if (before) await tx.execute(dropUnused(before.contentId));
    });
  }
}

/** Removes the parts of a content that no name has any more. */
const dropUnused = (contentId: string) =>
  sql`delete from file_chunk where content_id = ${contentId}
    and not exists (select 1 from stored_file where content_id = ${contentId})`;

import { createWriteStream } from 'node:fs';
import { access, mkdir, mkdtemp, open, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { HttpProblem } from '../http/problem.ts';

/** Large files kept beside the database. A file is there whole or not at all: written elsewhere, synced, then renamed. */
export class FileStore {
  readonly #folder: string;

  private constructor(folder: string) {
    this.#folder = folder;
  }

  /** @param folder the data folder, or null for one that goes with the process */
  static async open(folder: string | null): Promise<FileStore> {
    const at = folder ? `${folder}.files` : await mkdtemp(path.join(tmpdir(), 'jack-plane-files-'));
    await mkdir(at, { recursive: true });
    return new FileStore(at);
  }

  path(name: string): string {
    return path.join(this.#folder, path.basename(name));
  }

  async has(name: string): Promise<boolean> {
    return access(this.path(name)).then(
      () => true,
      () => false,
    );
  }

  /** @throws {HttpProblem} 413 when more than `most` bytes come */
  async write(name: string, from: Readable, most: number): Promise<void> {
    const beside = `${this.path(name)}.${process.pid}-${Date.now()}.part`;
    let size = 0;
    try {
      await pipeline(
        from,
        async function* (source: AsyncIterable<Buffer>) {
          for await (const chunk of source) {
            size += chunk.length;
            if (size > most)
              throw new HttpProblem(413, 'Too large', `The file is larger than ${most} bytes.`);
            yield chunk;
          }
        },
        createWriteStream(beside),
      );
      const handle = await open(beside, 'r+');
      await handle.sync();
      await handle.close();
      await rename(beside, this.path(name));
    } catch (error) {
      await rm(beside, { force: true });
      throw error;
    }
  }

  async remove(name: string): Promise<void> {
    await rm(this.path(name), { force: true });
  }
}

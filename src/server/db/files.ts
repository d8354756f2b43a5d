import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, type ReadStream } from 'node:fs';
import { access, link, mkdir, mkdtemp, open, readdir, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** More bytes came than are taken. */
export class TooLarge extends Error {
  constructor(most: number) {
    super(`The file is larger than ${most} bytes.`);
    this.name = 'TooLarge';
  }
}

/** The file is not what it is sent as. */
export class WrongKind extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'WrongKind';
  }
}

/** What came: its size, its SHA-256, and its first bytes. */
export interface Written {
  bytes: number;
  hash: string;
  head: Buffer;
}

const HEAD_BYTES = 512;
const UNDER_WAY = '.part';

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
    // Left by a process that ended in the middle of an upload.
    for (const name of await readdir(at)) if (name.endsWith(UNDER_WAY)) await rm(path.join(at, name));
    return new FileStore(at);
  }

  path(name: string): string {
    return path.join(this.#folder, path.basename(name));
  }

  has(name: string): Promise<boolean> {
    return access(this.path(name)).then(
      () => true,
      () => false,
    );
  }

  names(): Promise<string[]> {
    return readdir(this.#folder);
  }

  read(name: string): ReadStream {
    return createReadStream(this.path(name));
  }

  /**
   * Keeps what comes under `name`, in the place of what was there.
   *
   * @param check told what came before it takes its place; throws where it may not
   * @throws {TooLarge} when more than `most` bytes come
   */
  async write(
    name: string,
    from: Readable,
    most: number,
    check: (written: Written) => void | Promise<void> = () => {},
  ): Promise<Written> {
    const beside = `${this.path(name)}.${process.pid}-${Date.now()}${UNDER_WAY}`;
    const sum = createHash('sha256');
    let [bytes, head] = [0, Buffer.alloc(0)];
    try {
      await pipeline(
        from,
        async function* (source: AsyncIterable<Buffer>) {
          for await (const chunk of source) {
            bytes += chunk.length;
            if (bytes > most) throw new TooLarge(most);
            sum.update(chunk);
            if (head.length < HEAD_BYTES) head = Buffer.concat([head, chunk]).subarray(0, HEAD_BYTES);
            yield chunk;
          }
        },
        createWriteStream(beside),
      );
      const written = { bytes, hash: sum.digest('hex'), head };
      await check(written);
      const handle = await open(beside, 'r+');
      await handle.sync();
      await handle.close();
      await this.#put(beside, this.path(name));
      return written;
    } catch (error) {
      await rm(beside, { force: true });
      throw error;
    }
  }

  /** Gives a kept file another name. */
  rename(from: string, to: string): Promise<void> {
    return this.#put(this.path(from), this.path(to));
  }

  /** Has a kept file go by a second name as well. */
  async alias(name: string, also: string): Promise<void> {
    await link(this.path(name), this.path(also));
    await this.#flush();
  }

  async remove(name: string): Promise<void> {
    await rm(this.path(name), { force: true });
  }

  async #put(from: string, to: string): Promise<void> {
    await rename(from, to);
    await this.#flush();
  }

  /** A new name outlives a power cut only once its folder is flushed too. */
  async #flush(): Promise<void> {
    const folder = await open(this.#folder, 'r');
    await folder.sync();
    await folder.close();
  }
}

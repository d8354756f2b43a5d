import { createHash, type Hash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { access, link, mkdir, mkdtemp, open, readdir, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { v7 as uuidv7 } from 'uuid';

/** More bytes came than are taken. */
export class TooLarge extends Error {
  constructor(most: number) {
    super(`The file is larger than the maximum of ${Math.floor(most / 1e6)} MB.`);
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

/**
 * Large files of a yard: photographs and meshes. A file is there whole or not at all. Kept in a folder beside an embedded
 * database ({@link FolderFiles}), or in rows of a database server ({@link import('./rowFiles.ts').RowFiles}).
 */
export interface FileStore {
  has(name: string): Promise<boolean>;
  names(): Promise<string[]>;
  read(name: string): Readable;
  /**
   * Keeps what comes under `name`, in the place of what was there.
   *
   * @param check told what came before it takes its place; throws where it may not
   * @throws {TooLarge} when more than `most` bytes come
   */
  write(
    name: string,
    from: Readable,
    most: number,
    check?: (written: Written) => void | Promise<void>,
  ): Promise<Written>;
  /** Gives a kept file another name, in the place of what had it. */
  rename(from: string, to: string): Promise<void>;
  /** Gives a stored file a second name. */
  alias(name: string, also: string): Promise<void>;
  remove(name: string): Promise<void>;
}

const HEAD_BYTES = 512;
const UNDER_WAY = '.part';

/** Counts, hashes and keeps the head of what passes. @throws {TooLarge} */
export class Measured {
  readonly #most: number;
  readonly #sum: Hash = createHash('sha256');
  #bytes = 0;
  #head = Buffer.alloc(0);

  constructor(most: number) {
    this.#most = most;
  }

  async *through(source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
    for await (const chunk of source) {
      this.#bytes += chunk.length;
      if (this.#bytes > this.#most) throw new TooLarge(this.#most);
      this.#sum.update(chunk);
      if (this.#head.length < HEAD_BYTES)
        this.#head = Buffer.concat([this.#head, chunk]).subarray(0, HEAD_BYTES);
      yield chunk;
    }
  }

  written(): Written {
    return { bytes: this.#bytes, hash: this.#sum.digest('hex'), head: this.#head };
  }
}

/** Files in a folder: written elsewhere, synced, then renamed. */
export class FolderFiles implements FileStore {
  readonly #folder: string;

  private constructor(folder: string) {
    this.#folder = folder;
  }

  /** @param folder the data folder, or null for one that goes with the process */
  static async open(folder: string | null, { readOnly = false } = {}): Promise<FolderFiles> {
    if (readOnly && folder) return new FolderFiles(`${folder}.files`);
    const at = folder ? `${folder}.files` : await mkdtemp(path.join(tmpdir(), 'jack-plane-files-'));
    await mkdir(at, { recursive: true });
    // Left by a process that ended in the middle of an upload.
    for (const name of await readdir(at)) if (name.endsWith(UNDER_WAY)) await rm(path.join(at, name));
    return new FolderFiles(at);
  }

  #path(name: string): string {
    return path.join(this.#folder, path.basename(name));
  }

  has(name: string): Promise<boolean> {
    return access(this.#path(name)).then(
      () => true,
      () => false,
    );
  }

  names(): Promise<string[]> {
    return readdir(this.#folder);
  }

  read(name: string): Readable {
    return createReadStream(this.#path(name));
  }

  async write(
    name: string,
    from: Readable,
    most: number,
    check: (written: Written) => void | Promise<void> = () => {},
  ): Promise<Written> {
    const beside = `${this.#path(name)}.${uuidv7()}${UNDER_WAY}`;
    const measured = new Measured(most);
    try {
      await pipeline(
        from,
        (source: AsyncIterable<Buffer>) => measured.through(source),
        createWriteStream(beside),
      );
      const written = measured.written();
      await check(written);
      const handle = await open(beside, 'r+');
      await handle.sync();
      await handle.close();
      await this.#put(beside, this.#path(name));
      return written;
    } catch (error) {
      await rm(beside, { force: true });
      throw error;
    }
  }

  rename(from: string, to: string): Promise<void> {
    return this.#put(this.#path(from), this.#path(to));
  }

  async alias(name: string, also: string): Promise<void> {
    await link(this.#path(name), this.#path(also));
    await this.#flush();
  }

  async remove(name: string): Promise<void> {
    await rm(this.#path(name), { force: true });
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

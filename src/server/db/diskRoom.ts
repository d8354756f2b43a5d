import { closeSync, existsSync, fsyncSync, openSync, rmSync, statfsSync, statSync, writeSync } from 'node:fs';
import path from 'node:path';
import type { DiskRoom as RoomView } from '../../contract/index.ts';

/** Why a yard is opened for reading only. */
export type ReadOnlyCause = 'full' | 'not writable';

const MIB = 1024 * 1024;
/** With less than this nothing more is taken. */
const FULL_BELOW = 8 * MIB;
/** With less than this it is told on the board, in time to do something about it. */
const LOW_BELOW = 256 * MIB;
/** Kept back for a write that is under way when the disk fills up: two segments of the database's log. */
const RESERVE = 32 * MIB;
/** What an empty yard takes. */
const NEW_YARD = 64 * MIB;

const sayBytes = (bytes: number) => (bytes < MIB ? `${bytes} B` : `${Math.floor(bytes / MIB)} MB`);

/** The disk with the yard’s data is full: the write was refused, and no data was lost. */
export class DiskFull extends Error {
  constructor(freeBytes: number, what: string) {
    super(`The disk with the yard’s data is full (${sayBytes(freeBytes)} free). ${what}`);
    this.name = 'DiskFull';
  }
}

/** The yard was opened for reading only: nothing was written, nothing was lost. */
export class ReadOnly extends Error {
  constructor(cause: ReadOnlyCause) {
    const [why, what] =
      cause === 'full'
        ? ['its disk was full when the server started', 'Free some space']
        : ['this server may not write to its folder', 'Allow writing'];
    super(
      `The yard is open for reading only, since ${why}: nothing was saved. ${what}, then start the server again.`,
    );
    this.name = 'ReadOnly';
  }
}

/** How much room there is where the data folder lies, and a file kept in reserve for the moment when there is none. */
export class DiskRoom {
  readonly #folder: string | null;
  readonly #reserve: string;
  #readOnly: ReadOnlyCause | null = null;

  /** @param folder the data folder, or null for one in memory, which never fills */
  constructor(folder: string | null) {
    this.#folder = folder && path.resolve(folder);
    this.#reserve = `${folder}.reserve`;
  }

  #freeBytes(): number {
    if (this.#folder === null) return Number.MAX_SAFE_INTEGER;
    const { bavail, bsize } = statfsSync(path.dirname(this.#folder));
    return bavail * bsize;
  }

  /** From now on every write is refused, even with free space. */
  setReadOnly(cause: ReadOnlyCause): void {
    this.#readOnly = cause;
  }

  isFull(): boolean {
    return this.#freeBytes() < FULL_BELOW;
  }

  look(): RoomView {
    const freeBytes = this.#freeBytes();
    if (this.#readOnly !== null) return { freeBytes, state: 'read-only' };
    const full = freeBytes < FULL_BELOW || !this.#keepReserve(freeBytes);
    return { freeBytes, state: full ? 'full' : freeBytes < LOW_BELOW ? 'low' : 'fine' };
  }

  /** @throws {DiskFull} when nothing may be written any more, or not as much as `bytes` @throws {ReadOnly} */
  require(bytes = 0): void {
    if (this.#readOnly !== null) throw new ReadOnly(this.#readOnly);
    const { freeBytes, state } = this.look();
    if (state === 'full' || freeBytes - FULL_BELOW < bytes) {
      throw new DiskFull(
        freeBytes,
        'Nothing was saved. Existing data can still be read. Free some space to continue.',
      );
    }
  }

  /** @throws {DiskFull} when a server had better not start here */
  requireForStart(): void {
    if (this.#folder === null) return;
    const needed = existsSync(this.#folder) ? FULL_BELOW : NEW_YARD;
    const freeBytes = this.#freeBytes();
    if (freeBytes >= needed) return;
    throw new DiskFull(freeBytes, `${sayBytes(needed)} is needed to start. Free some space and start again.`);
  }

  /** Gives the reserve back to the disk. False: it was gone already. */
  release(): boolean {
    if (!existsSync(this.#reserve)) return false;
    rmSync(this.#reserve);
    return true;
  }

  /** Sees to it that the reserve is there; false where there is no room for it. A small disk keeps a smaller one. */
  #keepReserve(freeBytes: number): boolean {
    if (this.#folder === null) return true;
    if (existsSync(this.#reserve) && statSync(this.#reserve).size > 0) return true;
    const size = Math.min(RESERVE, Math.floor((freeBytes - FULL_BELOW) / 2 / MIB) * MIB);
    if (size < MIB) return false;
    try {
      const handle = openSync(this.#reserve, 'w');
      // Written, not only sized: a sparse file reserves no space.
      const block = Buffer.alloc(MIB, 1);
      for (let at = 0; at < size; at += MIB) writeSync(handle, block);
      fsyncSync(handle);
      closeSync(handle);
      return true;
    } catch {
      rmSync(this.#reserve, { force: true });
      return false;
    }
  }
}

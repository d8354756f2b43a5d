import { accessSync, constants, existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';

/** A folder can’t be served as a yard, or can’t be written to: it is left unchanged. */
export class FolderUnfit extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'FolderUnfit';
  }
}

/** Without these a folder of PostgreSQL's is damaged: its catalogue of states, its log, its tables. */
const NEEDED = ['PG_VERSION', 'global/pg_control', 'pg_wal', 'base'];
/** A folder that has none of these was never a yard. */
const SIGNS = ['PG_VERSION', 'global', 'base', 'pg_wal', 'postgresql.conf'];
/** Left by file managers; nothing of anybody's. */
const NOTHING = ['.DS_Store', 'Thumbs.db', 'desktop.ini'];

const ADVICE = 'Restore it from a backup, or choose another folder with --data. Nothing was changed.';

/**
 * Looks at a data folder before anything is written to it.
 *
 * @param write whether it is to be written, and so has to be writable
 * @returns whether a yard lies there; false: it is empty or absent, and one may be made
 * @throws {FolderUnfit} where something else lies there, parts of the yard are missing, or the place cannot be written
 */
export function checkFolder(folder: string, { write = true }: { write?: boolean } = {}): boolean {
  const stat = statOf(folder);
  if (!stat) {
    writable(nearest(folder), folder);
    return false;
  }
  if (!stat.isDirectory())
    throw new FolderUnfit(
      `${folder} is a file, not a folder. Choose another place with --data. Nothing was changed.`,
    );
  const there = readdirSync(folder).filter((name) => !NOTHING.includes(name));
  if (there.length === 0) {
    writable(folder, folder);
    return false;
  }
  if (!SIGNS.some((sign) => there.includes(sign)))
    throw new FolderUnfit(
      `${folder} is not empty and holds no yard (${there.slice(0, 3).join(', ')}${there.length > 3 ? ', …' : ''}). Choose another folder with --data. Nothing was changed.`,
    );
  const missing = NEEDED.filter((name) => !existsSync(path.join(folder, name)));
  if (missing.length > 0)
    throw new FolderUnfit(`The yard in ${folder} is damaged: ${missing.join(', ')} is missing. ${ADVICE}`);
  if (readdirSync(path.join(folder, 'pg_wal')).every((name) => !/^[0-9A-F]{24}$/.test(name)))
    throw new FolderUnfit(`The yard in ${folder} is damaged: its log (pg_wal) is empty. ${ADVICE}`);
  if (write) writable(folder, folder);
  return true;
}

/** A file in the way of a folder's path is as if the folder were not there. */
function statOf(place: string) {
  try {
    return statSync(place, { throwIfNoEntry: false });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOTDIR') return undefined;
    throw error;
  }
}

/** The nearest folder above that is there. @throws {FolderUnfit} where a file is in the way */
function nearest(folder: string): string {
  let above = path.dirname(folder);
  while (!existsSync(above) && above !== path.dirname(above)) above = path.dirname(above);
  if (!statSync(above).isDirectory())
    throw new FolderUnfit(
      `${above} is a file, so ${folder} cannot be made. Choose another place with --data.`,
    );
  return above;
}

function writable(place: string, folder: string): void {
  try {
    accessSync(place, constants.W_OK);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const why = code === 'EROFS' ? 'it is on a disk that can only be read' : 'this user may not write there';
    throw new FolderUnfit(
      `${folder} cannot be written: ${why}. Allow writing, or choose another folder with --data.`,
    );
  }
}

/** What PostgreSQL said of a folder that it could not open. */
export const cannotOpen = (folder: string, error: unknown): FolderUnfit =>
  new FolderUnfit(
    `The yard in ${folder} cannot be opened: ${error instanceof Error ? error.message : String(error)}. ${ADVICE}`,
  );

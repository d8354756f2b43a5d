import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { cp, readdir, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { flushFolder } from './durableFs.ts';
import { migrationsFolder, projectRoot } from './places.ts';

/** A word for the migrations there are: it changes with any of them. */
export function migrationsMark(): string {
  const hash = createHash('sha256');
  for (const file of readdirSync(migrationsFolder())
    .filter((name) => name.endsWith('.sql'))
    .sort())
    hash.update(readFileSync(path.join(migrationsFolder(), file)));
  return hash.digest('hex').slice(0, 12);
}

/** Where the build puts an empty yard with all its tables: PostgreSQL's first start takes seconds, and so is done once. */
export const newYardFolder = (): string =>
  path.join(projectRoot(), 'dist/server', `new-yard-${migrationsMark()}`);

/**
 * Puts an empty yard where the data is to lie, whole or not at all; where the build left none, or something else lies
 * there already, nothing is done and PostgreSQL makes its folder itself.
 */
export async function copyNewYard(folder: string): Promise<void> {
  const from = newYardFolder();
  if (!existsSync(path.join(from, 'PG_VERSION'))) return;
  if (existsSync(folder) && (await readdir(folder)).length > 0) return;
  const part = `${folder}.part`;
  await rm(part, { recursive: true, force: true });
  try {
    await cp(from, part, { recursive: true });
    // Flushed before it has its name: after a power cut there is a whole yard, or none.
    flushFolder(part);
    await rename(part, folder);
  } catch {
    // A full disk, say: PostgreSQL then makes its folder itself, or says why it cannot.
    await rm(part, { recursive: true, force: true });
  }
}

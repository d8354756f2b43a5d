import { existsSync } from 'node:fs';
import path from 'node:path';

/** The repository's root, from the source as well as from the bundle in dist/server. */
export function projectRoot(from: string = import.meta.dirname): string {
  let folder = from;
  while (!existsSync(path.join(folder, 'package.json'))) {
    const up = path.dirname(folder);
    if (up === folder) throw new Error(`No package.json found in ${from} or above`);
    folder = up;
  }
  return folder;
}

/** The migrations: beside the built server, or in the source. */
export function migrationsFolder(): string {
  const beside = path.join(import.meta.dirname, 'migrations');
  return existsSync(beside) ? beside : path.join(projectRoot(), 'src/server/db/migrations');
}

import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { projectRoot } from '../src/server/db/places.ts';

type Manifest = Record<string, { file: string; imports?: string[]; isEntry?: boolean }>;

/** Bytes of script, gzipped, that the built page loads before it shows anything. */
export function firstPaintBytes(): number {
  const web = path.join(projectRoot(), 'dist/web');
  const manifest = JSON.parse(readFileSync(path.join(web, '.vite/manifest.json'), 'utf8')) as Manifest;
  const wanted = new Set<string>();
  const add = (key: string) => {
    const chunk = manifest[key];
    if (!chunk || wanted.has(chunk.file)) return;
    wanted.add(chunk.file);
    for (const each of chunk.imports ?? []) add(each);
  };
  for (const [key, chunk] of Object.entries(manifest)) if (chunk.isEntry) add(key);
  return [...wanted].reduce((sum, file) => sum + gzipSync(readFileSync(path.join(web, file))).length, 0);
}

import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

/** Every part of the handbook that code, tests or docs cite exists in docs/handbook.md. */

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(ts|tsx|md)$/.test(name) && !name.includes('node_modules'))
    .map((name) => `${folder}/${name}`);

it('names only parts that the handbook in the repository has, and every part by a number of its own', () => {
  const parts = [...readFileSync('docs/handbook.md', 'utf8').matchAll(/^## (\d+)\. /gm)].map(([, no]) => Number(no)); // biome-ignore format: one line
  expect(parts).toEqual(Array.from({ length: 21 }, (_, i) => i + 1));
  const cited = ['src', 'test', 'docs', 'bench'].flatMap(filesIn).flatMap(
    (file) =>
    [...readFileSync(file, 'utf8').matchAll(/handbook(?:['’]s)?,? parts? ((?:\d+(?:, | and )?)+)/g)].flatMap(([, list]) => (list ?? '').match(/\d+/g)?.map((no) => [file, Number(no)] as const) ?? []), // biome-ignore format: one line
  );
  expect(cited.length).toBeGreaterThan(80);
  expect(cited.filter(([, no]) => !parts.includes(no))).toEqual([]);
});

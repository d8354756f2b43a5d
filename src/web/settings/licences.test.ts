import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

interface Locked {
  version: string;
  dev?: boolean;
  devOptional?: boolean;
  optional?: boolean;
  peer?: boolean;
}

it('every package that ships is listed with its licence, in its version (npm run licences)', () => {
  const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8')) as {
    packages: Record<string, Locked>;
  };
  const listed = readFileSync('src/web/public/licences.txt', 'utf8');
  const shipped = Object.entries(packages).filter(
    ([path, { dev, devOptional, optional, peer }]) =>
      path !== '' && !dev && !devOptional && !optional && !peer,
  );
  expect(shipped.length).toBeGreaterThan(50);
  const missing = shipped
    .map(([path, { version }]) => `${path.split('node_modules/').at(-1)}@${version}`)
    .filter((name) => !listed.includes(`\n${name}: `));
  expect(missing).toEqual([]);
  expect(listed).toContain('SIL OPEN FONT LICENSE');
});

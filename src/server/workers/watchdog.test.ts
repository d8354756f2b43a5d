import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { expect, it } from 'vitest';
import { projectRoot } from '../db/places.ts';

/** A process of its own that is watched over, and then does what `then` says. */
function watched(then: string) {
  const dog = JSON.stringify(path.join(projectRoot(), 'src/server/workers/watchdog.ts'));
  const code = `import { watchOver } from ${dog}; watchOver({ beatMs: 50, missed: 12 }); ${then}`;
  return spawnSync(path.join(projectRoot(), 'node_modules/.bin/tsx'), ['--input-type=module', '-e', code], {
    encoding: 'utf8',
    timeout: 240_000,
  });
}

it('a process that spins is ended and says so; one that only works hard is left alone', () => {
  const spins = watched('setTimeout(() => { for (;;); }, 200);');
  expect(spins.stderr).toContain('The server stopped responding and was ended.');
  expect(spins.status === 0).toBe(false);
  const works = watched('for (const end = Date.now() + 250; Date.now() < end; ); setTimeout(() => {}, 300);');
  expect([works.status, works.stderr]).toEqual([0, '']);
});

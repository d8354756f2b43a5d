import { execFileSync, spawnSync } from 'node:child_process';
import { closeSync, cpSync, existsSync, openSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';

/** Installs and builds what is missing. Uses nothing but Node itself, since it runs before anything is installed. */

export const root = path.resolve(import.meta.dirname, '..');
const at = (...parts) => path.join(root, ...parts);
/** Says that a build was finished. */
const BUILT = 'dist/server/.built';
const CHROMIUM = '/usr/bin/chromium';

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  if (result.error) throw result.error;
  return result.status ?? 1;
}

function must(command, args) {
  const status = run(command, args);
  if (status !== 0) {
    console.error(`${command} ${args.join(' ')} ended with ${status}`);
    process.exit(status);
  }
}

/** Packages, when they are absent or older than the lock file. */
export function ensurePackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  // What the build tool needs: package.json says the same.
  const good = (major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22;
  if (!good) {
    console.error(
      `Node ${process.versions.node} does not do: 20.19 or a later 20, or 22.12 or newer, is needed.`,
    );
    process.exit(1);
  }
  const mark = at('node_modules/.package-lock.json');
  const fresh = existsSync(mark) && statSync(mark).mtimeMs >= statSync(at('package-lock.json')).mtimeMs;
  if (fresh) return;
  console.log('Installing packages…');
  // Not `npm ci`: that refuses a lock file written where the binaries of other systems could not be had.
  must('npm', ['install', '--no-save', '--no-audit', '--no-fund']);
}

/** Debian's Chromium for the browser tests. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  console.log('Installing Chromium…');
  apt('update', '-qq');
  apt('install', '-y', '-qq', '--no-install-recommends', 'chromium');
  execFileSync(CHROMIUM, ['--version'], { stdio: 'inherit' });
}

/** Debian's PostgreSQL for the tests of a yard on a database server. */
export function ensurePostgres() {
  const versions = '/usr/lib/postgresql';
  if (
    existsSync(versions) &&
    readdirSync(versions).some((v) => existsSync(path.join(versions, v, 'bin/postgres')))
  )
    return;
  console.log('Installing PostgreSQL…');
  apt('update', '-qq');
  // Its package would start a server of its own.
  apt('install', '-y', '-qq', '--no-install-recommends', 'postgresql');
}

function apt(...args) {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  must([...sudo, 'apt-get'][0], [...sudo, 'apt-get', ...args].slice(1));
}

function newest(folder) {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .reduce(
      (latest, entry) => Math.max(latest, statSync(path.join(entry.parentPath, entry.name)).mtimeMs),
      0,
    );
}

/** Whether the built pages and server are there and newer than the source. */
function isBuilt() {
  // The mark is made last: a build that was broken off is none.
  const built = [at('dist/server/main.js'), at('dist/web/index.html'), at(BUILT)];
  const source = Math.max(
    newest(at('src')),
    newest(at('demo')),
    ...['package-lock.json', 'vite.config.ts', 'vite.server.config.ts'].map(
      (file) => statSync(at(file)).mtimeMs,
    ),
  );
  return built.every((file) => existsSync(file) && statSync(file).mtimeMs > source);
}

/** The built pages and server, when they are absent or older than the source; of several starts at once one builds. */
export function ensureBuilt() {
  if (isBuilt()) return;
  const { waitForLockSync } = createRequire(import.meta.url)('fs-native-extensions');
  const lock = openSync(at('node_modules/.build.lock'), 'a+');
  waitForLockSync(lock);
  try {
    if (!isBuilt()) build();
  } finally {
    closeSync(lock);
  }
}

function build() {
  console.log('Building…');
  const vite = at('node_modules/vite/bin/vite.js');
  must(process.execPath, [vite, 'build', '--logLevel', 'warn']);
  must(process.execPath, [vite, 'build', '--logLevel', 'warn', '-c', 'vite.server.config.ts']);
  // What the built server needs lies beside it.
  cpSync(at('src/server/db/migrations'), at('dist/server/migrations'), { recursive: true });
  must(process.execPath, [at('dist/server/makeNewYard.js')]);
  writeFileSync(at(BUILT), '');
}

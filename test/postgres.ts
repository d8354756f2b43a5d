import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import pg from 'pg';

const VERSIONS = '/usr/lib/postgresql';

/** Where Debian puts the programs of the newest server; the test run installs one where there is none. */
function binaries(): string {
  const versions = existsSync(VERSIONS)
    ? readdirSync(VERSIONS)
        .map(Number)
        .sort((a, b) => b - a)
    : [];
  const newest = versions.find((version) => existsSync(path.join(VERSIONS, String(version), 'bin/postgres')));
  if (newest === undefined) throw new Error('no PostgreSQL server: npm test installs Debian’s package');
  return path.join(VERSIONS, String(newest), 'bin');
}

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** PostgreSQL refuses to run as root: as root it is run by the user its package made. */
function runner(): { uid?: number; gid?: number } {
  if (process.getuid?.() !== 0) return {};
  const id = (flag: string) => Number(execFileSync('id', [flag, 'postgres'], { encoding: 'utf8' }));
  return { uid: id('-u'), gid: id('-g') };
}

/**
 * A PostgreSQL server of the test's own, in a temporary folder on a free port; each `database` is a new, empty one.
 *
 * @param more settings besides
 */
export async function startPostgres(more: Record<string, string> = {}) {
  const bin = binaries();
  const as = runner();
  const folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-pg-'));
  if (as.uid !== undefined && as.gid !== undefined) chownSync(folder, as.uid, as.gid);
  const data = path.join(folder, 'data');
  const log = path.join(folder, 'log');
  const options = { ...as, cwd: folder, stdio: 'ignore' as const };
  execFileSync(
    path.join(bin, 'initdb'),
    ['-D', data, '-U', 'yard', '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8', '--no-sync'],
    options,
  );
  const port = await freePort();
  // Nothing here outlives the test: no write waits for a disk.
  const settings = {
    port: String(port),
    listen_addresses: '127.0.0.1',
    unix_socket_directories: folder,
    fsync: 'off',
    ...more,
  };
  const server: ChildProcess = spawn(
    path.join(bin, 'postgres'),
    ['-D', data, ...Object.entries(settings).flatMap(([key, value]) => ['-c', `${key}=${value}`])],
    { ...options, stdio: ['ignore', 'ignore', openSync(log, 'a')] },
  );
  const url = (name: string) => `postgres://yard@127.0.0.1:${port}/${name}`;
  const admin = async <T>(work: (client: pg.Client) => Promise<T>): Promise<T> => {
    const client = new pg.Client({ connectionString: url('postgres') });
    await client.connect();
    try {
      return await work(client);
    } finally {
      await client.end();
    }
  };
  for (let tries = 0; ; tries++) {
    const up = await admin(async () => true).catch(() => false);
    if (up) break;
    if (tries > 300) throw new Error('the PostgreSQL server of the test does not start');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  let made = 0;
  return {
    database: async () => {
      const name = `yard_${++made}`;
      await admin((client) => client.query(`create database ${name}`));
      return url(name);
    },
    /** What the server has said so far. */
    log: () => readFileSync(log, 'utf8'),
    stop: async () => {
      const ended = new Promise((resolve) => server.once('exit', resolve));
      // Fast shutdown: whoever is connected still is sent away.
      server.kill('SIGINT');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

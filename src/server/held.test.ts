import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { aBoat } from '../../test/examples.ts';
import { post, running, serverProcess } from '../../test/serverProcess.ts';
import type { BoardView, Boat, Problem } from '../contract/index.ts';

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-held-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));

describe('a data folder has one server', () => {
  it('of two starts at once one is refused, by name; a process id used again blocks nobody', async () => {
    const folder = path.join(home, 'data');
    // Left by an earlier process whose number now belongs to somebody else: this very test.
    writeFileSync(`${folder}.lock`, String(process.pid));
    const both = await Promise.all([serverProcess(folder), serverProcess(folder)]);
    const [up] = both.filter((each) => 'address' in each);
    const [down] = both.filter((each) => 'refused' in each);
    if (!up || !('address' in up) || !down || !('refused' in down))
      throw new Error('not one up and one down');
    expect([down.code, down.refused]).toEqual([1, expect.stringContaining('is already in use by')]);
    // The lock's own file taken away by hand lets nobody else in.
    rmSync(`${folder}.lock`);
    const third = await serverProcess(folder);
    expect(third).toMatchObject({ code: 1, refused: expect.stringContaining('is already in use by') });
    await up.end('SIGKILL');
    // Nothing was left behind that could block the next one.
    const next = await running(folder);
    expect(await next.end('SIGTERM')).toBe(0);
  });

  it('half-written files are cleaned at the start, and Ctrl-C ends it whatever uploads', async () => {
    const folder = path.join(home, 'half');
    const part = path.join(`${folder}.files`, 'x.mesh.77-1.part');
    mkdirSync(path.dirname(part), { recursive: true });
    writeFileSync(part, 'half a mesh');
    const server = await running(folder);
    expect(existsSync(part)).toBe(false);
    const boat = aBoat();
    await post(server.address, '/boats', boat);
    const upload = request(`${server.address}/api/v1/boats/${boat.id}/mesh`, {
      method: 'PUT',
      headers: { 'content-type': 'application/octet-stream' },
    });
    upload.on('error', () => {}); // cut by the server, which is the point
    upload.write(Buffer.alloc(4096));
    await new Promise((resolve) => setTimeout(resolve, 300));
    // Not that it is quick is held, which hangs on the machine: that it does not wait for the upload, which never ends.
    expect(await server.end('SIGINT')).toBe(0);
  });
});

/** A small disk in memory, where this process may mount one. */
function smallDisk(megabytes: number, name = 'disk'): string | null {
  const at = path.join(home, name);
  mkdirSync(at);
  const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', at]);
  return status === 0 ? at : null;
}
const disk = smallDisk(160);
afterAll(() => {
  if (disk) execFileSync('umount', ['-l', disk]);
});

describe.skipIf(disk === null)('a disk that can only be read', () => {
  it('is served for reading: every entry is there, a write is refused by name, the folder stays as it was', async () => {
    const at = smallDisk(160, 'read') as string;
    const folder = path.join(at, 'data');
    const first = await running(folder);
    const kept = aBoat();
    expect((await post(first.address, '/boats', kept)).status).toBe(201);
    // Killed: what only its log holds has to be read from there.
    await first.end('SIGKILL');
    execFileSync('mount', ['-o', 'remount,ro', at]);
    try {
      const reading = await running(folder);
      const refused = await post(reading.address, '/boats', aBoat());
      expect([refused.status, ((await refused.json()) as Problem).detail]).toEqual([
        507,
        expect.stringMatching(
          /^The yard is open for reading only, since this server may not write to its folder/,
        ),
      ]);
      const { disk: room, boats } = (await (
        await fetch(`${reading.address}/api/v1/board`)
      ).json()) as BoardView;
      expect([room.state, boats.map(({ id }) => id)]).toEqual(['read-only', [kept.id]]);
      expect(await reading.end('SIGTERM')).toBe(0);
    } finally {
      execFileSync('umount', ['-l', at]);
    }
  });
});

describe.skipIf(disk === null)('a full disk', () => {
  const filler = path.join(disk ?? '', 'filler');
  const fill = () => {
    const { bavail, bsize } = statfsSync(disk as string);
    writeFileSync(filler, Buffer.alloc(bavail * bsize));
  };
  it('refuses writes with the cause, goes on reading, and goes on once something is freed', async () => {
    const folder = path.join(disk as string, 'data');
    const server = await running(folder);
    const kept = aBoat();
    expect((await post(server.address, '/boats', kept)).status).toBe(201);
    const board = async () => (await (await fetch(`${server.address}/api/v1/board`)).json()) as BoardView;
    expect((await board()).disk.state).toBe('low');
    fill();
    const refused = await post(server.address, '/boats', aBoat());
    const problem = (await refused.json()) as Problem;
    expect([refused.status, problem.detail]).toEqual([
      507,
      expect.stringMatching(/^The disk with the yard’s data is full \(0 B free\)\. Nothing was saved\./),
    ]);
    expect(refused.headers.get('content-type')).toContain('problem+json');
    const view = await board();
    expect([view.disk.state, view.boats.map(({ id }) => id)]).toEqual(['full', [kept.id]]);
    rmSync(filler);
    expect((await post(server.address, '/boats', aBoat())).status).toBe(201);
    expect(await server.end('SIGTERM')).toBe(0);

    fill();
    // A new start finds no room: what is there is served, nothing is taken, nothing on the disk is touched.
    const before = readdirSync(folder, { recursive: true }).sort();
    const reading = await running(folder);
    expect((await post(reading.address, '/boats', aBoat())).status).toBe(507);
    const shown = (await (await fetch(`${reading.address}/api/v1/board`)).json()) as BoardView;
    expect([shown.disk.state, shown.boats.length]).toEqual(['read-only', 2]);
    expect(await reading.end('SIGTERM')).toBe(0);
    expect(readdirSync(folder, { recursive: true }).sort()).toEqual(before);
    const empty = await serverProcess(path.join(disk as string, 'another'));
    expect(empty).toMatchObject({
      code: 1,
      refused: expect.stringMatching(
        /^The disk with the yard’s data is full \(0 B free\)\. 64 MB is needed to start\./,
      ),
    });
    rmSync(filler);
  });

  it('that fills up in the middle of a write is met from the reserve: what is acknowledged is there after a kill', async () => {
    const folder = path.join(disk as string, 'data');
    const server = await running(folder);
    const acknowledged: string[] = [];
    let full = false;
    // Others fill the disk while writes go on.
    for (let i = 0; i < 120 && !full; i++) {
      if (i === 20) fill();
      const boat = aBoat();
      const { status } = await post(server.address, '/boats', boat);
      if (status === 201) acknowledged.push(boat.id);
      full = status === 507;
    }
    expect(full).toBe(true);
    await server.end('SIGKILL');
    rmSync(filler);
    const again = await running(folder);
    const boats = (await (await fetch(`${again.address}/api/v1/boats`)).json()) as Boat[];
    const there = new Set(boats.map(({ id }) => id));
    expect(acknowledged.filter((id) => !there.has(id))).toEqual([]);
    await again.end('SIGTERM');
  });
});

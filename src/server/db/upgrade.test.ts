import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { brotliDecompressSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type {
  Area,
  Boat,
  BoatView,
  Entry,
  LogView,
  StackView,
  Waterline,
  WeatherView,
} from '../../contract/index.ts';
import { type Running, start } from '../start.ts';
import { projectRoot } from './places.ts';

/** A data folder as version 0.1.0 (migration 0004) wrote it, and what its screens then said. */
const fixture = (name: string) => readFileSync(path.join(projectRoot(), 'test/fixtures', name));
interface Kept {
  photo: string;
  products: number;
  hours: number;
  boats: {
    boat: Boat;
    areas: string[];
    entries: Entry[];
    steps: number[];
    findings: number;
    stands: number;
    bare: number;
    marks: number;
  }[];
}
const kept = JSON.parse(fixture('yard-0004.json').toString()) as Kept;

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-upgrade-'));
let server: Running;
const get = async <T>(route: string): Promise<T> =>
  (await (await fetch(`${server.address}/api/v1${route}`)).json()) as T;

beforeAll(async () => {
  const tar = path.join(home, 'yard.tar');
  writeFileSync(tar, brotliDecompressSync(fixture('yard-0004.tar.br')));
  execFileSync('tar', ['-xf', tar, '-C', home]);
  server = await start({
    folder: path.join(home, 'data'),
    port: 0,
    webFolder: '/nowhere',
    quiet: true,
    checkReplies: true,
  });
});
afterAll(async () => {
  await server.stop();
  rmSync(home, { recursive: true, force: true });
});

describe('a data folder of an earlier version', () => {
  it('has its whole record, entry by entry, body by body', async () => {
    expect(await get('/boats')).toEqual(kept.boats.map(({ boat }) => ({ ...boat, headingDeg: null })));
    for (const { boat, entries, areas } of kept.boats) {
      const log = await get<LogView>(`/boats/${boat.id}/log?limit=500`);
      // The air of a coat's hours is kept only since version 0.4.
      expect(log.entries).toEqual((entries as object[]).map((entry) => ({ ...entry, air: null })));
      expect(log.areas.map((area: Area) => `${area.id} v${area.version}`).sort()).toEqual(areas);
    }
    expect(kept.boats.flatMap(({ entries }) => entries).length).toBeGreaterThan(10);
  });
  it('has its stacks, its survey, its lines, its sheets and its air', async () => {
    for (const { boat, ...was } of kept.boats) {
      const view = await get<BoatView>(`/boats/${boat.id}`);
      const stacks = await get<StackView[]>(`/boats/${boat.id}/stacks`);
      const line = await get<Waterline>(`/boats/${boat.id}/waterline`);
      expect({
        steps: stacks.map(({ steps }) => steps.length),
        findings: view.findings.length,
        stands: view.stands.length,
        bare: view.bareItems.length,
        marks: line.marks.length,
      }).toEqual({
        steps: was.steps,
        findings: was.findings,
        stands: was.stands,
        bare: was.bare,
        marks: was.marks,
      });
    }
    expect(await get('/products')).toHaveLength(kept.products);
    const year = await get<WeatherView>('/weather?back=400&ahead=30');
    // The fixture grows older than any forecast reaches: its hours are in the yard, whether or not they are near now.
    if (year.hours.length > 0) expect(year.hours.every(({ simulated }) => simulated)).toBe(true);
  });
  it('has its photograph, now a file, and its mesh', async () => {
    const photo = await fetch(`${server.address}/api/v1/photos/${kept.photo}`);
    expect([photo.status, photo.headers.get('content-type')]).toEqual([200, 'image/jpeg']);
    expect((await photo.arrayBuffer()).byteLength).toBe(8);
    const meshes = await Promise.all(
      kept.boats.map(
        async ({ boat }) => (await fetch(`${server.address}/api/v1/boats/${boat.id}/mesh`)).status,
      ),
    );
    expect(meshes.filter((status) => status === 200)).toHaveLength(1);
  });
});

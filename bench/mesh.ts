import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { STLLoader } from 'three/addons/loaders/STLLoader.js';
import { v7 as uuidv7 } from 'uuid';
import {
  areasFromMesh,
  hullCuts,
  type Placement,
  placeMesh,
  readStl,
  writeStl,
} from '../src/core/hull/index.ts';
import { projectRoot } from '../src/server/db/places.ts';
import { start } from '../src/server/start.ts';
import { median, say } from './say.ts';

const FACES = 1_000_000;
const L = 10;

/** A Wigley hull [S] of a million faces, with flaring sides above the water so that all planes cut something. */
function largeHull(): Uint8Array {
  const [nu, nv] = [1000, FACES / 4000];
  const [B, T] = [0.1 * L, 0.0625 * L];
  const faces = new Float32Array(FACES * 9);
  let at = 0;
  const point = (sign: number, i: number, j: number) => {
    const [x, v] = [(L * i) / nu, j / nv];
    const z = v < 0.6 ? -T * (1 - v / 0.6) : 0.8 * ((v - 0.6) / 0.4);
    const y = (B / 2) * (1 - ((2 * x) / L - 1) ** 2) * (z < 0 ? 1 - (z / T) ** 2 : 1 + 0.2 * z);
    return [x, sign * y, z] as const;
  };
  for (const sign of [1, -1]) {
    for (let i = 0; i < nu; i++) {
      for (let j = 0; j < nv; j++) {
        const [a, b, c, d] = [
          point(sign, i, j),
          point(sign, i + 1, j),
          point(sign, i + 1, j + 1),
          point(sign, i, j + 1),
        ];
        for (const corner of sign > 0 ? [a, b, c, a, c, d] : [a, c, b, a, d, c]) {
          faces.set(corner, at);
          at += 3;
        }
      }
    }
  }
  return writeStl(faces);
}

const PLACEMENT: Placement = {
  unit: 'm',
  up: '+z',
  bow: '+x',
  half: false,
  heelDeg: 0,
  trimDeg: 0,
  waterlineM: 0.625,
};

/** The other way to the same figure: a general loader, then every face's area and the side its middle lies on. */
function byLoader(bytes: Uint8Array): number {
  const geometry = new STLLoader().parse(bytes.buffer as ArrayBuffer);
  const points = geometry.getAttribute('position').array;
  let wet = 0;
  for (let i = 0; i < points.length; i += 9) {
    const p = (k: number) => points[i + k] as number;
    if (p(2) + p(5) + p(8) > 0) continue;
    const [ux, uy, uz] = [p(3) - p(0), p(4) - p(1), p(5) - p(2)];
    const [vx, vy, vz] = [p(6) - p(0), p(7) - p(1), p(8) - p(2)];
    wet += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2;
  }
  return wet;
}

/** A million faces: read, placed and cut into six zones; beside a general loader; and what a page does meanwhile. */
export async function largeMesh(): Promise<void> {
  const bytes = largeHull();
  const { planes, zones } = hullCuts({
    topOfPaintM: 0.05,
    stripe: { lowerM: 0.07, upperM: 0.15 },
    transomXM: 0.3,
    keel: { aftM: 3, foreM: 6, topM: -0.4 },
    sheer: { aftM: 0.7, foreM: 0.75, lengthM: L },
    stationsM: [],
  });
  const ours = () => {
    const placed = placeMesh(readStl(bytes), PLACEMENT);
    return areasFromMesh({ triangles: placed, planes, zones }).zones;
  };
  const timed = (run: () => unknown) =>
    median(
      Array.from({ length: 5 }, () => {
        const from = performance.now();
        run();
        return performance.now() - from;
      }),
    );
  const own = timed(ours);
  const other = timed(() => byLoader(bytes));
  const wet = ours()
    .filter((zone) => zone.name === 'Bottom' || zone.name === 'Keel')
    .reduce((sum, zone) => sum + zone.portM2 + zone.starboardM2, 0);
  say('a mesh of 1 000 000 faces, read, placed, cut into 6 zones', `${own.toFixed(0)} ms`, '1000 ms');
  say(
    '  against a general STL loader with a loop over the faces (one zone)',
    `${(own / other).toFixed(2)} ×`,
    'none set',
  );
  say(
    '  wetted area found, ours with 50 mm more / the loop’s',
    `${wet.toFixed(2)} / ${byLoader(bytes).toFixed(2)}`,
    'none set',
  );
  await inThePage(bytes);
}

/** Opens the file in the real page and watches its frames while the worker reads and cuts. */
async function inThePage(bytes: Uint8Array): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-mesh-'));
  const file = path.join(folder, 'large hull.stl');
  writeFileSync(file, bytes);
  const server = await start({
    folder: null,
    port: 0,
    webFolder: path.join(projectRoot(), 'dist/web'),
    quiet: true,
  });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
  });
  try {
    const boatId = uuidv7();
    await fetch(`${server.address}/api/v1/boats`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id: boatId,
        name: 'Bench hull',
        kind: 'long-keel',
        dimensions: { loaM: 10, lwlM: 10, beamM: 1, draughtM: 0.625, freeboardM: 0.8 },
        note: '',
      }),
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${server.address}/boats/${boatId}/form`);
    await page.waitForSelector('h1');
    await page.evaluate(() => {
      const watch = window as unknown as { frames: { gap: number; shown: boolean }[] };
      watch.frames = [];
      let last = performance.now();
      const frame = (now: number) => {
        const shown = document.querySelector('section[aria-label="Areas from the mesh"]') !== null;
        watch.frames.push({ gap: now - last, shown });
        last = now;
        requestAnimationFrame(frame);
      };
      requestAnimationFrame(frame);
    });
    await page.getByLabel('Open STL or OBJ').setInputFiles(file);
    const from = performance.now();
    await page.locator('section[aria-label="Areas from the mesh"]').waitFor({ timeout: 120_000 });
    const took = performance.now() - from;
    await page.waitForTimeout(1500);
    const frames = await page.evaluate(
      () => (window as unknown as { frames: { gap: number; shown: boolean }[] }).frames,
    );
    const gaps = frames.filter((frame) => !frame.shown).map((frame) => frame.gap);
    const after = frames.filter((frame) => frame.shown).map((frame) => frame.gap);
    const rate = (1000 * gaps.length) / gaps.reduce((sum, gap) => sum + gap, 0);
    say('  in the page: from file to areas', `${(took / 1000).toFixed(1)} s`, 'none set');
    say('  in the page while it is read and cut: frames a second', rate.toFixed(0), '60');
    say(
      '  in the page while it is read and cut: longest frame',
      `${Math.max(...gaps).toFixed(0)} ms`,
      'none set',
    );
    say(
      '  first 3-D picture, drawn by software here: longest frame',
      `${Math.max(...after).toFixed(0)} ms`,
      'none set',
    );
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

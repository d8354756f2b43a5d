import { describe, expect, it } from 'vitest';
import { hydrostatics } from '../hydrostatics.ts';
import { areaFromOffsets } from '../offsets.ts';
import {
  areasFromMesh,
  checkMesh,
  checkMeshSize,
  guessPlacement,
  hullCuts,
  hydrostaticsOfMesh,
  offsetsFromMesh,
  type Placement,
  placeMesh,
  readObj,
  readStl,
  type Triangles,
  thinMesh,
  withoutFaces,
  writeObj,
  writeStl,
} from './index.ts';

type Point = [number, number, number];

/** A grid of points as faces; `at(u, v)` for u, v in 0–1. */
function sheet(at: (u: number, v: number) => Point, nu: number, nv: number): number[] {
  const faces: number[] = [];
  for (let i = 0; i < nu; i++) {
    for (let j = 0; j < nv; j++) {
      const [a, b, c, d] = [
        at(i / nu, j / nv),
        at((i + 1) / nu, j / nv),
        at((i + 1) / nu, (j + 1) / nv),
        at(i / nu, (j + 1) / nv),
      ];
      faces.push(...a, ...b, ...c, ...a, ...c, ...d);
    }
  }
  return faces;
}
const mesh = (...parts: number[][]): Triangles => Float32Array.from(parts.flat());

/** A box of length 4, breadth 2, height 3, its foot 1 below the waterline. */
const box = (() => {
  const [l, b, z0, z1] = [4, 1, -1, 2];
  const quad = (p: Point, q: Point, r: Point, s: Point) => [...p, ...q, ...r, ...p, ...r, ...s];
  return mesh(
    quad([0, -b, z0], [0, b, z0], [l, b, z0], [l, -b, z0]),
    quad([0, -b, z1], [l, -b, z1], [l, b, z1], [0, b, z1]),
    quad([0, -b, z0], [l, -b, z0], [l, -b, z1], [0, -b, z1]),
    quad([0, b, z0], [0, b, z1], [l, b, z1], [l, b, z0]),
    quad([0, -b, z0], [0, -b, z1], [0, b, z1], [0, b, z0]),
    quad([l, -b, z0], [l, b, z0], [l, b, z1], [l, -b, z1]),
  );
})();
const sphere = mesh(
  sheet(
    (u, v) => {
      const [a, b] = [2 * Math.PI * u, Math.PI * (v - 0.5)];
      return [2 + 2 * Math.cos(b) * Math.cos(a), 2 * Math.cos(b) * Math.sin(a), 2 * Math.sin(b)];
    },
    400,
    200,
  ),
);
/** The Wigley hull [S], L : B : T = 1 : 0.1 : 0.0625, both sides, deck open; x from aft. */
const wigley = (L: number, nu = 160, nv = 40) => {
  const [B, T] = [0.1 * L, 0.0625 * L];
  const side = (sign: 1 | -1) =>
    sheet(
      (u, v) => {
        const [x, z] = [L * (sign > 0 ? u : 1 - u), -T * (1 - v)];
        return [x, sign * (B / 2) * (1 - ((2 * x) / L - 1) ** 2) * (1 - (z / T) ** 2), z];
      },
      nu,
      nv,
    );
  return mesh(side(1), side(-1));
};
const water = [{ name: 'water', n: [0, 0, 1], at: 0 }] as const;
const wetZones = [
  { name: 'wet', where: [['water', 'below']] },
  { name: 'dry', where: [] },
] as const;
const sum = (zone: { portM2: number; starboardM2: number } | undefined) =>
  (zone?.portM2 ?? 0) + (zone?.starboardM2 ?? 0);

describe('areas of closed forms, cut at the water', () => {
  it('a box: foot 8, sides 12 below; top 8, sides 24 above; each side half', () => {
    const { zones, restM2 } = areasFromMesh({ triangles: box, planes: water, zones: wetZones });
    expect([sum(zones[0]), sum(zones[1]), restM2]).toEqual([expect.closeTo(20, 5), expect.closeTo(32, 5), 0]);
    expect(zones[0]?.portM2).toBeCloseTo(10, 5);
  });
  it('a sphere of 2 m: 4πr², half of it under water', () => {
    const { zones } = areasFromMesh({ triangles: sphere, planes: water, zones: wetZones });
    expect(sum(zones[0]) / (8 * Math.PI)).toBeCloseTo(1, 3);
    expect(sum(zones[1]) / (8 * Math.PI)).toBeCloseTo(1, 3);
    const { volumeM3, waterplaneM2, bwlM } = hydrostaticsOfMesh({ triangles: sphere });
    expect(volumeM3 / ((2 / 3) * Math.PI * 8)).toBeCloseTo(1, 3);
    expect(waterplaneM2 / (Math.PI * 4)).toBeCloseTo(1, 3);
    expect(bwlM).toBeCloseTo(4, 3);
  });
  it('a cylinder lying at its axis: 2πr·l and its two ends, πr² in all', () => {
    const cylinder = mesh(
      sheet((u, v) => [6 * v, Math.cos(2 * Math.PI * u), Math.sin(2 * Math.PI * u)], 360, 4),
      sheet((u, v) => [0, v * Math.cos(2 * Math.PI * u), -v * Math.sin(2 * Math.PI * u)], 360, 1),
      sheet((u, v) => [6, v * Math.cos(2 * Math.PI * u), v * Math.sin(2 * Math.PI * u)], 360, 1),
    );
    const { zones } = areasFromMesh({ triangles: cylinder, planes: water, zones: wetZones });
    expect(sum(zones[0]) / (6 * Math.PI + Math.PI)).toBeCloseTo(1, 3);
  });
  it('a cone on its point, cut half-way up its 2 m: π·r·s of each', () => {
    const cone = mesh(
      sheet((u, v) => [3 + v * Math.cos(2 * Math.PI * u), v * Math.sin(2 * Math.PI * u), 2 * v - 1], 400, 20),
    );
    const { zones } = areasFromMesh({ triangles: cone, planes: water, zones: wetZones });
    expect(sum(zones[0]) / (Math.PI * 0.5 * Math.sqrt(0.25 + 1))).toBeCloseTo(1, 3);
    expect((sum(zones[0]) + sum(zones[1])) / (Math.PI * Math.sqrt(5))).toBeCloseTo(1, 3);
  });
  it('the zones of a hull together are the whole, whatever planes cross', () => {
    const { planes, zones } = hullCuts({
      topOfPaintM: 0.1,
      stripe: { lowerM: 0.12, upperM: 0.3 },
      transomXM: 0.5,
      keel: { aftM: 1, foreM: 3, topM: -0.5 },
      sheer: { aftM: 1.2, foreM: 1.8, lengthM: 4 },
      stationsM: [],
    });
    const found = areasFromMesh({ triangles: sphere, planes, zones });
    const whole = found.zones.reduce((total, zone) => total + sum(zone), 0);
    expect(whole / (16 * Math.PI)).toBeCloseTo(1, 3);
    expect(found.zones.map((zone) => zone.name)).toEqual([
      'Deck',
      'Keel',
      'Bottom',
      'Boot stripe',
      'Transom',
      'Topsides',
    ]);
    // Archimedes: a slice of a sphere has 2πr·h, here of the stripe 0.18 m high.
    expect(sum(found.zones[3]) / (4 * Math.PI * 0.18)).toBeCloseTo(1, 2);
  });
});

describe('a hull divided at stations', () => {
  it('gives each length of bottom and topsides its own, and together the whole', () => {
    const { planes, zones } = hullCuts({
      topOfPaintM: 0,
      stripe: null,
      transomXM: null,
      keel: null,
      sheer: null,
      stationsM: [2, 1],
    });
    const found = areasFromMesh({ triangles: box, planes, zones }).zones;
    expect(found.map((zone) => [zone.name, Number(sum(zone).toFixed(4))])).toEqual([
      // Foot and sides of a metre, with the after end; then one metre; then two with the fore end.
      ['Bottom, aft of 1 m', 2 + 2 + 2],
      ['Bottom, 1–2 m', 2 + 2],
      ['Bottom, forward of 2 m', 4 + 4 + 2],
      ['Topsides, aft of 1 m', 2 + 4 + 4],
      ['Topsides, 1–2 m', 2 + 4],
      ['Topsides, forward of 2 m', 4 + 8 + 4],
    ]);
  });
});

describe('the Wigley hull as a surface [S]', () => {
  const hull = wigley(10);
  it('S/L² is 0.1488 within half a per cent, C_b 4/9, C_wp 2/3', () => {
    const found = hydrostaticsOfMesh({ triangles: hull });
    expect(Math.abs(found.wettedM2 / 100 / 0.1488 - 1)).toBeLessThan(0.005);
    expect(found.cb).toBeCloseTo(4 / 9, 3);
    expect(found.cwp).toBeCloseTo(2 / 3, 3);
  });
  it('read off as a table of offsets it is the same hull', () => {
    const table = offsetsFromMesh({ triangles: hull });
    const found = hydrostatics({ table });
    expect(Math.abs(found.wettedM2 / 14.88 - 1)).toBeLessThan(0.01);
    expect(found.cb).toBeCloseTo(4 / 9, 2);
    expect(areaFromOffsets({ table, fromZ: -0.2, toZ: 0 })).toBeGreaterThan(3.9);
  });
  it('drawn in millimetres, z to the bow and y down, it is found out and set right', () => {
    const turned = Float32Array.from(hull);
    for (let i = 0; i < hull.length; i += 3) {
      turned[i] = 1000 * (hull[i + 1] as number);
      turned[i + 1] = -1000 * (hull[i + 2] as number) - 300;
      turned[i + 2] = 1000 * (hull[i] as number);
    }
    const guess = guessPlacement(turned, { loaM: 10.2, draughtM: 0.625 });
    expect(guess).toMatchObject({ unit: 'mm', up: '-y', half: false });
    const placed = hydrostaticsOfMesh({ triangles: placeMesh(turned, guess) });
    expect(placed.volumeM3 / hydrostaticsOfMesh({ triangles: hull }).volumeM3).toBeCloseTo(1, 4);
  });
  it('half of it is told by its flat side and made whole', () => {
    const half = hull.slice(0, hull.length / 2);
    const guess = guessPlacement(half, { loaM: 10, draughtM: 0.625 });
    expect(guess.half).toBe(true);
    const placed = placeMesh(half, guess);
    expect(hydrostaticsOfMesh({ triangles: placed }).cb).toBeCloseTo(4 / 9, 3);
  });
  it('port is port: a fin added to starboard counts there', () => {
    const fin = mesh([...hull], [4, -0.2, -0.2, 5, -0.2, -0.2, 5, -0.2, -0.5]);
    // In the file y points to port, as right-handed axes with x forward and z up have it.
    const placement: Placement = {
      unit: 'm',
      up: '+z',
      bow: '+x',
      half: false,
      heelDeg: 0,
      trimDeg: 0,
      waterlineM: 0.625,
    };
    const { zones } = areasFromMesh({ triangles: placeMesh(fin, placement), planes: water, zones: wetZones });
    expect((zones[0]?.starboardM2 ?? 0) - (zones[0]?.portM2 ?? 0)).toBeCloseTo(0.15, 2);
  });
  it('set down by the bow she is deeper forward; heeled, her keel swings to the side that is up', () => {
    const level: Placement = {
      unit: 'm',
      up: '+z',
      bow: '+x',
      half: false,
      heelDeg: 0,
      trimDeg: -2,
      waterlineM: 0.7,
    };
    const placed = placeMesh(hull, level);
    const table = offsetsFromMesh({ triangles: placed });
    const keelAt = (s: number) =>
      table.waterlinesM[table.halfBreadthsM[s]?.findIndex((y) => (y ?? 0) > 0.001) ?? 0] ?? 0;
    expect(keelAt(45)).toBeLessThan(keelAt(15));
    const heeled = placeMesh(hull, { ...level, trimDeg: 0, heelDeg: 10 });
    let lowest = [0, 0];
    for (let i = 0; i < heeled.length; i += 3)
      if ((heeled[i + 2] as number) < (lowest[1] as number))
        lowest = [heeled[i + 1] as number, heeled[i + 2] as number];
    expect(lowest[0]).toBeGreaterThan(0.05);
  });
});

describe('files', () => {
  const ascii = (numbers: string) =>
    new TextEncoder().encode(
      `solid hull\nfacet normal 0 0 1\nouter loop\n${numbers}\nendloop\nendfacet\nendsolid\n`,
    );
  it('STL and OBJ out and in again are equal to the last bit', () => {
    const some = sphere.slice(0, 9000);
    expect(readStl(writeStl(some))).toEqual(some);
    expect(readObj(new TextEncoder().encode(writeObj(some)))).toEqual(some);
  });
  it('ASCII STL is read, exponents and all', () => {
    const one = readStl(ascii('vertex 1.5e1 -2 0\n  vertex 0 +3.25E-1 4\nvertex 7 8 9.'));
    expect([...one]).toEqual([15, -2, 0, 0, 0.325, 4, 7, 8, 9].map(Math.fround));
  });
  it('a binary file that begins with the word solid is still binary', () => {
    const bytes = writeStl(box);
    bytes.set(new TextEncoder().encode('solid '), 0);
    expect(readStl(bytes)).toEqual(box);
  });
  it('OBJ: four-cornered faces, texture indices and points counted backwards', () => {
    const text = '# hull\nv 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nvt 0 0\nf 1/1 2/1 3/1 4/1\nf -4 -3 -2 # last\n';
    expect(readObj(new TextEncoder().encode(text)).length).toBe(3 * 9);
  });
  it.each([
    [
      'nothing',
      () => checkMeshSize('hull.stl', 0),
      'Size of hull.stl must be more than 0 bytes, but is 0 bytes',
    ],
    [
      '400 MB',
      () => checkMeshSize('hull.stl', 400 * 1048576),
      'Size of hull.stl must be 300 MB or less, but is 400 MB',
    ],
    [
      'a word for a number',
      () => readStl(ascii('vertex 1 nan 0\nvertex 0 0 0\nvertex 1 1 1')),
      'A corner of face 1 must be a finite number, but is NaN',
    ],
    ['no faces', () => readStl(writeStl(new Float32Array())), 'Number of faces must be 1 or more, but is 0'],
    [
      'two corners',
      () => readStl(ascii('vertex 1 1 0\nvertex 0 0 0')),
      'Number of corners must be a multiple of three, three for each face, but is 2',
    ],
    [
      'a picture',
      () => readStl(new TextEncoder().encode('‰PNG and so on')),
      'File must be an ASCII or binary STL, but is neither',
    ],
    [
      'a point that is not there',
      () => readObj(new TextEncoder().encode('v 0 0 0\nf 1 2 3\n')),
      'Point number of face 1 must be one of the 1 points before it, but is 2',
    ],
  ])('refused: %s', (_, read, message) => {
    expect(read).toThrow(message);
  });
});

describe('what is wrong with a surface', () => {
  it('a closed box: nothing', () => {
    expect(checkMesh(box)).toEqual({
      faces: 12,
      openEdges: 0,
      invertedEdges: 0,
      crowdedEdges: 0,
      degenerate: 0,
      duplicates: [],
    });
  });
  it('a face short: its three edges are open; one turned inside out: its three edges are named', () => {
    expect(checkMesh(box.slice(9)).openEdges).toBe(3);
    const turned = box.slice();
    turned.set(box.subarray(3, 6), 6);
    turned.set(box.subarray(6, 9), 3);
    expect(checkMesh(turned).invertedEdges).toBe(3);
  });
  it('faces that stand there twice are found by number and can be left out', () => {
    const twice = mesh([...box], [...box.slice(9, 27)]);
    const { duplicates } = checkMesh(twice);
    expect(duplicates).toEqual([12, 13]);
    expect(withoutFaces(twice, duplicates)).toEqual(box);
  });
  it('for drawing, a likeness of fewer faces keeps the shape within a twentieth', () => {
    const { triangles, face } = thinMesh(sphere, 4000);
    expect(triangles.length / 9).toBeLessThanOrEqual(4000);
    expect(face.length).toBe(triangles.length / 9);
    const { zones } = areasFromMesh({ triangles, planes: water, zones: wetZones });
    expect((sum(zones[0]) + sum(zones[1])) / (16 * Math.PI)).toBeCloseTo(1, 1);
  });
});

describe('meshes that are no whole hull', () => {
  it('an under-water body that ends at the waterline but for single precision is taken', () => {
    // A wedge 10 m long, 4 m wide, 2 m deep, open at the top, its rim a rounding below 0.
    const z = -1e-6;
    const [a, b, c, d] = [
      [0, -2, z],
      [10, -2, z],
      [10, 2, z],
      [0, 2, z],
    ] as const;
    const [k, l] = [
      [0, 0, -2],
      [10, 0, -2],
    ] as const;
    const triangles = Float32Array.from([a, k, b, b, k, l, d, c, k, c, l, k, a, d, k, b, l, c].flat());
    const found = hydrostaticsOfMesh({ triangles });
    expect(found.volumeM3).toBeCloseTo((10 * 4 * 2) / 2, 3);
    expect([found.lwlM, found.bwlM, found.draughtM]).toEqual([10, 4, 2]);
  });

  it('one that cannot be thinned is shown in part, and does not run for ever', () => {
    // A thousand faces upon each other: no grid makes them fewer.
    const face = [0, 0, 0, 1, 0, 0, 0, 1, 0];
    const { triangles, face: from } = thinMesh(Float32Array.from(Array(1000).fill(face).flat()), 10);
    expect([triangles.length / 9, from.length]).toEqual([10, 10]);
  });

  it('a plane without a direction or a level is refused by name', () => {
    const triangles = Float32Array.from([0, 0, 0, 1, 0, 0, 0, 1, 0]);
    const cut = (n: [number, number, number], at: number) =>
      areasFromMesh({ triangles, planes: [{ name: 'waterline', n, at }], zones: [] });
    expect(() => cut([0, 0, 0], 0)).toThrow(
      'Normal of plane waterline must be a direction: not all zero, all finite, but is (0, 0, 0)',
    );
    expect(() => cut([0, 0, 1], Number.NaN)).toThrow(
      'Level of plane waterline must be between -1000000 and 1000000, but is NaN',
    );
    const hole = Float32Array.from([0, 0, Number.NaN, 1, 0, 0, 0, 1, 0]);
    expect(() => areasFromMesh({ triangles: hole, planes: [], zones: [] })).toThrow(
      'Area of the mesh must be a finite number, but is NaN',
    );
  });
});

import { describe, expect, it } from 'vitest';
import { markSheet, stripe } from '../waterline/index.ts';
import {
  areaFromOffsets,
  areasFromOffsets,
  formFromDimensions,
  hullLines,
  hullsOf,
  hydrostatics,
  hydrostaticsOfMesh,
  type OffsetTable,
  offsetsFromMesh,
  ofItsHulls,
  startingAreas,
  tapedEdges,
} from './index.ts';

/** A box hull 8 m long, 1 m wide, 0.5 m deep, 1 m above the water; plain geometry. */
const box: OffsetTable = {
  stationsM: [0, 4, 8],
  waterlinesM: [-0.5, 0, 1],
  halfBreadthsM: [0, 1, 2].map(() => [0.5, 0.5, 0.5]),
  sheer: [0, 1, 2].map(() => ({ zM: 1, yM: 0.5 })),
};
const dimensions = { loaM: 8, lwlM: 8, beamM: 5, draughtM: 0.5, freeboardM: 1 };
const boat = { kind: 'catamaran' as const, dimensions };
const twin = ofItsHulls(box, boat);

describe('a catamaran has two hulls (plain geometry)', () => {
  it('a table far narrower than the boat is of one hull, as far out as the beam says', () => {
    expect(twin.apartM).toBe(2);
    expect(ofItsHulls(box, { ...boat, kind: 'fin-keel' })).toBe(box);
    // As wide as the boat: of both together.
    expect(ofItsHulls(box, { ...boat, dimensions: { ...dimensions, beamM: 1.2 } }).apartM).toBeUndefined();
  });
  it('areas, volume, waterplane and stripe are those of both, the coefficients those of one', () => {
    const under = { fromZ: -Infinity, toZ: 0 };
    expect(areaFromOffsets({ table: box, ...under })).toBeCloseTo(2 * 8 * 0.5 + 8, 9);
    expect(areaFromOffsets({ table: twin, ...under })).toBeCloseTo(2 * (2 * 8 * 0.5 + 8), 9);
    const [one, both] = [hydrostatics({ table: box }), hydrostatics({ table: twin })];
    expect(both.volumeM3).toBeCloseTo(2 * 8 * 1 * 0.5, 9);
    expect(both.waterplaneM2).toBeCloseTo(16, 9);
    expect([both.cb, both.cwp]).toEqual([one.cb, one.cwp]);
    const transom = (table: OffsetTable) =>
      areasFromOffsets({ table, topOfPaintM: 0, stripe: null }).find(({ zone }) => zone === 'transom')
        ?.areaM2;
    expect(transom(twin)).toBeCloseTo(2 * 1 * 1, 9);
    const shape = { gapMm: 20, heightMm: 100, bowSweepMm: 0, sternSweepMm: 0 };
    const band = stripe({ form: twin, shape, topOfPaintMm: 50 });
    expect([band.areaM2, band.lowerTapeM]).toEqual([
      expect.closeTo(4 * 8 * 0.1, 6),
      expect.closeTo(2 * 8, 6),
    ]);
  });
  it('each side is masked along both faces of its hull; the deck across the whole beam', () => {
    const edges = tapedEdges({ ...boat, form: box });
    expect(edges.oneSide.bottom).toBeCloseTo(16, 6);
    expect(edges.oneSide['boot-stripe']).toBeCloseTo(32, 6);
    expect(Math.max(...hullLines({ ...boat, form: box }).plan.sheer.map(({ y }) => y))).toBeCloseTo(2.5, 9);
  });
  it('heeled, the outer face reads higher or lower than the inner one by the metre between them', () => {
    // 20 mm a metre to starboard.
    const plane = { aMm: 1000, bMmPerM: 0, cMmPerM: 20 };
    const sheet = markSheet({ form: twin, plane, stationsM: [4], riseMmAt: () => 50 });
    const [port, starboard] = ['port', 'starboard'].map((side) => sheet.find((row) => row.side === side));
    expect(starboard?.halfBreadthM).toBeCloseTo(2.5, 9);
    const between = (row = starboard) => (row?.aboveDatumMm ?? 0) - (row?.innerAboveDatumMm ?? 0);
    expect(between()).toBeCloseTo(20, 1);
    expect(between(port)).toBeCloseTo(-20, 1);
    expect((starboard?.aboveDatumMm ?? 0) - (port?.aboveDatumMm ?? 0)).toBeCloseTo(100, 0);
  });
  it('drawn from her dimensions each hull is a slim one: a raise of 50 mm stays about that on the skin', () => {
    const form = formFromDimensions({
      kind: 'catamaran',
      dimensions: { loaM: 11.5, lwlM: 11, beamM: 6.5, draughtM: 1, freeboardM: 1.3 },
    });
    const sheet = markSheet({
      form,
      plane: { aMm: 1000, bMmPerM: 0, cMmPerM: 0 },
      stationsM: [2, 4, 6, 8, 10],
      riseMmAt: () => 50,
    });
    expect(sheet).toHaveLength(10);
    for (const row of sheet) expect(row.raiseSkinMm).toBeLessThan(60);
  });
  it('the starting set counts both: more of topsides than of one hull as long, keels, rudders and transoms', () => {
    const names = startingAreas(boat).map(({ name }) => name);
    expect(names).toEqual(expect.arrayContaining(['Keels', 'Rudders', 'Transoms', 'Bilges']));
    const topsides = startingAreas(boat).filter(({ zone }) => zone === 'topsides');
    expect(topsides.reduce((sum, { areaM2 }) => sum + areaM2, 0)).toBeGreaterThan(2 * 2 * 8 * 1);
  });
  it('a mesh with nothing in the water at the centreline is of two hulls; a deck between them changes nothing', () => {
    // Two boxes 8 m long and 1 m wide about ± 2 m, 0.5 m deep, with a bridge deck 0.8 m above the water.
    type Corner = [number, number, number];
    const quad = (...[p, q, r, s]: [Corner, Corner, Corner, Corner]) => [...p, ...q, ...r, ...p, ...r, ...s];
    const tub = (y0: number, y1: number) => [
      ...quad([0, y0, -0.5], [0, y1, -0.5], [8, y1, -0.5], [8, y0, -0.5]),
      ...quad([0, y0, -0.5], [8, y0, -0.5], [8, y0, 1], [0, y0, 1]),
      ...quad([0, y1, -0.5], [0, y1, 1], [8, y1, 1], [8, y1, -0.5]),
      ...quad([0, y0, -0.5], [0, y0, 1], [0, y1, 1], [0, y1, -0.5]),
      ...quad([8, y0, -0.5], [8, y1, -0.5], [8, y1, 1], [8, y0, 1]),
    ];
    const deck = quad([1, -1.5, 0.8], [7, -1.5, 0.8], [7, 1.5, 0.8], [1, 1.5, 0.8]);
    const triangles = Float32Array.from([...tub(-2.5, -1.5), ...tub(1.5, 2.5), ...deck]);
    const table = offsetsFromMesh({ triangles });
    expect(table.apartM).toBeCloseTo(2, 6);
    const [read, measured] = [
      hydrostatics({ table }),
      hydrostaticsOfMesh({ triangles, apartM: table.apartM }),
    ];
    for (const { volumeM3, bwlM, cb } of [read, measured])
      expect([volumeM3, bwlM, cb]).toEqual([
        expect.closeTo(8, 1),
        expect.closeTo(1, 3),
        expect.closeTo(1, 2),
      ]);
    // One of them by itself is a hull like any other.
    const one = offsetsFromMesh({ triangles: Float32Array.from(tub(-0.5, 0.5)) });
    expect(hullsOf(one)).toBe(1);
    expect(ofItsHulls(one, boat).apartM).toBeCloseTo(2, 6);
  });
});

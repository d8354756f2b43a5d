import { describe, expect, it } from 'vitest';
import {
  alongSkinM,
  areaByRule,
  areaFromOffsets,
  BOAT_KINDS,
  formFromDimensions,
  halfBreadthAt,
  hydrostatics,
  mumfordM2,
  type OffsetTable,
  sectionAt,
  sheerAt,
} from './index.ts';

const flared: OffsetTable = {
  stationsM: [0, 4],
  waterlinesM: [-1, 0, 0.5],
  halfBreadthsM: [
    [0, 1, 1.5],
    [0, 1, null],
  ],
  sheer: [
    { zM: 1, yM: 2 },
    { zM: 0.4, yM: 1.4 },
  ],
};

describe('a hull form read between its offsets', () => {
  it('gives half-breadths and sheer by straight lines, and nothing above the sheer', () => {
    expect(halfBreadthAt(flared, 0, 0.25)).toBeCloseTo(1.25, 12);
    expect(halfBreadthAt(flared, 2, 0.2)).toBeCloseTo(1.2, 12);
    expect(sheerAt(flared, 1)).toEqual({ z: expect.closeTo(0.85, 12), y: expect.closeTo(1.85, 12) });
    expect(halfBreadthAt(flared, 4, 0.45)).toBeNull();
    expect(halfBreadthAt(flared, 4.1, 0)).toBeNull();
  });
  it('measures along the skin, whatever the direction', () => {
    const section = sectionAt(flared, 0);
    expect(alongSkinM(section, 0, 1)).toBeCloseTo(Math.SQRT2, 12);
    expect(alongSkinM(section, 1, 0)).toBeCloseTo(Math.SQRT2, 12);
  });
  it('the strake between the highest waterline and the sheer is part of the topsides', () => {
    // All of the side above the water flares 45°: √2 × its height in profile, which is 0.4–1 m over 4 m.
    const area = areaFromOffsets({ table: flared, fromZ: 0, toZ: 10 });
    const lean = Math.hypot(1, 1);
    expect(area / (2 * 4 * 0.7 * lean)).toBeCloseTo(1, 1);
    const { sheer: _, ...bare } = flared;
    expect(area).toBeGreaterThan(areaFromOffsets({ table: bare, fromZ: 0, toZ: 10 }));
  });
});

describe('a hull from main dimensions only', () => {
  const dimensions = { loaM: 10, lwlM: 8.6, beamM: 3.2, draughtM: 1.5, freeboardM: 1.1 };
  it.each(BOAT_KINDS)('%s keeps the dimensions given and floats', (kind) => {
    const form = formFromDimensions({ kind, dimensions });
    const found = hydrostatics({ table: form });
    expect(Math.abs(found.lwlM / dimensions.lwlM - 1)).toBeLessThan(0.08);
    expect(2 * Math.max(...(form.sheer ?? []).map((p) => p?.yM ?? 0))).toBeCloseTo(dimensions.beamM, 1);
    expect(found.cb).toBeGreaterThan(0.25);
    expect(found.cb).toBeLessThan(0.9);
    expect(found.cwp).toBeGreaterThan(0.55);
  });
  it("its wetted surface agrees with Mumford's formula within a tenth, its bottom with the rule of thumb within a third", () => {
    for (const kind of ['long-keel', 'fin-keel', 'workboat'] as const) {
      const found = hydrostatics({ table: formFromDimensions({ kind, dimensions }) });
      const mumford = mumfordM2({ lwlM: found.lwlM, draughtM: found.draughtM, volumeM3: found.volumeM3 });
      expect(Math.abs(found.wettedM2 / mumford - 1)).toBeLessThan(0.15);
    }
    const rule = areaByRule({ kind: 'fin-keel', dimensions, zone: 'bottom', side: 'both' });
    const found = hydrostatics({ table: formFromDimensions({ kind: 'fin-keel', dimensions }) });
    expect(Math.abs(found.wettedM2 / (rule?.areaM2 ?? 0) - 1)).toBeLessThan(0.34);
  });
});

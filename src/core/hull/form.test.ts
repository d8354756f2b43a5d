import { describe, expect, it } from 'vitest';
import {
  alongSkinM,
  areaByRule,
  areaFromOffsets,
  areasFromOffsets,
  BOAT_KINDS,
  formFromDimensions,
  halfBreadthAt,
  hullLines,
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
    expect(2 * ((form.apartM ?? 0) + Math.max(...(form.sheer ?? []).map((p) => p?.yM ?? 0)))).toBeCloseTo(
      dimensions.beamM,
      1,
    );
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

describe('areas cut from a table of offsets', () => {
  const L = 10;
  const wigley: OffsetTable = (() => {
    const [B, T] = [0.1 * L, 0.0625 * L];
    const at = (n: number) => Array.from({ length: n + 1 }, (_, i) => i / n);
    const stationsM = at(120).map((u) => u * L);
    const waterlinesM = at(40).map((u) => -T * (1 - u));
    return {
      stationsM,
      waterlinesM,
      halfBreadthsM: stationsM.map((x) =>
        waterlinesM.map((z) => (B / 2) * (1 - ((2 * x) / L - 1) ** 2) * (1 - (z / T) ** 2)),
      ),
      // Straight sides of 0.5 m above the water, so that the topsides have a closed form too.
      sheer: stationsM.map((x) => ({ zM: 0.5, yM: (B / 2) * (1 - ((2 * x) / L - 1) ** 2) })),
    };
  })();
  const found = areasFromOffsets({ table: wigley, topOfPaintM: 0, stripe: { lowerM: 0.1, upperM: 0.2 } });
  const m2 = (zone: string) => found.find((area) => area.zone === zone)?.areaM2 ?? 0;
  it('the bottom is the Wigley wetted surface [S], the pointed stern has no transom', () => {
    expect(Math.abs(m2('bottom') / (0.1488 * L * L) - 1)).toBeLessThan(0.005);
    expect(m2('transom')).toBe(0);
  });
  it('topsides and stripe share the upright wall: its length both sides times height', () => {
    // Length of the parabola y = 0.5(1 − s²) over ten metres, by its integral.
    const k = (2 * 0.5) / 25 / 2;
    const arc = (x: number) => (x * Math.sqrt(1 + (2 * k * x) ** 2)) / 2 + Math.asinh(2 * k * x) / (4 * k);
    const girth = 2 * (arc(5) - arc(-5));
    expect(m2('boot-stripe') / (girth * 0.1)).toBeCloseTo(1, 3);
    expect(m2('topsides') / (girth * 0.4)).toBeCloseTo(1, 3);
  });
  it('a box has its end as transom: breadth times height', () => {
    const box: OffsetTable = {
      stationsM: [0, 5],
      waterlinesM: [-1, 0, 1],
      halfBreadthsM: [
        [1, 1, 1],
        [1, 1, 1],
      ],
    };
    const areas = areasFromOffsets({ table: box, topOfPaintM: 0.25, stripe: null });
    expect(areas.find((area) => area.zone === 'transom')?.areaM2).toBeCloseTo(2 * 0.75, 9);
  });
});

describe('the lines a boat is drawn by', () => {
  const dimensions = { loaM: 10, lwlM: 8.6, beamM: 3.2, draughtM: 1.5, freeboardM: 1.1 };
  it.each(BOAT_KINDS)('%s: drawn from its own offsets it keeps length, beam and waterline', (kind) => {
    const form = formFromDimensions({ kind, dimensions });
    const lines = hullLines({ kind, dimensions, form });
    expect(lines.lengthM).toBeCloseTo(10, 6);
    expect(2 * lines.halfBeamM).toBeCloseTo(3.2, 1);
    const bottom = lines.profile.zones.bottom ?? [];
    expect(Math.max(...bottom.map((p) => p.z))).toBeCloseTo(0, 6);
    expect((bottom.at(-1)?.x ?? 0) - (bottom[0]?.x ?? 0)).toBeGreaterThan(0.85 * 8.6);
    for (const outline of Object.values(lines.profile.zones))
      for (const p of outline) expect(Number.isFinite(p.x + p.z)).toBe(true);
    expect(lines.sections.some((s) => s.fore) && lines.sections.some((s) => !s.fore)).toBe(true);
  });
});

describe('a hull known by her dimensions only floats as the trade says (handbook part 11)', () => {
  const form = (kind: 'fin-keel' | 'long-keel' | 'bilge-keel') =>
    formFromDimensions({
      kind,
      dimensions: { loaM: 11, lwlM: 10, beamM: 3, draughtM: 1.6, freeboardM: 1.1 },
    });
  it.each(['fin-keel', 'long-keel', 'bilge-keel'] as const)(
    'a %s of 10 m × 3 m sinks about 1 cm per 200 kg (common practice)',
    (kind) => {
      const sunkMm = (200 / (1025 * hydrostatics({ table: form(kind) }).waterplaneM2)) * 1000;
      expect(sunkMm).toBeGreaterThan(8.5);
      expect(sunkMm).toBeLessThan(11.5);
    },
  );
  it.each(['fin-keel', 'long-keel', 'bilge-keel'] as const)('%s: C_wp of a yacht, 0.65–0.8', (kind) => {
    const table = form(kind);
    const level = table.waterlinesM.findIndex((z) => Math.abs(z) < 1e-9);
    const half = table.halfBreadthsM.map((row) => row[level] ?? 0);
    const wet = table.stationsM.filter((_, i) => (half[i] ?? 0) > 0);
    const rectangle = ((wet.at(-1) ?? 0) - (wet[0] ?? 0)) * 2 * Math.max(...half);
    const cwp = hydrostatics({ table }).waterplaneM2 / rectangle;
    expect(cwp).toBeGreaterThan(0.65);
    expect(cwp).toBeLessThan(0.8);
  });
});

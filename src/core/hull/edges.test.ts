import { describe, expect, it } from 'vitest';
import { formFromDimensions, type OffsetTable, tapedEdges } from './index.ts';

const dimensions = { loaM: 8, lwlM: 8, beamM: 3, draughtM: 1, freeboardM: 1 };
const edgesOf = (form: OffsetTable | null) => tapedEdges({ kind: 'workboat', dimensions, form });
const LEVELS = [-1, 0, 1];
/** A hull of upright sides whose every level line is the one given. */
const upright = (breadth: (x: number) => number, stations: number[]): OffsetTable => ({
  stationsM: stations,
  waterlinesM: LEVELS,
  halfBreadthsM: stations.map((x) => LEVELS.map(() => breadth(x))),
  sheer: stations.map((x) => ({ zM: 1, yM: breadth(x) })),
});

describe('edges that tape follows, off the lines a boat is drawn by', () => {
  it('a box of 8 by 2 m: 8 m a side along water and sheer, its transom up, across and down', () => {
    const { oneSide, whole } = edgesOf(upright(() => 1, [0, 4, 8]));
    expect([oneSide.bottom, oneSide.topsides, oneSide['boot-stripe']]).toEqual([8, 16, 16]);
    expect(whole.transom).toBeCloseTo(1 + 2 + 1, 9);
    // The sheer on both sides and the breadth aft, and whatever house stands on it.
    expect((whole.deck ?? 0) - (whole.cabin ?? 0)).toBeCloseTo(8 + 8 + 2, 9);
  });

  it('an elliptic waterline is half the ellipse a side (Ramanujan 1914, to a thousandth)', () => {
    const [a, b] = [4, 1.5];
    const stations = Array.from({ length: 201 }, (_, i) => 4 - 4 * Math.cos((Math.PI * i) / 200));
    const form = upright((x) => b * Math.sqrt(Math.max(0, 1 - ((x - a) / a) ** 2)), stations);
    const h = ((a - b) / (a + b)) ** 2;
    const perimeter = Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
    const { oneSide, whole } = edgesOf(form);
    expect((oneSide.bottom ?? 0) / (perimeter / 2)).toBeCloseTo(1, 3);
    // She ends in a sternpost: there is no face to mask round.
    expect(whole.transom).toBeUndefined();
  });

  it('curve and sheer make more than her length, less than her sides and beam laid out', () => {
    const form = formFromDimensions({ kind: 'workboat', dimensions });
    const { oneSide } = edgesOf(form);
    expect(oneSide.bottom).toBeGreaterThan(7.6);
    expect(oneSide.bottom).toBeLessThan(8 + 3);
  });
});

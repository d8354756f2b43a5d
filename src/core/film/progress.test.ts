import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coatProgress, lapReady, type ProgressNote, sectionsOf } from './index.ts';

const note = (over: Partial<ProgressNote> & { id: string }): ProgressNote => ({
  atMs: 0,
  section: null,
  comb: null,
  usedL: null,
  ...over,
});

describe('sections of an area', () => {
  it('roll and tip on a deck: 1 × 1 to 1.2 × 1.2 m each [T, handbook part 8]; else what takes some twenty minutes [M]', () => {
    for (const areaM2 of [3, 6, 12, 30]) {
      const each = areaM2 / sectionsOf(areaM2, 'roll-and-tip');
      expect(each, `${areaM2} m²`).toBeGreaterThanOrEqual(0.75);
      expect(each).toBeLessThanOrEqual(1.44);
    }
    // 12 m² an hour by roller: 4 m² in twenty minutes.
    expect(sectionsOf(34, 'roller')).toBe(9);
    expect(sectionsOf(34, 'airless-spray')).toBe(2);
    expect(sectionsOf(0.05, 'brush')).toBe(1);
    expect(sectionsOf(100_000, 'brush')).toBe(200);
    expect(() => sectionsOf(Number.NaN, 'roller')).toThrow(/^Area/);
  });
});

describe('a second lap straight on', () => {
  const HOUR = 3_600_000;
  const at = (nowMs: number, over = {}) =>
    lapReady({ startMs: 10 * HOUR, farEndMs: 11 * HOUR, sections: 5, nowMs, ...over });

  it('follows the first at its pace and no section is ready before all of it is: by hand', () => {
    expect(at(9 * HOUR)).toEqual({ ready: 0, nextMs: 10.2 * HOUR });
    expect(at(10 * HOUR)).toEqual({ ready: 0, nextMs: 10.2 * HOUR });
    expect(at(10.5 * HOUR)).toEqual({ ready: 2, nextMs: 10.6 * HOUR });
    expect(at(10.6 * HOUR).ready).toBe(3);
    expect(at(11 * HOUR)).toEqual({ ready: 5, nextMs: null });
    expect(at(10.5 * HOUR, { farEndMs: 10 * HOUR })).toEqual({ ready: 5, nextMs: null });
    expect(() => at(0, { farEndMs: 9 * HOUR })).toThrow(/^End of the lap must be at least/);
    expect(() => at(0, { sections: 0 })).toThrow(/^Sections must be between 1 and 200/);
  });
});

describe('the state of a coat from notes of several devices', () => {
  it('one device: sections ticked, the litres last stated, the readings in the order they were taken', () => {
    const state = coatProgress([
      note({ id: 'c', atMs: 30, usedL: 0.9, wetEdgeMin: 12 }),
      note({ id: 'd', atMs: 40, cutIn: true }),
      note({ id: 'a', atMs: 10, section: { no: 0, of: 4 }, usedL: 0.5, wetEdgeMin: 20 }),
      note({ id: 'b', atMs: 20, section: { no: 1, of: 4 }, comb: { wetMicrons: 150, dryMicrons: 175 } }),
    ]);
    expect(state).toMatchObject({
      coveredShare: 0.5,
      usedL: 0.9,
      usedNote: 'c',
      wetEdgeMin: 12,
      cutIn: true,
    });
    expect(state.sections.map(({ atMs }) => atMs)).toEqual([10, 20, null, null]);
    expect(state.combs).toEqual([{ id: 'b', wetMicrons: 150, dryMicrons: 175 }]);
  });

  it('a section both ticked counts once; one divided otherwise counts for what it covers, and is no whole section of the first', () => {
    const both = [
      note({ id: 'a', section: { no: 0, of: 4 } }),
      note({ id: 'b', atMs: 5, section: { no: 0, of: 4 } }),
    ];
    expect(coatProgress(both)).toMatchObject({ coveredShare: 0.25, sections: [{ atMs: 5, notes: ['a', 'b'] }, {}, {}, {}] }); // biome-ignore format: one line
    const other = [
      note({ id: 'a', section: { no: 0, of: 4 } }),
      note({ id: 'b', atMs: 5, section: { no: 2, of: 5 } }),
    ];
    const state = coatProgress(other);
    expect(state.coveredShare).toBeCloseTo(0.45);
    expect(state.sections.map(({ atMs }) => atMs)).toEqual([0, null, null, null]);
  });

  it('nothing noted is nothing covered; what cannot be is refused by name', () => {
    expect(coatProgress([])).toEqual({
      sections: [],
      coveredShare: 0,
      usedL: null,
      usedNote: null,
      combs: [],
      wetEdgeMin: null,
      cutIn: false,
    });
    expect(() => coatProgress([note({ id: 'a', section: { no: 4, of: 4 } })])).toThrow(
      /^Section must be between 0 and 3/,
    );
    expect(() => coatProgress([note({ id: 'a', wetEdgeMin: 0 })])).toThrow(
      /^Wet edge \(min\) must be between 1 and 240/,
    );
    expect(() => coatProgress([note({ id: 'a', section: { no: 0.5, of: 4 } })])).toThrow(/whole number/);
    expect(() => coatProgress([note({ id: 'a', section: { no: 0, of: 0 } })])).toThrow(
      /^Sections must be between 1 and 200/,
    );
  });

  it('two devices come to the same state in whatever order their notes arrive, and it is the area they covered', () => {
    const devices = fc.tuple(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 1, max: 7 }));
    const notes = devices.chain((counts) =>
      fc.array(
        fc
          .record({
            device: fc.integer({ min: 0, max: 1 }),
            no: fc.integer({ min: 0, max: 6 }),
            atMs: fc.integer({ min: 0, max: 20 }),
            usedL: fc.option(fc.double({ min: 0, max: 5, noNaN: true }), { freq: 2 }),
          })
          .map(({ device, no, atMs, usedL }) => {
            const of = counts[device] as number;
            return { atMs, usedL, section: no < of ? { no, of } : null };
          }),
        { maxLength: 12 },
      ),
    );
    const twice = notes.chain((list) => {
      const named = list.map((each, i) => note({ id: String(i).padStart(2, '0'), ...each }));
      return fc.tuple(fc.constant(named), fc.shuffledSubarray(named, { minLength: named.length }));
    });
    fc.assert(
      fc.property(twice, ([inOrder, shuffled]) => {
        const state = coatProgress(inOrder);
        expect(coatProgress(shuffled)).toEqual(state);
        // 420 parts are whole parts of every division into up to seven.
        const parts = Array.from({ length: 420 }, (_, part) =>
          inOrder.some(({ section }) => section && Math.floor((part * section.of) / 420) === section.no),
        );
        expect(state.coveredShare).toBeCloseTo(parts.filter(Boolean).length / 420, 9);
        const count = state.sections.length;
        for (const [no, { atMs }] of state.sections.entries())
          expect(atMs !== null).toBe(
            parts.every((is, part) => is || Math.floor((part * count) / 420) !== no),
          );
      }),
      { numRuns: 150, seed: 1 },
    );
  });
});

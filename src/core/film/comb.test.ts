import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dryFromComb, willItReach } from './index.ts';

describe('a wet-film comb (ISO 2808 method 1A): the film is between two teeth', () => {
  it('handbook section 6: 175 µm wet at 57 % solids dry to 100 µm', () => {
    const film = dryFromComb({ wetToothMicrons: 150, dryToothMicrons: 200, volumeSolids: 0.57, thinner: 0 });
    expect(film.likelyMicrons).toBeCloseTo(100, 0);
    expect([film.lowMicrons, film.highMicrons]).toEqual([expect.closeTo(85.5, 9), expect.closeTo(114, 9)]);
  });

  it('10 % thinner leaves a tenth less: 704 µm wet at 71 % were 500 µm without it', () => {
    const film = (thinner: number) =>
      dryFromComb({ wetToothMicrons: 700, dryToothMicrons: 708, volumeSolids: 0.71, thinner }).likelyMicrons;
    expect(film(0)).toBeCloseTo(500, 0);
    expect(film(0.1)).toBeCloseTo(500 / 1.1, 0);
  });

  it('not one tooth wetted: the film is from nothing to the first tooth', () => {
    const film = dryFromComb({ wetToothMicrons: 0, dryToothMicrons: 25, volumeSolids: 0.5, thinner: 0 });
    expect(film).toEqual({ lowMicrons: 0, likelyMicrons: 6.25, highMicrons: 12.5 });
  });

  it('a comb read the wrong way round is refused', () => {
    expect(() => dryFromComb({ wetToothMicrons: 200, dryToothMicrons: 150, volumeSolids: 0.5 })).toThrow(
      'First dry tooth (µm) must be above the last tooth wetted, 200, but is 150',
    );
  });

  it('whatever film lies there, the interval read from the comb holds it', () => {
    const teeth = [25, 50, 75, 100, 125, 150, 175, 200, 250, 300, 400, 500];
    fc.assert(
      fc.property(
        fc.double({ min: 26, max: 499, noNaN: true }),
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        (wet, volumeSolids, thinner) => {
          const wetToothMicrons = teeth.filter((tooth) => tooth <= wet).at(-1) as number;
          const dryToothMicrons = teeth.find((tooth) => tooth > wet) as number;
          const film = dryFromComb({ wetToothMicrons, dryToothMicrons, volumeSolids, thinner });
          const truth = (wet * volumeSolids) / (1 + thinner);
          expect(film.lowMicrons).toBeLessThanOrEqual(truth + 1e-9);
          expect(film.highMicrons).toBeGreaterThanOrEqual(truth - 1e-9);
        },
      ),
    );
  });
});

describe('will the rest reach, at the pace so far', () => {
  it('0.1 l a square metre so far, 12 m² left: 1.2 l', () => {
    const left = { areaLeftM2: 12, coveredM2: 8, usedL: 0.8 };
    expect(willItReach({ ...left, litresLeft: 1 })).toEqual({
      reaches: false,
      shortL: expect.closeTo(0.2, 9),
      atPaceL: expect.closeTo(1.2, 9),
    });
    expect(willItReach({ ...left, litresLeft: 1.2 })).toMatchObject({ reaches: true, shortL: 0 });
  });

  it('with nothing covered no pace is known, and with nothing left to cover it reaches', () => {
    expect(willItReach({ litresLeft: 1, areaLeftM2: 12, coveredM2: 0, usedL: 0 }).reaches).toBeNull();
    expect(willItReach({ litresLeft: 0, areaLeftM2: 0, coveredM2: 8, usedL: 1 }).reaches).toBe(true);
  });

  it('refuses what can’t be', () => {
    expect(() => willItReach({ litresLeft: -1, areaLeftM2: 1, coveredM2: 1, usedL: 1 })).toThrow(
      /^Litres left must be between 0 and/,
    );
  });
});

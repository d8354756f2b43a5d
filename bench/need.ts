import { type NeedLine, type NeedSheet, need } from '../src/core/supply/index.ts';
import { median, say } from './say.ts';

const SHEET: NeedSheet = {
  parts: [
    { name: 'base', ratio: 3, densityKgPerL: 1.4 },
    { name: 'hardener', ratio: 1, densityKgPerL: 1 },
  ],
  ratioBy: 'volume',
  volumeSolids: 0.55,
  typicalMicrons: 100,
  coverageM2PerL: null,
  dilution: null,
  canLitres: null,
  thinner: 'thinner',
};

/** So many boats of twelve areas, each with a primer, a barrier, a finish and an antifouling still to come. */
const linesOf = (boats: number): NeedLine[] =>
  Array.from({ length: boats * 12 * 4 }, (_, n) => {
    const [boat, step] = [Math.floor(n / 48), n % 4];
    const areaM2 = 2 + (n % 23);
    return {
      id: `${n}`,
      boatId: `boat ${boat}`,
      productId: `product ${(boat + step) % 30}`,
      sheet: SHEET,
      coats: Array.from({ length: 2 + (n % 3) }, (_c, no) => ({
        no,
        colour: no % 2 ? 'grey' : 'white',
        areaM2,
      })),
      dryMicronsPerCoat: 60 + (n % 50),
      method: 'roller',
      thinner: 0.05,
      spread: 0.05 + (n % 4) / 30,
      measuredBy: `boat ${boat} ${n % 3}`,
      underCover: n % 2 === 0,
    };
  });

/** The need of a yard, and how it grows. */
export function needOfAYard(): void {
  for (const boats of [50, 200, 800]) {
    const lines = linesOf(boats);
    const times = Array.from({ length: 9 }, () => {
      const from = performance.now();
      need({ lines });
      return performance.now() - from;
    });
    say(
      `need of ${boats} boats × 12 areas, ${lines.length} steps`,
      `${median(times.slice(2)).toFixed(1)} ms`,
      boats === 200 ? '100 ms' : 'none set',
    );
  }
}

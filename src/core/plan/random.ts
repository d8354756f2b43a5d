/** Whole numbers below `n`, the same for the same seed [mulberry32, public domain]. */
export function randomOf(seed: number): (n: number) => number {
  let state = seed >>> 0;
  return (n) => {
    state = (state + 0x6d2b79f5) >>> 0;
    let x = Math.imul(state ^ (state >>> 15), state | 1);
    x ^= x + Math.imul(x ^ (x >>> 7), x | 61);
    return Math.floor((((x ^ (x >>> 14)) >>> 0) / 4_294_967_296) * n);
  };
}

const FINE = 2 ** 30;

/** Numbers of a standard normal distribution from such a source [S: Box & Muller 1958]. */
export function normalOf(random: (n: number) => number): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    const radius = Math.sqrt(-2 * Math.log((random(FINE) + 1) / FINE));
    const angle = (2 * Math.PI * random(FINE)) / FINE;
    spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}

/** Whether something of this chance happens. */
export const happens = (random: (n: number) => number, chance: number): boolean =>
  random(FINE) < chance * FINE;

/** How many random cases a test takes: a share of them in the suite, all of them in `npm run soak -- random`. */
export const cases = (inSuite: number, inSoak: number): number => (process.env.SOAK ? inSoak : inSuite);

/** Likely: as often too much as too little. Safe: enough nine times in ten. */
export interface Amount {
  likely: number;
  safe: number;
}

/** A share of an amount that may be wrong: by its area, together with others measured alike, and by the hand. */
export interface Doubt {
  amount: number;
  area: number;
  measuredBy: string;
  hand: number;
  by: string;
}

/** Nine in ten, one side of the normal distribution, in standard deviations [S: any table of it]. */
const SAFE_SD = 1.2816;

/**
 * The likely and the safe sum of amounts whose errors hang together: areas measured the same way, and coats by the same
 * method, are wrong together and their errors add; all others are independent and their squares do.
 */
export function sumOf(doubts: readonly Doubt[]): Amount {
  const [areas, hands] = [new Map<string, number>(), new Map<string, number>()];
  let likely = 0;
  for (const { amount, area, measuredBy, hand, by } of doubts) {
    likely += amount;
    areas.set(measuredBy, (areas.get(measuredBy) ?? 0) + area);
    hands.set(by, (hands.get(by) ?? 0) + hand);
  }
  const squares = [...areas.values(), ...hands.values()].reduce((sum, sd) => sum + sd * sd, 0);
  return { likely, safe: likely + SAFE_SD * Math.sqrt(squares) };
}

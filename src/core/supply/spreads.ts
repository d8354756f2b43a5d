/** Likely: as often too much as too little. Safe: enough nine times in ten. */
export interface Amount {
  likely: number;
  safe: number;
}

/** What an amount may be wrong by, in standard deviations: by its area, together with others measured alike, and by the hand. */
export interface Doubt {
  area: number;
  measuredBy: string;
  hand: number;
  by: string;
}

/** Nine in ten, one side of the normal distribution, in standard deviations [S: any table of it]. */
const SAFE_SD = 1.2816;

/**
 * A sum of amounts whose errors hang together: areas measured the same way, and coats by the same method, are wrong
 * together and their errors add; all others are independent and their squares do.
 */
export class DoubtfulSum {
  #likely = 0;
  readonly #areas = new Map<string, number>();
  readonly #hands = new Map<string, number>();

  /** Adds an amount; what it is wrong by counts so many times. */
  add(amount: number, { area, measuredBy, hand, by }: Doubt, times: number): void {
    this.#likely += amount * times;
    this.#areas.set(measuredBy, (this.#areas.get(measuredBy) ?? 0) + area * times);
    this.#hands.set(by, (this.#hands.get(by) ?? 0) + hand * times);
  }

  /** The likely sum, and the one that is enough nine times in ten. */
  get amount(): Amount {
    let squares = 0;
    for (const sd of this.#areas.values()) squares += sd * sd;
    for (const sd of this.#hands.values()) squares += sd * sd;
    return { likely: this.#likely, safe: this.#likely + SAFE_SD * Math.sqrt(squares) };
  }
}

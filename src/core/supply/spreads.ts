import { enoughNineInTen } from '../film/index.ts';

/** Likely: as often too much as too little. Safe: enough with 90 % certainty. */
export interface Amount {
  likely: number;
  safe: number;
}

/**
 * What an amount may be wrong by, in standard deviations: by its area, together with others measured alike; by the hand and the
 * kind of coat, together with others alike; and by each coat on its own.
 */
export interface Doubt {
  area: number;
  measuredBy: string;
  hand: number;
  by: string;
  coats: number;
}

/**
 * A sum of amounts whose errors hang together: areas measured the same way, and coats by the same method, are wrong
 * together and their errors add; all others, and one coat and the next, are independent and their squares do.
 */
export class DoubtfulSum {
  #likely = 0;
  readonly #areas = new Map<string, number>();
  readonly #hands = new Map<string, number>();
  #coats = 0;

  /** Adds an amount; what it is wrong by counts so many times. */
  add(amount: number, { area, measuredBy, hand, by, coats }: Doubt, times: number): void {
    this.#likely += amount * times;
    this.#areas.set(measuredBy, (this.#areas.get(measuredBy) ?? 0) + area * times);
    this.#hands.set(by, (this.#hands.get(by) ?? 0) + hand * times);
    this.#coats += (coats * times) ** 2;
  }

  /** The likely sum, and the sum that is enough with 90 % certainty. */
  get amount(): Amount {
    let squares = this.#coats;
    for (const sd of this.#areas.values()) squares += sd * sd;
    for (const sd of this.#hands.values()) squares += sd * sd;
    return { likely: this.#likely, safe: enoughNineInTen(this.#likely, Math.sqrt(squares)) };
  }
}

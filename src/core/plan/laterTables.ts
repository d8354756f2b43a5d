import type { FilmTakes } from './lagTables.ts';

/**
 * Tables of what films take, by end slot, kept from one weather for the ends far ahead in others: a forecast for the next days
 * changes each morning, what lies beyond them is planned as before.
 */
export class LaterTables {
  readonly #takes = new Map<string, FilmTakes[] | null>();
  readonly #dry = new Map<string, (number | null)[] | null>();
  /** Ends before this slot are worked out again. */
  fromSlot = 0;
  /** Tables are there to be used; before that they are taken down. */
  isKept = false;

  takes(key: string, near: FilmTakes[] | null, slots: number): FilmTakes[] | null {
    return this.#of(this.#takes, key, near, slots);
  }

  dry(key: string, near: (number | null)[] | null, slots: number): (number | null)[] | null {
    return this.#of(this.#dry, key, near, slots);
  }

  /** The table with its near ends as given, and those far ahead as they were taken down. */
  #of<T>(tables: Map<string, T[] | null>, key: string, near: T[] | null, slots: number): T[] | null {
    if (!this.isKept) {
      tables.set(key, near);
      return near;
    }
    const kept = tables.get(key);
    if (!kept || !near) return near;
    return near.map((each, end) => (end < this.fromSlot || end > slots ? each : (kept[end] ?? each)));
  }
}

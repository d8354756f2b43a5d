import { memoised } from '../units/index.ts';
import type { FilmTakes } from './lagTables.ts';

/** A table of the near ends, worked out when it is asked for. */
interface NearTable<T> {
  near: () => T[] | null;
  ends: readonly number[];
  slots: number;
}

/** The beginning of a table; asked for again it is the same object, so that what is worked out of it is worked out once. */
const cut = memoised((table: readonly unknown[], slots: number) => table.slice(0, slots + 1), 4);

/** A table whose ends from a slot on are those of another. */
const joined = memoised(
  (near: readonly unknown[], kept: readonly unknown[], fromSlot: number, slots: number) => [
    ...near.slice(0, fromSlot),
    ...near.slice(fromSlot, slots + 1).map((each, i) => kept[fromSlot + i] ?? each),
  ],
);

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

  takes(key: string, table: NearTable<FilmTakes>): FilmTakes[] | null {
    return this.#of(this.#takes, key, table);
  }

  dry(key: string, table: NearTable<number | null>): (number | null)[] | null {
    return this.#of(this.#dry, key, table);
  }

  /** The table with its near ends as given, and those far ahead as they were taken down. */
  #of<T>(tables: Map<string, T[] | null>, key: string, { near, ends, slots }: NearTable<T>): T[] | null {
    if (!this.isKept) {
      const made = near();
      tables.set(key, made);
      return made;
    }
    const kept = tables.get(key);
    // Nothing ends so soon: there is nothing to work out again.
    if (kept && ends.length === 0) return cut(kept, slots) as T[];
    const made = near();
    if (!kept || !made) return made;
    return joined(made, kept, this.fromSlot, slots) as T[];
  }
}

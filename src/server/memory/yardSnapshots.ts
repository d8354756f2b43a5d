import type { ChangeSet } from '../../contract/index.ts';
import { HOUR_MS } from '../../core/cure/index.ts';
import type { Air } from '../air/surfaces.ts';
import { yardAir } from '../air/yardAir.ts';
import type { Db, Queries } from '../db/open.ts';
import { loadCatalogue } from '../rows/products.ts';
import { currentRevision, domainOf, versionsSince } from '../rows/versions.ts';
import { theYard } from '../rows/yard.ts';
import { type BoatMemory, readAllBoats, readSomeBoats } from './boatMemory.ts';
import { clockOf } from './clockOf.ts';
import { inSlices } from './slices.ts';
import {
  type AreaFilter,
  byName,
  isLogged,
  isSame,
  readAt,
  readingOf,
  type Snapshot,
  staleParts,
  type YardClocks,
  type YardReading,
} from './snapshot.ts';
import { readStock, readStockAgain, readTrade } from './stockReading.ts';

export type { AreaFilter, YardClocks, YardReading };

/** Weather is looked at this far back for a film and this far ahead for its windows. */
const LOOK_BACK_MS = 120 * 24 * HOUR_MS;
const LOOK_AHEAD_MS = 16 * 24 * HOUR_MS;
const DAY_MS = 24 * HOUR_MS;

/** The weather data that clocks need. It begins with a day, so that series over it last a day. */
export function airAround(db: Queries, now: number): Promise<Air> {
  const from = Math.floor((now - LOOK_BACK_MS) / DAY_MS) * DAY_MS;
  return yardAir(db, now, { from, to: now + LOOK_AHEAD_MS });
}

/**
 * The yard as snapshots of exactly one revision each. A write counts the revision up and notes which domains it changed, in its own
 * transaction; a reader asks for the revision once and gets the snapshot of it, of which only the changed domains are read again,
 * all in one transaction that sees one state of the database.
 */
export class YardSnapshots {
  readonly #db: Db;
  /** Whether other processes write to this database too; else this one knows the revision by its own writes. */
  readonly #shared: boolean;
  #latest: Snapshot | null = null;
  #loading: Promise<void> | null = null;
  /** The last write this process knows of. */
  #known: number | null = null;
  /** The last write of this process that was more than an entry. */
  #moved = 0;
  /** Writes after which the snapshot before them holds, until there is a later one. */
  readonly #kept = new Set<number>();
  /** One object a boat, another with each entry in its log. */
  readonly #logs = new Map<string, object>();
  /** Weather that a write has read already, as of its revision. */
  #offered: { n: number; hour: number; air: Air } | null = null;

  constructor(db: Db, { shared = false }: { shared?: boolean } = {}) {
    this.#db = db;
    this.#shared = shared;
  }

  /**
   * Told after each commit of this process.
   *
   * @param air weather that the write read, which saves the next reader from reading it
   * @param keepsSnapshot nothing that a snapshot holds was changed
   */
  committed(
    n: number,
    changes: ChangeSet,
    {
      air,
      keepsSnapshot = false,
    }: { air?: { air: Air; now: number } | undefined; keepsSnapshot?: boolean | undefined } = {},
  ): void {
    this.#known = Math.max(n, this.#known ?? 0);
    if (keepsSnapshot) this.#kept.add(n);
    this.#renewLogs(changes.map(domainOf));
    if (!changes.every((change) => isLogged(domainOf(change)))) this.#moved = Math.max(n, this.#moved);
    if (air && changes.some((change) => domainOf(change) === 'weather'))
      this.#offered = { n, hour: Math.floor(air.now / HOUR_MS), air: air.air };
  }

  /** The same object for as long as nothing in {@link at} changes but the moment. */
  async identity(now: number): Promise<object> {
    return (await this.#current(now)).identity;
  }

  /** Everything at `now`. */
  async at(now: number): Promise<YardReading> {
    const snapshot = await this.#current(now);
    const { boats, air } = snapshot;
    return {
      ...snapshot,
      snapshot: snapshot.identity,
      boats: [...boats.values()],
      hours: air.hours,
      clocks: snapshot.clocks.map((clock) => readAt(clock, now)),
    };
  }

  /** As {@link at}, of the areas asked for. */
  async some(now: number, which: AreaFilter): Promise<YardReading & { boat: BoatMemory | undefined }> {
    return readingOf(await this.#current(now), now, which);
  }

  /**
   * The weather, the data sheets and the areas as they are now, regardless of later log entries: logging a coat needs no
   * more, and a line of writers need not wait for each other's entries to be read.
   */
  async places(now: number, which: AreaFilter): Promise<YardReading> {
    const latest = this.#latest;
    if (latest && latest.hour === Math.floor(now / HOUR_MS) && !(await this.#movedSince(latest.n)))
      return readingOf(latest, now, which);
    return this.some(now, which);
  }

  /**
   * The same object for as long as nothing is added to a boat’s log: what is read of the log is remembered by it. To be asked for after a
   * reading of the yard, and before the log is read.
   */
  logOf(boatId: string): object {
    const known = this.#logs.get(boatId) ?? {};
    this.#logs.set(boatId, known);
    return known;
  }

  #renewLogs(domains: Iterable<string>): void {
    for (const domain of domains) {
      const [of, boatId] = domain.split(':');
      if (of !== 'log') continue;
      if (boatId === undefined) this.#logs.clear();
      else this.#logs.delete(boatId);
    }
  }

  /** Whether more than entries and what they took from the stock was written after a revision. */
  async #movedSince(n: number): Promise<boolean> {
    if (!this.#shared) return this.#moved > n;
    const domains = [...(await versionsSince(this.#db, n)).keys()];
    return !domains.every(isLogged);
  }

  /** The count of writes that a request beginning now has to see. */
  async #revision(): Promise<number> {
    if (this.#shared || this.#known === null) {
      const n = await currentRevision(this.#db);
      this.#known = Math.max(n, this.#known ?? 0);
    }
    return this.#known;
  }

  async #current(now: number): Promise<Snapshot> {
    const n = await this.#revision();
    const hour = Math.floor(now / HOUR_MS);
    for (;;) {
      this.#goOn();
      const latest = this.#latest;
      if (latest && latest.n >= n && latest.hour === hour) return latest;
      this.#loading ??= this.#load(now).finally(() => {
        this.#loading = null;
      });
      await this.#loading;
    }
  }

  /** Lets the latest snapshot stand for the writes after it that changed nothing in it. */
  #goOn(): void {
    const latest = this.#latest;
    if (!latest || this.#kept.size === 0) return;
    let { n } = latest;
    while (this.#kept.has(n + 1)) n++;
    if (n > latest.n) this.#latest = { ...latest, n };
    for (const each of this.#kept) if (each <= n) this.#kept.delete(each);
  }

  async #load(now: number): Promise<void> {
    const from = this.#latest;
    const hour = Math.floor(now / HOUR_MS);
    const read = await this.#db.transaction(
      async (tx) => {
        const n = await currentRevision(tx);
        const changed = from ? await versionsSince(tx, from.n) : null;
        this.#renewLogs(changed?.keys() ?? ['log']);
        return { n, ...(await this.#parts(tx, { from, changed, now, hour, n })) };
      },
      { isolationLevel: 'repeatable read', accessMode: 'read only' },
    );
    const { air, catalogue } = read;
    if (from && hour === from.hour && isSame(from, read)) {
      this.#latest = { ...from, n: read.n };
      return;
    }
    const states = [...read.boats.values()].flatMap((each) => each.states);
    const same =
      from?.states.length === states.length && states.every((state, i) => state === from.states[i]);
    const clocks = await inSlices(states, (state) => clockOf(state, { air, catalogue, now }));
    this.#latest = { ...read, identity: {}, hour, states: same && from ? from.states : states, clocks };
  }

  /** Every part of a snapshot: as it was where no write changed it, else read. */
  async #parts(
    tx: Queries,
    of: { from: Snapshot | null; changed: Map<string, number> | null; now: number; hour: number; n: number },
  ) {
    const { from, changed, now, hour } = of;
    const { boats, products, whole } = staleParts(changed?.keys() ?? []);
    const fresh = (...domains: string[]) => from !== null && !domains.some((domain) => whole.has(domain));
    const offered = this.#offered;
    const weatherN = Math.max(changed?.get('weather') ?? 0, changed?.get('yard') ?? 0);
    const airHolds = fresh('weather', 'yard') && from?.hour === hour;
    const airOffered = offered !== null && offered.hour === hour && offered.n === weatherN;
    return {
      yard: from && fresh('yard') ? from.yard : await theYard(tx),
      boats:
        from === null
          ? byName(await readAllBoats(tx, now))
          : boats.size === 0
            ? from.boats
            : byName(await readSomeBoats(tx, now, from.boats, boats), from.boats),
      catalogue: from && fresh('products') ? from.catalogue : await loadCatalogue(tx),
      air: from && airHolds ? from.air : airOffered ? offered.air : await airAround(tx, now),
      stock:
        from === null || whole.has('stock')
          ? await readStock(tx)
          : products.length === 0
            ? from.stock
            : await readStockAgain(tx, from.stock, products),
      trade: from && fresh('trade') ? from.trade : await readTrade(tx),
    };
  }
}

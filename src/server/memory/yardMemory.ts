import type { AreaClock, Change, ChangeSet } from '../../contract/index.ts';
import { HOUR_MS, type SplicedHour, segmentAt } from '../../core/cure/index.ts';
import { carryTemps, tempsFor } from '../air/surfaces.ts';
import { yardAir } from '../air/yardAir.ts';
import type { Db, Queries } from '../db/open.ts';
import { loadCatalogue, type ProductCatalogue } from '../rows/products.ts';
import { areaClock, failedClock } from './areaClock.ts';
import { partsAt } from './areaParts.ts';
import type { AreaSnapshot } from './areaStates.ts';
import { type BoatMemory, readAllBoats, readSomeBoats, type Stale } from './boatMemory.ts';
import { sheetsBehind } from './sheetsBehind.ts';
import { inSlices } from './slices.ts';
import {
  readStore,
  readStoreAgain,
  readTrade,
  type StoreReading,
  type TradeReading,
} from './storeReading.ts';
import { surfaceOf } from './surfaceOf.ts';

/** Air is looked at this far back for a film and this far ahead for its windows. */
const LOOK_BACK_MS = 120 * 24 * HOUR_MS;
const LOOK_AHEAD_MS = 16 * 24 * HOUR_MS;
const DAY_MS = 24 * HOUR_MS;
/** Changes that no clock and no area is made of. */
const BESIDE_THE_YARD: readonly Change['of'][] = ['store', 'trade', 'templates', 'calendars'];

/** Which areas: of one boat, or a single one. */
export type AreaFilter = { boatId: string } | { areaId: string };

/** The areas of the yard with their clocks, and what those were worked out from. */
export interface YardClocks {
  states: readonly AreaSnapshot[];
  clocks: readonly AreaClock[];
  hours: readonly SplicedHour[];
  catalogue: ProductCatalogue;
}

/** The whole yard as one reading found it. */
export interface YardReading extends YardClocks {
  /** By name. */
  boats: readonly BoatMemory[];
}

/** The air that clocks need. It begins with a day, so that series over it last a day. */
export function airAround(db: Queries, now: number): Promise<SplicedHour[]> {
  const from = Math.floor((now - LOOK_BACK_MS) / DAY_MS) * DAY_MS;
  return yardAir(db, now, { from, to: now + LOOK_AHEAD_MS });
}

const begins = new WeakMap<AreaClock, { fromMs: number; segment: AreaClock['segments'][number] }[]>();

/** A clock with its state read off again at another moment; its edges do not depend on the moment. */
function readAt(clock: AreaClock, now: number): AreaClock {
  let segments = begins.get(clock);
  if (!segments) {
    segments = clock.segments.map((segment) => ({ fromMs: Date.parse(segment.from), segment }));
    begins.set(clock, segments);
  }
  const present = segmentAt(segments, now)?.segment;
  const parts = clock.parts.length > 0 ? partsAt(clock.parts, now) : clock.parts;
  const same = !present || (present.state === clock.state && present.to === clock.until);
  if (same && parts === clock.parts) return clock;
  return { ...clock, ...(present ? { state: present.state, until: present.to } : {}), parts };
}

/** A clock kept, with what it was worked out from. */
interface Kept {
  state: AreaSnapshot;
  temps: object | null;
  sheets: string;
  clock: AreaClock;
}

/**
 * The yard as it stands, kept in memory. This process is the only one that writes to the data folder, so what was read
 * stays true until a change is told; then only the boats it names are read again, each with all its areas, since an area
 * may share coats and system with the one it was cut out of.
 */
export class YardMemory {
  readonly #db: Db;
  #boats: Map<string, BoatMemory> | null = null;
  /** Boats to be read again, each with what of her. */
  #stale = new Map<string, Stale>();
  #catalogue: ProductCatalogue | null = null;
  #air: { hour: number; hours: readonly SplicedHour[] } | null = null;
  #clocks = new Map<string, Kept>();
  #reading: Promise<YardReading> | null = null;
  #store: Promise<StoreReading> | null = null;
  /** Products whose lots are to be read again. */
  #moved = new Set<string>();
  #trade: Promise<TradeReading> | null = null;
  /** Counts the changes told. */
  #revision = 0;

  constructor(db: Db) {
    this.#db = db;
  }

  /** Forgets what a write changed. To be called after its commit, before anybody hears of it. */
  changed(changes: ChangeSet): void {
    if (changes.length === 0) return;
    this.#revision++;
    for (const change of changes) {
      if (!BESIDE_THE_YARD.includes(change.of)) this.#reading = null;
      if (change.of === 'products') this.#catalogue = null;
      else if (change.of === 'store') {
        if (change.productId === undefined) this.#store = null;
        else this.#moved.add(change.productId);
      } else if (change.of === 'trade') this.#trade = null;
      else if (change.of === 'weather' || change.of === 'yard') this.#air = null;
      else if ('boatId' in change) {
        const stale = this.#stale.get(change.boatId) ?? { ground: false, logged: false };
        const logged = change.of === 'log';
        this.#stale.set(change.boatId, { ground: stale.ground || !logged, logged: stale.logged || logged });
      }
    }
  }

  /** Takes over what a write has worked out already; to be called right after {@link changed}. */
  adopt({ hours, catalogue, states, clocks }: YardClocks, now: number): void {
    this.#catalogue ??= catalogue;
    this.#air ??= { hour: Math.floor(now / HOUR_MS), hours };
    if (this.#air.hours !== hours && this.#air.hours.length > 0) carryTemps(hours, this.#air.hours);
    states.forEach((state, i) => {
      const clock = clocks[i] as AreaClock;
      this.#clocks.set(state.area.id, this.#kept(state, this.#air?.hours ?? [], catalogue, clock));
    });
  }

  /** Everything at `now`. */
  async at(now: number): Promise<YardReading> {
    const known = await this.#known(now);
    return { ...known, clocks: known.clocks.map((clock) => readAt(clock, now)) };
  }

  /** As {@link at}, of the areas asked for. */
  async some(now: number, which: AreaFilter): Promise<YardClocks & { boat: BoatMemory | undefined }> {
    const known = await this.#known(now);
    const wanted = (state: AreaSnapshot) =>
      'boatId' in which ? state.boat.id === which.boatId : state.area.id === which.areaId;
    const clocks: AreaClock[] = [];
    const states = known.states.filter((state, i) => {
      const is = wanted(state);
      if (is) clocks.push(readAt(known.clocks[i] as AreaClock, now));
      return is;
    });
    const boatId = 'boatId' in which ? which.boatId : states[0]?.boat.id;
    return { ...known, states, clocks, boat: this.#boats?.get(boatId ?? '') };
  }

  /** The lots of the store, as they stand. */
  store(): Promise<StoreReading> {
    const known = this.#store;
    if (known && this.#moved.size === 0) return known;
    const moved = [...this.#moved];
    this.#moved.clear();
    const reading = known
      ? known.then((store) => readStoreAgain(this.#db, store, moved))
      : readStore(this.#db);
    this.#store = reading;
    reading.catch(() => {
      // Read as a whole by the next one who asks.
      if (this.#store === reading) this.#store = null;
    });
    return reading;
  }

  /** Suppliers, prices and orders, as they stand. */
  trade(): Promise<TradeReading> {
    this.#trade ??= readTrade(this.#db).catch((error) => {
      this.#trade = null;
      throw error;
    });
    return this.#trade;
  }

  /** Counts the changes told so far: what was made of one reading holds as long as it stays. */
  get revision(): number {
    return this.#revision;
  }

  /** Everything, the states of its clocks as they were when last read. */
  async #known(now: number): Promise<YardReading> {
    // The turn of an hour makes a forecast hour a measured one.
    if (this.#air && this.#air.hour !== Math.floor(now / HOUR_MS)) this.#reading = null;
    const reading = this.#reading ?? this.#read(now);
    this.#reading = reading;
    try {
      return await reading;
    } catch (error) {
      // What failed once is tried again by the next request, not remembered.
      if (this.#reading === reading) this.#reading = null;
      throw error;
    }
  }

  async #readBoats(now: number, stale: ReadonlyMap<string, Stale>): Promise<Map<string, BoatMemory>> {
    const known = this.#boats;
    const boats = known
      ? await readSomeBoats(this.#db, now, known, stale)
      : await readAllBoats(this.#db, now);
    boats.sort((a, b) => a.boat.name.localeCompare(b.boat.name) || a.boat.id.localeCompare(b.boat.id));
    return new Map(boats.map((each) => [each.boat.id, each]));
  }

  #kept(
    state: AreaSnapshot,
    hours: readonly SplicedHour[],
    catalogue: ProductCatalogue,
    clock: AreaClock,
  ): Kept {
    const temps = hours.length > 0 ? tempsFor(hours, surfaceOf(state, catalogue)) : null;
    return { state, temps, sheets: sheetsBehind(state, catalogue), clock };
  }

  #clockOf(
    state: AreaSnapshot,
    context: { hours: readonly SplicedHour[]; catalogue: ProductCatalogue; now: number },
  ): AreaClock {
    const { hours, catalogue, now } = context;
    const kept = this.#clocks.get(state.area.id);
    if (
      kept?.state === state &&
      kept.temps === (hours.length > 0 ? tempsFor(hours, surfaceOf(state, catalogue)) : null) &&
      kept.sheets === sheetsBehind(state, catalogue)
    )
      return kept.clock;
    const clock = clockOrWhyNot(state, { hours, now, catalogue });
    this.#clocks.set(state.area.id, this.#kept(state, hours, catalogue, clock));
    return clock;
  }

  /**
   * Reads what is not known. It is kept only if nothing was changed meanwhile: a request begun before a write may be
   * answered as of before it, but no later one.
   */
  async #read(now: number): Promise<YardReading> {
    const revision = this.#revision;
    const stale = new Map(this.#stale);
    const byId = this.#boats && stale.size === 0 ? this.#boats : await this.#readBoats(now, stale);
    const catalogue = this.#catalogue ?? (await loadCatalogue(this.#db));
    const hour = Math.floor(now / HOUR_MS);
    let hours = this.#air?.hours;
    if (!hours || this.#air?.hour !== hour) {
      const fresh = await airAround(this.#db, now);
      if (hours) carryTemps(hours, fresh);
      hours = fresh;
    }
    if (revision === this.#revision) {
      this.#boats = byId;
      this.#stale.clear();
      this.#catalogue = catalogue;
      this.#air = { hour, hours };
    }
    const boats = [...byId.values()];
    const states = boats.flatMap((each) => each.states);
    const air = hours;
    const clocks = await inSlices(states, (state) => this.#clockOf(state, { hours: air, catalogue, now }));
    return { boats, states, clocks, hours, catalogue };
  }
}

/** A clock, or the line that says why there is none. */
export function clockOrWhyNot(
  state: AreaSnapshot,
  context: { hours: readonly SplicedHour[]; catalogue: ProductCatalogue; now: number },
): AreaClock {
  try {
    return areaClock(state, context);
  } catch (error) {
    return failedClock(state, error);
  }
}

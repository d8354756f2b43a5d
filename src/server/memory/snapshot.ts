import type { AreaClock, Yard } from '../../contract/index.ts';
import { type SplicedHour, segmentAt } from '../../core/cure/index.ts';
import { memoised } from '../../core/units/index.ts';
import type { Air } from '../air/surfaces.ts';
import type { ProductCatalogue } from '../rows/products.ts';
import { partsAt } from './areaParts.ts';
import type { AreaSnapshot } from './areaStates.ts';
import type { BoatMemory } from './boatMemory.ts';
import type { StockReading, TradeReading } from './stockReading.ts';

/** Which areas: of one boat, or a single one. */
export type AreaFilter = { boatId: string } | { areaId: string };

/** The areas of the yard with their clocks, and what those were worked out from. */
export interface YardClocks {
  states: readonly AreaSnapshot[];
  clocks: readonly AreaClock[];
  air: Air;
  hours: readonly SplicedHour[];
  catalogue: ProductCatalogue;
}

/** The whole yard at one revision, in one hour. Nothing in it ever changes. */
export interface Snapshot {
  /** The write it stands after. */
  n: number;
  /** The same object for as long as its content doesn’t change, regardless of other writes. */
  identity: object;
  /** Hour of its weather and clocks, counted from the epoch: the turn of an hour makes a forecast hour a measured one. */
  hour: number;
  yard: Yard;
  /** By name. */
  boats: ReadonlyMap<string, BoatMemory>;
  states: readonly AreaSnapshot[];
  clocks: readonly AreaClock[];
  air: Air;
  catalogue: ProductCatalogue;
  stock: StockReading;
  trade: TradeReading;
}

/** One reading of the whole yard: everything in it is of the same revision. */
export interface YardReading extends YardClocks {
  /** The same object as long as nothing changes within the hour: what is derived of the yard is remembered by it. */
  snapshot: object;
  n: number;
  yard: Yard;
  /** By name. */
  boats: readonly BoatMemory[];
  stock: StockReading;
  trade: TradeReading;
}

const segmentsOf = memoised((clock: AreaClock) =>
  clock.segments.map((segment) => ({ fromMs: Date.parse(segment.from), segment })),
);

/** A clock with its state read off again at another moment; its edges do not depend on the moment. */
export function readAt(clock: AreaClock, now: number): AreaClock {
  const present = segmentAt(segmentsOf(clock), now)?.segment;
  const parts = clock.parts.length > 0 ? partsAt(clock.parts, now) : clock.parts;
  const same = !present || (present.state === clock.state && present.to === clock.until);
  if (same && parts === clock.parts) return clock;
  return { ...clock, ...(present ? { state: present.state, until: present.to } : {}), parts };
}

/** Where the areas of each boat stand in a list, and each area. */
const placesOf = memoised((states: readonly AreaSnapshot[]) => {
  const [ofBoat, ofArea] = [new Map<string, number[]>(), new Map<string, number[]>()];
  for (const [i, { boat, area }] of states.entries()) {
    ofArea.set(area.id, [i]);
    const list = ofBoat.get(boat.id);
    if (list) list.push(i);
    else ofBoat.set(boat.id, [i]);
  }
  return { ofBoat, ofArea };
});

/** Whether a change is an entry, or what it took from the stock: neither moves an area, nor changes the air or a sheet. */
export const isLogged = (domain: string): boolean => /^(log|stock)(:|$)/.test(domain);

/** The part of a snapshot that was asked for, its clocks read at a moment. */
export function readingOf(
  snapshot: Snapshot,
  now: number,
  which: AreaFilter,
): YardReading & { boat: BoatMemory | undefined } {
  const { boats, air } = snapshot;
  const { ofBoat, ofArea } = placesOf(snapshot.states);
  const found = ('boatId' in which ? ofBoat.get(which.boatId) : ofArea.get(which.areaId)) ?? [];
  const states = found.map((i) => snapshot.states[i] as AreaSnapshot);
  const clocks = found.map((i) => readAt(snapshot.clocks[i] as AreaClock, now));
  const boatId = 'boatId' in which ? which.boatId : states[0]?.boat.id;
  return {
    ...snapshot,
    snapshot: snapshot.identity,
    boats: [...boats.values()],
    hours: air.hours,
    states,
    clocks,
    boat: boats.get(boatId ?? ''),
  };
}

/** Which parts of a snapshot a set of changed domains makes stale; of each boat, what was changed of it. */
export function staleParts(domains: Iterable<string>) {
  const boats = new Map<string, Set<string>>();
  const products: string[] = [];
  const whole = new Set<string>();
  for (const domain of domains) {
    const [of = '', id] = domain.split(':');
    if (of === 'stock' && id !== undefined) products.push(id);
    else if (id === undefined) whole.add(of);
    else boats.set(id, (boats.get(id) ?? new Set()).add(of));
  }
  return { boats, products, whole };
}

/** Whether nothing that was read is another object than before. */
export const isSame = (
  from: Snapshot,
  read: Omit<Snapshot, 'n' | 'identity' | 'hour' | 'states' | 'clocks'>,
): boolean =>
  (['yard', 'boats', 'catalogue', 'air', 'stock', 'trade'] as const).every(
    (part) => from[part] === read[part],
  );

/** Sorted by name; the same map where every boat in it is the object that it was. */
export function byName(
  boats: readonly BoatMemory[],
  before?: ReadonlyMap<string, BoatMemory>,
): ReadonlyMap<string, BoatMemory> {
  if (before?.size === boats.length && boats.every((each) => before.get(each.boat.id) === each))
    return before;
  return new Map(
    [...boats]
      .sort((a, b) => a.boat.name.localeCompare(b.boat.name) || a.boat.id.localeCompare(b.boat.id))
      .map((each) => [each.boat.id, each]),
  );
}

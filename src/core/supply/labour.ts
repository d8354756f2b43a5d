import { hoursAt, MASK_M_PER_H, type Method, workRates } from '../film/index.ts';
import { within } from '../units/index.ts';

/** Washing out and putting away, h a session; setting up and cleaning an airless gun beside it, h [T, handbook part 19]. */
const PUT_AWAY_H = 0.5;
const AIRLESS_H = 2;
/** m² an hour of work before a coat [T, handbook part 19]: the middle of each span. */
const WORK_M2_PER_H = { wash: 30, sand: 10, prepare: 25, inspect: 60, aggregate: 20 } as const;

/** m of edge unmasked in an hour [T, handbook part 19]. */
const UNMASK_M_PER_H = 40;

export type TimedWork = keyof typeof WORK_M2_PER_H;

/**
 * Hours of hands that coats and the work before them take: each coat at the pace of its method, two pairs of hands where it
 * is rolled and tipped, half an hour a session to clean up, and the edges masked and unmasked [T].
 *
 * 20 m² by roller in two coats, sanded once: 2 × (1.67 + 0.5) + 2 = 6.3 h.
 *
 * @throws {QuantityError} on an area or a count that cannot be
 */
export function labourHours(input: {
  areaM2: number;
  coats: number;
  method: Method;
  work: readonly TimedWork[];
  /** Number of clean-ups for this line alone; left out: once a coat. */
  sessions?: number;
  /** Edges masked, m, each time counted; left out: none. */
  tapedM?: number;
  /** m²/h by method where the yard has its own; left out: the typical ones. */
  rates?: Partial<Record<Method, number>>;
}): number {
  const areaM2 = within('area', input.areaM2, 0, 100_000);
  const coats = within('coats', input.coats, 0, 1000);
  if (areaM2 === 0) return 0;
  const hands = input.method === 'roll-and-tip' ? 2 : 1;
  const session = PUT_AWAY_H + (input.method === 'airless-spray' ? AIRLESS_H : 0);
  const sessions = within('sessions', input.sessions ?? coats, 0, 1000);
  const work = input.work.reduce((sum, kind) => sum + areaM2 / WORK_M2_PER_H[kind], 0);
  const hours = hoursAt(areaM2, workRates(input.rates ?? {})[input.method]);
  const tapedM = within('edges masked (m)', input.tapedM ?? 0, 0, 1_000_000);
  const masking = tapedM / MASK_M_PER_H + tapedM / UNMASK_M_PER_H;
  return coats * hours * hands + sessions * session + work + masking;
}

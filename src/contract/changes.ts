/**
 * The changes of a write, sent by the server after its commit. Memory, live events and the pages’ refetching all use it
 * and by nothing else.
 */
export type Change =
  | { of: 'yard' }
  /** The air, or the sources it is spliced from. */
  | { of: 'weather' }
  /** The stations that give the air: their names, order, tokens, faults. */
  | { of: 'stations' }
  /** Calendar addresses given out or taken back. */
  | { of: 'calendars' }
  | { of: 'products' }
  /** Lots and what moved of them: of one product, or of any. */
  | { of: 'stock'; productId?: string }
  /** Suppliers, prices, orders, and how money is reckoned. */
  | { of: 'trade' }
  /** Working hours, wanted launch dates, tasks placed by hand. */
  | { of: 'plan' }
  | { of: 'templates' }
  /** A boat’s own record: name, dimensions, whether the boat is archived. */
  | { of: 'boat'; boatId: string }
  /** Records of areas: measures, pieces cut out, supports over them. */
  | { of: 'areas'; boatId: string }
  | { of: 'stacks'; boatId: string }
  | { of: 'log'; boatId: string }
  /** Supports, masked items, findings. */
  | { of: 'survey'; boatId: string }
  /** The hull's shape. */
  | { of: 'form'; boatId: string }
  | { of: 'waterline'; boatId: string };

export type ChangeKind = Change['of'];
export type ChangeSet = readonly Change[];

/** Everything a screen asks for: the first word of its query key. */
export type ViewName =
  | 'yard'
  | 'board'
  | 'boats'
  | 'boat'
  | 'stacks'
  | 'bench'
  | 'clock'
  | 'log'
  | 'weather'
  | 'stations'
  | 'today'
  | 'plan'
  | 'strip'
  | 'running'
  | 'pace'
  | 'calendar'
  | 'form'
  | 'waterline'
  | 'products'
  | 'templates'
  | 'materials'
  | 'buying'
  | 'stock'
  | 'movements'
  | 'tins'
  | 'trade'
  | 'workRates'
  | 'costs';

/** What decides a clock: its stack, its coats, the pieces of its area, the sheets, the air over the yard. */
const CLOCK: readonly ChangeKind[] = [
  'yard',
  'weather',
  'products',
  'boat',
  'areas',
  'stacks',
  'log',
  'survey',
];

/**
 * What each view is made of. The type checker sees that no view is forgotten; a test lets random writes loose and finds
 * any view that changed although no change told of it reads on it.
 */
export const READS: Record<ViewName, readonly ChangeKind[]> = {
  yard: ['yard'],
  board: [...CLOCK, 'form'],
  boats: ['boat'],
  boat: [...CLOCK, 'form'],
  stacks: CLOCK,
  bench: [...CLOCK, 'waterline', 'stock', 'trade'],
  clock: CLOCK,
  log: [...CLOCK, 'form'],
  weather: ['weather', 'yard'],
  stations: ['stations', 'weather'],
  today: [...CLOCK, 'plan', 'stock', 'trade'],
  plan: [...CLOCK, 'form', 'plan', 'stock', 'trade'],
  strip: CLOCK,
  running: CLOCK,
  pace: CLOCK,
  calendar: ['calendars', 'boat'],
  form: ['form', 'boat', 'areas', 'survey', 'waterline'],
  waterline: ['waterline', 'boat'],
  products: ['products'],
  templates: ['templates'],
  materials: [...CLOCK, 'form', 'stock', 'trade'],
  buying: [...CLOCK, 'form', 'stock', 'trade'],
  stock: ['stock', 'products', 'log', 'areas', 'boat'],
  movements: ['stock', 'products', 'log'],
  tins: [...CLOCK, 'stock', 'trade'],
  trade: ['trade'],
  workRates: CLOCK,
  costs: [...CLOCK, 'form', 'stock', 'trade'],
};

/** Views of one boat, whose query key names her second; the others are of the yard, or of an area. */
const OF_A_BOAT: readonly ViewName[] = ['boat', 'stacks', 'log', 'form', 'waterline'];

/**
 * The query keys that a change set makes stale, each once.
 *
 * `staleKeys([{ of: 'waterline', boatId: 'b' }])` → `[['bench'], ['form', 'b'], ['waterline', 'b']]`
 */
export function staleKeys(changes: ChangeSet): string[][] {
  const keys = new Map<string, string[]>();
  for (const [view, reads] of Object.entries(READS) as [ViewName, readonly ChangeKind[]][]) {
    for (const change of changes) {
      if (!reads.includes(change.of)) continue;
      const key = OF_A_BOAT.includes(view) && 'boatId' in change ? [view, change.boatId] : [view];
      keys.set(key.join(), key);
    }
  }
  return [...keys.values()];
}

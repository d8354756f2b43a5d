import { METHODS, type Method } from '../film/index.ts';
import { positive, QuantityError, within } from '../units/index.ts';

/** Sundries: consumables other than paint. */
export const SUNDRIES = {
  'roller-cover': {
    name: 'roller covers',
    unit: 'pieces',
    rate: 1,
    rule: 'one per session and product, plus one above 15 m²',
  },
  'tray-liner': { name: 'tray liners', unit: 'pieces', rate: 1, rule: 'one a product and session' },
  'mixing-cup': { name: 'mixing cups', unit: 'pieces', rate: 2, rule: 'two a batch' },
  'stir-stick': { name: 'stirring sticks', unit: 'pieces', rate: 1, rule: 'one a batch' },
  gloves: { name: 'gloves', unit: 'pairs', rate: 1, rule: 'a pair a batch' },
  'strip-disc': { name: 'abrasive discs 150 mm, stripping', unit: 'pieces', rate: 1, rule: 'one a m²' },
  'sand-disc': {
    name: 'abrasive discs 150 mm, sanding',
    unit: 'pieces',
    rate: 1 / 2.5,
    rule: 'one per 2.5 m²',
  },
  sheet: { name: 'abrasive sheets', unit: 'pieces', rate: 1 / 1.5, rule: 'one per 1.5 m² by hand' },
  tape: { name: 'masking tape', unit: 'm', rate: 1.1, rule: 'masked edges × 1.1 a taping' },
  cloth: { name: 'cloths', unit: 'pieces', rate: 1 / 2, rule: 'one per 2 m² a wipe' },
  'wipe-solvent': { name: 'solvent to wipe', unit: 'l', rate: 0.05, rule: '0.05 l/m² a wipe' },
  'tack-cloth': { name: 'tack cloths', unit: 'pieces', rate: 1 / 10, rule: 'one per 10 m²' },
  cartridge: {
    name: 'respirator cartridges',
    unit: 'pairs',
    rate: 1,
    rule: 'one pair per 8 h of spraying or 40 h of other methods',
  },
  overall: { name: 'covers, aprons, overalls', unit: 'pieces', rate: 1, rule: 'one a day inside' },
  aggregate: {
    name: 'aggregate, to excess',
    unit: 'kg',
    rate: 0.6,
    rule: '600 g/m², about half of which is swept back',
  },
} as const satisfies Record<
  string,
  { name: string; unit: 'pieces' | 'pairs' | 'm' | 'l' | 'kg'; rate: number; rule: string }
>;

export type SundryItem = keyof typeof SUNDRIES;

/** What the work uses sundries up on. */
export interface SundryWork {
  /** Each taking up of a product: how, over how many m², in how many batches. */
  sessions: readonly { method: Method; areaM2: number; batches: number; hours: number; inside: boolean }[];
  /** m² wiped with solvent, each wipe counted; m² tacked off. */
  wipedM2: number;
  tackedM2: number;
  strippedM2: number;
  sandedM2: { byMachine: number; byHand: number };
  /** Masked edges, m, and how often they are taped. */
  edges: readonly { lengthM: number; tapings: number }[];
  strewnM2: number;
}

export interface SundryNeed {
  item: SundryItem;
  /** Whole pieces, pairs and metres; litres and kilograms as they come. */
  amount: number;
  /** The amount before rounding up. */
  exact: number;
  rate: number;
}

/** A cover more past so many m². */
const COVER_M2 = 15;
/** Hours a pair of cartridges lasts. */
const CARTRIDGE_H = { sprayed: 8, rolled: 40 };

const SPRAYED: readonly Method[] = ['conventional-spray', 'airless-spray', 'aerosol'];
const ROLLED: readonly Method[] = ['roller', 'roll-and-tip'];

/**
 * The sundries that are used, by the yard’s rules [T/M: handbook part 19; aggregate and what is swept back M].
 *
 * Two sessions by roller over 20 m² in three batches each: 4 roller covers, 2 tray liners, 12 cups, 6 sticks, 6 pairs of
 * gloves.
 *
 * @param rates the yard's own, each instead of the one of {@link SUNDRIES}
 * @throws {QuantityError} on areas, hours or rates that cannot be
 */
export function sundries(work: SundryWork, rates: Partial<Record<SundryItem, number>> = {}): SundryNeed[] {
  const counted = { covers: 0, liners: 0, batches: 0, cartridges: 0, days: 0 };
  work.sessions.forEach(({ method, areaM2, batches, hours, inside }, i) => {
    if (!METHODS.includes(method))
      throw new QuantityError(`method of session ${i + 1}`, method, `one of ${METHODS.join(', ')}`);
    within('Area per session (m²)', areaM2, 0, 100_000);
    within('Hours per session', hours, 0, 10_000);
    if (ROLLED.includes(method)) {
      counted.covers += areaM2 > COVER_M2 ? 2 : 1;
      counted.liners += 1;
    }
    counted.batches += within('Batches per session', batches, 0, 10_000);
    // By brush and trowel the yard counts none.
    if (SPRAYED.includes(method)) counted.cartridges += hours / CARTRIDGE_H.sprayed;
    if (ROLLED.includes(method)) counted.cartridges += hours / CARTRIDGE_H.rolled;
    if (inside) counted.days += 1;
  });
  const m2 = (name: string, value: number) => within(name, value, 0, 1e6);
  const edgeM = work.edges.reduce(
    (sum, { lengthM, tapings }) =>
      sum + within('Masked edge (m)', lengthM, 0, 1e5) * within('Number of tapings', tapings, 0, 100),
    0,
  );
  const amounts: Record<SundryItem, number> = {
    'roller-cover': counted.covers,
    'tray-liner': counted.liners,
    'mixing-cup': counted.batches,
    'stir-stick': counted.batches,
    gloves: counted.batches,
    'strip-disc': m2('m² stripped', work.strippedM2),
    'sand-disc': m2('m² sanded by machine', work.sandedM2.byMachine),
    sheet: m2('m² sanded by hand', work.sandedM2.byHand),
    tape: edgeM,
    cloth: m2('m² wiped', work.wipedM2),
    'wipe-solvent': work.wipedM2,
    'tack-cloth': m2('m² tacked off', work.tackedM2),
    cartridge: counted.cartridges,
    overall: counted.days,
    aggregate: m2('m² strewn', work.strewnM2),
  };
  return (Object.keys(SUNDRIES) as SundryItem[]).flatMap((item) => {
    const own = rates[item];
    const rate =
      own === undefined ? SUNDRIES[item].rate : positive(`rate of ${SUNDRIES[item].name}`, own, 10_000);
    const exact = amounts[item] * rate;
    const { unit } = SUNDRIES[item];
    const whole = unit === 'l' || unit === 'kg' ? exact : Math.ceil(exact - 1e-9);
    return exact > 0 ? [{ item, amount: whole, exact, rate }] : [];
  });
}

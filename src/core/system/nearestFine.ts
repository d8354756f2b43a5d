import { checkStack } from './checkStack.ts';
import type { Family } from './families.ts';
import { isIn, ONE_PACK_FOR, ONE_PACKS, TWO_PACK_FOR } from './groups.ts';
import type { Layer, StackPlace } from './layer.ts';

/** A change that mends one fault of a stack: families put in or changed, in words. */
interface Mend {
  families: Family[];
  what: string;
}

const put = (families: readonly Family[], at: number, ...more: Family[]) =>
  families.toSpliced(at, 0, ...more);
const change = (families: readonly Family[], at: number, to: Family) => families.toSpliced(at, 1, to);

/** How each fault is mended, at the layer it was found on. */
const MENDS: Record<string, (families: readonly Family[], at: number, place: StackPlace) => Mend | null> = {
  'copper-on-aluminium': (families, at) => ({
    families: change(families, at, 'copper-free-antifouling'),
    what: 'a copper-free antifouling',
  }),
  'antifouling-on-bare': (families, at) => ({
    families: put(families, at, 'epoxy-primer', 'epoxy-barrier'),
    what: 'epoxy primer and barrier under the antifouling',
  }),
  'two-pack-over-one-pack': (families, at, { oldCoating }) => {
    const below = families[at - 1];
    const own = families[at] as Family;
    // One-packs of this stack give way; old paint that lies there does not.
    const stays = oldCoating !== null && isIn(ONE_PACKS, oldCoating);
    if (below && !stays && isIn(ONE_PACKS, below) && TWO_PACK_FOR[below]) {
      return {
        families: change(families, at - 1, TWO_PACK_FOR[below] as Family),
        what: 'two-pack from below up',
      };
    }
    const replacement = ONE_PACK_FOR[own];
    return replacement
      ? { families: change(families, at, replacement), what: 'one-pack all the way up' }
      : null;
  },
  'hard-over-ablative': (families, at) => ({
    families: change(families, at, 'ablative-antifouling'),
    what: 'ablative over ablative, or the old one taken off',
  }),
  'over-antifouling': (families, at) => ({
    families: put(families, at, 'tie-coat'),
    what: 'a tie coat over the antifouling',
  }),
  'polyester-over-epoxy': (families, at) => ({
    families: change(families, at, 'epoxy-filler'),
    what: 'epoxy filler',
  }),
  'polyester-under-water': (families, at) => ({
    families: change(families, at, 'epoxy-filler'),
    what: 'epoxy filler',
  }),
  'filler-on-bare-steel': (families, at) => ({
    families: put(families, at, 'epoxy-primer'),
    what: 'epoxy primer under the filler',
  }),
  'filler-on-bare-aluminium': (families, at) => ({
    families: put(families, at, 'epoxy-primer'),
    what: 'epoxy primer under the filler',
  }),
  'softens-in-tank': (families, at) => ({
    families: change(families, at, families[at] === 'zinc-epoxy-primer' ? 'epoxy-primer' : 'epoxy-barrier'),
    what: 'epoxy instead, inside a tank',
  }),
  'zinc-off-steel': (families, at) => ({
    families: change(families, at, 'epoxy-primer'),
    what: 'epoxy primer instead of the zinc',
  }),
  'sealer-on-film': (families, at) => ({
    families: families.toSpliced(at, 1),
    what: 'no sealer over a film',
  }),
  'biocide-inside': (families, at) => ({
    families: families.toSpliced(at, 1),
    what: 'no antifouling inside',
  }),
  'biocide-in-daylight': (families, at) => ({
    families: families.toSpliced(at, 1),
    what: 'no antifouling out of the water',
  }),
  'converter-off-steel': (families, at) => ({ families: families.toSpliced(at, 1), what: 'no converter' }),
  'wash-on-paint': (families, at) => ({ families: families.toSpliced(at, 1), what: 'no wash over paint' }),
  'epoxy-in-daylight': (families, at) => ({
    families: put(families, at + 1, 'two-pack-polyurethane'),
    what: 'two-pack polyurethane over the epoxy',
  }),
  'topcoat-under-water': (families, at, { substrate }) => ({
    families: change(
      families,
      at,
      substrate === 'aluminium' ? 'copper-free-antifouling' : 'ablative-antifouling',
    ),
    what: 'antifouling instead of the gloss',
  }),
  'zinc-under-water': (families, at) => ({
    families: put(families, at + 1, 'epoxy-barrier'),
    what: 'a full barrier over the zinc',
  }),
  'treatment-last': (families, at) => ({
    families: put(families, at + 1, 'epoxy-primer'),
    what: 'epoxy primer over it',
  }),
  'metal-without-primer': (families, at) => ({
    families: put(families, at, 'epoxy-primer'),
    what: 'epoxy primer on the metal',
  }),
};

/** A bare layer of a family, for judging a stack of families only: film and coats enough for any of them. */
export const layerOf = (family: Family): Layer => ({
  family,
  copper: null,
  grounds: null,
  coats: 6,
  dryMicronsPerCoat: 100,
  film: null,
  thinner: 0,
  thinnerLimit: null,
});

/** The members of `one` that are missing in `other`, each as often as it is missing. */
function without(one: readonly Family[], other: readonly Family[]): Family[] {
  const left = [...other];
  return one.filter((family) => {
    const at = left.indexOf(family);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
}

/** Faults to mend in turn before giving up. */
const ROUNDS = 16;

/**
 * The nearest stack of families without a "no": each fault mended where it stands, from the ground up. Null where the
 * rules know no way but taking off what is there.
 *
 * `nearestFine(['hard-antifouling'], steel under water)` → primer, barrier, hard antifouling; added are primer and barrier.
 */
export function nearestFine(
  families: readonly Family[],
  place: StackPlace,
): { families: Family[]; added: Family[]; removed: Family[]; changes: string[] } | null {
  let current = [...families];
  const changes: string[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const { layers } = checkStack(current.map(layerOf), place);
    const at = layers.findIndex((layer) => layer.verdict === 'no');
    if (at < 0)
      return {
        families: current,
        added: without(current, families),
        removed: without(families, current),
        changes,
      };
    const mend = layers[at]?.judgements
      .filter((judgement) => judgement.verdict === 'no')
      .map((judgement) => MENDS[judgement.ruleId]?.(current, at, place) ?? null)
      .find((each) => each !== null);
    if (!mend) return null;
    current = mend.families;
    changes.push(mend.what);
  }
  return null;
}

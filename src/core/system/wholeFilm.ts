import { film, type Sentence, sentence } from '../units/index.ts';
import type { Family } from './families.ts';
import { ANTIFOULINGS, BARE_METALS, EPOXIES, isIn } from './groups.ts';
import type { Judgement, Layer, StackPlace } from './layer.ts';
import type { Mark } from './rules.ts';

/** What the coats of some families have to come to in all, on bare ground. */
interface WholeRule {
  id: string;
  families: readonly Family[];
  least: { microns: number } | { coats: number };
  mark: Mark;
  /** Why, with what they come to as planned. */
  reason: (sum: { microns: number; coats: number }) => Sentence;
  when(place: StackPlace): boolean;
}

/** Of half a film and a single coat, from handbook parts 4 and 5 [T]. Gloss is left to its sheet. */
export const WHOLE_RULES: readonly WholeRule[] = [
  {
    id: 'barrier-too-thin',
    families: ['epoxy-barrier'],
    least: { microns: 300 },
    mark: 'T',
    reason: ({ microns }) =>
      sentence`A barrier needs at least ${film(300)} in total to keep water out of the laminate; ${film(500)} is better. This system has ${film(microns)}`,
    when: ({ substrate, service }) => service === 'immersed' && isIn(['grp', 'grp-laminate'], substrate),
  },
  {
    id: 'barrier-one-coat',
    families: ['epoxy-barrier'],
    least: { coats: 2 },
    mark: 'T',
    reason: () =>
      'On metal under water, a barrier needs at least two coats. The second covers what the first missed',
    when: ({ substrate, service }) => service === 'immersed' && isIn(BARE_METALS, substrate),
  },
  {
    id: 'tank-too-thin',
    families: EPOXIES,
    least: { microns: 500 },
    mark: 'T',
    reason: ({ microns }) =>
      sentence`The inside of a tank needs ${film(500)} in total. This system has ${film(microns)}`,
    when: ({ service }) => service === 'tank',
  },
  {
    id: 'antifouling-one-coat',
    families: ANTIFOULINGS,
    least: { coats: 2 },
    mark: 'T',
    reason: () => 'One coat of antifouling wears through too soon. Apply at least two full coats',
    when: ({ service }) => service === 'immersed',
  },
  {
    id: 'bilge-epoxy-one-coat',
    families: ['bilge-epoxy'],
    least: { coats: 2 },
    mark: 'T',
    reason: () => 'A bilge needs two coats of epoxy',
    when: ({ service }) => service === 'bilge',
  },
  {
    id: 'bilge-paint-few-coats',
    families: ['one-pack-bilge'],
    least: { coats: 3 },
    mark: 'T',
    reason: () => 'A bilge needs three or four coats of one-pack bilge paint',
    when: ({ service }) => service === 'bilge',
  },
];

/** A judgement and the index of the layer it is of. */
interface OfLayer {
  at: number;
  judgement: Judgement;
}

/** Less than half a micron is nothing that is said or measured. */
const NOTHING_MICRONS = 0.5;

/**
 * What the coats come to in all, judged at the last layer of each kind: coats or film that are missing are a condition
 * that more coats meet. Old paint counts for something that nobody knows, so over it nothing is said.
 */
export function judgeWhole(layers: readonly Layer[], place: StackPlace): OfLayer[] {
  if (place.oldCoating !== null || place.substrate === 'existing-paint') return [];
  const indexed = layers.map((layer, at) => ({ ...layer, at }));
  return WHOLE_RULES.filter(({ when }) => when(place)).flatMap(({ id, families, least, reason, mark }) => {
    const all = indexed.filter(({ family }) => isIn(families, family));
    // A band is more than the rest has; where there is nothing but bands they are the area.
    const whole = all.filter(({ band }) => !band);
    const counted = whole.length > 0 ? whole : all;
    const last = counted.at(-1);
    if (!last) return [];
    const sum = {
      coats: counted.reduce((coats, layer) => coats + layer.coats, 0),
      microns: counted.reduce((microns, layer) => microns + layer.coats * layer.dryMicronsPerCoat, 0),
    };
    const missing =
      'coats' in least
        ? least.coats - sum.coats
        : least.microns - sum.microns < NOTHING_MICRONS
          ? 0
          : Math.ceil((least.microns - sum.microns) / last.dryMicronsPerCoat);
    if (!(missing > 0)) return [];
    const condition = `${missing} more ${missing === 1 ? 'coat goes' : 'coats go'} on`;
    return [
      {
        at: last.at,
        judgement: { ruleId: id, verdict: 'condition', reason: reason(sum), condition, mark },
      },
    ];
  });
}

import { MOST_MONEY, positive, within } from '../units/index.ts';

/** Something that would do for a small need. */
export interface SmallWay {
  kind: /** Left over in the yard. */
    | 'remainder'
    /** Mixed with a batch that is needed in any case. */
    | 'shared'
    /** A smaller pack, or another system sold small: a syringe, a can, a touch-up tin. */
    | 'small-pack'
    /** The smallest pack of the product itself. */
    | 'whole-pack';
  /** The lot, area or product. */
  what: string;
  /** Money; null: not known. */
  cost: number | null;
  /** Litres left over afterwards. */
  left: number;
}

/** A need of less than this share of the smallest pack is not bought by itself [M]. */
export const SMALL_SHARE = 0.25;

/**
 * What to do with a need that is too small for any pack: never a hull-sized tin for a fingertip patch [handbook part 14].
 * null where the smallest pack is not too large for it, or none is sold.
 *
 * 100 ml of a paint sold from 0.75 l at 25 upwards, of which 300 ml stand in the yard: the remainder first, at nothing; the
 * whole pack last.
 *
 * @param litres wanted, mixed
 * @param packs of the product; a price of null is not known
 * @param instead other products of the same kind that are sold small
 */
export function smallNeed(input: {
  litres: number;
  packs: readonly { litres: number; price: number | null }[];
  remainders: readonly { what: string; litres: number }[];
  shared: readonly { what: string; litres: number }[];
  alternatives: readonly { what: string; litres: number; price: number | null }[];
}): { share: number; ways: SmallWay[] } | null {
  const wanted = positive('litres wanted', input.litres, 1e5);
  for (const { litres } of input.packs) positive('pack (l)', litres, 1e5);
  const packs = [...input.packs].sort(
    (a, b) => positive('pack', a.litres, 1e5) - positive('pack', b.litres, 1e5),
  );
  const [least] = packs;
  if (!least || wanted >= SMALL_SHARE * least.litres) return null;
  const cost = (price: number | null) => (price === null ? null : within('price', price, 0, MOST_MONEY));
  const enough = <T extends { litres: number }>(all: readonly T[]) =>
    all.filter(({ litres }) => within('litres', litres, 0, 1e6) >= wanted);
  const small = enough(input.alternatives).filter(({ litres }) => litres < least.litres);
  return {
    share: wanted / least.litres,
    ways: [
      ...enough(input.remainders).map(
        ({ what, litres }): SmallWay => ({ kind: 'remainder', what, cost: 0, left: litres - wanted }),
      ),
      ...input.shared
        .filter(({ litres }) => within('litres', litres, 0, 1e6) > 0)
        .map(({ what }): SmallWay => ({ kind: 'shared', what, cost: null, left: 0 })),
      ...small
        .sort((a, b) => (a.price ?? Number.MAX_VALUE) - (b.price ?? Number.MAX_VALUE))
        .map(
          ({ what, litres, price }): SmallWay => ({
            kind: 'small-pack',
            what,
            cost: cost(price),
            left: litres - wanted,
          }),
        ),
      { kind: 'whole-pack', what: '', cost: cost(least.price), left: least.litres - wanted },
    ],
  };
}

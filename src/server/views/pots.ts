import type { PotView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { BoatMemory } from '../memory/boatMemory.ts';
import type { ProductCatalogue } from '../rows/products.ts';

/** A pot older than this is long hard, and a coat begun then is not the one in hand: neither is shown any more. */
export const POT_SHOWN_MS = 14 * 24 * 3_600_000;

/**
 * Pots of these boats standing mixed, with the ends of their standing time and pot life.
 *
 * @param emptied those used up in a coat not logged yet, instead of those still in use
 */
export function potViews(
  boats: readonly BoatMemory[],
  catalogue: ProductCatalogue,
  now: number,
  emptied = false,
): PotView[] {
  const at = (base: Date, minutes: number) => new Date(base.getTime() + minutes * 60_000).toISOString();
  return boats
    .flatMap(({ boat, states, pots }) =>
      pots.flatMap((pot): PotView[] => {
        const state = states.find(({ area }) => area.id === pot.areaId);
        if (!state || pot.emptied !== emptied || pot.at.getTime() <= now - POT_SHOWN_MS) return [];
        return [
          {
            entryId: pot.entryId,
            areaId: pot.areaId,
            areaName: state.area.name,
            boatId: boat.id,
            boatName: boat.name,
            productName: catalogue.latest.get(pot.body.productId)?.name ?? t`unknown product`,
            mixedAt: pot.at.toISOString(),
            inductionEnds: at(pot.at, pot.body.inductionMin),
            potEnds: pot.body.potLifeMin === null ? null : at(pot.at, pot.body.potLifeMin),
            usedL: pot.usedL,
            batch: pot.body,
          },
        ];
      }),
    )
    .sort((a, b) => (a.mixedAt < b.mixedAt ? -1 : 1));
}

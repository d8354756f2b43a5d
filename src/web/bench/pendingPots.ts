import type { BenchView, PotView } from '../../contract/index.ts';
import type { Waiting } from '../api/outbox.ts';

/** The pots of an area as the server knows them, and as this device does while its entries have not arrived. */
export function potsWithPending(view: BenchView, waiting: readonly Waiting[]): PotView[] {
  const here = waiting.filter((w) => w.entry.areaId === view.area.id && !w.refused).map((w) => w.entry);
  const ended = new Set(
    here.flatMap((entry) => {
      if (entry.kind === 'batch-end') return [entry.body.batchId];
      return entry.kind === 'coat' ? entry.body.batchIds : [];
    }),
  );
  const mixed = here.flatMap((entry): PotView[] => {
    if (entry.kind !== 'batch') return [];
    const at = (minutes: number) => new Date(Date.parse(entry.at) + minutes * 60_000).toISOString();
    return [
      {
        entryId: entry.id,
        areaId: view.area.id,
        areaName: view.area.name,
        boatId: view.boat.id,
        boatName: view.boat.name,
        productName: view.product?.name ?? '',
        mixedAt: entry.at,
        inductionEnds: at(entry.body.inductionMin),
        potEnds: entry.body.potLifeMin === null ? null : at(entry.body.potLifeMin),
        batch: entry.body,
      },
    ];
  });
  const known = new Set(view.pots.map((pot) => pot.entryId));
  return [...view.pots, ...mixed.filter((pot) => !known.has(pot.entryId))].filter(
    (pot) => !ended.has(pot.entryId),
  );
}

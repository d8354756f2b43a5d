import type { BenchView } from '../../contract/index.ts';
import { planBatches } from '../../core/mix/index.ts';

/** The batches of this coat against the pot's life; null where something for it is not known, or why it cannot be. */
export function planFor(input: {
  wanted: number | null;
  potLife: number | null;
  view: BenchView;
  inductionMin: number;
}) {
  const { wanted, potLife, view, inductionMin } = input;
  if (
    !view.rate ||
    wanted === null ||
    wanted <= 0 ||
    potLife === null ||
    !view.clock.next?.areaM2 ||
    !view.litresForCoat
  )
    return null;
  try {
    return planBatches({
      litres: wanted,
      rateM2PerH: view.rate.m2PerH,
      litresPerM2: view.litresForCoat / view.clock.next.areaM2,
      potLifeMin: potLife,
      inductionMin,
    });
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

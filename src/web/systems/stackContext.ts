import type { Area, AreaClock, Product, StackView, Step } from '../../contract/index.ts';
import {
  type Bond,
  coatsWanted,
  colourOf,
  filmOf,
  type JudgedStack,
  sandedBefore,
} from '../../core/system/index.ts';
import type { DrawnStep } from '../parts/StackSection.tsx';

/** What the parts of a stack's editor know of the area they are on. */
export interface StackContext
  extends Pick<StackView, 'applied' | 'asApplied' | 'bonds' | 'extremes' | 'profile' | 'missedStepId'> {
  area: Area;
  areaM2: number;
  spread: number;
  products: readonly Product[];
}

export const stackContext = (
  area: Area,
  clock: Pick<AreaClock, 'areaM2' | 'spread'>,
  stack: StackView,
  products: readonly Product[],
): StackContext => ({
  area,
  areaM2: clock.areaM2,
  spread: clock.spread,
  products,
  applied: stack.applied,
  asApplied: stack.asApplied,
  bonds: stack.bonds,
  extremes: stack.extremes,
  missedStepId: stack.missedStepId,
  profile: stack.profile,
});

const NO_COLOUR = '#999999';

/** Steps as the section draws them; those without a product or with figures no paint has are left out. */
export function drawnSteps(
  steps: readonly Step[],
  context: StackContext,
  judged: JudgedStack | null,
): DrawnStep[] {
  return steps.flatMap((step, i): DrawnStep[] => {
    const product = context.products.find((each) => each.id === step.productId);
    if (![step.coats, step.extraCoats].every(Number.isFinite)) return [];
    const coats = Math.round(coatsWanted(step, context.area.highWear));
    if (!product || !(coats >= 1 && coats <= 30 && step.dryMicronsPerCoat > 0)) return [];
    const { colours } = product.sheet;
    const hex = (name: string) => colours.find((each) => each.name === name)?.hex ?? NO_COLOUR;
    const appliedBonds = context.bonds[step.id] ?? [];
    const planned = (coat: number): Bond =>
      coat === 0
        ? (judged?.layers[i]?.bond ?? 'keyed')
        : sandedBefore(step, coat) === null
          ? 'fused'
          : 'keyed';
    return [
      {
        id: step.id,
        product: product.name,
        coats,
        micronsPerCoat: step.dryMicronsPerCoat,
        film: filmOf(product.sheet, step.method),
        colours: Array.from({ length: coats }, (_, coat) => hex(colourOf(step, coat))),
        applied: context.asApplied[step.id] ?? [],
        bonds: Array.from({ length: coats }, (_, coat) => appliedBonds[coat]?.bond ?? planned(coat)),
        band: step.band?.name ?? null,
      },
    ];
  });
}

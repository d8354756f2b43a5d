import { safeEvent } from '../cure/index.ts';
import type { Method } from '../film/index.ts';
import { within } from '../units/index.ts';
import { checkStack } from './checkStack.ts';
import type { Family } from './families.ts';
import { ONE_PACK_FOR } from './groups.ts';
import { layerOfStep, type StackPlace } from './layer.ts';
import { overcoatHours } from './overcoatHours.ts';
import type { ServiceKind } from './rules.ts';
import { filmOf, type ProductSheet } from './sheet.ts';
import type { Band, Overrule, OwnRatio, PlannedAdditive } from './step.ts';

/** Which other products are tried: of the same coating type and sooner overcoated, or one-packs of the same task. */
export type ProductChange = 'quicker' | 'one-pack';

export interface ProductOffered {
  id: string;
  sheet: ProductSheet;
}

/** What a step says of its product. */
export interface StepWithProduct {
  productId: string;
  coats: number;
  dryMicronsPerCoat: number;
  method: Method;
  thinner: number;
  additives: readonly PlannedAdditive[];
  ownRatio?: OwnRatio | null | undefined;
  overrule?: Overrule | null | undefined;
  band?: Band | null;
}

/** Where a one-pack is no choice: it isn't made for standing under water, nor for a tank [T]. */
const NOT_ONE_PACK: readonly ServiceKind[] = ['immersed', 'tank'];
/** So much sooner a product has to be to be worth another tin. */
const WORTH = 0.9;

/** Hours that the coats of a step keep the next waiting; null: its sheet doesn't say. */
function waits(sheet: ProductSheet, coats: number, next: Family | null, tempC: number): number | null {
  const own = coats > 1 ? overcoatHours(sheet.cure, { family: sheet.family, same: true }, tempC) : 0;
  const last = next === null ? 0 : overcoatHours(sheet.cure, { family: next, same: false }, tempC);
  return own === null || last === null ? null : own * (coats - 1) + last;
}

/** A step with another product: thinner, additives, custom ratio and overruled rules were for the product before. */
const withProduct = <Step extends StepWithProduct>(step: Step, product: ProductOffered): Step => ({
  ...step,
  productId: product.id,
  thinner: 0,
  additives: [],
  ownRatio: null,
  overrule: null,
});

/** What the rules refuse in a stack and nobody has overruled, by layer. */
function refusals<Step extends StepWithProduct>(
  steps: readonly Step[],
  { sheetOf, place }: Pick<Given<Step>, 'sheetOf' | 'place'>,
): string[] {
  const layers = steps.map((step) => layerOfStep(step, sheetOf(step.productId) as ProductSheet));
  return checkStack(layers, place).layers.flatMap(({ judgements }, i) =>
    judgements.flatMap(({ verdict, ruleId }) =>
      verdict === 'no' && !steps[i]?.overrule?.ruleIds.includes(ruleId) ? [`${i} ${ruleId}`] : [],
    ),
  );
}

/** Whether the rules refuse nothing in changed steps that they don’t refuse as it is. */
function isAllowed<Step extends StepWithProduct>(changed: readonly Step[], given: Given<Step>): boolean {
  const asItIs = refusals(given.steps, given);
  return refusals(changed, given).every((refusal) => asItIs.includes(refusal));
}

/**
 * The steps of a stack with other products where the rules refuse nothing new: in each step the one that keeps the next coat
 * waiting least, in the film that is planned; one-packs from one step up, since two-packs lift them.
 *
 * @param from index of the first step that can change: none of its coats is applied yet
 * @param tempC a steady temperature by which products are compared
 * @returns the same steps, those changed as new objects; a product that isn’t among those offered leaves all as they are
 * @throws {QuantityError} on a temperature that can’t be
 */
export function withOtherProducts<Step extends StepWithProduct>(input: {
  steps: readonly Step[];
  from: number;
  change: ProductChange;
  products: readonly ProductOffered[];
  place: StackPlace;
  tempC: number;
}): readonly Step[] {
  const { steps, from, change, products, place } = input;
  const tempC = within('temperature (°C)', input.tempC, -20, 60);
  const byId = new Map(products.map(({ id, sheet }) => [id, sheet]));
  const sheetOf = (id: string) => byId.get(id);
  if (steps.some(({ productId }) => !byId.has(productId))) return steps;
  return change === 'quicker'
    ? quicker({ steps, from, products, place, tempC, sheetOf })
    : onePacks({ steps, from, products, place, tempC, sheetOf });
}

interface Given<Step> {
  steps: readonly Step[];
  from: number;
  products: readonly ProductOffered[];
  place: StackPlace;
  tempC: number;
  sheetOf: (id: string) => ProductSheet | undefined;
}

/** Products of a coating type that can be applied this way, the soonest overcoated first. */
function candidates<Step extends StepWithProduct>(
  { steps, products, tempC, sheetOf }: Given<Step>,
  { i, family, next }: { i: number; family: Family; next?: Family | null },
): { product: ProductOffered; hours: number }[] {
  const { method, coats } = steps[i] as Step;
  const above = next ?? sheetOf(steps[i + 1]?.productId ?? '')?.family ?? null;
  return products
    .filter(({ sheet }) => sheet.family === family && sheet.methods.includes(method) && safeEvent(sheet.cure) !== null)
    .flatMap((product) => {
      const hours = waits(product.sheet, coats, above, tempC);
      return hours === null ? [] : [{ product, hours }];
    })
    .sort((a, b) => a.hours - b.hours || a.product.id.localeCompare(b.product.id)); // biome-ignore format: one line
}

function quicker<Step extends StepWithProduct>(given: Given<Step>): readonly Step[] {
  const { sheetOf, tempC } = given;
  let steps = given.steps;
  for (let i = Math.max(0, given.from); i < steps.length; i++) {
    const step = steps[i] as Step;
    const own = sheetOf(step.productId) as ProductSheet;
    const above = sheetOf(steps[i + 1]?.productId ?? '')?.family ?? null;
    const now = waits(own, step.coats, above, tempC);
    if (now === null) continue;
    const { dryMicronsPerCoat: dry, method } = step;
    for (const { product, hours } of candidates({ ...given, steps }, { i, family: own.family })) {
      if (hours >= now * WORTH) break;
      // A launch could not be planned on it.
      if (own.cure.events.immersion && !product.sheet.cure.events.immersion) continue;
      const film = filmOf(product.sheet, method);
      const changed = steps.with(i, withProduct(step, product));
      if (dry < film.min || dry > film.max || !isAllowed(changed, given)) continue;
      steps = changed;
      break;
    }
  }
  return steps;
}

/** One-packs from one step up, in their typical film; null: for one of them there is none, or no step changes. */
function onePacksFrom<Step extends StepWithProduct>(
  given: Given<Step>,
  first: number,
): readonly Step[] | null {
  const { sheetOf } = given;
  const families = given.steps.map(({ productId }, i) => {
    const { family } = sheetOf(productId) as ProductSheet;
    return i < first ? family : (ONE_PACK_FOR[family] ?? family);
  });
  let steps = given.steps;
  for (let i = first; i < steps.length; i++) {
    const step = steps[i] as Step;
    const family = families[i] as Family;
    if (sheetOf(step.productId)?.family === family) continue;
    const [best] = candidates(given, { i, family, next: families[i + 1] ?? null });
    if (!best) return null;
    const dryMicronsPerCoat = filmOf(best.product.sheet, step.method).typical;
    steps = steps.with(i, { ...withProduct(step, best.product), dryMicronsPerCoat });
  }
  return steps === given.steps ? null : steps;
}

/** From as low as the rules allow: over a filler that stays two-pack only what comes after it changes. */
function onePacks<Step extends StepWithProduct>(given: Given<Step>): readonly Step[] {
  const { place } = given;
  if (NOT_ONE_PACK.includes(place.service)) return given.steps;
  for (let first = Math.max(0, given.from); first < given.steps.length; first++) {
    const steps = onePacksFrom(given, first);
    if (steps && isAllowed(steps, given)) return steps;
  }
  return given.steps;
}

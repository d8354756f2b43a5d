import { degrees, film as microns, type Sentence, sentence } from '../units/index.ts';
import { EPOXIES, isIn } from './groups.ts';
import type { Judgement, Layer, StackPlace } from './layer.ts';
import type { PlannedAdditive } from './step.ts';

/** Where epoxies commonly stop curing, °C: winter grades, others [T, handbook part 9]. */
const EPOXY_STOPS_C = { winter: 5, usual: 10 };

/** A fraction as one says it, to a tenth of a per cent: 8.4 % against 8 % are not both 8 %. */
const percent = (fraction: number): string => `${Number((fraction * 100).toFixed(1))} %`;

type Add = (ruleId: string, verdict: 'condition' | 'no', reason: Sentence, condition?: string | null) => void;

/** Only what is on the sheet goes in, and only to its own limit [T, handbook part 7]. */
function addAdditive(
  { name, mlPerLitre }: PlannedAdditive,
  allowed: NonNullable<Layer['additivesAllowed']>,
  add: Add,
): void {
  if (mlPerLitre === 0) return;
  const own = allowed.find((each) => each.name === name);
  const most = own?.maxMlPerLitre ?? null;
  if (!own) add('additive-not-on-sheet', 'no', `The data sheet doesn’t list ${name} as an additive`);
  else if (most === null)
    add(
      'additive-limit-not-stated',
      'condition',
      `The data sheet lists ${name} but gives no amount`,
      'you ask the manufacturer how much to use',
    );
  else if (mlPerLitre > most + 1e-9)
    add(
      'additive-over-limit',
      'no',
      `${mlPerLitre} ml/l of ${name} is above the data sheet’s maximum of ${most} ml/l`,
    );
}

/** What a layer's own sheet says of its application: film, thinner, method, cold and heat to come [P]. */
export function bySheet(layer: Layer, place: StackPlace): Judgement[] {
  const found: Judgement[] = [];
  const add: Add = (ruleId, verdict, reason, condition = null) =>
    found.push({ ruleId, verdict, reason, condition, mark: 'P' });
  const { film, dryMicronsPerCoat: dry } = layer;
  if (film && dry > film.max) {
    add(
      'film-too-thick',
      'no',
      sentence`${microns(dry)} per coat is above the data sheet’s maximum of ${microns(film.max)}. The coat will sag and trap solvent`,
    );
  }
  if (film && dry < film.min) {
    add(
      'film-too-thin',
      'condition',
      sentence`${microns(dry)} per coat is below the data sheet’s minimum of ${microns(film.min)}`,
      'you apply another coat to make up the film',
    );
  }
  const limit = layer.thinnerLimit?.maxFraction ?? null;
  if (layer.thinner > 0 && layer.thinnerLimit === null) {
    add(
      'thinner-not-on-sheet',
      'no',
      'A thinner that isn’t on the data sheet curdles the paint or stops it curing',
    );
  } else if (layer.thinner > 0 && limit === null) {
    add(
      'thinner-limit-not-stated',
      'condition',
      'The data sheet names the thinner but gives no amount',
      'you ask the manufacturer how much to use (5–10 % is common practice; never more without their advice)',
    );
  } else if (limit !== null && layer.thinner > limit + 1e-9) {
    add(
      'thinner-over-limit',
      'no',
      `${percent(layer.thinner)} thinner is above the data sheet’s maximum of ${percent(limit)}`,
    );
  }
  for (const each of layer.additives ?? []) addAdditive(each, layer.additivesAllowed ?? [], add);
  if (layer.method && layer.methods?.length && !layer.methods.includes(layer.method)) {
    add('method-not-on-sheet', 'no', `The data sheet doesn’t allow ${layer.method.replaceAll('-', ' ')}`);
  }
  const { coldestC } = place;
  if (coldestC !== null && layer.stopC != null && coldestC < layer.stopC) {
    add(
      'too-cold',
      'condition',
      sentence`The paint stops curing below ${degrees(layer.stopC)}, and ${degrees(coldestC)} is expected`,
      'you heat the area or use a winter grade',
    );
  }
  if (
    coldestC !== null &&
    layer.stopC === null &&
    coldestC < EPOXY_STOPS_C.usual &&
    isIn(EPOXIES, layer.family)
  ) {
    found.push({
      ruleId: 'stop-not-stated',
      verdict: 'condition',
      reason: sentence`The data sheet gives no minimum curing temperature. It’s commonly ${degrees(EPOXY_STOPS_C.winter)} (winter grades) or ${degrees(EPOXY_STOPS_C.usual)}, and ${degrees(coldestC)} is expected`,
      condition: 'the manufacturer confirms that it cures at that temperature',
      mark: 'T',
    });
  }
  const { hottestC = null } = place;
  if (hottestC !== null && layer.hottestC != null && hottestC > layer.hottestC) {
    add(
      'too-hot',
      'condition',
      sentence`The data sheet allows at most ${degrees(layer.hottestC)}, and ${degrees(hottestC)} is expected`,
      'you apply it in a cooler part of the day or in the shade',
    );
  }
  return found;
}

import { degrees, film as microns, type Said, said } from '../units/index.ts';
import { EPOXIES, isIn } from './groups.ts';
import type { Judgement, Layer, StackPlace } from './layer.ts';
import type { PlannedAdditive } from './step.ts';

/** Where epoxies commonly stop curing, °C: winter grades, others [T, handbook part 9]. */
const EPOXY_STOPS_C = { winter: 5, usual: 10 };

/** A fraction as one says it, to a tenth of a per cent: 8.4 % against 8 % are not both 8 %. */
const percent = (fraction: number): string => `${Number((fraction * 100).toFixed(1))} %`;

type Add = (ruleId: string, verdict: 'condition' | 'no', reason: Said, condition?: string | null) => void;

/** Only what is on the sheet goes in, and only to its own limit [T, handbook part 7]. */
function addAdditive(
  { name, mlPerLitre }: PlannedAdditive,
  allowed: NonNullable<Layer['additivesAllowed']>,
  add: Add,
): void {
  if (mlPerLitre === 0) return;
  const own = allowed.find((each) => each.name === name);
  const most = own?.maxMlPerLitre ?? null;
  if (!own) add('additive-not-on-sheet', 'no', `${name} is no additive of its sheet`);
  else if (most === null)
    add(
      'additive-limit-not-stated',
      'condition',
      `its sheet names ${name}, but not how much of it`,
      'its maker is asked',
    );
  else if (mlPerLitre > most + 1e-9)
    add('additive-over-limit', 'no', `${mlPerLitre} ml of ${name} a litre is above the sheet’s ${most} ml`);
}

/** What a layer's own sheet says of how it is to be laid: film, thinner, method, cold and heat to come [P]. */
export function bySheet(layer: Layer, place: StackPlace): Judgement[] {
  const found: Judgement[] = [];
  const add: Add = (ruleId, verdict, reason, condition = null) =>
    found.push({ ruleId, verdict, reason, condition, mark: 'P' });
  const { film, dryMicronsPerCoat: dry } = layer;
  if (film && dry > film.max) {
    add(
      'film-too-thick',
      'no',
      said`${microns(dry)} a coat is above the sheet’s max of ${microns(film.max)}: it sags and traps solvent`,
    );
  }
  if (film && dry < film.min) {
    add(
      'film-too-thin',
      'condition',
      said`${microns(dry)} a coat is below the sheet’s min of ${microns(film.min)}`,
      'another coat makes up the film',
    );
  }
  const limit = layer.thinnerLimit?.maxFraction ?? null;
  if (layer.thinner > 0 && layer.thinnerLimit === null) {
    add(
      'thinner-not-on-sheet',
      'no',
      'a thinner that is not on the sheet curdles the paint or stops its cure',
    );
  } else if (layer.thinner > 0 && limit === null) {
    add(
      'thinner-limit-not-stated',
      'condition',
      'its sheet names the thinner, but not how much of it',
      'its maker is asked; commonly 5 to 10 % (common practice), never more without a word from them',
    );
  } else if (limit !== null && layer.thinner > limit + 1e-9) {
    add(
      'thinner-over-limit',
      'no',
      `${percent(layer.thinner)} thinner is above the sheet’s ${percent(limit)}`,
    );
  }
  for (const each of layer.additives ?? []) addAdditive(each, layer.additivesAllowed ?? [], add);
  if (layer.method && layer.methods?.length && !layer.methods.includes(layer.method)) {
    add('method-not-on-sheet', 'no', `its sheet does not allow ${layer.method.replaceAll('-', ' ')}`);
  }
  const { coldestC } = place;
  if (coldestC !== null && layer.stopC != null && coldestC < layer.stopC) {
    add(
      'too-cold',
      'condition',
      said`it stops curing below ${degrees(layer.stopC)}, and ${degrees(coldestC)} is expected`,
      'heated, or a winter grade instead',
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
      reason: said`its sheet does not say below what it stops curing, commonly ${degrees(EPOXY_STOPS_C.winter)} (winter grades) or ${degrees(EPOXY_STOPS_C.usual)}, and ${degrees(coldestC)} is expected`,
      condition: 'its maker says it cures so cold',
      mark: 'T',
    });
  }
  const { hottestC = null } = place;
  if (hottestC !== null && layer.hottestC != null && hottestC > layer.hottestC) {
    add(
      'too-hot',
      'condition',
      said`its sheet allows ${degrees(layer.hottestC)} at most, and ${degrees(hottestC)} is expected`,
      'applied in the cool of the day, or shaded',
    );
  }
  return found;
}

import type { Method } from '../film/index.ts';
import type { Family, Substrate } from './families.ts';
import { isIn, TREATMENTS } from './groups.ts';
import { JOINT_RULES } from './jointRules.ts';
import type { Bond, Ground, Joint, Lay, Mark, Rule, ServiceKind, Verdict } from './rules.ts';
import { SERVICE_RULES } from './serviceRules.ts';
import { filmOf, type ProductSheet, thinnerOf } from './sheet.ts';
import type { Band } from './step.ts';

/** A layer of a stack: a product in so many coats, as far as the rules look at it. */
export interface Layer extends Lay {
  /** Grounds the product's sheet allows; null: not stated, and the trade's rules hold [P]. */
  grounds: ProductSheet['grounds'];
  coats: number;
  dryMicronsPerCoat: number;
  film: { min: number; max: number } | null;
  /** Fraction of thinner, and the sheet's limit: null where it names none. */
  thinner: number;
  thinnerMax: number | null;
  stopC: number | null;
  /** Hottest air or surface that its sheet allows, °C; null or left out: not stated. */
  hottestC?: number | null;
  /** Laid on a band only: what comes next meets it and what is below it. */
  band?: boolean;
}

/** The lowest of the limits that are stated; null: none is. */
function strictest(limits: readonly (number | null)[]): number | null {
  const stated = limits.filter((limit) => limit !== null);
  return stated.length > 0 ? Math.min(...stated) : null;
}

/** A step with its product's sheet, as the rules look at it. */
export function layerOfStep(
  step: Pick<Layer, 'coats' | 'dryMicronsPerCoat' | 'thinner'> & { method: Method; band?: Band | null },
  sheet: Pick<
    ProductSheet,
    'family' | 'copper' | 'grounds' | 'film' | 'byMethod' | 'thinner' | 'cure' | 'limits'
  >,
): Layer {
  return {
    family: sheet.family,
    copper: sheet.copper,
    grounds: sheet.grounds,
    coats: step.coats,
    dryMicronsPerCoat: step.dryMicronsPerCoat,
    film: filmOf(sheet, step.method),
    thinner: step.thinner,
    thinnerMax: thinnerOf(sheet, step.method)?.maxFraction ?? null,
    stopC: sheet.cure.stopC,
    hottestC: strictest([sheet.limits.airMaxC, sheet.limits.surfaceMaxC]),
    band: step.band != null,
  };
}

export interface StackPlace {
  substrate: Substrate;
  /** What lies there from before; null: bare. */
  oldCoating: Family | 'unknown' | null;
  service: ServiceKind;
  /** Lowest and highest temperature the work will see, °C; null: not asked. */
  coldestC: number | null;
  hottestC?: number | null;
}

/** A rule's word on one layer. */
export interface Judgement {
  ruleId: string;
  verdict: Exclude<Verdict, 'fine'>;
  reason: string;
  condition: string | null;
  mark: Mark;
}

export interface JudgedLayer {
  verdict: Verdict;
  /** How it holds to what is below. */
  bond: Bond;
  judgements: Judgement[];
}

export interface JudgedStack {
  verdict: Verdict;
  layers: JudgedLayer[];
}

const WORST: Record<Verdict, number> = { fine: 0, condition: 1, no: 2 };
const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce<Verdict>((w, each) => (WORST[each] > WORST[w] ? each : w), 'fine');

const word = ({ id, verdict, reason, condition, mark }: Rule): Judgement => ({
  ruleId: id,
  verdict,
  reason,
  condition: condition ?? null,
  mark,
});

function bondOf(joint: Joint, verdict: Verdict): Bond {
  if (verdict === 'no') return 'none';
  const { ground, lay } = joint;
  if (lay.family === 'tie-coat' || (ground.kind !== 'bare' && ground.family === 'tie-coat')) return 'tie';
  if (ground.kind === 'bare') return 'keyed';
  return verdict === 'condition' ? 'keyed' : 'fused';
}

/** What the product's sheet says of a ground: allowed, not allowed, or nothing. */
function bySheet(grounds: ProductSheet['grounds'], ground: Ground): 'allowed' | 'refused' | null {
  if (grounds === null) return null;
  const key = ground.kind === 'bare' ? ground.substrate : ground.family;
  return isIn(grounds, key) ? 'allowed' : 'refused';
}

/**
 * One joint judged: every rule that speaks of it. The product's own sheet wins: a ground it allows is fine but for the
 * rules that hold always, one it leaves out is not.
 *
 * `judgeJoint({ ground: { kind: 'coat', family: 'one-pack-enamel' }, lay: { family: 'epoxy-primer', … }, … })` → no.
 */
export function judgeJoint(joint: Joint & { grounds?: ProductSheet['grounds'] }): JudgedLayer {
  const sheet = bySheet(joint.grounds ?? null, joint.ground);
  const rules = JOINT_RULES.filter((rule) => rule.when(joint) && (sheet !== 'allowed' || rule.never));
  const judgements = rules.map(word);
  if (sheet === 'refused') {
    judgements.push({
      ruleId: 'not-on-sheet',
      verdict: 'no',
      reason: 'its sheet names the grounds it goes on, and this is not among them',
      condition: null,
      mark: 'P',
    });
  }
  // The same family on itself inside its window bonds chemically, whatever is said of old paint.
  const verdict = worst(judgements.map((j) => j.verdict));
  return { verdict, bond: bondOf(joint, verdict), judgements };
}

/**
 * A coat that meets several grounds at once: a converter and the steel through it, a band and what lies beside it. It is
 * judged on each, and holds no better than on the worst.
 */
export function judgeGrounds(
  grounds: readonly Ground[],
  joint: Omit<Parameters<typeof judgeJoint>[0], 'ground'>,
): JudgedLayer {
  const joints = grounds.map((ground) =>
    judgeJoint({
      ...joint,
      ground,
      // Of washes and converters no sheet speaks; the surface below them is asked for besides.
      grounds: ground.kind === 'coat' && isIn(TREATMENTS, ground.family) ? null : (joint.grounds ?? null),
    }),
  );
  const worstJoint = joints.reduce((w, each) => (WORST[each.verdict] > WORST[w.verdict] ? each : w));
  const said = new Map(joints.flatMap((each) => each.judgements.map((j) => [j.ruleId, j] as const)));
  return { ...worstJoint, judgements: [...said.values()] };
}

function judgeLayer(layer: Layer, place: StackPlace): Judgement[] {
  const found: Judgement[] = [];
  const add = (
    ruleId: string,
    verdict: 'condition' | 'no',
    reason: string,
    condition: string | null = null,
  ) => found.push({ ruleId, verdict, reason, condition, mark: 'P' });
  const { film, dryMicronsPerCoat: dry } = layer;
  if (film && dry > film.max) {
    add(
      'film-too-thick',
      'no',
      `${dry} µm a coat is above the sheet’s most of ${film.max} µm: it sags and traps solvent`,
    );
  }
  if (film && dry < film.min) {
    add(
      'film-too-thin',
      'condition',
      `${dry} µm a coat is below the sheet’s least of ${film.min} µm`,
      'another coat makes up the film',
    );
  }
  if (layer.thinner > 0 && layer.thinnerMax === null) {
    add(
      'thinner-not-on-sheet',
      'no',
      'a thinner that is not on the sheet curdles the paint or stops its cure',
    );
  } else if (layer.thinnerMax !== null && layer.thinner > layer.thinnerMax + 1e-9) {
    add(
      'thinner-over-limit',
      'no',
      `${Math.round(layer.thinner * 100)} % thinner is above the sheet’s ${Math.round(layer.thinnerMax * 100)} %`,
    );
  }
  if (place.coldestC !== null && layer.stopC !== null && place.coldestC < layer.stopC) {
    add(
      'too-cold',
      'condition',
      `it stops curing below ${layer.stopC} °C, and ${Number(place.coldestC.toFixed(1))} °C is expected`,
      'heated, or a winter grade instead',
    );
  }
  const { hottestC = null } = place;
  if (hottestC !== null && layer.hottestC != null && hottestC > layer.hottestC) {
    add(
      'too-hot',
      'condition',
      `its sheet allows ${layer.hottestC} °C at most, and ${Number(hottestC.toFixed(1))} °C is expected`,
      'laid in the cool of the day, or shaded',
    );
  }
  return found;
}

/**
 * The grounds a layer meets: the coat below it, and through a band, which leaves the rest free, what is below that.
 * A band that lies on a band is taken to lie within it.
 */
function groundsOf(layers: readonly Layer[], i: number, place: StackPlace): Ground[] {
  const below = layers[i - 1];
  if (!below) return [placeGround(place)];
  const met: Ground = { kind: 'coat', family: below.family };
  // A wash or converter is no coat: what comes over it meets the surface through it.
  const through = isIn(TREATMENTS, below.family) || (below.band && !layers[i]?.band);
  return through ? [met, ...groundsOf(layers, i - 1, place)] : [met];
}

function placeGround(place: StackPlace): Ground {
  if (place.oldCoating !== null) return { kind: 'old', family: place.oldCoating };
  if (place.substrate === 'existing-paint') return { kind: 'old', family: 'unknown' };
  return { kind: 'bare', substrate: place.substrate };
}

/**
 * Judges a stack from the ground up: substrate, each joint, what it has to stand, film, thinner and cold. Each word
 * carries its reason and where it comes from; conditions are fine once met.
 *
 * @returns one judged layer for each given, with how it bonds to what is below it
 */
export function checkStack(layers: readonly Layer[], place: StackPlace): JudgedStack {
  const families = layers.map((layer) => layer.family);
  const judged = layers.map((layer, i): JudgedLayer => {
    const joint = judgeGrounds(groundsOf(layers, i, place), {
      lay: layer,
      substrate: place.substrate,
      service: place.service,
      windowClosed: false,
      grounds: layer.grounds,
    });
    const service = SERVICE_RULES.filter((rule) =>
      rule
        .at({
          families,
          substrate: place.oldCoating === null ? place.substrate : 'existing-paint',
          service: place.service,
        })
        .includes(i),
    ).map(
      ({ id, verdict, reason, mark }): Judgement => ({ ruleId: id, verdict, reason, condition: null, mark }),
    );
    const judgements = [...joint.judgements, ...service, ...judgeLayer(layer, place)];
    return { ...joint, verdict: worst(judgements.map((j) => j.verdict)), judgements };
  });
  return { verdict: worst(judged.map((layer) => layer.verdict)), layers: judged };
}

import type { Family } from './families.ts';
import { BARE_METALS, isIn, TREATMENTS } from './groups.ts';
import { JOINT_RULES } from './jointRules.ts';
import { checkLayers, type JudgedLayer, type Judgement, type Layer, type StackPlace } from './layer.ts';
import { bySheet } from './layerRules.ts';
import type { Bond, Ground, Joint, Rule, RuleCoat, ServiceRule, Verdict } from './rules.ts';
import { SERVICE_RULES } from './serviceRules.ts';
import type { ProductSheet } from './sheet.ts';
import { judgeWhole } from './wholeFilm.ts';

export interface JudgedStack {
  verdict: Verdict;
  layers: JudgedLayer[];
}

/** Layers that are no film of their own. */
const PASSED_THROUGH: readonly Family[] = [...TREATMENTS, 'non-skid'];

const WORST: Record<Verdict, number> = { fine: 0, condition: 1, no: 2 };
const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce<Verdict>((w, each) => (WORST[each] > WORST[w] ? each : w), 'fine');

const word = ({ id, verdict, reason, condition, mark }: Rule | ServiceRule): Judgement => ({
  ruleId: id,
  verdict,
  reason,
  condition: condition ?? null,
  mark,
});

function bondOf(joint: Joint, verdict: Verdict): Bond {
  if (verdict === 'no') return 'none';
  const { ground, coat } = joint;
  if (coat.family === 'tie-coat' || (ground.kind !== 'bare' && ground.family === 'tie-coat')) return 'tie';
  if (ground.kind === 'bare') return 'keyed';
  return verdict === 'condition' ? 'keyed' : 'fused';
}

/** What the product's sheet says of a ground: allowed, not allowed, or nothing. */
function groundBySheet(
  grounds: ProductSheet['grounds'],
  ground: Ground,
  coat: RuleCoat,
): 'allowed' | 'refused' | null {
  if (grounds === null) return null;
  const key = ground.kind === 'bare' ? ground.substrate : ground.family;
  if (isIn(grounds, key)) return 'allowed';
  // Existing paint of any type is among its permitted surfaces: no refusal, and no permission for this type either.
  if (ground.kind === 'old' && isIn(grounds, 'existing-paint')) return null;
  // A tie coat is what the trade puts over what nobody knows; a sheet cannot name it.
  if (ground.kind === 'old' && ground.family === 'unknown' && coat.family === 'tie-coat') return null;
  return 'refused';
}

/**
 * One joint judged: every rule that speaks of it. The product's own sheet wins: a ground it allows is fine but for the
 * rules that hold always, one it leaves out is not.
 *
 * `judgeJoint({ ground: { kind: 'coat', family: 'one-pack-enamel' }, coat: { family: 'epoxy-primer', … }, … })` → no.
 */
export function judgeJoint(joint: Joint & { grounds?: ProductSheet['grounds'] }): JudgedLayer {
  const sheet = groundBySheet(joint.grounds ?? null, joint.ground, joint.coat);
  const rules = JOINT_RULES.filter((rule) => rule.when(joint) && (sheet !== 'allowed' || rule.never));
  const judgements = rules.map(word);
  if (sheet === 'refused') {
    judgements.push({
      ruleId: 'not-on-sheet',
      verdict: 'no',
      reason: 'The data sheet lists the surfaces this product may go over, and this surface isn’t listed',
      condition: null,
      mark: 'P',
    });
  }
  // The same coating type on itself inside its window bonds chemically, regardless of rules about old paint.
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
      // Data sheets don’t mention washes, converters and aggregate; the coat below them is checked as well.
      grounds: ground.kind === 'coat' && isIn(PASSED_THROUGH, ground.family) ? null : (joint.grounds ?? null),
    }),
  );
  const worstJoint = joints.reduce((w, each) => (WORST[each.verdict] > WORST[w.verdict] ? each : w));
  const judgementOf = new Map(joints.flatMap((each) => each.judgements.map((j) => [j.ruleId, j] as const)));
  return { ...worstJoint, judgements: [...judgementOf.values()] };
}

/**
 * The grounds a layer meets: the coat below it, and through a band, which leaves the rest free, what is below that.
 * A band that lies on a band is taken to lie within it.
 */
function groundsOf(layers: readonly Layer[], i: number, place: StackPlace): Ground[] {
  const below = layers[i - 1];
  if (!below) return [placeGround(place)];
  const met: Ground = { kind: 'coat', family: below.family };
  // A wash or converter is no coat, nor is aggregate: what comes over it meets what it lies in or on.
  const through = isIn(PASSED_THROUGH, below.family) || (below.band && !layers[i]?.band);
  return through ? [met, ...groundsOf(layers, i - 1, place)] : [met];
}

function placeGround(place: StackPlace): Ground {
  if (place.oldCoating !== null) return { kind: 'old', family: place.oldCoating };
  if (place.substrate === 'existing-paint') return { kind: 'old', family: 'unknown' };
  return { kind: 'bare', substrate: place.substrate };
}

/**
 * The parts of an area that bands make, each as the layers that lie on it: the rest without any band, each band alone,
 * and the system as a whole. Indices are those of the whole stack.
 */
function partsOf(layers: readonly Layer[]): number[][] {
  const all = layers.map((_, i) => i);
  const bands = all.filter((i) => layers[i]?.band);
  if (bands.length === 0) return [all];
  const parts = [
    all.filter((i) => !bands.includes(i)),
    ...bands.map((band) => all.filter((i) => i === band || !bands.includes(i))),
    all,
  ];
  return parts.filter((part) => part.length > 0);
}

/** The rules of what a stack has to stand that speak of one of its layers, on any part of the area. */
function byService(rules: readonly ServiceRule[], layers: readonly Layer[], i: number, place: StackPlace) {
  const substrate = place.oldCoating === null ? place.substrate : 'existing-paint';
  const parts = partsOf(layers);
  return rules
    .filter((rule) =>
      parts.some((part) => {
        const families = part.map((at) => (layers[at] as Layer).family);
        return rule.at({ families, substrate, service: place.service }).some((at) => part[at] === i);
      }),
    )
    .map(word);
}

/** What the layer below `i` was itself put on, washes and aggregate passed over; null: bare. */
function beneathOf(layers: readonly Layer[], i: number, place: StackPlace): Family | 'unknown' | null {
  const film = layers.slice(0, i).filter(({ family }) => !isIn(PASSED_THROUGH, family));
  const below = film.at(-2)?.family;
  if (below) return below;
  const ground = placeGround(place);
  return film.length === 1 && ground.kind === 'old' ? ground.family : null;
}

/** A barrier is full in two coats or more that come to this over the whole area [T: handbook part 5]. */
const FULL_BARRIER = { coats: 2, microns: 300 };

/** Whether a full barrier lies somewhere in these layers; a band is none. */
function hasFullBarrier(layers: readonly Layer[]): boolean {
  const barriers = layers.filter(({ family, band }) => family === 'epoxy-barrier' && !band);
  const coats = barriers.reduce((sum, layer) => sum + layer.coats, 0);
  const microns = barriers.reduce((sum, layer) => sum + layer.coats * layer.dryMicronsPerCoat, 0);
  return coats >= FULL_BARRIER.coats && microns >= FULL_BARRIER.microns;
}

/** A layer judged as far as the rest of the stack over it cannot change what is said. */
function judgeLayer(layers: readonly Layer[], i: number, place: StackPlace): JudgedLayer {
  const layer = layers[i] as Layer;
  const joint = judgeGrounds(groundsOf(layers, i, place), {
    coat: layer,
    substrate: place.substrate,
    service: place.service,
    windowClosed: layer.windowClosed ?? false,
    grounds: layer.grounds,
    beneath: beneathOf(layers, i, place),
    barrierBelow: hasFullBarrier(layers.slice(0, i)),
    sheetNamesMetal: layer.grounds !== null && BARE_METALS.some((metal) => isIn(layer.grounds ?? [], metal)),
  });
  const standing = SERVICE_RULES.filter(({ ends }) => !ends);
  return withMore(joint, [...byService(standing, layers, i, place), ...bySheet(layer, place)]);
}

function withMore(judged: JudgedLayer, more: readonly Judgement[]): JudgedLayer {
  const judgements = [...judged.judgements, ...more];
  return { ...judged, judgements, verdict: worst(judgements.map((j) => j.verdict)) };
}

/**
 * Judges a stack from the ground up: substrate, each joint, what it has to stand, film, thinner and cold. Each word
 * carries its reason and where it comes from; conditions are fine once met.
 *
 * @returns one judged layer for each given, with how it bonds to what is below it
 */
export function checkStack(layers: readonly Layer[], place: StackPlace): JudgedStack {
  checkLayers(layers, place);
  const ends = SERVICE_RULES.filter((rule) => rule.ends);
  const whole = judgeWhole(layers, place);
  const judged = layers.map((_, i) =>
    withMore(judgeLayer(layers, i, place), [
      ...byService(ends, layers, i, place),
      ...whole.filter(({ at }) => at === i).map(({ judgement }) => judgement),
    ]),
  );
  return { verdict: worst(judged.map((layer) => layer.verdict)), layers: judged };
}

/** One coat more over a stack that goes on: judged but for what only the finished stack can tell. */
export function judgeNext(layers: readonly Layer[], next: Layer, place: StackPlace): JudgedLayer {
  const all = [...layers, next];
  checkLayers(all, place);
  return judgeLayer(all, layers.length, place);
}

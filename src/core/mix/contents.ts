import { positive, within } from '../units/index.ts';

/** An additive that a sheet allows. */
export interface AllowedAdditive {
  name: string;
  kind: 'accelerator' | 'retarder' | 'roller' | 'other';
  /** ml per litre of paint; null: not stated. */
  maxMlPerLitre: number | null;
}

/** Something in a pot that was not meant to be there. */
export interface ContentsFinding {
  code:
    | 'other-product'
    | 'other-thinner'
    | 'over-limit'
    | 'limit-not-stated'
    | 'accelerator'
    | 'half-life-over'
    | 'retarder';
  /** Its additive; null: none. */
  name: string | null;
  /** ml in the pot, and the most that the sheet allows in it; null: not of an amount, or not stated. */
  ml: number | null;
  limitMl: number | null;
}

export interface ContentsVerdict {
  findings: ContentsFinding[];
  /** Additives of which another amount is in the pot than was noted, ml. */
  changes: { name: string; was: number; now: number }[];
  /** It must not be used. */
  isLost: boolean;
  /** Pot life from mixing to count on, min; null: not known. */
  potLifeMin: number | null;
  /** The pot life is cut for something found. */
  isShorter: boolean;
}

/** Share of the pot life that is counted on with more accelerator than was meant [M]: on the safe side, no source. */
const WITH_ACCELERATOR = 0.5;
const LEAST_MIN = 0.5;
const MOST_ML = 100_000;

/**
 * Whether a pot may be used once something else is in it than was noted. Only the sheet’s own thinner and additives, within their
 * limits [handbook part 7].
 *
 * 8 ml of accelerator instead of a roller additive, in a litre with a pot life of 120 min, 10 min after mixing: use it, count on 60 min.
 *
 * @param was ml of each additive as noted
 * @param now ml of each as it is
 * @param foreign what is in it that is not of this product
 * @param litres paint in the pot
 * @param ageMin since it was mixed
 * @throws {QuantityError} on an amount or time that cannot be
 */
export function judgeContents(input: {
  additives: readonly AllowedAdditive[];
  was: Readonly<Record<string, number>>;
  now: Readonly<Record<string, number>>;
  foreign: 'none' | 'thinner' | 'product';
  litres: number;
  potLifeMin: number | null;
  ageMin: number;
}): ContentsVerdict {
  const { additives, foreign } = input;
  const litres = positive('litres in the pot', input.litres, 10_000);
  const age = within('time since mixing (min)', input.ageMin, 0, 1e6);
  const life = input.potLifeMin === null ? null : positive('pot life (min)', input.potLifeMin, 1e6);
  const amount = (name: string, from: Readonly<Record<string, number>>) =>
    within(`${name} (ml)`, from[name] ?? 0, 0, MOST_ML);
  const each = additives.map(({ name, kind, maxMlPerLitre }) => {
    const limitMl =
      maxMlPerLitre === null ? null : within(`limit of ${name} (ml/l)`, maxMlPerLitre, 0, MOST_ML) * litres;
    return { name, kind, limitMl, was: amount(name, input.was), now: amount(name, input.now) };
  });
  const more = each.filter(({ was, now }) => now > was);
  const faster = more.filter(({ kind }) => kind === 'accelerator');
  const isShorter = faster.length > 0 && life !== null;
  const potLifeMin = isShorter ? Math.max(LEAST_MIN, life * WITH_ACCELERATOR) : life;
  const none = { name: null, ml: null, limitMl: null };
  const of = (code: ContentsFinding['code'], list: typeof each): ContentsFinding[] =>
    list.map(({ name, now, limitMl }) => ({ code, name, ml: now, limitMl }));
  const findings: ContentsFinding[] = [
    ...(foreign === 'product' ? [{ code: 'other-product' as const, ...none }] : []),
    ...(foreign === 'thinner' ? [{ code: 'other-thinner' as const, ...none }] : []),
    ...of(
      'over-limit',
      each.filter(({ now, limitMl }) => limitMl !== null && now > limitMl + 1e-9),
    ),
    ...of(
      'limit-not-stated',
      more.filter(({ limitMl }) => limitMl === null),
    ),
    ...of('accelerator', faster),
    ...(isShorter && age >= (potLifeMin ?? 0) ? [{ code: 'half-life-over' as const, ...none }] : []),
    ...of(
      'retarder',
      more.filter(({ kind }) => kind === 'retarder'),
    ),
  ];
  const lost: readonly ContentsFinding['code'][] = [
    'other-product',
    'other-thinner',
    'over-limit',
    'half-life-over',
  ];
  return {
    findings,
    changes: each.filter(({ was, now }) => was !== now).map(({ name, was, now }) => ({ name, was, now })),
    isLost: findings.some(({ code }) => lost.includes(code)),
    potLifeMin,
    isShorter,
  };
}

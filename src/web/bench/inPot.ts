import type { BatchBody } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';

/** Contents of a pot beside its parts, entered after mixing. */
export interface InPot {
  /** Additives of the data sheet, ml by name. */
  ml: Readonly<Record<string, number>>;
  /** Something that is not of this product at all. */
  foreign: 'none' | 'thinner' | 'product';
}

export interface InPotVerdict {
  /** In the words of the record; empty: nothing is wrong. */
  what: string;
  advice: string[];
  /** It must not be used. */
  isLost: boolean;
  /** Pot life from mixing, min. */
  potLifeMin: number | null;
  isShorter: boolean;
}

/** Share of the pot life that is counted on with an accelerator that nobody planned [M]: on the safe side, no source. */
const WITH_ACCELERATOR = 0.5;

/**
 * What to do with a pot that something wrong went into. Only the data sheet’s own thinner and additives, within their limits
 * [handbook part 7]; an accelerator shortens the pot life and changes a cure that no clock here allows for.
 *
 * @param litres paint in the pot
 */
export function judgeInPot(
  batch: Pick<BatchBody, 'additives' | 'potLifeMin'>,
  sheet: Pick<ProductSheet, 'additives'>,
  { ml, foreign }: InPot,
  litres: number,
): InPotVerdict {
  const was = (name: string) => batch.additives?.find((each) => each.name === name)?.ml ?? 0;
  const changed = sheet.additives.filter(({ name }) => (ml[name] ?? 0) !== was(name));
  const over = sheet.additives.filter(
    ({ name, maxMlPerLitre }) => maxMlPerLitre !== null && (ml[name] ?? 0) > maxMlPerLitre * litres + 1e-9,
  );
  const more = (kind: string) => changed.filter((each) => each.kind === kind && (ml[each.name] ?? 0) > was(each.name)); // biome-ignore format: one line
  const faster = more('accelerator');
  const slower = more('retarder');
  const advice = [
    ...(foreign === 'product'
      ? [
          'Discard this pot. With a part of another product it may never cure, and what is on the hull has to come off.',
        ]
      : []),
    ...(foreign === 'thinner'
      ? [
          'Don’t use this pot: only the thinner on the data sheet is tested with this paint. Discard it, or ask the manufacturer.',
        ]
      : []),
    ...over.map(
      ({ name, maxMlPerLitre }) =>
        `${name}: ${ml[name]} ml is over the data sheet’s limit of ${Math.round((maxMlPerLitre ?? 0) * litres * 10) / 10} ml. Discard this pot, or ask the manufacturer.`,
    ),
    ...(faster.length > 0
      ? ['Accelerator shortens the pot life; how much depends on the product. Count on half (no source, on the safe side), and discard the pot as soon as it warms or thickens. The cure times here don’t allow for it: test by hand before the next coat.'] // biome-ignore format: one line
      : []),
    ...(slower.length > 0
      ? [
          'Retarder slows the cure. The cure times here don’t allow for it: test by hand before the next coat.',
        ]
      : []),
  ];
  const isShorter = faster.length > 0 && batch.potLifeMin !== null;
  const what = [
    ...changed.map(({ name }) => `${ml[name] ?? 0} ml of ${name} in the pot instead of ${was(name)} ml`),
    ...(foreign === 'thinner' ? ['another thinner than on the data sheet'] : []),
    ...(foreign === 'product' ? ['a part of another product'] : []),
  ].join(', ');
  return {
    what,
    advice,
    isLost: foreign !== 'none' || over.length > 0,
    potLifeMin: isShorter ? Math.max(0.5, (batch.potLifeMin ?? 0) * WITH_ACCELERATOR) : batch.potLifeMin,
    isShorter,
  };
}

import type { ContentsFinding, ContentsVerdict } from '../../core/mix/index.ts';
import { t } from '../../words.ts';

/** What to do about something in a pot that was not meant to be there. */
export function sayContents({ code, name, ml, limitMl }: ContentsFinding): string {
  switch (code) {
    case 'other-product':
      return t`Discard this pot. With a part of another product it may never cure, and what is on the hull has to come off.`;
    case 'other-thinner':
      return t`Don’t use this pot: only the thinner on the data sheet is tested with this paint. Discard it, or ask the manufacturer.`;
    case 'over-limit':
      return t`${name}: ${ml} ml is over the data sheet’s limit of ${Math.floor((limitMl ?? 0) * 10) / 10} ml. Discard this pot, or ask the manufacturer.`;
    case 'limit-not-stated':
      return t`${name}: the data sheet gives no amount. Ask the manufacturer before you use this pot.`;
    case 'accelerator':
      return t`Accelerator shortens the pot life; how much depends on the product. Count on half (no source, on the safe side), and discard the pot as soon as it warms or thickens. The cure times here don’t allow for it: test by hand before the next coat.`;
    case 'half-life-over':
      return t`Half the pot life is over. Discard this pot.`;
    case 'retarder':
      return t`Retarder slows the cure. The cure times here don’t allow for it: test by hand before the next coat.`;
  }
}

/** The findings, for the record; empty: none. */
export const sayChanges = (
  { changes }: Pick<ContentsVerdict, 'changes'>,
  foreign: 'none' | 'thinner' | 'product',
): string =>
  [
    ...changes.map(({ name, was, now }) => t`${now} ml of ${name} in the pot instead of ${was} ml`),
    ...(foreign === 'thinner' ? [t`another thinner than on the data sheet`] : []),
    ...(foreign === 'product' ? [t`a part of another product`] : []),
  ].join(', ');

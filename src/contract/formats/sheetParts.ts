import type { MixPart } from '../../core/mix/index.ts';

/** The parts of a mix as one cell of a sheets file: `base 2 1.4 | hardener 1 1.0 | reducer 1 (reducer)`. */

export const partText = ({ name, ratio, densityKgPerL, reducer }: MixPart): string =>
  `${name} ${ratio}${densityKgPerL === null ? '' : ` ${densityKgPerL}`}${reducer ? ' (reducer)' : ''}`;

/** @throws {RangeError} naming where, when it is not a name and its parts */
export function readPart(text: string, where: string): MixPart {
  const match = /^(.*?) ([\d.]+)(?: ([\d.]+))?( \(reducer\))?$/.exec(text);
  if (!match) throw new RangeError(`${where}: “${text}” isn’t a part name and its share, for example base 2`);
  return {
    name: match[1] as string,
    ratio: Number(match[2]),
    densityKgPerL: match[3] === undefined ? null : Number(match[3]),
    ...(match[4] !== undefined && { reducer: true }),
  };
}

import type { Step } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';

/** What to clean, by the method of the coat. */
const TOOLS: Record<Step['method'], string> = {
  brush: t`Clean the brushes`,
  roller: t`Clean the roller frame and tray`,
  'roll-and-tip': t`Clean the roller frame, tray and brushes`,
  'conventional-spray': t`Flush and strip the gun`,
  'airless-spray': t`Flush the pump, hoses and gun`,
  trowel: t`Clean the trowels and boards`,
  aerosol: t`Turn the can upside down and clear its nozzle`,
};

function cleanedWith({ family, thinner }: ProductSheet): string {
  if (family === 'waterborne-acrylic') return t` with water`;
  return thinner
    ? t` with ${thinner.name}, or the cleaner on the data sheet`
    : t` with the cleaner on the data sheet`;
}

/** What to do with tools, pots and tins once a coat is on (common practice; the pot that gets hot [T, handbook part 7]). */
export function cleanUp(sheet: ProductSheet, method: Step['method']): string[] {
  const isCan = method === 'aerosol';
  return [
    isCan ? `${TOOLS.aerosol}.` : t`${TOOLS[method]} now${cleanedWith(sheet)}, before the paint sets.`,
    ...(isCan ? [] : [t`Wipe the rims, close the tins, and keep them out of the frost.`]),
    ...(sheet.parts.length > 1
      ? [
          t`Let what is left in the pot set outside, away from anything that burns: it can get hot. Never pour it back into the tin.`,
        ]
      : []),
  ];
}

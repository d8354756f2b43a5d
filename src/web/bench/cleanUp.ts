import type { Step } from '../../contract/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';

/** What to clean, by the method of the coat. */
const TOOLS: Record<Step['method'], string> = {
  brush: 'Clean the brushes',
  roller: 'Clean the roller frame and tray',
  'roll-and-tip': 'Clean the roller frame, tray and brushes',
  'conventional-spray': 'Flush and strip the gun',
  'airless-spray': 'Flush the pump, hoses and gun',
  trowel: 'Clean the trowels and boards',
  aerosol: 'Turn the can upside down and clear its nozzle',
};

function cleanedWith({ family, thinner }: ProductSheet): string {
  if (family === 'waterborne-acrylic') return ' with water';
  return thinner
    ? ` with ${thinner.name}, or the cleaner on the data sheet`
    : ' with the cleaner on the data sheet';
}

/** What to do with tools, pots and tins once a coat is on (common practice; the pot that gets hot [T, handbook part 7]). */
export function cleanUp(sheet: ProductSheet, method: Step['method']): string[] {
  const isCan = method === 'aerosol';
  return [
    isCan ? `${TOOLS.aerosol}.` : `${TOOLS[method]} now${cleanedWith(sheet)}, before the paint sets.`,
    ...(isCan ? [] : ['Wipe the rims, close the tins, and keep them out of the frost.']),
    ...(sheet.parts.length > 1
      ? [
          'Let what is left in the pot set outside, away from anything that burns: it can get hot. Never pour it back into the tin.',
        ]
      : []),
  ];
}

import { language, t } from '../../words.ts';

/** Names in a row: "Ana, Bo and Cy". */
export const andList = (names: readonly string[]): string => new Intl.ListFormat('en-GB').format(names);

/** Each noun that is counted on a screen: one of it, and several. */
const NOUNS = {
  area: (n: number) => [t`${n} area`, t`${n} areas`] as const,
  batch: (n: number) => [t`${n} batch`, t`${n} batches`] as const,
  can: (n: number) => [t`${n} can`, t`${n} cans`] as const,
  coat: (n: number) => [t`${n} coat`, t`${n} coats`] as const,
  count: (n: number) => [t`${n} count`, t`${n} counts`] as const,
  'data sheet': (n: number) => [t`${n} data sheet`, t`${n} data sheets`] as const,
  day: (n: number) => [t`${n} day`, t`${n} days`] as const,
  hour: (n: number) => [t`${n} hour`, t`${n} hours`] as const,
  item: (n: number) => [t`${n} item`, t`${n} items`] as const,
  lot: (n: number) => [t`${n} lot`, t`${n} lots`] as const,
  mark: (n: number) => [t`${n} mark`, t`${n} marks`] as const,
  mistake: (n: number) => [t`${n} mistake`, t`${n} mistakes`] as const,
  'more area': (n: number) => [t`${n} more area`, t`${n} more areas`] as const,
  'more coat': (n: number) => [t`${n} more coat`, t`${n} more coats`] as const,
  'more line': (n: number) => [t`${n} more line`, t`${n} more lines`] as const,
  'more moved task': (n: number) => [t`${n} more moved task`, t`${n} more moved tasks`] as const,
  'more period': (n: number) => [t`${n} more period`, t`${n} more periods`] as const,
  'more timer': (n: number) => [t`${n} more timer`, t`${n} more timers`] as const,
  'open finding': (n: number) => [t`${n} open finding`, t`${n} open findings`] as const,
  outlier: (n: number) => [t`${n} outlier`, t`${n} outliers`] as const,
  'overcoat time': (n: number) => [t`${n} overcoat time`, t`${n} overcoat times`] as const,
  pack: (n: number) => [t`${n} pack`, t`${n} packs`] as const,
  pair: (n: number) => [t`${n} pair`, t`${n} pairs`] as const,
  part: (n: number) => [t`${n} part`, t`${n} parts`] as const,
  piece: (n: number) => [t`${n} piece`, t`${n} pieces`] as const,
  'planned coat': (n: number) => [t`${n} planned coat`, t`${n} planned coats`] as const,
  'planned task': (n: number) => [t`${n} planned task`, t`${n} planned tasks`] as const,
  product: (n: number) => [t`${n} product`, t`${n} products`] as const,
  section: (n: number) => [t`${n} section`, t`${n} sections`] as const,
  session: (n: number) => [t`${n} session`, t`${n} sessions`] as const,
  'stand patch': (n: number) => [t`${n} stand patch`, t`${n} stand patches`] as const,
  step: (n: number) => [t`${n} step`, t`${n} steps`] as const,
  task: (n: number) => [t`${n} task`, t`${n} tasks`] as const,
  'unconfirmed typical value': (n: number) => [
    t`${n} unconfirmed typical value`,
    t`${n} unconfirmed typical values`,
  ],
  value: (n: number) => [t`${n} value`, t`${n} values`] as const,
  year: (n: number) => [t`${n} year`, t`${n} years`] as const,
};

export type Noun = keyof typeof NOUNS;

const rules = new Intl.PluralRules(language);

/** A number with its noun: `counted(1, 'area')` → "1 area", `counted(3, 'coat')` → "3 coats". */
export const counted = (count: number, noun: Noun): string => {
  const [one, several] = NOUNS[noun](count);
  return rules.select(count) === 'one' ? one : several;
};

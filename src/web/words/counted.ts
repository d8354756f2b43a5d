import { msgid, ngettext } from '../../words.ts';

/** Names in a row: "Ana, Bo and Cy". */
export const andList = (names: readonly string[]): string => new Intl.ListFormat('en-GB').format(names);

/** Each noun that is counted on a screen, with its plural. */
const NOUNS = {
  area: (n: number) => ngettext(msgid`${n} area`, `${n} areas`, n),
  batch: (n: number) => ngettext(msgid`${n} batch`, `${n} batches`, n),
  can: (n: number) => ngettext(msgid`${n} can`, `${n} cans`, n),
  coat: (n: number) => ngettext(msgid`${n} coat`, `${n} coats`, n),
  count: (n: number) => ngettext(msgid`${n} count`, `${n} counts`, n),
  'data sheet': (n: number) => ngettext(msgid`${n} data sheet`, `${n} data sheets`, n),
  day: (n: number) => ngettext(msgid`${n} day`, `${n} days`, n),
  hour: (n: number) => ngettext(msgid`${n} hour`, `${n} hours`, n),
  item: (n: number) => ngettext(msgid`${n} item`, `${n} items`, n),
  lot: (n: number) => ngettext(msgid`${n} lot`, `${n} lots`, n),
  mark: (n: number) => ngettext(msgid`${n} mark`, `${n} marks`, n),
  mistake: (n: number) => ngettext(msgid`${n} mistake`, `${n} mistakes`, n),
  'more area': (n: number) => ngettext(msgid`${n} more area`, `${n} more areas`, n),
  'more coat': (n: number) => ngettext(msgid`${n} more coat`, `${n} more coats`, n),
  'more line': (n: number) => ngettext(msgid`${n} more line`, `${n} more lines`, n),
  'more moved task': (n: number) => ngettext(msgid`${n} more moved task`, `${n} more moved tasks`, n),
  'more period': (n: number) => ngettext(msgid`${n} more period`, `${n} more periods`, n),
  'more timer': (n: number) => ngettext(msgid`${n} more timer`, `${n} more timers`, n),
  'open finding': (n: number) => ngettext(msgid`${n} open finding`, `${n} open findings`, n),
  outlier: (n: number) => ngettext(msgid`${n} outlier`, `${n} outliers`, n),
  'overcoat time': (n: number) => ngettext(msgid`${n} overcoat time`, `${n} overcoat times`, n),
  pack: (n: number) => ngettext(msgid`${n} pack`, `${n} packs`, n),
  pair: (n: number) => ngettext(msgid`${n} pair`, `${n} pairs`, n),
  part: (n: number) => ngettext(msgid`${n} part`, `${n} parts`, n),
  piece: (n: number) => ngettext(msgid`${n} piece`, `${n} pieces`, n),
  'planned coat': (n: number) => ngettext(msgid`${n} planned coat`, `${n} planned coats`, n),
  'planned task': (n: number) => ngettext(msgid`${n} planned task`, `${n} planned tasks`, n),
  product: (n: number) => ngettext(msgid`${n} product`, `${n} products`, n),
  section: (n: number) => ngettext(msgid`${n} section`, `${n} sections`, n),
  session: (n: number) => ngettext(msgid`${n} session`, `${n} sessions`, n),
  'stand patch': (n: number) => ngettext(msgid`${n} stand patch`, `${n} stand patches`, n),
  step: (n: number) => ngettext(msgid`${n} step`, `${n} steps`, n),
  task: (n: number) => ngettext(msgid`${n} task`, `${n} tasks`, n),
  'unconfirmed typical value': (n: number) =>
    ngettext(msgid`${n} unconfirmed typical value`, `${n} unconfirmed typical values`, n),
  value: (n: number) => ngettext(msgid`${n} value`, `${n} values`, n),
  year: (n: number) => ngettext(msgid`${n} year`, `${n} years`, n),
};

export type Noun = keyof typeof NOUNS;

/** A number with its noun: `counted(1, 'area')` → "1 area", `counted(3, 'coat')` → "3 coats". */
export const counted = (count: number, noun: Noun): string => NOUNS[noun](count);

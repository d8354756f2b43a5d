import Papa from 'papaparse';
import type { FilmEvent } from '../../core/cure/index.ts';
import type { ProductSheet } from '../../core/system/index.ts';
import { readCell, writeCsv } from './safeCsv.ts';
import {
  byMethodText,
  overcoatText,
  readByMethod,
  readOvercoat,
  readTable,
  tableText,
} from './sheetCells.ts';
import { partText, readPart } from './sheetParts.ts';

/** A column for each event of a film, in this order. */
const FILM_EVENTS = Object.keys({
  'dew-safe': true,
  'tack-free': true,
  sandable: true,
  walk: true,
  immersion: true,
  'latest-immersion': true,
  'full-cure': true,
} satisfies Record<FilmEvent, true>) as FilmEvent[];

/**
 * Many product sheets as CSV: a row a sheet, a column a figure, canonical units. Lists are parted by ` | `; a table of
 * times over temperature is `10:1200 20:600` (°C : minutes); an overcoat window is
 * `by=any min=10:1200 20:600 max=20:7200 grit=120 thumb=20:120..20:300`. An empty cell is "not stated".
 */
interface Named {
  name: string;
  sheet: ProductSheet;
}

const list = (items: readonly string[]) => items.join(' | ');
const some = (value: number | string | boolean | null) => (value === null ? '' : String(value));

/** Each column: how it is written, in the order of the file. */
const COLUMNS: readonly (readonly [head: string, write: (named: Named) => string])[] = [
  ['name', (n) => n.name],
  ['family', (n) => n.sheet.family],
  ['resin', (n) => some(n.sheet.resin)],
  ['parts', (n) => list(n.sheet.parts.map(partText))],
  ['ratio by', (n) => n.sheet.ratioBy],
  ['ratio tolerance', (n) => some(n.sheet.ratioTolerance)],
  ['volume solids', (n) => String(n.sheet.volumeSolids)],
  ['dry film min (µm)', (n) => String(n.sheet.film.min)],
  ['dry film typical (µm)', (n) => String(n.sheet.film.typical)],
  ['dry film max (µm)', (n) => String(n.sheet.film.max)],
  ['methods', (n) => list(n.sheet.methods)],
  ['by method', (n) => list(n.sheet.byMethod.map(byMethodText))],
  ['thinner', (n) => n.sheet.thinner?.name ?? ''],
  ['thinner max', (n) => some(n.sheet.thinner?.maxFraction ?? null)],
  ['standing time (min)', (n) => some(n.sheet.inductionMin)],
  ['pot life', (n) => tableText(n.sheet.potLife)],
  ['air min (°C)', (n) => some(n.sheet.limits.airMinC)],
  ['air max (°C)', (n) => some(n.sheet.limits.airMaxC)],
  ['surface min (°C)', (n) => some(n.sheet.limits.surfaceMinC)],
  ['surface max (°C)', (n) => some(n.sheet.limits.surfaceMaxC)],
  ['RH max', (n) => some(n.sheet.limits.rhMax)],
  ['margin above dew point (K)', (n) => some(n.sheet.limits.dewMarginC)],
  ['no cure below (°C)', (n) => some(n.sheet.cure.stopC)],
  ...FILM_EVENTS.map((event) => [event, (n: Named) => tableText(n.sheet.cure.events[event])] as const),
  ['overcoat', (n) => list(n.sheet.cure.overcoat.map(overcoatText))],
  ['colours', (n) => list(n.sheet.colours.map((c) => `${c.name} ${c.hex}`))],
  ['hazards', (n) => list(n.sheet.hazards)],
  ['goes over', (n) => (n.sheet.grounds === null ? '' : list(n.sheet.grounds))],
  ['contains copper', (n) => some(n.sheet.copper)],
  ['additives', (n) => list(n.sheet.additives.map((a) => `${a.name}; ${a.kind}; ${some(a.maxMlPerLitre)}`))],
  ['packs', (n) => list(n.sheet.packs.map((p) => `${p.litres}${p.price === null ? '' : ` @ ${p.price}`}`))],
  ['can (l)', (n) => some(n.sheet.canLitres ?? null)],
  ['coverage (m²/l)', (n) => some(n.sheet.coverageM2PerL ?? null)],
  ['dilution', (n) => some(n.sheet.dilution ?? null)],
  ['months once opened', (n) => some(n.sheet.openedMonths ?? null)],
  ['typical values', (n) => list(n.sheet.typical ?? [])],
  ['shelf life (months)', (n) => some(n.sheet.shelfMonths)],
  ['cleanliness', (n) => some(n.sheet.preparation.cleanliness)],
  ['profile min (µm)', (n) => some(n.sheet.preparation.profileMinMicrons)],
  ['profile max (µm)', (n) => some(n.sheet.preparation.profileMaxMicrons)],
  ['cautions', (n) => n.sheet.cautions],
  ['note', (n) => n.sheet.note],
];

/** Heads of columns as files written before had them, and their heads now: those files can still be read. */
const FORMER: ReadonlyMap<string, string> = new Map([
  ['film least', 'dry film min (µm)'],
  ['film typical', 'dry film typical (µm)'],
  ['film most', 'dry film max (µm)'],
  ['thinner most', 'thinner max'],
  ['induction min', 'standing time (min)'],
  ['air least', 'air min (°C)'],
  ['air most', 'air max (°C)'],
  ['surface least', 'surface min (°C)'],
  ['surface most', 'surface max (°C)'],
  ['rh most', 'RH max'],
  ['dew margin', 'margin above dew point (K)'],
  ['stop', 'no cure below (°C)'],
  ['grounds', 'goes over'],
  ['copper', 'contains copper'],
  ['can', 'can (l)'],
  ['coverage', 'coverage (m²/l)'],
  ['opened months', 'months once opened'],
  ['from memory', 'typical values'],
  ['shelf months', 'shelf life (months)'],
  ['profile least', 'profile min (µm)'],
  ['profile most', 'profile max (µm)'],
]);

/** A head as it is compared: a micro sign and the Greek letter are one. */
const keyOf = (head: string) => head.normalize('NFKC').toLowerCase();

/** Sheets as CSV: read again they are equal. */
export const writeSheetsCsv = (sheets: readonly Named[]): string =>
  writeCsv([
    COLUMNS.map(([head]) => head),
    ...sheets.map((named) => COLUMNS.map(([, write]) => write(named))),
  ]);

/** More sheets than any yard has, and a cell longer than any text of a sheet. */
const MOST_SHEETS = 500;
const MOST_SIGNS = 8000;

/** @throws {RangeError} naming the line and column of what cannot be read */
export function readSheetsCsv(csv: string): Named[] {
  const { data } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => {
      const plain = head.trim().toLowerCase();
      return keyOf(FORMER.get(plain) ?? plain);
    },
  });
  if (data.length === 0) throw new RangeError('the file has no rows');
  if (data.length > MOST_SHEETS) {
    throw new RangeError(`The file has ${data.length} data sheets; the maximum is ${MOST_SHEETS}`);
  }
  data.forEach((row, i) => {
    const long = Object.entries(row).find(([, cell]) => String(cell).length > MOST_SIGNS);
    if (long)
      throw new RangeError(`Line ${i + 2}, ${long[0].slice(0, 60)}: longer than ${MOST_SIGNS} characters`);
  });
  return data.map((row, i) => {
    const cell = (head: string) => readCell((row[keyOf(head)] ?? '').trim());
    const where = (head: string) => `line ${i + 2}, ${head}`;
    const number = (head: string): number => {
      const value = Number(cell(head));
      if (cell(head) === '' || !Number.isFinite(value)) {
        throw new RangeError(`${where(head)}: “${cell(head)}” isn’t a number`);
      }
      return value;
    };
    const maybe = (head: string) => (cell(head) === '' ? null : number(head));
    const items = (head: string) =>
      cell(head)
        .split(' | ')
        .map((each) => each.trim())
        .filter(Boolean);
    const yesOrNo = (head: string): boolean | null => {
      const given = cell(head).toLowerCase();
      if (given === '') return null;
      if (['true', 'yes'].includes(given)) return true;
      if (['false', 'no'].includes(given)) return false;
      throw new RangeError(`${where(head)}: “${cell(head)}” must be yes or no`);
    };
    // By volume is never taken for by weight, nor the other way; a one-pack has no ratio.
    const ratioBy = (): ProductSheet['ratioBy'] => {
      const given = cell('ratio by').toLowerCase();
      if (given === 'volume' || given === 'weight') return given;
      if (given === '' && items('parts').length === 1) return 'volume';
      throw new RangeError(`${where('ratio by')}: “${cell('ratio by')}” must be volume or weight`);
    };
    const times = (head: string) => readTable(cell(head), where(head));
    const events: ProductSheet['cure']['events'] = {};
    for (const event of FILM_EVENTS) if (cell(event) !== '') events[event] = times(event);
    return {
      name: cell('name'),
      sheet: {
        family: cell('family') as ProductSheet['family'],
        resin: cell('resin') || null,
        parts: items('parts').map((part) => readPart(part, where('parts'))),
        ...(cell('typical values') !== '' && {
          typical: items('typical values') as NonNullable<ProductSheet['typical']>,
        }),
        ...(cell('can (l)') !== '' && { canLitres: number('can (l)') }),
        ...(cell('coverage (m²/l)') !== '' && { coverageM2PerL: number('coverage (m²/l)') }),
        ...(cell('dilution') !== '' && { dilution: number('dilution') }),
        ...(cell('months once opened') !== '' && { openedMonths: number('months once opened') }),
        ratioBy: ratioBy(),
        ratioTolerance: maybe('ratio tolerance'),
        volumeSolids: number('volume solids'),
        film: {
          min: number('dry film min (µm)'),
          typical: number('dry film typical (µm)'),
          max: number('dry film max (µm)'),
        },
        byMethod: items('by method').map((text) => readByMethod(text, where('by method'))),
        methods: items('methods') as ProductSheet['methods'],
        thinner: cell('thinner') ? { name: cell('thinner'), maxFraction: maybe('thinner max') } : null,
        inductionMin: maybe('standing time (min)'),
        potLife: times('pot life'),
        limits: {
          airMinC: maybe('air min (°C)'),
          airMaxC: maybe('air max (°C)'),
          surfaceMinC: maybe('surface min (°C)'),
          surfaceMaxC: maybe('surface max (°C)'),
          rhMax: maybe('RH max'),
          dewMarginC: maybe('margin above dew point (K)'),
        },
        cure: {
          stopC: maybe('no cure below (°C)'),
          events,
          overcoat: items('overcoat').map((text) => readOvercoat(text, where('overcoat'))),
        },
        colours: items('colours').map((text) => ({ name: text.slice(0, -8), hex: text.slice(-7) })),
        hazards: items('hazards') as ProductSheet['hazards'],
        grounds:
          cell('goes over') === '' ? null : (items('goes over') as NonNullable<ProductSheet['grounds']>),
        copper: yesOrNo('contains copper'),
        additives: items('additives').map((text) => {
          const [name = '', kind = 'other', most = ''] = text.split(';').map((each) => each.trim());
          return {
            name,
            kind: kind as ProductSheet['additives'][number]['kind'],
            maxMlPerLitre: most === '' ? null : Number(most),
          };
        }),
        packs: items('packs').map((text) => {
          const [litres, price] = text.split('@').map((each) => each.trim());
          return { litres: Number(litres), price: price === undefined ? null : Number(price) };
        }),
        shelfMonths: maybe('shelf life (months)'),
        preparation: {
          cleanliness: (cell('cleanliness') || null) as ProductSheet['preparation']['cleanliness'],
          profileMinMicrons: maybe('profile min (µm)'),
          profileMaxMicrons: maybe('profile max (µm)'),
        },
        cautions: cell('cautions'),
        note: cell('note'),
      },
    };
  });
}

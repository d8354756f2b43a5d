import { FILM_EVENTS, type FilmEvent } from '../../core/cure/index.ts';
import type { Method } from '../../core/film/index.ts';
import type { Cleanliness, Hazard, ProductSheet } from '../../core/system/index.ts';
import { fieldText, fromCanonical, shownUnit, type UnitSystem } from '../../core/units/index.ts';

export const COLUMNS = 5;
export const LIMITS = ['airMinC', 'airMaxC', 'surfaceMinC', 'surfaceMaxC'] as const;

export interface OvercoatValues {
  by: string;
  min: string[];
  chemicalMax: string[];
  thumbOpens: string[];
  thumbCloses: string[];
  keyGrit: string;
}

/** Figures of one method as typed; empty: as for all. */
export interface MethodValues {
  method: Method;
  min: string;
  typical: string;
  max: string;
  thinner: string;
}

/** A sheet as typed: one row of temperatures for all its tables, times as the paper has them. */
export interface SheetValues {
  name: string;
  /** Nothing is chosen for who enters a sheet: family and basis of the ratio stay empty until they are. */
  family: ProductSheet['family'] | '';
  resin: string;
  /** What a third or fourth part is stays empty until it is chosen. */
  parts: { name: string; ratio: string; density: string; role: '' | 'paint' | 'reducer' }[];
  canLitres: string;
  coverage: string;
  dilution: string;
  openedMonths: string;
  ratioBy: ProductSheet['ratioBy'] | '';
  ratioTolerance: string;
  solids: string;
  film: { min: string; typical: string; max: string };
  methods: Method[];
  byMethod: MethodValues[];
  thinnerName: string;
  thinnerLimit: string;
  induction: string;
  stopC: string;
  limits: Record<(typeof LIMITS)[number] | 'rhMax' | 'dewMarginC', string>;
  temps: string[];
  /** Temperatures asked to be shown, beyond those used. */
  columns: number;
  potLife: string[];
  events: Record<FilmEvent, string[]>;
  overcoat: OvercoatValues[];
  colours: { name: string; hex: string }[];
  hazards: Hazard[];
  note: string;
  /** Grounds as the sheet names them; the tick says whether it names any. */
  statesGrounds: boolean;
  grounds: string[];
  copper: '' | 'yes' | 'no';
  additives: { name: string; kind: ProductSheet['additives'][number]['kind']; max: string }[];
  packs: { litres: string; price: string }[];
  shelfMonths: string;
  cleanliness: Cleanliness | '';
  profileMin: string;
  profileMax: string;
  cautions: string;
}

const blanks = () => Array<string>(COLUMNS).fill('');

export const emptyOvercoat = (): OvercoatValues => ({
  by: 'any',
  min: blanks(),
  chemicalMax: blanks(),
  thumbOpens: blanks(),
  thumbCloses: blanks(),
  keyGrit: '',
});

export function emptySheet(system: UnitSystem): SheetValues {
  const temp = (celsius: number) => fieldText(fromCanonical(celsius, shownUnit('temperature', system)));
  return {
    name: '',
    family: '',
    resin: '',
    parts: [
      { name: 'base', ratio: '', density: '', role: '' },
      { name: 'hardener', ratio: '', density: '', role: '' },
    ],
    canLitres: '',
    coverage: '',
    dilution: '',
    openedMonths: '',
    ratioBy: '',
    ratioTolerance: '',
    solids: '',
    film: { min: '', typical: '', max: '' },
    methods: [],
    byMethod: [],
    thinnerName: '',
    thinnerLimit: '',
    induction: '',
    stopC: '',
    limits: { airMinC: '', airMaxC: '', surfaceMinC: '', surfaceMaxC: '', rhMax: '', dewMarginC: '' },
    temps: [temp(10), temp(20), temp(30), '', ''],
    columns: 0,
    potLife: blanks(),
    events: Object.fromEntries(FILM_EVENTS.map((event) => [event, blanks()])) as Record<FilmEvent, string[]>,
    overcoat: [emptyOvercoat()],
    colours: [{ name: 'white', hex: '#f4f3ee' }],
    hazards: ['solvent'],
    note: '',
    statesGrounds: false,
    grounds: [],
    copper: '',
    additives: [],
    packs: [],
    shelfMonths: '',
    cleanliness: '',
    profileMin: '',
    profileMax: '',
    cautions: '',
  };
}

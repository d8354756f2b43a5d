import { v7 as uuidv7 } from 'uuid';
import {
  type Area,
  type AreaInput,
  AS_USUAL,
  type BoatInput,
  type EntryInput,
  type LotInput,
  type ProductInput,
  type Step,
} from '../src/contract/index.ts';
import type { Hull } from '../src/core/hull/index.ts';
import { NOT_STATED } from '../src/core/system/index.ts';

/** Boats, areas, products and entries for tests: nothing here starts a server. */

export const HOUR = 3_600_000;
/** A fixed noon for tests that set the clock themselves. */
export const NOON = Date.parse('2026-05-14T12:00:00Z');

export const aBoat = (over: Partial<Hull<BoatInput>> = {}): Hull<BoatInput> => ({
  id: uuidv7(),
  name: 'Test hull',
  kind: 'fin-keel',
  dimensions: { loaM: 9, lwlM: 8, beamM: 3, draughtM: 1.5, freeboardM: 1 },
  note: '',
  ...over,
});

export const anArea = (
  boatId: string,
  over: Partial<AreaInput> = {},
): AreaInput & Pick<Area, 'earlierShelters'> => ({
  id: uuidv7(),
  boatId,
  name: 'Bottom',
  zone: 'bottom',
  side: 'both',
  substrate: 'grp',
  service: 'immersed',
  surroundings: { kind: 'shed' },
  earlierShelters: [],
  oldCoating: null,
  highWear: false,
  part: null,
  measures: [{ shape: { kind: 'rectangle', lengthM: 5, widthM: 2 }, count: 2, opening: false }],
  spread: 0.05,
  estimates: [],
  chosenWay: null,
  note: '',
  ...over,
});

/** An epoxy of 2 : 1 that may be overcoated 10 h after application at 20 °C and stands below 7 °C. */
export const aProduct = (over: Partial<ProductInput['sheet']> = {}): ProductInput => ({
  id: uuidv7(),
  name: 'Test epoxy',
  sheet: {
    family: 'epoxy-barrier',
    parts: [
      { name: 'base', ratio: 2, densityKgPerL: 1.4 },
      { name: 'hardener', ratio: 1, densityKgPerL: 1 },
    ],
    ratioBy: 'volume',
    ratioTolerance: null,
    volumeSolids: 0.5,
    film: { min: 50, typical: 100, max: 150 },
    methods: ['roller'],
    thinner: null,
    inductionMin: 15,
    potLife: [{ tempC: 20, minutes: 120 }],
    limits: {
      airMinC: null,
      airMaxC: null,
      surfaceMinC: null,
      surfaceMaxC: null,
      rhMax: null,
      dewMarginC: null,
    },
    cure: {
      stopC: 7,
      events: {},
      overcoat: [
        {
          by: 'any',
          min: [
            { tempC: 10, minutes: 1200 },
            { tempC: 20, minutes: 600 },
          ],
          chemicalMax: [{ tempC: 20, minutes: 7200 }],
          keyGrit: 120,
        },
      ],
    },
    colours: [
      { name: 'grey', hex: '#808080' },
      { name: 'white', hex: '#ffffff' },
    ],
    hazards: [],
    note: '',
    ...NOT_STATED,
    ...over,
  },
});

/** A step of one such product: three coats of 100 µm by roller. */
export const aStep = (productId: string, over: Partial<Step> = {}): Step => ({
  id: uuidv7(),
  productId,
  coats: 3,
  dryMicronsPerCoat: 100,
  method: 'roller',
  thinner: 0,
  colours: ['grey', 'white'],
  signal: null,
  extraCoats: 0,
  before: [],
  sandBetween: null,
  ...AS_USUAL,
  band: null,
  order: null,
  overrule: null,
  ...over,
});

/** What asks a server: the tests' own, or one that a page talks to. */
export interface Asks {
  ask: <T>(method: string, path: string, body?: unknown) => Promise<{ status: number; body: T }>;
}

/** A boat with one area of 20 m² and a stack of three coats of the test epoxy. */
export async function aPlannedArea(
  server: Asks,
  over: Partial<Step> = {},
  areaOver: Partial<AreaInput> = {},
) {
  const boat = aBoat();
  const area = anArea(boat.id, areaOver);
  const product = aProduct();
  const step = aStep(product.id, over);
  await server.ask('POST', '/boats', boat);
  const made = await server.ask<Area>('POST', '/areas', area);
  await server.ask('POST', '/products', product);
  await server.ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
  return { boat, area: made.body, product, step };
}

/** A lot of a part of a product, with what came in. */
export const aLot = (productId: string, part: string, over: Partial<LotInput & { amount: number }> = {}) => ({
  id: uuidv7(),
  productId,
  part,
  colour: part === 'base' ? 'grey' : null,
  code: 'L 17',
  unit: 'l' as const,
  madeOn: null,
  place: 'steel cabinet',
  frost: false,
  heat: false,
  note: '',
  cost: null,
  amount: 2,
  ...over,
});
/** The lot by itself, without what came in. */
export const lotOf = ({ amount: _, ...lot }: ReturnType<typeof aLot>): LotInput => lot;

/** A coat logged on such an area, its last corner applied at `endedAt`. */
export function aCoat(
  planned: { area: { id: string }; step: { id: string }; product: { id: string } },
  endedAt: number,
  over: Partial<Extract<EntryInput, { kind: 'coat' }>['body']> = {},
): Extract<EntryInput, { kind: 'coat' }> {
  return {
    id: uuidv7(),
    areaId: planned.area.id,
    at: new Date(endedAt - HOUR).toISOString(),
    corrects: null,
    kind: 'coat',
    body: {
      stepId: planned.step.id,
      coatNo: 0,
      productId: planned.product.id,
      sheetVersion: 1,
      colour: 'grey',
      method: 'roller',
      litres: 4.2,
      thinner: 0,
      areaM2: 20,
      endedAt: new Date(endedAt).toISOString(),
      conditions: null,
      batchIds: [],
      note: '',
      ...over,
    },
  };
}

/** Hourly weather as CSV, `hours` from `from` on, the temperature of each by `airC`. */
export function weatherCsv(from: number, hours: number, airC: (hour: number) => number): string {
  const rows = Array.from(
    { length: hours },
    (_, h) => `${new Date(from + h * HOUR).toISOString()},${airC(h)},60`,
  );
  return ['time,air °C,RH %', ...rows].join('\n');
}

/** Another token of the same length. One in sixty-four of the server’s own ends in an underscore. */
export const wrongToken = (token: string): string =>
  `${token.slice(0, -1)}${token.endsWith('_') ? '-' : '_'}`;

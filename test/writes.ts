import { v7 as uuidv7 } from 'uuid';
import type {
  Area,
  Boat,
  Entry,
  Finding,
  Product,
  StackView,
  Stand,
  StockView,
  TradeView,
  Waterline,
  Yard,
} from '../src/contract/index.ts';
import { type Asks, aCoat, aLot, type aPlannedArea, aProduct, HOUR, lotOf, weatherCsv } from './examples.ts';

type Planned = Awaited<ReturnType<typeof aPlannedArea>>;
/** A write made from a number. */
export type MadeWrite = (n: number) => Promise<[method: string, path: string, body?: unknown]>;

/**
 * Writes by name, of every kind that a yard takes; each makes one from a number.
 *
 * @param yard the boats written to: one with a planned area and a piece cut out of it, and another
 */
export function writesOf(
  server: Asks,
  { planned, other, piece, noon: NOON }: { planned: Planned; other: Boat; piece: string; noon: number },
): Record<string, MadeWrite> {
  const get = async <T>(path: string) => (await server.ask<T>('GET', path)).body;
  const current = <T>(path: string) => get<T>(path) as Promise<T & { version: number }>;
  return {
    coat: async (n) => ['POST', '/log', aCoat(planned, NOON - (29 - (n % 20)) * HOUR, { coatNo: n % 3 })],
    strike: async (n) => {
      const { entries } = await get<{ entries: Entry[] }>(`/boats/${planned.boat.id}/log`);
      const open = entries.filter(({ kind, correctedBy }) => kind === 'coat' && correctedBy === null);
      const entry = open[n % Math.max(1, open.length)];
      const base = { id: uuidv7(), areaId: planned.area.id, at: new Date(NOON).toISOString() };
      return entry
        ? ['POST', '/log', { ...base, corrects: entry.id, kind: 'strike', body: { reason: 'wrong' } }]
        : ['POST', '/log', { ...base, corrects: null, kind: 'note', body: { text: `note ${n}` } }];
    },
    tape: async (n) => {
      const { area, step } = planned;
      const body = {
        itemId: area.id,
        name: 'Edges of the area',
        on: n % 2 === 0,
        stepId: step.id,
        coatNo: n % 3,
      };
      return ['POST', '/log', { id: uuidv7(), areaId: area.id, at: new Date(NOON - (n % 50) * HOUR).toISOString(), corrects: null, kind: 'tape', body }]; // biome-ignore format: one line
    },
    progress: async (n) => {
      const { area, step } = planned;
      const body = {
        stepId: step.id,
        coatNo: n % 3,
        section: { no: n % 4, of: 4 },
        comb: null,
        usedL: n % 5,
      };
      return ['POST', '/log', { id: uuidv7(), areaId: area.id, at: new Date(NOON - HOUR).toISOString(), corrects: null, kind: 'progress', body }]; // biome-ignore format: one line
    },
    session: async (n) => {
      const { area, step } = planned;
      const device = { id: area.id, kind: 'phone' };
      const body = { stepId: step.id, coatNo: n % 3, areaIds: n % 2 ? [piece] : [], people: ['Ana', 'Bo'].slice(n % 3), device }; // biome-ignore format: one line
      return ['POST', '/log', { id: uuidv7(), areaId: area.id, at: new Date(NOON - HOUR).toISOString(), corrects: null, kind: 'session', body }]; // biome-ignore format: one line
    },
    area: async (n) => {
      const { version, archived: _a, ...area } = await current<Area>(`/areas/${planned.area.id}`);
      return ['PUT', `/areas/${area.id}`, { ...area, version, spread: 0.01 + (n % 10) / 100 }];
    },
    move: async (n) => {
      const surroundings = [{ kind: 'open' }, { kind: 'heated', setPointC: 15 }, { kind: 'shed' }][n % 3];
      const at = new Date(NOON - (n % 7) * HOUR).toISOString();
      return ['POST', `/boats/${planned.boat.id}/shelter`, { at, surroundings }];
    },
    removePiece: async (n) => [
      n % 2 ? 'DELETE' : 'POST',
      n % 2 ? `/areas/${piece}` : `/areas/${piece}/restore`,
    ],
    stack: async (n) => {
      const stacks = await get<StackView[]>(`/boats/${planned.boat.id}/stacks`);
      const stack = stacks.find(({ areaId }) => areaId === planned.area.id) as StackView;
      const steps = [{ ...planned.step, coats: 1 + (n % 5) }];
      return ['PUT', `/areas/${planned.area.id}/stack`, { version: stack.version, steps }];
    },
    sheet: async (n) => {
      const { archived: _a, ...product } = await current<Product>(`/products/${planned.product.id}`);
      const { sheet } = aProduct({ volumeSolids: 0.4 + (n % 10) / 100 });
      return ['PUT', `/products/${product.id}`, { ...product, sheet }];
    },
    boat: async (n) => {
      const { archived: _a, ...boat } = (await get<{ boat: Boat }>(`/boats/${other.id}`)).boat;
      return ['PUT', `/boats/${boat.id}`, { ...boat, note: `note ${n}` }];
    },
    archive: async (n) => [n % 2 ? 'DELETE' : 'POST', `/boats/${other.id}${n % 2 ? '' : '/restore'}`],
    finding: async (n) => [
      'POST',
      '/findings',
      {
        id: uuidv7(),
        boatId: planned.boat.id,
        areaId: planned.area.id,
        at: new Date(NOON).toISOString(),
        kind: n % 2 ? 'profile' : 'rust',
        value: n % 2 ? 60 : null,
        grade: n % 2 ? null : 'C',
        limit: null,
        place: null,
        photoIds: [],
        note: '',
      } satisfies Partial<Finding>,
    ],
    stand: async (n) => {
      const stand = {
        name: `Prop ${n}`,
        kind: 'stand',
        side: 'port',
        xM: 3,
        zM: -0.5,
        lengthM: 0.2,
        widthM: 0.2,
      };
      const id = uuidv7();
      return [
        'POST',
        '/stands',
        {
          stand: { ...stand, id, boatId: planned.boat.id, shiftOn: null, note: '' } as Partial<Stand>,
          patches: [{ id: uuidv7(), areaId: planned.area.id }],
        },
      ];
    },
    line: async (n) => {
      const { boatId: _b, ...line } = await current<Waterline>(`/boats/${planned.boat.id}/waterline`);
      return ['PUT', `/boats/${planned.boat.id}/waterline`, { ...line, slopMm: n % 90, oldLine: 'tabs' }];
    },
    yard: async (n) => {
      const { id: _i, demo: _d, ...yard } = await get<Yard>('/yard');
      return ['PUT', '/yard', { ...yard, latitude: 50 + (n % 10) }];
    },
    air: async (n) => [
      'POST',
      '/weather',
      { csv: weatherCsv(NOON - 40 * HOUR, 60, (hour) => 8 + ((hour + n) % 9)), mode: 'import' },
    ],
    receipt: async (n) => [
      'POST',
      '/receipts',
      {
        id: uuidv7(),
        at: new Date(NOON - HOUR).toISOString(),
        purchaseId: null,
        lots: ['base', 'hardener'].map((part, i) =>
          aLot(planned.product.id, part, { amount: (1 + (n % 5)) / (1 + i) }),
        ),
      },
    ],
    movement: async (n) => {
      const { lots } = await get<StockView>('/lots');
      const lot = lots[n % Math.max(1, lots.length)] ?? aLot(planned.product.id, 'base');
      const kind = (['used', 'counted', 'spilt'] as const)[n % 3];
      const at = new Date(NOON - (n % 30) * HOUR).toISOString();
      return lots.length === 0
        ? ['POST', '/lots', lotOf(lot as never)]
        : [
            'POST',
            '/movements',
            {
              id: uuidv7(),
              lotId: lot.id,
              kind,
              amount: n / 1000,
              at,
              areaId: null,
              note: '',
              corrects: null,
            },
          ];
    },
    price: async (n) => [
      'POST',
      '/offers',
      {
        id: uuidv7(),
        productId: planned.product.id,
        part: null,
        colour: null,
        litres: 1 + (n % 4),
        price: 2000 + n,
        supplierId: null,
        discounts: [],
      },
    ],
    money: async (n) => {
      const { settings } = await get<TradeView>('/trade');
      return ['PUT', '/trade/settings', { ...settings, labourPerHour: 1000 + n }];
    },
    template: async (n) => ['POST', '/templates', { id: uuidv7(), name: `Own ${n}`, steps: [planned.step] }],
  };
}

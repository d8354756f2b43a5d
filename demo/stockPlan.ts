import type { SupplierInput, TradeSettings } from '../src/contract/index.ts';

/** The demo’s stock: invented chandlers, prices and tins. */

export const CHANDLERS: readonly Omit<SupplierInput, 'id'>[] = [
  {
    name: 'Quillhaven Chandlery',
    delivery: 0,
    minOrder: 0,
    deliveryDays: 0,
    note: 'On the quay, cash and carry.',
  },
  {
    name: 'Estuary Coatings',
    delivery: 1490,
    minOrder: 8000,
    deliveryDays: 3,
    note: 'By van, Tuesdays and Fridays.',
  },
];
/** Of the sheet's price, what each chandler asks. */
export const DEMO_RATES: readonly number[] = [1, 0.91];

export const DEMO_MONEY: Omit<TradeSettings, 'version'> = {
  currency: 'EUR',
  taxRate: 0.2,
  roundingStep: 5,
  labourPerHour: 4800,
  yardDay: 2600,
  markup: 0.15,
  useLearned: true,
  workRates: {},
  sundryRates: {},
  sundryPrices: { 'roller-cover': 340, 'tray-liner': 120, 'mixing-cup': 45, gloves: 60, 'sand-disc': 95, tape: 12, cloth: 30, cartridge: 2450 }, // biome-ignore format: one line
  thinnerPerLitre: 1150,
  address: 'Gannet Slip\nStaithe Lane, Quillhaven',
};

/** A kit on the shelf; litres of the mix, and how much more hardener than asked for has gone. */
interface DemoLot {
  product: string;
  colour: string;
  litres: number;
  used: number;
  hardenerRich: number;
  code: string;
  madeDaysAgo: number;
  place: string;
  frost?: boolean;
}

const kit = (product: string, colour: string, litres: number, used: number, code: string, more: Partial<DemoLot> = {}): DemoLot => ({ product, colour, litres, used, code, hardenerRich: 1, madeDaysAgo: 120, place: 'steel cabinet, shed 2', ...more }); // biome-ignore format: one line

export const DEMO_LOTS: readonly DemoLot[] = [
  kit('Thrift Barrier', 'grey', 15, 4.2, 'TB 4471 '),
  kit('Thrift Barrier', 'white', 10, 1.5, 'TB 4480 '),
  kit('Marram Grey Primer', 'grey', 10, 2.4, 'MG 203 ', { hardenerRich: 1.28 }),
  kit('Samphire Two Gloss', 'white', 2.5, 0.9, 'SG 91 '),
  kit('Kelpie Bilge Epoxy', 'white', 2.5, 0.7, 'KB 17 '),
  kit('Samphire Enamel', 'buff', 0.75, 0, 'SE 08 ', { madeDaysAgo: 900, place: 'shelf over the bench' }),
  kit('Samphire Undercoat', 'grey', 2.5, 1.1, 'SU 33 '),
];

/** Kept back unmixed for a patch under a stand. */
export const DEMO_KEEP_BACK = {
  product: 'Thrift Barrier',
  area: 'Bottom port, under port aft',
  litres: 0.15,
};

export const DEMO_ORDER = { product: 'Dulse Clear Water', colour: 'black', price: 27_840 };

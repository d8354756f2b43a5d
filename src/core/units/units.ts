import { finite } from './quantityError.ts';

/**
 * Units of measure and their size in the canonical unit of their quantity.
 *
 * Canonical: metre, square metre, litre, kilogram, micrometre of film, degree Celsius, m²/l,
 * metre per second, millimetre of rain. Factors are exact by definition where a definition exists
 * (inch, US and imperial gallon, pound: NIST Special Publication 811, appendix B).
 */
const FT = 0.3048;
const US_GAL = 3.785411784;

interface UnitDef {
  readonly quantity: Quantity;
  /** canonical = value × factor + offset */
  readonly factor: number;
  readonly offset?: number;
  readonly symbol: string;
  /** Further spellings a person may type. */
  readonly alias?: readonly string[];
}

export type Quantity =
  | 'length'
  | 'area'
  | 'volume'
  | 'mass'
  | 'film'
  | 'temperature'
  | 'temperatureDifference'
  | 'spreadingRate'
  | 'speed'
  | 'rain'
  | 'density';

const UNITS = {
  m: { quantity: 'length', factor: 1, symbol: 'm' },
  cm: { quantity: 'length', factor: 0.01, symbol: 'cm' },
  mm: { quantity: 'length', factor: 0.001, symbol: 'mm' },
  ft: { quantity: 'length', factor: FT, symbol: 'ft', alias: ["'", 'foot', 'feet'] },
  in: { quantity: 'length', factor: FT / 12, symbol: 'in', alias: ['"', 'inch', 'inches'] },
  m2: { quantity: 'area', factor: 1, symbol: 'm²', alias: ['sqm'] },
  ft2: { quantity: 'area', factor: FT * FT, symbol: 'ft²', alias: ['sqft', 'sq ft'] },
  l: { quantity: 'volume', factor: 1, symbol: 'l', alias: ['L', 'litre', 'litres'] },
  ml: { quantity: 'volume', factor: 0.001, symbol: 'ml', alias: ['mL', 'cc'] },
  usgal: { quantity: 'volume', factor: US_GAL, symbol: 'US gal', alias: ['gal'] },
  usqt: { quantity: 'volume', factor: US_GAL / 4, symbol: 'US qt', alias: ['qt'] },
  usfloz: { quantity: 'volume', factor: US_GAL / 128, symbol: 'US fl oz', alias: ['fl oz', 'floz'] },
  impgal: { quantity: 'volume', factor: 4.54609, symbol: 'imp gal' },
  kg: { quantity: 'mass', factor: 1, symbol: 'kg' },
  g: { quantity: 'mass', factor: 0.001, symbol: 'g' },
  lb: { quantity: 'mass', factor: 0.45359237, symbol: 'lb' },
  oz: { quantity: 'mass', factor: 0.45359237 / 16, symbol: 'oz' },
  um: { quantity: 'film', factor: 1, symbol: 'µm', alias: ['μm', 'micron', 'microns'] },
  mil: { quantity: 'film', factor: 25.4, symbol: 'mil', alias: ['mils', 'thou'] },
  degC: { quantity: 'temperature', factor: 1, symbol: '°C', alias: ['C', 'c'] },
  degF: { quantity: 'temperature', factor: 5 / 9, offset: -160 / 9, symbol: '°F', alias: ['F', 'f'] },
  K: { quantity: 'temperatureDifference', factor: 1, symbol: '°C' },
  dF: { quantity: 'temperatureDifference', factor: 5 / 9, symbol: '°F' },
  m2PerL: { quantity: 'spreadingRate', factor: 1, symbol: 'm²/l' },
  ft2PerUsgal: { quantity: 'spreadingRate', factor: (FT * FT) / US_GAL, symbol: 'ft²/US gal' },
  mPerS: { quantity: 'speed', factor: 1, symbol: 'm/s' },
  kn: { quantity: 'speed', factor: 1852 / 3600, symbol: 'kn' },
  mmRain: { quantity: 'rain', factor: 1, symbol: 'mm' },
  inRain: { quantity: 'rain', factor: 25.4, symbol: 'in' },
  kgPerL: { quantity: 'density', factor: 1, symbol: 'kg/l' },
  lbPerUsgal: { quantity: 'density', factor: 0.45359237 / US_GAL, symbol: 'lb/US gal' },
} as const satisfies Record<string, UnitDef>;

export type Unit = keyof typeof UNITS;

/** The definition of a unit: its quantity, factor, symbol and spellings. */
export function unitDef(unit: Unit): UnitDef {
  return UNITS[unit];
}

/** `value` in `unit` to the canonical unit. `toCanonical(4, 'mil')` → 101.6 (µm). */
export function toCanonical(value: number, unit: Unit): number {
  const def: UnitDef = UNITS[unit];
  return finite(`figure in ${def.symbol}`, value) * def.factor + (def.offset ?? 0);
}

/** Canonical value to `unit`. `fromCanonical(100, 'degF')` → 212. */
export function fromCanonical(value: number, unit: Unit): number {
  const def: UnitDef = UNITS[unit];
  return (finite(`figure to be shown in ${def.symbol}`, value) - (def.offset ?? 0)) / def.factor;
}

/** The unit of `quantity` that `text` spells, or undefined. */
export function unitSpelled(quantity: Quantity, text: string): Unit | undefined {
  const wanted = text.trim();
  for (const [key, def] of Object.entries(UNITS) as [Unit, UnitDef][]) {
    if (def.quantity !== quantity) continue;
    if (key === wanted || def.symbol === wanted || def.alias?.includes(wanted)) return key;
  }
  return undefined;
}

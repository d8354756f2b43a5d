import type { UnitSystem } from '../../core/units/index.ts';

/** Heights on a mark sheet: millimetres, or inches for who measures in them. */
export interface HeightUnit {
  symbol: string;
  /** Millimetres in one. */
  mm: number;
  digits: number;
}

export const heightUnit = (system: UnitSystem): HeightUnit =>
  system === 'us' ? { symbol: 'in', mm: 25.4, digits: 2 } : { symbol: 'mm', mm: 1, digits: 0 };

/** A height for reading: −0 is 0. */
export function sayHeight(mm: number, unit: HeightUnit): string {
  return (mm / unit.mm)
    .toFixed(unit.digits)
    .replace(/^-(0(?:\.0+)?)$/, '$1')
    .replace('-', '−');
}

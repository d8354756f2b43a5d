import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  fieldText,
  figure,
  formatQuantity,
  fromCanonical,
  parseQuantity,
  positive,
  type Quantity,
  QuantityError,
  shownUnit,
  toCanonical,
  type Unit,
  type UnitSystem,
  unitDef,
  within,
} from './index.ts';

const QUANTITIES: Quantity[] = [
  'length',
  'area',
  'volume',
  'mass',
  'film',
  'temperature',
  'temperatureDifference',
  'spreadingRate',
  'speed',
  'rain',
  'density',
];
const SYSTEMS: UnitSystem[] = ['metric', 'us'];
const size = fc.double({ min: 0.01, max: 9999, noNaN: true });

describe('there and back', () => {
  it('every unit of every quantity, in both systems', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...QUANTITIES),
        fc.constantFrom(...SYSTEMS),
        size,
        (quantity, system, value) => {
          const unit = shownUnit(quantity, system);
          expect(unitDef(unit).quantity).toBe(quantity);
          expect(fromCanonical(toCanonical(value, unit), unit) / value).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('what a form shows is read back to six figures', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...QUANTITIES),
        fc.constantFrom(...SYSTEMS),
        size,
        (quantity, system, canonical) => {
          const text = fieldText(fromCanonical(canonical, shownUnit(quantity, system)));
          const back = parseQuantity(text, quantity, system);
          // Temperatures have a zero of their own: six figures of the shown degrees.
          expect(Math.abs(back - canonical)).toBeLessThan(Math.max(Math.abs(canonical), 20) * 1e-5);
        },
      ),
    );
  });

  it('what is shown with its unit is read back in either system', () => {
    for (const [value, quantity] of [
      [2.5, 'length'],
      [0.25, 'volume'],
      [120, 'film'],
      [18, 'temperature'],
      [12, 'area'],
    ] as const) {
      for (const shown of SYSTEMS) {
        for (const typed of SYSTEMS) {
          const text = formatQuantity(value, quantity, shown);
          expect(Math.abs(parseQuantity(text, quantity, typed) / value - 1)).toBeLessThan(0.01);
        }
      }
    }
  });
});

describe('sizes a yard knows by heart (common practice, no source)', () => {
  it.each<[string, number, Unit]>([
    ['a US gallon is 3.785 litres', 3.785411784, 'usgal'],
    ['an imperial gallon is 4.546 litres', 4.54609, 'impgal'],
    ['a foot is 0.3048 m', 0.3048, 'ft'],
    ['a knot is 0.514 m/s', 0.514444, 'kn'],
    ['400 ft² a US gallon is 9.8 m²/l', 9.8169 / 400, 'ft2PerUsgal'],
  ])('%s', (_what, canonical, unit) => {
    expect(toCanonical(1, unit) / canonical).toBeCloseTo(1, 4);
  });
  it('freezing and a warm day', () => {
    expect(fromCanonical(0, 'degF')).toBeCloseTo(32, 9);
    expect(fromCanonical(27, 'degF')).toBeCloseTo(80.6, 9);
    // A difference has no zero of its own: 3.3 °C are 6 °F (handbook part 9).
    expect(fromCanonical(10 / 3, 'dF')).toBeCloseTo(6, 9);
  });
});

describe('figures without false precision', () => {
  it.each([
    [1520, '1520'],
    [152.04, '152'],
    [15.204, '15.2'],
    [1.5204, '1.52'],
    [0.04174, '0.042'],
    [2, '2'],
    [-0.0001, '0'],
    [0, '0'],
  ])('%s is shown as %s', (value, text) => {
    expect(figure(value)).toBe(text);
  });
  it('a form’s figure loses nothing that was typed', () => {
    for (const text of ['1.075', '0.05', '12.345', '100', '0.003937'])
      expect(fieldText(Number(text))).toBe(text);
  });
  it('temperatures keep their tenth, and never read "-0.0"', () => {
    expect(formatQuantity(-0.01, 'temperature', 'metric')).toBe('0.0 °C');
    expect(formatQuantity(20, 'temperature', 'metric', { digits: 0 })).toBe('20 °C');
  });
});

describe('what cannot be used is named', () => {
  it('quantity, value and limit are there for a program too', () => {
    const caught = (() => {
      try {
        return within('beam', -3, 0, 40);
      } catch (error) {
        return error;
      }
    })();
    expect(caught).toBeInstanceOf(QuantityError);
    expect(caught).toMatchObject({ quantity: 'beam', value: -3, limit: 'between 0 and 40' });
  });
  it.each([
    [0, 'Beam must be above 0, but is 0'],
    [-1, 'Beam must be above 0, but is -1'],
    [Number.NaN, 'Beam must be above 0, but is NaN'],
    [Number.POSITIVE_INFINITY, 'Beam must be between 0 and 40, but is Infinity'],
  ])('%s', (value, message) => {
    expect(() => positive('beam', value, 40)).toThrow(message);
  });
});

import { describe, expect, it } from 'vitest';
import {
  degrees,
  film,
  formatQuantity,
  fromCanonical,
  monthsLater,
  parseNumber,
  parseQuantity,
  sentence,
  toCanonical,
  within,
  writeSentence,
} from './index.ts';

// NIST Special Publication 811, appendix B; the same figures stand in the handbook, part 6.
describe('units are those of the published tables', () => {
  it.each([
    [1, 'mil', 25.4],
    [1, 'usgal', 3.785411784],
    [1, 'impgal', 4.54609],
    [1, 'ft', 0.3048],
    [1, 'lb', 0.45359237],
    [212, 'degF', 100],
    [-40, 'degF', -40],
  ] as const)('%s %s', (value, unit, canonical) => {
    expect(toCanonical(value, unit)).toBeCloseTo(canonical, 9);
    expect(fromCanonical(canonical, unit)).toBeCloseTo(value, 9);
  });

  it('US volumes are said in the largest unit that is whole once: ounces, quarts, gallons', () => {
    const say = (litres: number) => formatQuantity(litres, 'volume', 'us');
    expect([0.5, 0.924, 0.946353, 2, 3.785412, 5].map(say)).toEqual([
      '16.9 US fl oz',
      '31.2 US fl oz',
      '1 US qt',
      '2.11 US qt',
      '1 US gal',
      '1.32 US gal',
    ]);
  });
  it('1 US fl oz is 29.5735 ml, 1 US qt 0.946353 l', () => {
    expect(toCanonical(1, 'usfloz')).toBeCloseTo(0.0295735, 6);
    expect(toCanonical(1, 'usqt')).toBeCloseTo(0.946353, 6);
  });
});

describe('figures as a person reads and types them', () => {
  it('shows small volumes in small units and films in the chosen system', () => {
    expect(formatQuantity(0.25, 'volume', 'metric')).toBe('250 ml');
    expect(formatQuantity(100, 'film', 'us')).toBe('3.94 mil');
    expect(formatQuantity(20, 'temperature', 'us')).toBe('68.0 °F');
  });

  it('takes a comma, a named unit, or the shown unit', () => {
    expect(parseQuantity('12,5', 'length', 'metric')).toBe(12.5);
    expect(parseQuantity('10 mil', 'film', 'metric')).toBeCloseTo(254);
    expect(parseQuantity('100', 'area', 'us')).toBeCloseTo(9.290304);
  });

  it('refuses words, nothing, and units of another quantity', () => {
    // As it is said in a yard; sizes exact by definition [S: NIST SP 811, appendix B].
    expect(parseQuantity('5 ft 6 in', 'length', 'metric')).toBeCloseTo(66 * 0.0254, 12);
    expect(parseQuantity(`-5' 6 1/2"`, 'length', 'metric')).toBeCloseTo(-66.5 * 0.0254, 12);
    expect(parseQuantity('1/2 gal', 'volume', 'metric')).toBeCloseTo(3.785411784 / 2, 12);
    expect(parseQuantity('1 gal 2 qt', 'volume', 'metric')).toBeCloseTo(1.5 * 3.785411784, 12);
    expect(parseQuantity('6 fl oz', 'volume', 'metric')).toBeCloseTo((6 * 3.785411784) / 128, 12);
    expect(parseQuantity('2 1/2', 'length', 'metric')).toBe(2.5);
    for (const wrong of ['6 in 5 ft', '5 ft 6 kg', '5 ft 6', '5 ft -6 in', '1/0 gal', '5 °C 3 °C'])
      expect(() => parseQuantity(wrong, wrong.includes('C') ? 'temperature' : 'length', 'metric')).toThrow(
        RangeError,
      );
    expect(() => parseQuantity('twelve', 'length', 'metric')).toThrow('“twelve” isn’t a number');
    expect(() => parseQuantity(' ', 'length', 'metric')).toThrow('is required');
    expect(() => parseQuantity('3 kg', 'length', 'metric')).toThrow('“kg” isn’t a unit of length');
  });

  it('names quantity, value and limit', () => {
    expect(() => within('relative humidity', 1.3, 0, 1)).toThrow(
      'Relative humidity must be between 0 and 1, but is 1.3',
    );
    expect(() => within('area', Number.NaN, 0, 1)).toThrow('Area must be between 0 and 1, but is NaN');
  });
});

describe('a sentence with figures', () => {
  const text = sentence`below ${degrees(5)} it stops; ${film(101.6)} a coat, ${3} coats`;
  it('is read in the units of whoever reads it', () => {
    expect(writeSentence(text, 'metric')).toBe('below 5 °C it stops; 102 µm a coat, 3 coats');
    expect(writeSentence(text, 'us')).toBe('below 41 °F it stops; 4 mil a coat, 3 coats');
    expect(writeSentence('no figures', 'us')).toBe('no figures');
  });
});

describe('a separator that could be either', () => {
  it.each(['1,500', '12,345', '-1,500 ft'])('%s is asked about', (typed) => {
    expect(() => parseQuantity(typed, 'length', 'us')).toThrow('did you mean');
  });
  it.each([
    ['1500', 1500],
    ['1.500', 1.5],
    ['1,5', 1.5],
    ['0,125', 0.125],
    ['1,500.5', 1500.5],
    ['1.500,5', 1500.5],
    ['1,500,000', 1_500_000],
    ['1234,567', 1234.567],
    ['−3', -3],
  ])('%s is %s', (typed, value) => {
    expect(parseNumber(typed)).toBe(value);
  });
  it.each(['', '.', '1.2.3', '1,2,3', '12e'])('%s is no number', (typed) => {
    expect(() => parseNumber(typed)).toThrow(RangeError);
  });
});

it('months are those of the calendar: the last of January and one month is the last of February; leap years, half months', () => {
  const day = (text: string) => Date.parse(`${text}T10:00:00Z`);
  const later = (text: string, months: number) => new Date(monthsLater(day(text), months)).toISOString();
  expect(later('2026-01-31', 1)).toBe('2026-02-28T10:00:00.000Z');
  expect(later('2028-01-31', 1)).toBe('2028-02-29T10:00:00.000Z');
  expect(later('2026-11-30', 24)).toBe('2028-11-30T10:00:00.000Z');
  expect(later('2026-03-15', 0)).toBe('2026-03-15T10:00:00.000Z');
  expect(monthsLater(day('2026-03-15'), 0.5) - day('2026-03-15')).toBeCloseTo(15.22 * 86_400_000, -3);
});

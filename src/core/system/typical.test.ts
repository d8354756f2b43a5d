import { describe, expect, it } from 'vitest';
import { productSheet, strict } from '../../contract/index.ts';
import { checkCurve } from '../cure/index.ts';
import {
  FAMILIES,
  type Family,
  restsOn,
  sheetNotes,
  stillTypical,
  TWO_PACKS,
  typicalSheet,
  unconfirmed,
  usualColours,
} from './index.ts';

const families = Object.keys(FAMILIES) as Family[];

it('primers and barriers alternate, so that a miss shows; what stays in sight and antifouling never do (common practice, no source)', () => {
  const names = ['grey', 'white', 'red'];
  const two = families.filter((family) => usualColours(family, names).length === 2);
  expect(two).toEqual(expect.arrayContaining(['epoxy-primer', 'epoxy-barrier', 'one-pack-primer']));
  expect(two.filter((family) => /enamel|polyurethane|varnish|finish|bilge|antifouling/.test(family))).toEqual(
    [],
  );
});

describe('sheets to begin with, every figure from memory [M]', () => {
  it.each(families)('%s: taken at the border, without a contradiction, and marked so', (family) => {
    const sheet = typicalSheet(family);
    expect(productSheet.validate(sheet, strict).error).toBeUndefined();
    expect(sheetNotes(sheet)).toEqual([]);
    for (const rule of sheet.cure.overcoat)
      checkCurve('minimum', { points: rule.min, stopC: sheet.cure.stopC });
    expect(sheet.typical).toEqual(
      expect.arrayContaining(['volumeSolids', 'film', 'stopC', 'overcoat', 'events']),
    );
    // A ratio nobody confirmed is never mistaken for the tin's.
    expect(sheet.typical?.includes('ratio')).toBe(sheet.parts.length > 1);
    expect(sheet.parts.length > 1).toBe(TWO_PACKS.includes(family) || family === 'polyester-filler');
  });
  it('a figure says what it rests on; what is typed anew, or confirmed, it rests on no more', () => {
    const before = typicalSheet('epoxy-barrier');
    expect(restsOn(before, 'litres')).toEqual(['volumeSolids', 'film']);
    expect(restsOn(before, 'mix')).toEqual(['ratio', 'inductionMin', 'potLife']);
    const typical = stillTypical(before, { ...before, volumeSolids: 0.62 });
    expect(restsOn({ typical }, 'litres')).toEqual(['film']);
    expect(restsOn({}, 'window')).toEqual([]);
    // A coat applied by the sheet as it was: confirmed since as it was, or found otherwise.
    const confirmed = { ...before, typical: ['film' as const] };
    expect(unconfirmed(before, confirmed)).toEqual(['film']);
    expect(unconfirmed(before, { ...confirmed, volumeSolids: 0.7 })).toEqual(['volumeSolids', 'film']);
  });
});

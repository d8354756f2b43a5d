import { describe, expect, it } from 'vitest';
import { judgeFinding, type Reading } from './index.ts';

const reading = (kind: Reading['kind'], value: number | null, over: Partial<Reading> = {}): Reading => ({
  kind,
  value,
  grade: null,
  limit: null,
  ...over,
});

describe('what a finding means', () => {
  it.each([
    ['salt of 50 mg/m² is the most that immersed steel may carry (IMO PSPC)', reading('salt', 50), 'fine'],
    ['51 is too much', reading('salt', 51), 'bad'],
    [
      'old paint of adhesion grade 2 may stay (ISO 2409 grades, common practice)',
      reading('adhesion', 2),
      'fine',
    ],
    ['grade 3 comes off', reading('adhesion', 3), 'bad'],
    ['rust grade D is blasted (ISO 8501-1)', reading('rust', null, { grade: 'D' }), 'bad'],
    ['a plate is judged only against a least thickness', reading('plate', 4), 'noted'],
    ['below it, it is repaired first', reading('plate', 4, { limit: 4.5 }), 'bad'],
    ['a moisture meter is relative: no limit, no verdict', reading('moisture', 22), 'noted'],
    ['one blister is one to open', reading('blisters', 1), 'bad'],
    ['a profile below what the sheet wants is blasted again', reading('profile', 45, { limit: 50 }), 'bad'],
    ['one that reaches it will do', reading('profile', 50, { limit: 50 }), 'fine'],
    [
      'paint that softens under solvent is a one-pack, which no two-pack goes over',
      reading('solvent-rub', null, { grade: 'softens' }),
      'watch',
    ],
    ['paint that stays hard is a two-pack', reading('solvent-rub', null, { grade: 'hard' }), 'fine'],
    ['converter all black is scuffed and primed', reading('converter', 2, { grade: 'black' }), 'fine'],
    ['red after the second coat wants a third', reading('converter', 2, { grade: 'red' }), 'watch'],
    ['red after the third comes back', reading('converter', 3, { grade: 'red' }), 'bad'],
    ['a remark without a reading is noted', reading('other', null), 'noted'],
  ] as const)('%s', (_, given, verdict) => {
    expect(judgeFinding(given).verdict).toBe(verdict);
  });
  it.each([
    [reading('adhesion', 6), 'Adhesion grade must be between 0 and 5, but is 6'],
    [reading('adhesion', 1.5), 'Adhesion grade must be a whole number from 0 to 5, but is 1.5'],
    [reading('rust', 1), 'Rust grade must be one of A, B, C, D, but is null'],
    [reading('salt', Number.NaN), 'Salt (mg/m²) must be between 0 and 10000, but is NaN'],
    [reading('solvent-rub', null, { grade: 'red' }), 'Solvent rub must be one of hard, softens, but is red'],
    [reading('converter', null, { grade: 'red' }), 'Coats of converter must be between 1 and 20, but is NaN'],
    [reading('plate', null), 'Plate thickness (mm) must be entered, but is null'],
  ])('refused: %o', (given, message) => {
    expect(() => judgeFinding(given)).toThrow(message);
  });
});

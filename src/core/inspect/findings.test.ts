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
    [reading('adhesion', 6), 'adhesion grade 6 is outside 0–5'],
    [reading('adhesion', 1.5), 'adhesion grade 1.5 is outside whole grades 0–5'],
    [reading('rust', 1), 'rust grade null is outside A, B, C, D'],
    [reading('salt', Number.NaN), 'salt (mg/m²) NaN is outside 0–10000'],
    [reading('solvent-rub', null, { grade: 'red' }), 'solvent rub red is outside hard, softens'],
    [reading('converter', null, { grade: 'red' }), 'coats of converter NaN is outside 1–20'],
    [reading('plate', null), 'plate thickness (mm) null is outside what was read'],
  ])('refused: %o', (given, message) => {
    expect(() => judgeFinding(given)).toThrow(message);
  });
});

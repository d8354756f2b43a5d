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
    ['a remark without a reading is noted', reading('other', null), 'noted'],
  ] as const)('%s', (_, given, verdict) => {
    expect(judgeFinding(given).verdict).toBe(verdict);
  });
  it.each([
    [reading('adhesion', 6), 'adhesion grade 6 is outside 0–5'],
    [reading('adhesion', 1.5), 'adhesion grade 1.5 is outside whole grades 0–5'],
    [reading('rust', 1), 'rust grade null is outside A–D'],
    [reading('salt', Number.NaN), 'salt (mg/m²) NaN is outside 0–10000'],
    [reading('plate', null), 'plate thickness (mm) null is outside what was read'],
  ])('refused: %o', (given, message) => {
    expect(() => judgeFinding(given)).toThrow(message);
  });
});

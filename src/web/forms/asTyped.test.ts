import { expect, it } from 'vitest';
import { asTyped } from './asTyped.ts';

it('a fraction is refused in per cent, as it was typed; other figures as they are', () => {
  expect(asTyped('volume solids (fraction) 52 is above the limit of 1')).toBe(
    'volume solids (%) 5200 is above the limit of 100',
  );
  expect(asTyped('thinner (fraction) 0.6 is outside 0–0.5')).toBe(
    'Thinner (%) must be between 0 and 50, but is 60',
  );
  expect(asTyped('litres used (l) 0.6 is above the limit of 0.5')).toBe(
    'litres used (l) 0.6 is above the limit of 0.5',
  );
});

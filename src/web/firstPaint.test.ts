import { expect, it } from 'vitest';
import { firstPaintBytes } from '../../test/firstPaint.ts';

it('the script for the first screen is within its budget of 165 kB gzipped', () => {
  expect(firstPaintBytes()).toBeLessThan(165_000);
});

import { expect, it } from 'vitest';
import { aProduct } from '../../../test/examples.ts';
import { cleanUp } from './cleanUp.ts';

const [MIXED, ONE_PACK] = [aProduct({ thinner: { name: 'Thinner E', maxFraction: 0.05 } }).sheet, aProduct({ parts: [{ name: 'paint', ratio: 1, densityKgPerL: null }], thinner: null }).sheet]; // biome-ignore format: one line

it('tools are cleaned at once with what the paint takes; only a mixed pot can get hot (handbook part 7)', () => {
  expect(cleanUp(MIXED, 'roller')[0]).toMatch(/^Clean the roller frame and tray now with Thinner E/);
  expect(cleanUp(MIXED, 'airless-spray')[0]).toMatch(/^Flush the pump, hoses and gun now/);
  expect(cleanUp({ ...ONE_PACK, family: 'waterborne-acrylic' }, 'brush')[0]).toMatch(
    /brushes now with water,/,
  );
  expect(cleanUp(ONE_PACK, 'aerosol')).toEqual(['Turn the can upside down and clear its nozzle.']);
  expect(cleanUp(MIXED, 'brush').join(' ')).toMatch(/set outside.*Never pour it back/);
  expect(cleanUp(ONE_PACK, 'brush').join(' ')).not.toMatch(/pot/);
});

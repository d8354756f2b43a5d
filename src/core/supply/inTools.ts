import { METHODS, type Method } from '../film/index.ts';
import { positive, QuantityError } from '../units/index.ts';

/**
 * Paint that is left in roller, tray and pot when a session ends, l [M]: a roller cover and its tray a decilitre, a brush a
 * fifth of that, a gun's hose half a litre, a trowel and its board half a decilitre.
 */
const RESIDUE_L: Record<Method, number> = {
  brush: 0.02,
  roller: 0.1,
  'roll-and-tip': 0.12,
  'conventional-spray': 0.1,
  'airless-spray': 0.5,
  trowel: 0.05,
  aerosol: 0,
};
/** Of a pot smaller than that no more than this is left: it is wiped out [M]. */
const MOST_OF_IT = 0.25;

/**
 * Paint left in the tools after a session that applied so many litres. 4 l by roller: 0.1 l; 0.1 l by roller: 25 ml.
 *
 * @throws {QuantityError} on a method that is none, or litres that cannot be
 */
export const residueLitres = (method: Method, litres: number): number =>
  Math.min(RESIDUE_L[known(method)], MOST_OF_IT * positive('Litres per session', litres, 100_000));

/** Thinner to clean up with, l a session: 0.3 of a roller, 1 of a gun [T/M, handbook part 19]; brush and trowel as a roller. */
export const cleaningLitres = (method: Method): number => {
  if (known(method) === 'aerosol') return 0;
  return method === 'conventional-spray' || method === 'airless-spray' ? 1 : 0.3;
};

function known(method: Method): Method {
  if (!METHODS.includes(method)) throw new QuantityError('method', method, `one of ${METHODS.join(', ')}`);
  return method;
}

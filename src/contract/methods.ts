import type { Method } from '../core/film/index.ts';
import { oneOf } from './joi.ts';

/** Every way of applying a coat: the type checker sees that none is forgotten. */
export const methods = oneOf<Method>({
  brush: true,
  roller: true,
  'roll-and-tip': true,
  'conventional-spray': true,
  'airless-spray': true,
  trowel: true,
  aerosol: true,
});

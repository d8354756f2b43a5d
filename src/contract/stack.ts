import Joi from 'joi';
import type { Method } from '../core/film/index.ts';
import { above0, between, id, objectOf, oneOf } from './joi.ts';

/** One step of an area's system: a product in so many coats. */
export interface Step {
  id: string;
  productId: string;
  coats: number;
  dryMicronsPerCoat: number;
  method: Method;
  /** Fraction of the mixed paint. */
  thinner: number;
  /** Colours by name, used in turn from coat to coat. */
  colours: string[];
}

export interface StackInput {
  steps: Step[];
  version: number;
}

export const stackInput = objectOf<StackInput>({
  steps: Joi.array()
    .items(
      objectOf<Step>({
        id: id().required(),
        productId: id().label('product').required(),
        coats: between('coats', 1, 20).integer().required(),
        dryMicronsPerCoat: above0('dry film a coat (µm)', 5000).required(),
        method: oneOf<Method>({
          brush: true,
          roller: true,
          'roll-and-tip': true,
          'conventional-spray': true,
          'airless-spray': true,
        })
          .label('method')
          .required(),
        thinner: between('thinner (fraction)', 0, 0.5).required(),
        colours: Joi.array().items(Joi.string().max(80)).min(1).max(6).label('colours').required(),
      }),
    )
    .max(30)
    .unique('id')
    .label('steps')
    .required(),
  version: Joi.number().integer().min(1).required(),
});

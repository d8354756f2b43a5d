import type Joi from 'joi';
import { strict } from '../../contract/index.ts';
import { badFields } from './problem.ts';

/** The body, query or param as the contract describes it, or a 422 naming every field at fault. */
export function accept<T>(schema: Joi.Schema<T>, value: unknown): T {
  const result = schema.validate(value ?? {}, strict);
  if (!result.error) return result.value as T;
  throw badFields(
    result.error.details.map((detail) => ({
      path: detail.path.join('.'),
      message: detail.message,
    })),
  );
}

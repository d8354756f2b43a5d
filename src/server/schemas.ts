import parse from 'joi-to-json';
import { productSheet } from '../contract/index.ts';

/** The published JSON Schema of a product sheet's file, from the same schema that guards the border. */
export function productSheetSchema(): object {
  return {
    $schema: 'https://json-schema.org/draft/2019-09/schema',
    title: 'Jack Plane product sheet',
    description:
      'A product’s data sheet; canonical units: litres, kg/l, µm, °C, minutes; null is “not stated”.',
    type: 'object',
    required: ['format', 'name', 'sheet'],
    additionalProperties: false,
    properties: {
      format: { const: 'jack-plane/product-sheet' },
      name: { type: 'string', minLength: 1, maxLength: 80 },
      sheet: parse(productSheet, 'json-draft-2019-09'),
    },
  };
}

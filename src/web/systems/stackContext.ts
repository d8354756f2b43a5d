import type { Area, Product } from '../../contract/index.ts';

/** What the parts of a stack's editor know of the area they are on. */
export interface StackContext {
  area: Area;
  areaM2: number;
  spread: number;
  products: readonly Product[];
  laid: Record<string, number>;
  /** Dry film of each coat that lies, by step, µm. */
  asLaid: Record<string, number[]>;
}

import type { ProductCatalogue } from '../rows/products.ts';
import type { AreaSnapshot } from './areaStates.ts';

const behind = new WeakMap<AreaSnapshot, { catalogue: ProductCatalogue; word: string }>();

/**
 * The sheets that an area's clock and its need go by, and the pace learned for its film, as a word that changes with any of
 * them: what was worked out for an area holds as long as it stays.
 */
export function sheetsBehind(state: AreaSnapshot, catalogue: ProductCatalogue): string {
  const kept = behind.get(state);
  if (kept?.catalogue === catalogue) return kept.word;
  const word = madeWord(state, catalogue);
  behind.set(state, { catalogue, word });
  return word;
}

function madeWord({ steps, coats }: AreaSnapshot, { latest, paceOf }: ProductCatalogue): string {
  const ids = new Set([...steps.map((s) => s.productId), ...coats.map((c) => c.body.productId)]);
  const top = coats.at(-1)?.body;
  const pace = top ? paceOf(top.productId, top.method) : 1;
  return `${[...ids].map((id) => `${id}@${latest.get(id)?.version}`).join()} ${pace}`;
}

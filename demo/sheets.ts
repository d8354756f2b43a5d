import type { ProductSheet } from '../src/core/system/index.ts';
import { EPOXIES } from './sheets/epoxies.ts';
import { FINISHES } from './sheets/finishes.ts';
import { IMMERSED } from './sheets/immersed.ts';
import { MORE_EPOXIES } from './sheets/moreEpoxies.ts';
import { MORE_FINISHES } from './sheets/moreFinishes.ts';

/** Invented prices a litre, in the yard's money. */
const PRICE: Partial<Record<ProductSheet['family'], number>> = {
  'two-pack-polyurethane': 62,
  'hard-antifouling': 48,
  'ablative-antifouling': 52,
  'copper-free-antifouling': 64,
  'epoxy-barrier': 34,
  'one-pack-enamel': 31,
  varnish: 36,
};

/** Small, usual and large packs at what an invented chandler asks for them. */
function packsOf({ family, packs }: ProductSheet): ProductSheet['packs'] {
  if (packs.length > 0) return packs;
  const perLitre = PRICE[family] ?? 27;
  return [
    { litres: 0.75, price: Math.round(perLitre * 0.75 * 1.25) },
    { litres: 2.5, price: Math.round(perLitre * 2.5) },
    { litres: 5, price: Math.round(perLitre * 5 * 0.92) },
  ];
}

/** The whole invented range. */
export const SHEETS: Record<string, ProductSheet> = Object.fromEntries(
  Object.entries({ ...EPOXIES, ...FINISHES, ...IMMERSED, ...MORE_EPOXIES, ...MORE_FINISHES }).map(
    ([name, sheet]) => [name, { ...sheet, packs: packsOf(sheet), shelfMonths: sheet.shelfMonths ?? 24 }],
  ),
);

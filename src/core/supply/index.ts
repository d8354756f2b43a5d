export {
  type BuyablePack,
  type CheapestPacks,
  cheapestPacks,
  type PackSet,
  type PartNeed,
} from './cheapestPacks.ts';

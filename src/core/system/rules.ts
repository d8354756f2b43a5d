import type { Family, Substrate } from './families.ts';
import { ANTIFOULINGS, isIn } from './groups.ts';

/** What an area has to stand; as the survey has it. */
export type ServiceKind = 'immersed' | 'splash' | 'daylight' | 'interior' | 'bilge' | 'tank';

export type Verdict = 'fine' | 'condition' | 'no';
/** How two coats hold together: one film, by tooth, by a tie coat, not at all. */
export type Bond = 'fused' | 'keyed' | 'tie' | 'none';
/** Where a rule comes from: standard, common practice, memory, or the product's sheet. */
export type Mark = 'S' | 'T' | 'M' | 'P';

/** What a coat goes on: a bare substrate, an old coating (known or not), or the coat before it. */
export type Ground =
  | { kind: 'bare'; substrate: Substrate }
  | { kind: 'old'; family: Family | 'unknown' }
  | { kind: 'coat'; family: Family };

/** A coat as the rules see it. */
export interface RuleCoat {
  family: Family;
  /** Holds copper; null: the sheet does not say. */
  copper: boolean | null;
}

/** Everything round a joint that a rule may ask for. */
export interface Joint {
  ground: Ground;
  coat: RuleCoat;
  substrate: Substrate;
  service: ServiceKind;
  /** The window of the coat below has closed. */
  windowClosed: boolean;
  /** What the coat below was itself put on, where that is a coat, old or new; null or left out: bare, or not told. */
  beneath?: Family | 'unknown' | null;
  /** A full barrier lies somewhere below, over all of the area. */
  barrierBelow?: boolean;
  /** The sheet of the coat names the bare metal among its grounds, or what lies on it. */
  sheetNamesMetal?: boolean;
}

export interface Rule {
  id: string;
  verdict: Exclude<Verdict, 'fine'>;
  /** What goes wrong, in the trade's words. */
  reason: string;
  /** What makes it fine, of a condition. */
  condition?: string;
  mark: Mark;
  /** Holds though a sheet names the ground: what no sheet can know of this boat, or what no sheet may allow. */
  never?: true;
  /** Does it speak of this joint? */
  when(joint: Joint): boolean;
}

/** Rules that speak of the whole stack rather than one joint. */
export interface ServiceRule {
  id: string;
  verdict: Exclude<Verdict, 'fine'>;
  reason: string;
  /** What makes it fine, of a condition. */
  condition?: string;
  mark: Mark;
  /** Speaks of the finished stack only: a coat still to come may mend it. */
  ends?: true;
  /** The layers at fault, by index from the ground; none: it does not speak here. */
  at(stack: { families: readonly Family[]; substrate: Substrate; service: ServiceKind }): number[];
}

/** A data sheet’s statement about copper counts for any coating type; without one, antifouling is assumed to contain copper. */
export const isCuprous = ({ family, copper }: RuleCoat): boolean =>
  copper ?? (isIn(ANTIFOULINGS, family) && family !== 'copper-free-antifouling');

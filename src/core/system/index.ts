export {
  checkStack,
  type JudgedLayer,
  type JudgedStack,
  type Judgement,
  judgeJoint,
  type Layer,
  type StackPlace,
} from './checkStack.ts';
export { FAMILIES, type Family, SUBSTRATES, type Substrate } from './families.ts';
export { ANTIFOULINGS, EPOXIES, FILLERS, ONE_PACKS, TOPCOATS, TWO_PACKS } from './groups.ts';
export { type CoatGroup, coatGroups, type LaidCoat, WHOLE_COAT_SHARE } from './laid.ts';
export { layerOf, nearestFine } from './nearestFine.ts';
export {
  type Bond,
  type Ground,
  holdsCopper,
  JOINT_RULES,
  type Joint,
  LEAVE_BARE_REASON,
  type Mark,
  type Rule,
  SERVICE_RULES,
  type ServiceKind,
  type Verdict,
} from './rules.ts';
export {
  type Additive,
  type Cleanliness,
  type Hazard,
  limitsOf,
  lossOf,
  NOT_STATED,
  type Pack,
  type ProductSheet,
} from './sheet.ts';
export { type NextCoat, nextCoat, type StackStep, type StepNeed, stackNeed } from './stack.ts';

export { FAMILIES, type Family, SUBSTRATES, type Substrate } from './families.ts';
export { type CoatGroup, coatGroups, type LaidCoat, WHOLE_COAT_SHARE } from './laid.ts';
export { type Hazard, limitsOf, lossOf, type ProductSheet } from './sheet.ts';
export { type NextCoat, nextCoat, type StackStep, type StepNeed, stackNeed } from './stack.ts';

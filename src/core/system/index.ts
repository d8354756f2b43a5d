export { type AppliedCoat, type CoatGroup, coatGroups, WHOLE_COAT_SHARE } from './applied.ts';
export { type AppliedBond, appliedBond } from './appliedBond.ts';
export { checkStack, type JudgedStack, judgeGrounds, judgeJoint, judgeNext } from './checkStack.ts';
export { type ComparedStep, SANDING_M2_PER_H, type StackFigures, stackFigures } from './compare.ts';
export { FAMILIES, type Family, SUBSTRATES, type Substrate } from './families.ts';
export { fineFigures, type StepFigures } from './fineFigures.ts';
export {
  ANTIFOULINGS,
  EPOXIES,
  FILLERS,
  ONE_PACKS,
  TOPCOATS,
  TREATMENTS,
  TWO_PACKS,
  usualColours,
} from './groups.ts';
export { JOINT_RULES } from './jointRules.ts';
export {
  type JudgedLayer,
  type Judgement,
  type Layer,
  layerOfStep,
  type StackPlace,
} from './layer.ts';
export { layerOf, nearestFine } from './nearestFine.ts';
export { type ProductChange, type ProductOffered, withOtherProducts } from './otherProducts.ts';
export { type PrepStep, prepareFor, prepHours, prepTasks } from './prepareFor.ts';
export { type ProfileUnder, profileUnder } from './profileUnder.ts';
export {
  coatsStanding,
  type Removal,
  type RemovalWay,
  sandedByRemoval,
  stillDone,
} from './removal.ts';
export {
  type Bond,
  type Ground,
  isCuprous,
  type Joint,
  type Mark,
  type Rule,
  type ServiceKind,
  type Verdict,
} from './rules.ts';
export {
  SCHOOLS,
  type School,
  type SchooledStep,
  type SchoolId,
  type SchoolPlace,
  schoolInForce,
  switchSchool,
} from './schools/index.ts';
export { SERVICE_RULES } from './serviceRules.ts';
export {
  type Additive,
  type ByMethod,
  type Cleanliness,
  coatLimitsOf,
  filmOf,
  type Hazard,
  limitsOf,
  lossOf,
  methodsOf,
  NOT_STATED,
  type Pack,
  type ProductSheet,
  TYPICAL_FIELDS,
  type TypicalField,
  thinnerOf,
} from './sheet.ts';
export { coatsStillNeeded, type SheetNote, sheetNotes } from './sheetNotes.ts';
export {
  firstFilm,
  isConverted,
  type NextCoat,
  nextCoat,
  type StackStep,
  type StepNeed,
  stackNeed,
} from './stack.ts';
export {
  type Band,
  coatsWanted,
  colourOf,
  type LayOrder,
  type Overrule,
  type OwnRatio,
  type PlannedAdditive,
  type PlannedTask,
  type SchoolTask,
  type StepPlan,
  type StepTask,
  sandedBefore,
  stepAreaM2,
  type TaskKind,
} from './step.ts';
export {
  type FilledStep,
  fillTemplate,
  TEMPLATES,
  type Template,
  type TemplateStep,
  templatesFor,
} from './templates/index.ts';
export { type RestingFigure, restsOn, stillTypical, typicalSheet, unconfirmed } from './typical.ts';
export { WHOLE_RULES } from './wholeFilm.ts';
export {
  BETWEEN,
  type DoneTask,
  type DueTask,
  KEY,
  sandedAt,
  taskState,
  WASH,
  waitsUntil,
  workBefore,
} from './work.ts';

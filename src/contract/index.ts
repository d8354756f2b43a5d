export * from './area.ts';
export type * from './benchView.ts';
export * from './boat.ts';
export * from './changes.ts';
export type * from './coatAir.ts';
export * from './form.ts';
export * from './formats/marksCsv.ts';
export * from './formats/offsetsCsv.ts';
export { writePlanCsv } from './formats/planCsv.ts';
export { planTaskName, planWorkName } from './formats/planTaskName.ts';
export * from './formats/safeCsv.ts';
export * from './formats/sheetsCsv.ts';
export * from './formats/shelters.ts';
export * from './formats/supplyCsv.ts';
export type * from './handView.ts';
export { asSentence, strict } from './joi.ts';
export * from './log.ts';
export type * from './logBodies.ts';
export * from './pace.ts';
export * from './plan.ts';
export * from './planQuestions.ts';
export * from './planRehearsal.ts';
export * from './planView.ts';
export {
  type FieldError,
  PROBLEM_TYPES,
  type Problem,
  type ProblemCode,
  type ProblemKind,
  problemKinds,
  problemType,
} from './problem.ts';
export * from './product.ts';
export * from './replies/bench.ts';
export * from './replies/clocks.ts';
export * from './replies/records.ts';
export * from './replies/stations.ts';
export * from './replies/views.ts';
export * from './running.ts';
export * from './scale.ts';
export * from './shelter.ts';
export * from './stack.ts';
export * from './station.ts';
export * from './strip.ts';
export * from './supply/benchTins.ts';
export * from './supply/buying.ts';
export * from './supply/costs.ts';
export * from './supply/labels.ts';
export * from './supply/lot.ts';
export * from './supply/materials.ts';
export * from './supply/movement.ts';
export * from './supply/stockView.ts';
export * from './supply/tins.ts';
export * from './supply/trade.ts';
export * from './survey.ts';
export type * from './views.ts';
export * from './waterline.ts';
export * from './weather.ts';
export * from './weatherColumns.ts';
export * from './words.ts';
export * from './yard.ts';

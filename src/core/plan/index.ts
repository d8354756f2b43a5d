export { PLAN_ASSUMES } from './assumptions.ts';
export { type BuiltProblem, buildProblem } from './buildProblem.ts';
export { type PlanFault, planFaults } from './planFaults.ts';
export { type NoYardPlan, planYard, type TimedTask, type YardPlan } from './planYard.ts';
export type { NoPlan, Plan, PlanLag, PlanPerson, PlanProblem, PlanTask, Span } from './problem.ts';
export { schedule } from './schedule.ts';
export { SLOT_MS } from './slots.ts';
export type {
  AreaToPlan,
  BoatToPlan,
  CoatToPlan,
  FilmOn,
  PersonToPlan,
  PlannedTask,
  Unplanned,
  WorkToPlan,
  YardToPlan,
} from './yardToPlan.ts';

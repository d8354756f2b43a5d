export { type PlanFault, planFaults } from './planFaults.ts';
export type { NoPlan, Plan, PlanLag, PlanPerson, PlanProblem, PlanTask, Span } from './problem.ts';
export { schedule } from './schedule.ts';

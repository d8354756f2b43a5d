export { PLAN_ASSUMES } from './assumptions.ts';
export { type BuiltProblem, buildProblem } from './buildProblem.ts';
export { cheapestWay, type Way, type WaySought } from './cheapestWay.ts';
export { type FilmGiven, filmIn } from './filmIn.ts';
export type { DrawOutcome } from './followDraw.ts';
export {
  type Chance,
  chanceOf,
  followPlan,
  type LaunchOdds,
  type OddsInput,
  oddsOf,
  type PlanOdds,
  planFollower,
  type Rehearsal,
  rehearse,
} from './odds.ts';
export { overfull, type Stay } from './overfull.ts';
export { placesOf, type TaskPlace } from './placesOf.ts';
export { type PlanFault, planFaults } from './planFaults.ts';
export { type KeptPlan, type PlanMove, planKeeping } from './planKeeping.ts';
export { type PlannedCoat, plannedInOneGo } from './plannedInOneGo.ts';
export { type NoYardPlan, planYard, type TimedTask, type YardPlan } from './planYard.ts';
export type { NoPlan, Plan, PlanLag, PlanPerson, PlanProblem, PlanTask, Span } from './problem.ts';
export { MOST_ORDERS, type Order, type RehearsalMistake, type RehearsalStep } from './rehearsalSteps.ts';
export { schedule } from './schedule.ts';
export { joined, SLOT_MS } from './slots.ts';
export type { PlanSurface } from './surfaceIn.ts';
export { WEATHER_ERRORS, type WeatherErrors, weatherDraws, wetShareOf } from './weatherDraws.ts';
export { type WeatherYard, yardInWeather } from './yardInWeather.ts';
export {
  type AreaToPlan,
  type BoatToPlan,
  type CoatToPlan,
  type FilmOn,
  MOST_SESSIONS,
  type PersonToPlan,
  type PlannedTask,
  type Unplanned,
  type WorkToPlan,
  type YardToPlan,
} from './yardToPlan.ts';

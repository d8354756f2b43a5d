export type { SchooledStep, SchoolPlace } from './practice.ts';
export { SCHOOLS, type School, type SchoolId, type SchoolWay } from './schools.ts';
export { schoolInForce, switchSchool } from './switchSchool.ts';

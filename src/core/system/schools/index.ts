export type { SchooledStep, SchoolPlace } from './practice.ts';
export { SCHOOLS, type School, type SchoolId } from './schools.ts';
export { schoolInForce, switchSchool } from './switchSchool.ts';

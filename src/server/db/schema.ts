/** Every table, in rooms by what it keeps. */
export * from './schema/boats.ts';
export * from './schema/records.ts';
export * from './schema/shared.ts';
export * from './schema/supply.ts';
export * from './schema/survey.ts';
export * from './schema/systems.ts';

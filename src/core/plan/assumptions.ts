import { MASK_M_PER_H } from '../film/index.ts';

/**
 * What the plan assumes where nobody states it. Rates are m² an hour for one person [T, handbook part 19]; preparing is scraping and
 * stripping by machine, and of steel blasting or power tools at the lower end of their span. Sanding uses SANDING_M2_PER_H.
 */
export const PLAN_ASSUMES = {
  /** Sweeping up surplus aggregate is taken to go as fast [an assumption]. */
  washM2PerH: 30,
  prepareM2PerH: 3,
  prepareSteelM2PerH: 8,
  /** Metres of edge masked in an hour; pulling the tape is part of cleaning up. */
  maskMPerH: MASK_M_PER_H,
  /** Masking that takes less than this is part of getting ready for the coat [M]. */
  leastMaskH: 1,
  /** An inspection, and the least that any work takes [M]. */
  leastWorkH: 0.5,
  /** Stirring, standing time and a last wipe before a coat [M]; washing out and putting away after it [T]. */
  getReadyH: 0.5,
  cleanUpH: 0.5,
  /** A spray gun takes so much longer to set up, and to clean [T]. */
  sprayMoreH: 1,
  /** Rolling and tipping takes two people; one alone takes so many times as long [M]. */
  aloneTimes: 2,
  /** What the changes compared change: hours more a day, and what a heated shelter is held at [M]. */
  longerDayH: 2,
  heatedToC: 16,
  /** How long the crane is taken up by a launch [M]. */
  launchH: 1,
  /** How much later the crane comes where that is tried. */
  laterLaunchDays: 7,
} as const;

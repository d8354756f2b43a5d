/** Boats and people that a plan takes. */
export const MOST_PLANNED = {
  boats: 12,
  people: 8,
  /** Times away of one person. */
  away: 12,
  /** Times in which no boat can be launched. */
  launchStops: 24,
  placeChanges: 24,
  pins: 200,
  extraWork: 40,
  agreed: 5,
  tasks: 5000,
} as const;

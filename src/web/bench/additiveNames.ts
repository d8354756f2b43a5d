/** Additives in a pot that aren’t planned, and planned additives that are missing, by name. */
export const offPlan = (inPot: readonly string[], planned: readonly string[]) => ({
  extra: inPot.filter((name) => !planned.includes(name)),
  left: planned.filter((name) => !inPot.includes(name)),
});

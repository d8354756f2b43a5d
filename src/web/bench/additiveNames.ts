/** What is in a pot besides the plan, and what of the plan is not in it, by name. */
export const offPlan = (inPot: readonly string[], planned: readonly string[]) => ({
  extra: inPot.filter((name) => !planned.includes(name)),
  left: planned.filter((name) => !inPot.includes(name)),
});

/** A line of the report: what, how much, and the budget it is held to. */
export const say = (what: string, found: string, budget: string) =>
  console.log(`${what.padEnd(70)} ${found.padStart(14)}   budget ${budget}`);
export const median = (values: number[]) => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
export const p95 = (values: number[]) =>
  values.sort((a, b) => a - b)[Math.ceil(values.length * 0.95) - 1] ?? 0;

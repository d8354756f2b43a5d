/** Beyond so many robust standard deviations a value is an outlier; fewer values than that are not judged [common practice]. */
const FAR = 3.5;
const FEWEST = 4;

export const meanOf = (logs: readonly { log: number }[]): number =>
  logs.reduce((sum, { log }) => sum + log, 0) / logs.length;

export function median(values: readonly number[]): number {
  const order = Float64Array.from(values).sort();
  const half = order.length / 2;
  return ((order[Math.ceil(half) - 1] as number) + (order[Math.floor(half)] as number)) / 2;
}

/**
 * Values that agree, and those too far from their median by its absolute deviations.
 *
 * @param leastSd the robust standard deviation is never taken for less: of few values it is too small as often as not
 */
export function withoutOutliers<Value extends { log: number }>(
  all: readonly Value[],
  leastSd: number,
): { used: Value[]; outliers: Value[] } {
  if (all.length < FEWEST) return { used: [...all], outliers: [] };
  const middle = median(all.map(({ log }) => log));
  const sd = Math.max(leastSd, 1.4826 * median(all.map(({ log }) => Math.abs(log - middle))));
  const isFar = ({ log }: Value) => Math.abs(log - middle) > FAR * sd;
  return { used: all.filter((each) => !isFar(each)), outliers: all.filter(isFar) };
}

import { finite, positive, QuantityError, within } from '../units/index.ts';

/** How long something takes at one temperature, as a sheet's table gives it [P]. */
export interface CurvePoint {
  tempC: number;
  minutes: number;
}

/** One event's table, one to five temperatures, and the temperature below which the clock stands. */
export interface EventCurve {
  points: readonly CurvePoint[];
  /** Below this the film does not cure [P]; null where the sheet does not say. */
  stopC: number | null;
  /**
   * Whether heat beyond the table counts: an event by which something must be done comes sooner the hotter it is, one from which on
   * something may be done no sooner than at the hottest temperature stated [on the safe side: handbook part 10].
   */
  runsOn?: boolean;
}

/** Nothing on a sheet takes longer: ten years. */
export const LONGEST_MINUTES = 60 * 24 * 3650;

const ZERO_C_IN_K = 273.15;
/** 1/T, T in kelvin. */
export const inverseK = (tempC: number) => 1 / (tempC + ZERO_C_IN_K);

/**
 * Throws unless the table can drive a clock: at least one point, temperatures distinct,
 * and never slower when hotter.
 */
export function checkCurve(name: string, curve: EventCurve): void {
  if (curve.stopC !== null) within(`${name} stop temperature`, curve.stopC, -40, 80);
  if (curve.points.length === 0)
    throw new QuantityError(`number of points of the ${name} table`, 0, 'between 1 and 5');
  const sorted = sortedPoints(curve);
  const hottestC = sorted.at(-1)?.tempC ?? 0;
  if (curve.stopC !== null && hottestC < curve.stopC)
    throw new QuantityError(
      `highest temperature of the ${name} table`,
      `${hottestC} °C`,
      `at least the minimum curing temperature (${curve.stopC} °C)`,
    );
  sorted.forEach((point, index) => {
    within(`${name} temperature`, point.tempC, -40, 80);
    positive(`${name} time`, point.minutes, LONGEST_MINUTES);
    const colder = sorted[index - 1];
    if (colder && colder.tempC === point.tempC) {
      throw new QuantityError(`${name} temperature`, `in the table twice (${point.tempC} °C)`, 'given once');
    }
    if (colder && point.minutes > colder.minutes) {
      throw new QuantityError(
        `${name} time at ${point.tempC} °C`,
        `${point.minutes} min`,
        `at most the ${colder.minutes} min at ${colder.tempC} °C`,
      );
    }
  });
}

function sortedPoints(curve: EventCurve): CurvePoint[] {
  return [...curve.points].sort((a, b) => a.tempC - b.tempC);
}

/** One line of ln t over 1/T, good below `upToC`: t = exp(intercept + slope / T), minutes and kelvin. */
export interface CurveLine {
  upToC: number;
  intercept: number;
  slope: number;
}

/** Rules outside the table: no cure, no faster than the last value, or half the time for each 10 °C more. */
export const LAW = { stands: -1, fastest: -2, tenDegrees: -3 } as const;

/** A table made ready to be asked many times. */
export interface ReadyCurve {
  /** Lowest and highest tabulated temperature, °C. */
  readonly lowC: number;
  readonly highC: number;
  readonly stopC: number | null;
  /** Above `highC` the law of the last stretch goes on; else the clock runs no faster than there. */
  readonly runsOn: boolean;
  /** Temperatures at which the law changes: the table's points and the stop, °C. */
  readonly kinksC: readonly number[];
  /** The lines between the points, coldest first; the outer ones are carried on beyond the table; none of a single point. */
  readonly lines: readonly CurveLine[];
  /** Minutes the event takes at a constant temperature; Infinity where the clock stands. */
  minutesAt(tempC: number): number;
}

/** A single point: half the time for each 10 °C more [T]. */
function tenDegreeRule(point: CurvePoint): (tempC: number) => number {
  return (tempC) => point.minutes * 2 ** ((point.tempC - tempC) / 10);
}

/**
 * Prepares a sheet's table.
 *
 * Between points ln t is linear in 1/T (T in kelvin: Arrhenius). A single point halves per +10 °C [T].
 * Colder than the table the nearest line runs on; below the stop temperature the clock stands; above the
 * highest tabulated temperature it runs no faster than there, or by the law of the last stretch where `runsOn`.
 *
 * @throws {QuantityError} see {@link checkCurve}
 */
export function readyCurve(name: string, curve: EventCurve): ReadyCurve {
  checkCurve(name, curve);
  const points = sortedPoints(curve);
  const first = points[0] as CurvePoint;
  const last = points.at(-1) as CurvePoint;
  const { stopC, runsOn = false } = curve;
  const lines = points.slice(1).map((upper, i): CurveLine => {
    const lower = points[i] as CurvePoint;
    const slope =
      (Math.log(lower.minutes) - Math.log(upper.minutes)) / (inverseK(lower.tempC) - inverseK(upper.tempC));
    return { upToC: upper.tempC, slope, intercept: Math.log(upper.minutes) - slope * inverseK(upper.tempC) };
  });
  const byTenDegrees = tenDegreeRule(first);
  const minutesAt = (tempC: number): number => {
    if (stopC !== null && tempC < stopC) return Number.POSITIVE_INFINITY;
    if (tempC >= last.tempC && !runsOn) return last.minutes;
    finite('temperature of the film', tempC);
    for (let i = 0; i < lines.length; i++) {
      const line = lines[i] as CurveLine;
      if (tempC < line.upToC || i === lines.length - 1)
        return Math.exp(line.intercept + line.slope * inverseK(tempC));
    }
    return byTenDegrees(tempC);
  };
  const kinksC = points.map(({ tempC }) => tempC);
  if (stopC !== null) kinksC.push(stopC);
  return { lowC: first.tempC, highC: last.tempC, stopC, runsOn, kinksC, lines, minutesAt };
}

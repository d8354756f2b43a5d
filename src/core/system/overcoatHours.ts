import { type CureSheet, type CurvePoint, readyCurve, ruleFor } from '../cure/index.ts';
import type { Family } from './families.ts';

/**
 * Hours from one coat to the next at a steady temperature: to the thumbprint where the sheet has one, else its minimum.
 *
 * @param tempC of the film
 * @returns null where the sheet says nothing of the next coat, or it is too cold to cure
 */
export function overcoatHours(
  below: CureSheet,
  next: { family: Family; same: boolean },
  tempC: number,
): number | null {
  const rule = ruleFor(below, { kind: 'coat', ...next });
  const points: readonly CurvePoint[] | undefined = rule?.thumb?.opens ?? rule?.min;
  if (!points) return null;
  const minutes = readyCurve('overcoat minimum', { points, stopC: below.stopC }).minutesAt(tempC);
  return Number.isFinite(minutes) ? minutes / 60 : null;
}

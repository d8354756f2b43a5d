import { positive } from '../units/index.ts';
import type { RatioBasis } from './ratio.ts';

/** What the parts are measured with, each with the smallest step it can show. */
export type MeasuringTool =
  | { kind: 'scale'; stepG: number }
  | { kind: 'cup'; stepMl: number }
  | { kind: 'syringe'; stepMl: number }
  /** A marked stick in a straight-sided pot. */
  | { kind: 'stick'; potDiameterMm: number; stepMm: number }
  /** "Three to one": a cup filled level and counted. */
  | { kind: 'counted-cups'; cupMl: number }
  /** Pumps give whole strokes only. */
  | { kind: 'pump'; strokeMl: number };

/** Does the tool measure weight or volume? */
export function toolBasis(tool: MeasuringTool): RatioBasis {
  return tool.kind === 'scale' ? 'weight' : 'volume';
}

/** The smallest step in g (scale) or ml (all others), above 0. */
export function toolStep(tool: MeasuringTool): number {
  switch (tool.kind) {
    case 'scale':
      return positive('scale step', tool.stepG, 1000);
    case 'cup':
    case 'syringe':
      return positive('step of the tool', tool.stepMl, 5000);
    case 'stick':
      return (
        positive('stick step', tool.stepMm, 100) * mlPerMm(positive('pot diameter', tool.potDiameterMm, 1000))
      );
    case 'counted-cups':
      return positive('cup size', tool.cupMl, 20_000);
    case 'pump':
      return positive('pump stroke', tool.strokeMl, 5000);
  }
}

/** Millilitres per millimetre of height in a straight-sided pot. 100 mm across → 7.85 ml. */
export function mlPerMm(potDiameterMm: number): number {
  return (Math.PI * positive('pot diameter', potDiameterMm, 1000) ** 2) / 4 / 1000;
}

/** Whether the parts are poured on top of each other and read as a running total. */
export function isCumulative(tool: MeasuringTool): boolean {
  return tool.kind === 'cup' || tool.kind === 'stick';
}

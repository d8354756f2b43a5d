import { positive, QuantityError, within } from '../units/index.ts';

/** A shape measured by hand; lengths in metres. */
export type Shape =
  | { kind: 'rectangle'; lengthM: number; widthM: number }
  | { kind: 'triangle'; baseM: number; heightM: number }
  | { kind: 'trapezium'; sideAM: number; sideBM: number; heightM: number }
  | { kind: 'circle'; diameterM: number }
  /** Girths at equally spaced stations, measured along the skin on one side. */
  | { kind: 'girths'; spacingM: number; girthsM: readonly number[]; rule: 'simpson' | 'trapezoid' };

/** One line of a measuring sheet. */
export interface Measure {
  shape: Shape;
  /** Number of identical pieces: 2 for both sides. */
  count: number;
  /** Taken off instead of added: a window, a hatch. */
  opening: boolean;
  note?: string | undefined;
}

export interface MeasuredArea {
  areaM2: number;
  /** Spread as a fraction, and what it makes of the area. */
  spread: number;
  lowM2: number;
  highM2: number;
  /** Signed m² of each line, openings below 0. */
  lines: number[];
}

/** Typical spread of hand measures: ±5 % [T]. */
export const HAND_MEASURE_SPREAD = 0.05;

const LONGEST_M = 200;
const length = (name: string, value: number) => positive(name, value, LONGEST_M);

function checkOrdinates(spacing: number, ordinates: readonly number[]): void {
  length('station spacing', spacing);
  ordinates.forEach((girth, i) => {
    within(`girth ${i + 1}`, girth, 0, LONGEST_M);
  });
}

/**
 * Area under ordinates at equal spacing by Simpson's rule, h/3 × (g₀ + 4g₁ + 2g₂ + … + gₙ); n even.
 * Exact for curves up to the third degree.
 *
 * @throws {QuantityError} for an even number of ordinates or fewer than 3
 */
export function simpson(spacing: number, ordinates: readonly number[]): number {
  if (ordinates.length < 3 || ordinates.length % 2 === 0) {
    throw new QuantityError(
      'number of girths',
      ordinates.length,
      'an odd number, 3 or more, for Simpson’s rule (or use the trapezoid rule)',
    );
  }
  checkOrdinates(spacing, ordinates);
  const last = ordinates.length - 1;
  const sum = ordinates.reduce((total, g, i) => total + g * (i === 0 || i === last ? 1 : i % 2 ? 4 : 2), 0);
  return (spacing / 3) * sum;
}

/** Area under ordinates at equal spacing by the trapezoid rule; 2 ordinates or more. */
export function trapezoid(spacing: number, ordinates: readonly number[]): number {
  if (ordinates.length < 2) throw new QuantityError('number of girths', ordinates.length, '2 or more');
  checkOrdinates(spacing, ordinates);
  const last = ordinates.length - 1;
  return spacing * ordinates.reduce((total, g, i) => total + g * (i === 0 || i === last ? 0.5 : 1), 0);
}

/** m² of one shape. `shapeArea({ kind: 'triangle', baseM: 3, heightM: 2 })` → 3. */
export function shapeArea(shape: Shape): number {
  switch (shape.kind) {
    case 'rectangle':
      return length('length', shape.lengthM) * length('width', shape.widthM);
    case 'triangle':
      return (length('base', shape.baseM) * length('height', shape.heightM)) / 2;
    case 'trapezium':
      return (
        ((length('first side', shape.sideAM) + length('second side', shape.sideBM)) / 2) *
        length('height', shape.heightM)
      );
    case 'circle':
      return (Math.PI * length('diameter', shape.diameterM) ** 2) / 4;
    case 'girths': {
      const girths = shape.girthsM.map((g, i) => within(`girth ${i + 1}`, g, 0, LONGEST_M));
      const spacing = length('station spacing', shape.spacingM);
      return shape.rule === 'simpson' ? simpson(spacing, girths) : trapezoid(spacing, girths);
    }
  }
}

/**
 * m² from a sheet of hand measures, openings taken off, with its spread.
 *
 * `areaFromMeasures({ measures: [4 × 2 m rectangle ×2, opening 1 × 0.5 m] }).areaM2` → 15.5.
 *
 * @throws {QuantityError} on an impossible line or when the openings leave nothing
 */
export function areaFromMeasures(input: { measures: readonly Measure[]; spread?: number }): MeasuredArea {
  const spread = within('spread', input.spread ?? HAND_MEASURE_SPREAD, 0, 1);
  const lines = input.measures.map((measure) => {
    const count = positive('count', measure.count, 1000);
    return shapeArea(measure.shape) * count * (measure.opening ? -1 : 1);
  });
  const areaM2 = lines.reduce((sum, line) => sum + line, 0);
  if (input.measures.length > 0 && areaM2 <= 0) {
    throw new QuantityError('area after openings', `${areaM2.toFixed(2)} m²`, 'above 0 m²');
  }
  return { areaM2, spread, lowM2: areaM2 * (1 - spread), highM2: areaM2 * (1 + spread), lines };
}

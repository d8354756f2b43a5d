import type { CoatFailure, CoatFailureCode, Range } from '../core/air/index.ts';

/** Where figures of the air are from. */
export type AirSource = 'typed' | 'measured' | 'forecast' | 'filled' | 'simulated';

/** A moment of a coat that does not pass, and why. */
export interface FailureView {
  at: string;
  code: CoatFailureCode;
  value: number;
  limit: number;
  phase: CoatFailure['phase'];
}

/** Air and surface over the hours in which a coat was applied, and what in them the sheet did not allow. */
export interface CoatAirRecord {
  airC: Range;
  /** Fraction 0–1. */
  rh: Range;
  /** null: typed without it. */
  surfaceC: Range | null;
  /** Measured at the boat, or worked out from the air. */
  surface: 'measured' | 'estimated';
  /** Where the air is from: of several the least certain. */
  source: AirSource;
  failures: FailureView[];
}

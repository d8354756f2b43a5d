import { within } from '../units/index.ts';
import type { Family, Substrate } from './families.ts';
import { gradeOf } from './prepareFor.ts';
import type { ServiceKind } from './rules.ts';
import type { ProductSheet } from './sheet.ts';

/** The blast profile that the first coat has to fill, and where its figure is from. */
export interface ProfileUnder {
  microns: number;
  from: 'measured' | 'sheet' | 'typical';
}

/** Mineral grit gives some 50–70 µm [T]; the middle. */
const TYPICAL_PROFILE_MICRONS = 60;

/**
 * The profile under the first coat on bare blasted steel: as measured, else the middle of what the sheet wants [P], else
 * what mineral grit gives [T]. Steel prepared by power tool (St) or converted has none to speak of.
 *
 * @returns null where nothing is blasted
 */
export function profileUnder(input: {
  substrate: Substrate;
  oldCoating: Family | 'unknown' | null;
  /** Peak to valley by tape, µm; null: not measured. */
  measuredMicrons: number | null;
  first: Pick<ProductSheet, 'family' | 'preparation'> | undefined;
  /** Where it is: dry steel is made ready by power tool where its sheet says nothing. Left out: under water. */
  service?: ServiceKind;
  /** Blasted according to the log, even if that is unusual; left out: no entry. */
  blasted?: boolean;
  /** Rust is converted below it; left out: it is not. */
  converted?: boolean;
}): ProfileUnder | null {
  const { substrate, oldCoating, measuredMicrons, first } = input;
  if (substrate !== 'steel' || oldCoating !== null || !first) return null;
  if (input.converted || first.family === 'rust-converter') return null;
  if (measuredMicrons !== null) within('profile', measuredMicrons, 0, 400);
  if (measuredMicrons !== null) return { microns: measuredMicrons, from: 'measured' };
  const { profileMinMicrons: least, profileMaxMicrons: most } = first.preparation;
  const byTool = gradeOf(first.preparation, input.service ?? 'immersed').startsWith('St');
  if (byTool && !input.blasted) return null;
  if (least === null && most === null) return { microns: TYPICAL_PROFILE_MICRONS, from: 'typical' };
  return { microns: ((least ?? most ?? 0) + (most ?? least ?? 0)) / 2, from: 'sheet' };
}

import { positive, QuantityError, within } from '../units/index.ts';

/** Film of the replica tape itself, taken off each reading, µm (2 mil) [S: ASTM D4417 method C, ISO 8503-5]. */
export const TAPE_FILM_MICRONS = 50;

export type TapeGrade = 'coarse' | 'extra-coarse';

/** Peak-to-valley span each tape serves, µm [S: ASTM D4417, the figures from memory M]. */
export const TAPE_RANGE: Record<TapeGrade, readonly [least: number, most: number]> = {
  coarse: [20, 64],
  'extra-coarse': [38, 115],
};

export interface Profile {
  microns: number;
  /** The other tape serves this profile, or none does; null: this one. */
  warning: string | null;
  /** Fewer tapes than an average wants. */
  few: boolean;
}

/**
 * Blast profile from replica tape: mean of the micrometer readings less the tape's own 50 µm
 * [S: ASTM D4417 method C, ISO 8503-5]; two tapes or more make an average.
 *
 * `profileFromTape({ readingsMicrons: [105, 115], tape: 'coarse' }).microns` → 60.
 *
 * @throws {QuantityError} without a reading, or one no thicker than the tape
 */
export function profileFromTape(input: { readingsMicrons: readonly number[]; tape: TapeGrade }): Profile {
  const { readingsMicrons, tape } = input;
  if (readingsMicrons.length === 0) throw new QuantityError('number of tape readings', 0, '1 or more');
  const heights = readingsMicrons.map((reading, i) => {
    const own = within(`tape reading ${i + 1} (µm)`, reading, TAPE_FILM_MICRONS, 400);
    return own - TAPE_FILM_MICRONS;
  });
  const microns = heights.reduce((sum, each) => sum + each, 0) / heights.length;
  const [least, most] = TAPE_RANGE[tape];
  const other = tape === 'coarse' ? 'extra-coarse' : 'coarse';
  const [otherLeast, otherMost] = TAPE_RANGE[other];
  const warning =
    microns >= least && microns <= most
      ? null
      : microns >= otherLeast && microns <= otherMost
        ? `${microns.toFixed(0)} µm is outside the range of the ${tape} tape (${least}–${most} µm). Use the ${other} tape.`
        : `${microns.toFixed(0)} µm is outside the range of both tapes (${TAPE_RANGE.coarse[0]}–${TAPE_RANGE['extra-coarse'][1]} µm).`;
  return { microns, warning, few: heights.length < 2 };
}

/** mg/m² for each µS/cm above blank with the usual patch: 15 ml, 1250 mm² [S: ISO 8502-9; factor M]. */
const SALT_PER_CONDUCTIVITY = 6;

/**
 * Salt on a surface as NaCl from the conductivity of a patch's water, mg/m²
 * [S: ISO 8502-6 extraction, ISO 8502-9 reading; the factor 6 from memory M], scaled for other volumes and patches.
 *
 * `saltFromConductivity({ microSiemensPerCm: 12, blank: 2 })` → 60.
 *
 * @throws {QuantityError} on a reading below the blank
 */
export function saltFromConductivity(input: {
  microSiemensPerCm: number;
  blank: number;
  millilitres?: number;
  patchMm2?: number;
}): number {
  const blank = within('blank (µS/cm)', input.blank, 0, 1000);
  const reading = within('conductivity (µS/cm)', input.microSiemensPerCm, blank, 10_000);
  const volume = positive('water (ml)', input.millilitres ?? 15, 100);
  const patch = positive('patch area (mm²)', input.patchMm2 ?? 1250, 100_000);
  return SALT_PER_CONDUCTIVITY * (reading - blank) * (volume / 15) * (1250 / patch);
}

/** Washes in parts of water to one of concentrate [T]. */
export const WASH_RATIO = { 'salt-remover': 100, 'passivating-wash': 50 } as const;

/**
 * Concentrate for a tank of wash, litres: `tank / ratio`. 200 litres of passivating wash at 50 : 1 take 4 litres [T].
 *
 * @throws {QuantityError} on an empty tank
 */
export const washLitres = (tankLitres: number, ratio: number): number =>
  positive('tank size (l)', tankLitres, 100_000) /
  positive('parts of water per part of concentrate', ratio, 10_000);

/** Bare blasted steel is primed within this, hours [T]: sooner when damp. */
export const BARE_STEEL_HOURS = 4;
/** A passivating wash holds it some two to three days [T]. */
export const PASSIVATED_HOURS = 48;

export interface BlastDay {
  /** m² to blast today so that none is bare longer than allowed. */
  areaM2: number;
  /** Hours of blasting, and when priming is to begin, hours after the start. */
  blastHours: number;
  primeFromHours: number;
  limitedBy: 'blasting' | 'priming' | 'bare-time' | 'area';
}

/**
 * How much to blast in a day: what can be blasted, what of it can be primed in the hours left, and no m² bare longer
 * than the limit. Blasting first, then priming by the same hands.
 *
 * `blastDay({ areaM2: 100, blastM2PerH: 8, primeM2PerH: 40, hours: 8, bareHours: 4 })` → 26.7 m²: 3 h 20 min blasting,
 * 40 min priming, the first metre bare for 4 h.
 *
 * @throws {QuantityError} on a rate or a day of nothing
 */
export function blastDay(input: {
  areaM2: number;
  blastM2PerH: number;
  primeM2PerH: number;
  hours: number;
  bareHours?: number;
}): BlastDay {
  const area = positive('area (m²)', input.areaM2, 10_000);
  const blast = positive('blasting (m²/h)', input.blastM2PerH, 1000);
  const prime = positive('priming (m²/h)', input.primeM2PerH, 5000);
  const hours = positive('working hours', input.hours, 24);
  const bare = positive('hours left bare', input.bareHours ?? BARE_STEEL_HOURS, 96);
  // The first metre waits for all of the blasting and for its own place in the priming, which begins with it; the
  // last metre waits for all of the priming. The day holds both.
  const perM2 = 1 / blast + 1 / prime;
  const byDay = hours / perM2;
  const byBare = bare / perM2;
  const areaM2 = Math.min(area, byDay, byBare);
  const limitedBy =
    areaM2 === area
      ? 'area'
      : byBare <= byDay
        ? 'bare-time'
        : 1 / blast >= 1 / prime
          ? 'blasting'
          : 'priming';
  return { areaM2, blastHours: areaM2 / blast, primeFromHours: areaM2 / blast, limitedBy };
}

/** One round of a rust converter course. */
export interface ConverterRound {
  red: boolean;
}

export type ConverterStep =
  | { next: 'coat'; why: string }
  | { next: 'prime'; why: string }
  | { next: 'choose'; why: string };

/** Coats of converter after which red comes back for good [T]. */
const MOST_CONVERTER_COATS = 3;
/** An opened bottle is suspect from here on, years [T]. */
const BOTTLE_YEARS = 2;

/**
 * A rust converter's course: brush it in, wait a day, again while red shows, three coats at most [T].
 *
 * @param openedYears age of the opened bottle
 */
export function converterCourse(input: { rounds: readonly ConverterRound[]; openedYears: number }): {
  step: ConverterStep;
  bottle: string | null;
} {
  const years = within('years since the bottle was opened', input.openedYears, 0, 50);
  const bottle =
    years >= BOTTLE_YEARS
      ? `This bottle was opened ${years} years ago and may have gone off. Try it on a rusty nail first.`
      : null;
  const last = input.rounds.at(-1);
  if (!last) {
    return {
      bottle,
      step: {
        next: 'coat',
        why: 'Remove loose rust and grease, brush the converter onto the firm rust, then wait a day',
      },
    };
  }
  if (!last.red)
    return { bottle, step: { next: 'prime', why: 'All black and dry. Scuff the surface, then apply epoxy' } };
  if (input.rounds.length < MOST_CONVERTER_COATS) {
    return {
      bottle,
      step: { next: 'coat', why: 'Red still shows. Apply another coat and wait another day' },
    };
  }
  return {
    bottle,
    step: {
      next: 'choose',
      why: 'Rust that still shows red after the third coat will come back. Use a needle gun, spot blasting or a surface-tolerant epoxy with inhibitors. Diesel or water in the pits stops the converter working',
    },
  };
}

/** What a rub with solvent tells of old paint [T]. */
export const solventRub = (softens: boolean): { pack: 'one-pack' | 'two-pack'; why: string } =>
  softens
    ? { pack: 'one-pack', why: 'The paint softens, so it’s a one-pack. Don’t put a two-pack over it' }
    : { pack: 'two-pack', why: 'The paint stays hard, so it’s a two-pack. Abrade it before coating' };

/** Film up to which adhesion is tested by cross-cut; above it by X-cut [S: ISO 2409; ISO 16276-2, M]. */
export const CROSS_CUT_TO_MICRONS = 250;

/** Which cut tests the adhesion of a film. */
export const adhesionTest = (filmMicrons: number): 'cross-cut' | 'X-cut' =>
  within('film thickness (µm)', filmMicrons, 0, 20_000) <= CROSS_CUT_TO_MICRONS ? 'cross-cut' : 'X-cut';
